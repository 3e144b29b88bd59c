import {
  closeSync,
  fstatSync,
  ftruncateSync,
  mkdtempSync,
  openSync,
  readSync,
  rmSync,
  writeSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { layers, partition, proposeSizes, setupChoices, type SetupFacts } from '../src/lib/core/storage';
import { diagnose, diskImage, readDisk } from '../src/lib/formats/disk';

/** Reading the tables of a 4 GiB sparse image, and the geometry screen's own work at every change. */
export async function benchDisks(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'yj-bench-disk-'));
  const geometry = { cylinders: 1023, heads: 128, sectors: 63 };
  const image = diskImage(partition(geometry, 6.22, [200, 200, 200, 200, 223]), { dos: 6.22, format: true });
  const fd = openSync(join(folder, 'disk.img'), 'w+');
  for (const { offset, bytes } of image.chunks) writeSync(fd, bytes, 0, bytes.length, offset);
  ftruncateSync(fd, 4 * 2 ** 30);
  const size = fstatSync(fd).size;
  const times: number[] = [];
  for (let i = 0; i < 30; i++) {
    const start = performance.now();
    const read = await readDisk({
      bytes: size,
      read: (offset, length) => {
        const b = new Uint8Array(length);
        return Promise.resolve(b.subarray(0, readSync(fd, b, 0, length, offset)));
      }
    });
    diagnose(read, geometry);
    times.push(performance.now() - start);
  }
  closeSync(fd);
  rmSync(folder, { recursive: true, force: true });
  times.sort((a, b) => a - b);
  console.log(
    `tables of a sparse image of 4 GiB, five drives: median ${times[15].toFixed(2)} ms, slowest ${times[29].toFixed(2)} ms`
  );
  const facts: SetupFacts = { types: 46, user: true, translation: 'bit-shift', biosCylinders: 4096 };
  const work: number[] = [];
  for (let cylinders = 600; cylinders < 16_000; cylinders += 100) {
    const drive = { physical: { cylinders, heads: 16, sectors: 63 }, translates: true };
    const start = performance.now();
    layers(drive, facts, 6.22);
    const [best] = setupChoices(drive, facts, 6.22);
    partition(best.logical!, 6.22, proposeSizes(best.logical!, 6.22));
    work.push(performance.now() - start);
  }
  work.sort((a, b) => a - b);
  console.log(
    `a drive, its layers, choices and plan: median ${work[work.length >> 1].toFixed(3)} ms, slowest ${work.at(-1)!.toFixed(2)} ms`
  );
}
