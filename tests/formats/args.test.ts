import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import fc from 'fast-check';
import { FLAG, TEXT, numberOf, readArgs } from '../../bin/args';
import { Usage } from '../../bin/io';
import { writeBuildFile } from '../../src/lib/formats';
import { yj } from '../support/command';
import { demo, parts } from '../support/demo';

const options = { text: FLAG, os: TEXT, 'no-format': FLAG };
const read = (...args: string[]) => readArgs(args, options, 2, 'usage: …');

describe('what stands after a command', () => {
  it('is read in any order, with a value after a space or an equals sign', () => {
    const expected = { words: ['a', '-'], told: { os: 'dos5', text: true } };
    const orders = [
      ['a', '-', '--os', 'dos5', '--text'],
      ['--text', 'a', '--os=dos5', '-'],
      ['--os', 'dos5', '--text', '--', 'a', '-']
    ];
    for (const args of orders) {
      const { words, told } = read(...args);
      expect({ words, told: { ...told } }, args.join(' ')).to.deep.equal(expected);
    }
    expect(read('--', '--text').words).to.deep.equal(['--text']);
    expect(read().told.os).to.equal(undefined);
  });
  it('is named when it is not understood, above what the command takes', () => {
    const refused: [string[], RegExp][] = [
      [['--txt'], /^there is no option --txt here\n\nusage: …$/],
      [['-t'], /^there is no option -t here/],
      [['--os'], /^--os wants a value/],
      [['--os', '--text'], /^--os wants a value/],
      [['--os', 'dos5', '--os=dos6.22'], /^--os is given twice/],
      [['--no-format=yes'], /^--no-format takes no value/],
      [['a', 'b', 'c'], /^"c" is not understood/]
    ];
    for (const [args, why] of refused) expect(() => read(...args), args.join(' ')).to.throw(Usage, why);
  });
  it('is never passed over: every word and option is in the answer, or refused by name', () => {
    const word = fc.constantFrom(
      'a',
      '-',
      '--text',
      '--os',
      '--os=dos5',
      '--no-format',
      '--odd',
      '-x',
      'b c',
      ''
    );
    fc.assert(
      fc.property(fc.array(word, { maxLength: 6 }), (args) => {
        let answer;
        try {
          answer = read(...args);
        } catch (error) {
          expect(error).to.be.instanceOf(Usage);
          const named = /^(?:"(.*)"|there is no option (\S+)|(--\S+))/.exec((error as Usage).message)!;
          const name = named[1] ?? named[2] ?? named[3];
          expect(args.some((a) => a === name || a.startsWith(`${name}=`))).to.equal(true);
          return;
        }
        const { words, told } = answer;
        const values = args.filter((a, i) => args[i - 1] === '--os' && a === told.os).length;
        const named = args.filter((a) => a.startsWith('--')).length;
        expect(words.length + named + values).to.be.at.least(args.length);
        expect(told.text === true).to.equal(args.includes('--text'));
      })
    );
  });
  it('a number is whole and in its range, or is refused', () => {
    expect(numberOf('alternatives', undefined, 8)).to.equal(undefined);
    expect(numberOf('alternatives', '8', 8)).to.equal(8);
    for (const wrong of ['9', '-1', '1.5', '1e0', 'many', '', ' 1'])
      expect(() => numberOf('alternatives', wrong, 8), wrong).to.throw(Usage, /from 0 to 8/);
  });
});

describe('a command that was mistyped', () => {
  const folder = mkdtempSync(join(tmpdir(), 'yj-args-'));
  const file = join(folder, 'plover.json');
  before(() => writeFileSync(file, writeBuildFile(demo('plover'), parts)));
  after(() => rmSync(folder, { recursive: true }));

  it('is not taken for another: what it does not know is named, exit 2, and nothing is written', async () => {
    const image = join(folder, 'a.img');
    for (const [args, why] of [
      [['check', file, '--resolve'], /no option --resolve/],
      [['resolve', file, '--allow-of'], /no option --allow-of/],
      [['resolve', file, '--alternatives', '9'], /whole number from 0 to 8/],
      [['sheet', file, file], /is not understood/],
      [['moves', file, '--jsn'], /no option --jsn/],
      [['rehearse', file, '--plannd'], /no option --plannd/],
      [['diagnose', file, '-', 'more'], /"more" is not understood/],
      [['boot', file, '--texxt'], /no option --texxt/],
      [['boot', file, image], /written with --floppy/],
      [['boot', file, image, '--floppy', '1440', '--go-on', 'A:'], /name the size and the image/],
      [['boot-check', file, '-', '-', '-'], /"-" is not understood/],
      [['memory-map', file, 'more'], /"more" is not understood/],
      [['place', '-', 'more'], /"more" is not understood/],
      [['table', '-', 'more'], /"more" is not understood/],
      [['part', '-', '--strict'], /no option --strict/],
      [['memory', 'skerrin-px8', '--target', '640', '--count', '640'], /--target KIB or --count KIB/],
      [['disk', '--chs', '40/8', '--sectors', '1000'], /disk wants --chs C\/H\/S/],
      [['disk', '615/4/17'], /"615\/4\/17" is not understood/],
      [['write', image, '--chs', '40/8/17', '--no-formt'], /no option --no-formt/],
      [['rom', 'split', file, image], /rom wants a file/],
      [['image', file, '--setup', '40/8'], /--setup wants cylinders/],
      [['health', file], /is not understood/],
      [['backup', image, image], /is not understood/],
      [['check', '--batch', file, 'more'], /"more" is not understood/]
    ] as [string[], RegExp][]) {
      const { status, stdout, stderr } = await yj(args);
      expect(status, args.join(' ')).to.equal(2);
      expect(stdout, args.join(' ')).to.equal('');
      expect(stderr, args.join(' ')).to.match(why);
    }
    expect(existsSync(image)).to.equal(false);
  });
  it('gives the same answer whatever the order of its words', async () => {
    const same = async (one: string[], other: string[]) => {
      const answer = await yj(one);
      expect(answer.stdout.length, one.join(' ')).to.be.greaterThan(10);
      expect(await yj(other), other.join(' ')).to.deep.equal(answer);
    };
    await same(['moves', file, '--json'], ['moves', '--json', file]);
    await same(['disk', '--chs', '615/4/17', '--os', 'dos3.3'], ['disk', '--os=dos3.3', '--chs=615/4/17']);
    // A system is as good as the DOS under it, however it is shortened.
    await same(
      ['disk', '--chs', '8944/15/63', '--os', 'dos7.1'],
      ['disk', '--chs', '8944/15/63', '--os', 'Windows 98']
    );
    await same(
      ['disk', '--chs', '8944/15/63', '--os', 'win95b'],
      ['disk', '--chs', '8944/15/63', '--os', 'win98']
    );
    await same(['memory', 'skerrin-px8', '--count', '640'], ['memory', '--count', '640', 'skerrin-px8']);
  });
  it('takes a line of a batch whose file begins with a dash as a file', async () => {
    const { status, stdout } = await yj(['image', '--batch', '-'], '{"file": "--setup"}\n');
    expect(status).to.equal(2);
    expect(JSON.parse(stdout).error).to.match(/--setup: there is no such file/);
  });
});
