import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { bootPlan, fileText, twoStage, writeFiles, type BootPlan } from '../../src/lib/core/boot';
import { kitOf } from '../../src/lib/core/kit';
import { FLOPPY_IMAGES, FloppyImageError, floppyImage, startFloppy } from '../../src/lib/formats';
import { startLabel } from '../../src/lib/words';
import { demo, parts } from '../support/demo';
import { needs, toolsEnv } from '../support/tools';

const folder = mkdtempSync(join(tmpdir(), 'yj-floppy-'));
const env = { ...toolsEnv, MTOOLS_SKIP_CHECK: '1' };

describe('the image of a start floppy', () => {
  after(() => rmSync(folder, { recursive: true, force: true }));

  for (const kib of FLOPPY_IMAGES)
    it(`real tools find no fault in it and read every file back: ${kib} KiB`, function () {
      needs('fsck.fat', 'mtype');
      const kit = kitOf(demo('curlew'), parts);
      const plan = bootPlan(kit) as BootPlan;
      const files = writeFiles(kit, plan, startLabel);
      const at = join(folder, `${kib}.img`);
      writeFileSync(at, startFloppy(files, plan.dos, kib, 'C:\\DRIVERS'));
      const check = spawnSync('fsck.fat', ['-n', '-v', at], { env, encoding: 'utf8' });
      expect(check.status, check.stdout + check.stderr).to.equal(0);
      expect(check.stdout).to.match(/12.bit/);
      for (const f of files.files)
        expect(spawnSync('mtype', ['-i', at, `::${f.name}`], { env, encoding: 'latin1' }).stdout).to.equal(
          fileText(f)
        );
      expect(spawnSync('mtype', ['-i', at, '::READ.ME'], { env, encoding: 'latin1' }).stdout).to.match(
        /SYS A:[\s\S]*CDDRV\.SYS/
      );
    });

  it('holds large and empty files over many clusters', function () {
    needs('fsck.fat', 'mtype');
    const long = 'tide '.repeat(40_000);
    const at = join(folder, 'long.img');
    writeFileSync(
      at,
      floppyImage(360, [
        { name: 'EMPTY', text: '' },
        { name: 'LONG.TXT', text: long },
        { name: 'END.TXT', text: 'end' }
      ])
    );
    const check = spawnSync('fsck.fat', ['-n', at], { env, encoding: 'utf8' });
    expect(check.status, check.stdout).to.equal(0);
    expect(
      spawnSync('mtype', ['-i', at, '::LONG.TXT'], { env, encoding: 'latin1', maxBuffer: 1e7 }).stdout
    ).to.equal(long);
  });

  it('goes on from a disk: the drivers first, then the shell of that drive', () => {
    const kit = kitOf(demo('sanderling'), parts);
    const plan = bootPlan(kit) as BootPlan;
    const files = writeFiles(kit, plan, startLabel);
    const config = (dos: number) => fileText(twoStage(files, dos, 'C:').files[0]!);
    expect(config(6.22)).to.match(/SHELL=C:\\COMMAND\.COM C:\\ \/E:512 \/P\r\n$/);
    expect(config(6.22).match(/SHELL=/g)).to.have.length(1);
    expect(config(3)).to.match(/\/E:32 \/P/);
    expect(config(2)).not.to.match(/\/E:/);
    const image = Buffer.from(startFloppy(files, 6.22, 1440, 'C:\\DRIVERS', 'C:')).toString('latin1');
    expect(image).to.match(/exactly the version of this floppy/);
  });

  it('refuses what does not fit, what is no name of DOS, and a size that there is not', () => {
    const put =
      (kib: number, name: string, text = '') =>
      () =>
        floppyImage(kib, [{ name, text }]);
    expect(put(360, 'BIG.TXT', 'x'.repeat(400_000))).to.throw(FloppyImageError, /do not fit/);
    expect(put(360, 'much too long.txt')).to.throw(FloppyImageError, /eight letters/);
    expect(put(400, 'A.TXT')).to.throw(FloppyImageError, /no floppy of 400/);
  });

  it('gives the same bytes twice', () => {
    const files = [{ name: 'A.TXT', text: 'a' }];
    expect(Buffer.from(floppyImage(720, files)).equals(Buffer.from(floppyImage(720, files)))).to.equal(true);
  });
});
