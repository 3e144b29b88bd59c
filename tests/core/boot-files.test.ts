import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import fc from 'fast-check';
import { parse } from 'yaml';
import { expectationOf, withBoot } from '../../src/lib/core/boot';
import {
  applyEdit,
  batchOf,
  checkFiles,
  choicesOf,
  configOf,
  joinLines,
  rawLines,
  readBatch,
  readConfig
} from '../../src/lib/core/boot-files';
import { kitOf } from '../../src/lib/core/kit';
import type { Profile } from '../../src/lib/core/model';
import { bootFindingWords, inStarts } from '../../src/lib/words';
import { demo, parts } from '../support/demo';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';

interface Case {
  name: string;
  on: string;
  os?: string;
  /** What a listing of the disk shows. */
  listing?: string;
  /** A program of the brief refuses the memory manager. */
  refuser?: string;
  config: string;
  autoexec: string;
  finds: string[];
}
const cases = parse(readFileSync(new URL('boot/cases.yaml', import.meta.url), 'utf8')) as Case[];

const machineOf = (id: string, { os, listing, refuser }: Partial<Case> = {}) => {
  const build = withBoot(demo(id), { listing });
  const { brief } = build;
  const profiles: Profile[] = refuser
    ? [...brief.profiles, { id: 'refuser', name: refuser, needs: [], wants: { v86: 'off' } }]
    : brief.profiles;
  return expectationOf(kitOf({ ...build, brief: { ...brief, os: os ?? brief.os, profiles } }, parts));
};
const found = (c: Case) =>
  checkFiles(c.config, c.autoexec, machineOf(c.on, c)).filter((f) => f.severity !== 'note');

