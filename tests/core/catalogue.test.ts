import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { check } from '../support/make';
import { Build, Part, partSet, type PartSet } from '../../src/lib/core/model';
import { readSoftware } from '../../src/lib/server/catalogue';
import { parts } from '../support/demo';

const all = [...parts.values()];
const software = readSoftware(new URL('../../catalogue', import.meta.url).pathname);
const of = (test: (part: Part) => unknown) => all.filter(test);
const does = (part: Part, ...kinds: string[]) => part.functions.some((f) => kinds.includes(f.kind));

describe('the catalogue', () => {
  it('has parts of every kind', () => {
    const cards = of((p) => p.kind === 'card');
    const io = cards.filter(
      (p) => !p.video && !p.audio && does(p, 'hard-disk', 'floppy', 'scsi', 'serial', 'parallel')
    );
    const counts: [string, number, number][] = [
      ['boards', of((p) => p.kind === 'board').length, 40],
      ['CPUs and FPUs', of((p) => p.kind === 'cpu' || p.kind === 'fpu').length, 35],
      ['memory', of((p) => p.kind === 'memory').length, 20],
      ['video', cards.filter((p) => p.video).length, 30],
      ['audio', of((p) => p.audio).length, 25],
      ['I/O and disk controllers', io.length, 25],
      ['network and other cards', cards.filter((p) => !p.video && !p.audio && !io.includes(p)).length, 20],
      ['drives and flash adapters', of((p) => p.kind === 'drive' || p.kind === 'adapter').length, 30],
      ['monitors', of((p) => p.kind === 'monitor').length, 12],
      ['supplies', of((p) => p.kind === 'supply').length, 8],
      ['keyboards', of((p) => p.kind === 'keyboard').length, 5],
      ['cases', of((p) => p.kind === 'case').length, 5],
      ['BIOS profiles', of((p) => p.kind === 'bios').length, 8],
      ['software', software.length, 40]
    ];
    for (const [what, there, wanted] of counts) expect(there, what).to.be.at.least(wanted);
    expect(all.length).to.be.at.least(220);
  });

  it('settings are complete: each is on a block, and each physical position says what it looks like', () => {
    for (const part of all)
      for (const setting of part.settings) {
        const block = part.blocks.find((b) => b.id === setting.block);
        expect(block, `${part.id} ${setting.id} is on a block`).to.not.equal(undefined);
        if (['header', 'dip', 'rotary', 'solder'].includes(block!.kind))
          for (const p of setting.positions)
            expect(p.state, `${part.id} ${setting.id} ${p.id}`).to.not.equal(undefined);
      }
  });

  it('positions of one setting differ, and settings on one block do not fight over its pins', () => {
    for (const part of all)
      for (const setting of part.settings) {
        const states = setting.positions.filter((p) => p.state && !('value' in p.state));
        const seen = new Set(states.map((p) => JSON.stringify(p.state)));
        expect(seen.size, `${part.id} ${setting.id}`).to.equal(states.length);
      }
  });

  it('has the years, the facts of its kind and evidence for each part', () => {
    const facts = { cpu: 'cpu', fpu: 'fpu', memory: 'module', drive: 'drive', monitor: 'monitor' } as const;
    for (const part of all) {
      expect(part.sold, part.id).to.not.equal(undefined);
      expect(part.sold!.from, part.id).to.be.within(1978, 2008);
      expect(part.evidence, part.id).to.not.have.length(0);
      const fact = facts[part.kind as keyof typeof facts];
      if (fact) expect(part[fact], `${part.id} ${fact}`).to.not.equal(undefined);
      if (part.kind === 'card') expect(part.power, `${part.id} power`).to.not.equal(undefined);
      if (part.kind === 'card') expect(part.card!.lengthMm, `${part.id} length`).to.be.greaterThan(0);
      if (part.kind !== 'bios') expect(part.price, `${part.id} price`).to.not.equal(undefined);
      if (part.price) expect(part.price.low, part.id).to.be.at.most(part.price.high);
    }
  });

  it('refers only to what is there', () => {
    for (const { id, board, drive, video } of all) {
      if (board?.firmware) expect(parts.get(board.firmware)?.kind, id).to.equal('bios');
      const soldered = board?.cpuSocket?.soldered;
      if (soldered) expect(parts.get(soldered)?.kind, id).to.equal('cpu');
      if (drive?.geometry && drive.sectors) {
        const { cylinders, heads, sectors } = drive.geometry;
        const whole = cylinders * heads * sectors;
        expect(cylinders === 16383 || whole === drive.sectors, `${id}: ${whole} sectors`).to.equal(true);
      }
      const part = parts.get(id)!;
      const named = [
        board?.busClock,
        board?.multiplier,
        board?.coreVolts,
        board?.displaySwitch,
        video?.monitorSwitch
      ].filter((x): x is Extract<typeof x, { setting: string }> => !!x && 'setting' in x);
      for (const { setting, values } of named) {
        const positions = part.settings.find((s) => s.id === setting)?.positions.map((p) => p.id);
        expect(positions, `${id} ${setting}`).to.have.members(Object.keys(values));
      }
    }
  });

  it('no part clashes with itself as it comes', () => {
    const host = (bus: string, cls: 'xt' | 'at') =>
      Part.parse({
        id: 'host',
        kind: 'board',
        maker: 'test',
        name: 'host',
        board: { class: cls, slots: [{ id: 's', bus, routing: { A: 'a' } }] },
        blocks: [{ id: 'b', kind: 'startup' }],
        settings: [
          { id: 'a', label: 'a', block: 'b', positions: [{ id: 'irq11', label: '11' }], default: 'irq11' }
        ]
      });
    const machineWith = (part: Part): { build: Build; known: PartSet } => {
      const isBoard = part.kind === 'board';
      const board = isBoard ? part : host(part.card!.bus, 'at');
      return {
        build: Build.parse({
          id: 'x',
          name: 'x',
          board: { id: 'board', part: board.id },
          items: isBoard ? [] : [{ id: 'card', part: part.id, slot: 's' }]
        }),
        known: partSet([...all, board])
      };
    };
    for (const part of of((p) => p.card || p.board)) {
      const { build, known } = machineWith(part);
      // The read port of plug and play is chosen at each start, out of the way of the cards.
      const bad = check(build, known).filter(
        (f) =>
          f.severity === 'clash' && f.rule.startsWith('line.') && f.subjects.every((s) => s.item !== 'pnp')
      );
      expect(
        bad.map((f) => `${f.title}: ${f.sentence}`),
        part.id
      ).to.deep.equal([]);
    }
  });

  it('names nothing that exists: no word of it is among the digests of real makers and titles', () => {
    const path = new URL('../support/real-names.json', import.meta.url);
    const real = new Set(JSON.parse(readFileSync(path, 'utf8')) as string[]);
    const digest = (words: string) =>
      createHash('sha256').update(words.toLowerCase()).digest('hex').slice(0, 16);
    expect([...real]).to.have.length.greaterThan(50);
    const words = (text: string) => {
      const list = text.split(/[^\p{L}\p{N}-]+/u).filter(Boolean);
      return [...list, ...list.slice(1).map((w, i) => `${list[i]} ${w}`)];
    };
    const texts = [
      ...all.map((p) => [p.maker, p.name, p.summary ?? '', ...p.quirks].join(' ')),
      ...software.map((p) => `${p.name} ${p.summary ?? ''}`)
    ];
    for (const text of texts)
      expect(
        words(text).filter((w) => real.has(digest(w))),
        text
      ).to.deep.equal([]);
  });
});
