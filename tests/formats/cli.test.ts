import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { writeBuildFile } from '../../src/lib/formats';
import { demo, parts } from '../support/demo';

const root = new URL('../..', import.meta.url).pathname;
const yj = (args: string[], input = '') =>
  spawnSync('npm', ['run', '--silent', 'yj', '--', ...args], { cwd: root, input, encoding: 'utf8' });

describe('the command line', function () {
  const folder = mkdtempSync(join(tmpdir(), 'yj-cli-'));
  const file = join(folder, 'plover.json');
  before(() => writeFileSync(file, writeBuildFile(demo('plover'), parts)));
  after(() => rmSync(folder, { recursive: true }));

  it('checks: one document, exit 1 with clashes', () => {
    const { status, stdout } = yj(['check', file]);
    expect(status).to.equal(1);
    const out = JSON.parse(stdout);
    expect(out.status).to.equal('clash');
    expect(out.findings.filter((f: { severity: string }) => f.severity === 'clash')).to.have.length(3);
  });
  it('resolves from standard input, exit 0', () => {
    const { status, stdout } = yj(['resolve', '-'], writeBuildFile(demo('plover'), parts));
    expect(status).to.equal(0);
    expect(JSON.parse(stdout)).to.include.keys(
      'status',
      'positions',
      'claims',
      'moves',
      'shares',
      'objective',
      'alternatives'
    );
  });
  it('shows core and relaxations of an impossible machine, exit 1', () => {
    const { status, stdout } = yj(['resolve', '-'], writeBuildFile(demo('turnstone'), parts));
    expect(status).to.equal(1);
    expect(JSON.parse(stdout)).to.include.keys('core', 'relaxations');
  });
  it('prints the sheet of the best solution', () => {
    const { status, stdout } = yj(['sheet', file, '--resolve']);
    expect(status).to.equal(0);
    expect(stdout).to.match(/\[ \] 1\. Take .* out of slot/);
  });
  it('exits 2 with place and reason on bad input', () => {
    const cut = yj(['check', '-'], '{"format": "yellow-jumper/build",');
    expect([cut.status, cut.stdout]).to.deep.equal([2, '']);
    expect(cut.stderr).to.match(/line 1, column/);
    expect(yj(['check', join(folder, 'nowhere.json')]).stderr).to.match(/no such file/);
    expect(yj(['dance', file]).status).to.equal(2);
    expect(yj(['resolve', file, '--alternatives', 'many']).stderr).to.match(/whole number/);
  });
  it('gives the same bytes twice', () => {
    const run = () => execFileSync('npm', ['run', '--silent', 'yj', '--', 'resolve', file], { cwd: root });
    expect(run().equals(run())).to.equal(true);
  });
});