describe('a pair of start files', () => {
  it('there are at least 60 written by hand', () => {
    expect(cases.length).to.be.at.least(60);
  });
  for (const c of cases)
    it(`${c.name}: ${c.finds.length ? c.finds.join(', ') : 'nothing'}`, () => {
      const said = found(c).map((f) => `${f.file[0]} ${f.line} ${f.rule}`);
      expect([...said].sort()).to.deep.equal([...c.finds].sort());
    });

  it('every fix takes its finding away, touches one line, and brings no new clash', () => {
    let fixes = 0;
    for (const c of cases) {
      const before = checkFiles(c.config, c.autoexec, machineOf(c.on, c));
      for (const f of before.filter((x) => x.edit)) {
        fixes++;
        const edit = f.edit!;
        const config = edit.file === 'CONFIG.SYS' ? applyEdit(c.config, edit) : c.config;
        const autoexec = edit.file === 'AUTOEXEC.BAT' ? applyEdit(c.autoexec, edit) : c.autoexec;
        const after = checkFiles(config, autoexec, machineOf(c.on, c));
        const key = (x: (typeof before)[number]) => JSON.stringify([x.rule, x.facts]);
        expect(after.map(key), `${c.name}: ${f.rule}`).not.to.include(key(f));
        expect(after.filter((x) => x.severity === 'clash').length, c.name).to.be.at.most(
          before.filter((x) => x.severity === 'clash').length
        );
        const changed = (a: string, b: string) =>
          rawLines(b).filter((l) => !rawLines(a).some((x) => x.text === l.text)).length;
        expect(changed(c.config, config) + changed(c.autoexec, autoexec), c.name).to.be.at.most(1);
      }
    }
    expect(fixes).to.be.greaterThan(8);
  });

  it('says each finding as a title and whole sentences', () => {
    for (const c of cases)
      for (const f of checkFiles(c.config, c.autoexec, machineOf(c.on, c))) {
        const { title, sentence } = bootFindingWords(f);
        expect(title, f.rule)
          .to.match(/\S/)
          .and.not.match(/undefined|null|NaN/);
        expect(sentence, f.rule)
          .to.match(/[.?”]$/)
          .and.not.match(/undefined|null|NaN|\[object/);
        expect(inStarts(f)).not.to.match(/undefined/);
      }
  });

  it('takes line 2 and line 9 for one on an AT, where the second controller hangs on line 2', () => {
    const machine = machineOf('sanderling');
    const sound = machine.sound.map((c) => ({ ...c, irq: { value: 2, isSeen: true } }));
    const rules = (isAt: boolean) =>
      checkFiles('', 'SET BLASTER=A220 I9 D1 H5 P330 T6', { ...machine, sound, isAt }).map((f) => f.rule);
    expect(rules(true)).to.deep.equal([]);
    expect(rules(false)).to.deep.equal(['blaster.differs']);
  });

  it('bends no line to a position that nobody looked at', () => {
    const machine = machineOf('sanderling');
    const sound = machine.sound.map((c) => ({ ...c, port: { value: 0x240, isSeen: false } }));
    const [f] = checkFiles('', 'SET BLASTER=A220 I5 D1 H5 P330 T6', { ...machine, sound });
    expect([f!.rule, f!.severity, f!.edit]).to.deep.equal(['blaster.differs', 'caution', null]);
    expect(bootFindingWords(f!).sentence).to.match(/Nobody has looked/);
  });

  it('names the starts of a menu in which something holds, and none where it holds in all', () => {
    const one = cases.find((c) => c.name === 'the driver only in one start')!;
    expect(found(one)[0]!.choices).to.deep.equal(['NO']);
    expect(found(cases.find((c) => c.name === 'no driver')!)[0]!.choices).to.deep.equal([]);
  });
});

describe('reading start files', () => {
  const menu =
    '[MENU]\nSUBMENU=GAMES,Games\nMENUITEM=WORK,Work\n[GAMES]\nMENUITEM=EMS\nMENUITEM=XMS\n[EMS]\nA=1\n[XMS]\nB=1\n[WORK]\nC=1\n[COMMON]\nFILES=20\n';

  it('follows submenus, blocks and common lines', () => {
    const lines = readConfig(menu);
    expect(choicesOf(lines)).to.deep.equal(['EMS', 'XMS', 'WORK']);
    expect(configOf(lines, 'XMS').map((l) => l.text)).to.deep.equal(['B=1', 'FILES=20']);
  });
  it('goes where a batch file goes, both ways where nobody can know', () => {
    const lines = readBatch('IF EXIST X GOTO TWO\nECHO 1\nGOTO END\n:TWO\nECHO 2\n:END\n');
    expect(batchOf(lines, null).map(({ line, maybe }) => `${line.n}${maybe ? '?' : ''}`)).to.deep.equal([
      '1?',
      '2?',
      '3?',
      '4?',
      '5?',
      '6?'
    ]);
    const certain = readBatch('GOTO TWO\nECHO 1\n:TWO\nECHO 2\n');
    expect(batchOf(certain, null).map(({ line }) => line.n)).to.deep.equal([1, 3, 4]);
  });
  it('runs nothing behind Ctrl-Z, and keeps it', () => {
    const text = 'FILES=20\n\u001aFILES=999\nFILES=888\n';
    expect(readConfig(text).map((l) => l.kind)).to.deep.equal(['directive', 'blank', 'blank']);
    expect(joinLines(readConfig(text))).to.equal(text);
  });
  it('comes to an end with a file that jumps back for ever', () => {
    expect(batchOf(readBatch(':A\nGOTO A\n'), null).length).to.equal(2);
  });
  it('takes switches of DEVICEHIGH off the file', () => {
    const [line] = readConfig('DEVICEHIGH /L:1,9104;2 /S =C:\\DOS\\ANSI.SYS /X\n');
    expect(line!.high).to.deep.equal({ regions: [1, 2], shrinks: true, size: null });
    expect([line!.file!.base, line!.file!.args]).to.deep.equal(['ANSI', '/X']);
    const [old] = readConfig('DEVICEHIGH SIZE=4F0 C:\\X.SYS\n');
    expect(old!.high!.size).to.equal(0x4f0);
  });
  it('gives back every byte it was given', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200, unit: 'binary' }), (text) => {
        expect(joinLines(rawLines(text))).to.equal(text);
        expect(joinLines(readConfig(text))).to.equal(text);
        expect(joinLines(readBatch(text))).to.equal(text);
      }),
      { numRuns: torture(2000, 200) }
    );
  });
  it('mutated pairs: no crash, nothing lost, no endless walk', () => {
    const r = new Seeded(1117);
    const machines = ['sanderling', 'dunlin', 'turnstone'].map((id) => machineOf(id));
    const letters = ' =/\\:;,%"[]()@?.-\t\r\n0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcxyz\x1a\xe4';
    const mutate = (text: string): string => {
      const out = [...text];
      for (let i = 0; i < 1 + r.int(6); i++) {
        const at = r.int(out.length + 1);
        const what = r.int(4);
        if (what === 0) out.splice(at, 1 + r.int(8));
        else if (what === 1) out.splice(at, 0, letters[r.int(letters.length)]!);
        else if (what === 2) out.splice(at, 0, ...out.slice(r.int(out.length + 1)).slice(0, 30));
        else out[at % Math.max(1, out.length)] = letters[r.int(letters.length)]!;
      }
      return out.join('');
    };
    for (let i = 0; i < torture(5000, 1500); i++) {
      const c = cases[r.int(cases.length)]!;
      const [config, autoexec] = [mutate(c.config), mutate(c.autoexec)];
      expect(joinLines(readConfig(config))).to.equal(config);
      expect(joinLines(readBatch(autoexec))).to.equal(autoexec);
      const lines = rawLines(config).length;
      for (const f of checkFiles(config, autoexec, machines[i % 3]!)) {
        if (f.file === 'CONFIG.SYS') expect(f.line).to.be.within(1, lines);
        if (f.edit)
          expect(applyEdit(f.edit.file === 'CONFIG.SYS' ? config : autoexec, f.edit)).to.be.a('string');
      }
    }
  });
});
