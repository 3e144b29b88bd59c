import { expect } from 'chai';
import { checkBuild, seatItem, type Build, type PartSet } from '../../src/lib/core/model';
import { buildOf, merge, unitsOf, type Side } from '../../src/lib/core/revision';
import { changesOf, mergeWords } from '../../src/lib/words';
import { demo, parts } from '../support/demo';
import { edited, edits } from '../support/edits';
import { randomMachine } from '../support/machines';
import { Seeded } from '../support/random';
import { torture } from '../support/torture';

/** A build with its lists in one order, for comparing. */
function sorted(build: Build): unknown {
  const order = (value: unknown): unknown =>
    Array.isArray(value)
      ? [...new Set(value.map((v) => JSON.stringify(order(v))))].sort()
      : typeof value === 'object' && value
        ? Object.fromEntries(
            Object.entries(value)
              .filter(([, v]) => v !== undefined)
              .sort(([a], [b]) => (a < b ? -1 : 1))
              .map(([k, v]) => [k, order(v)])
          )
        : value;
  return order(build);
}
const same = (a: Build, b: Build, note?: string) => expect(sorted(a), note).to.deep.equal(sorted(b));
const all = (side: Side, build: { lines: { id: string }[] }) =>
  new Map(build.lines.map((line) => [line.id, side]));

function pairs(count: number, work: (r: Seeded, build: Build, parts: PartSet, seed: number) => void) {
  for (let seed = 1; seed <= count; seed++) {
    const { build, parts: own } = randomMachine(seed, { cards: 1 + (seed % 6) });
    work(new Seeded(seed * 7919), build, own, seed);
  }
}

describe('the difference of two states', () => {
  const change = (to: (build: Build) => Build) => changesOf(demo('plover'), to(demo('plover')), parts);
  const item = (build: Build, id: string, to: object): Build => ({
    ...build,
    items: build.items.map((i) => (i.id === id ? { ...i, ...to } : i))
  });

  it('says which cap went from where to where', () => {
    const [first, ...rest] = change((b) => item(b, 'audio', { chosen: { irq: '7' } }));
    expect(rest).to.deep.equal([]);
    expect(first.subject).to.equal('Digit 16');
    expect(first.what).to.match(/IRQ/);
    expect(first.from).to.match(/^IRQ 5 \(jumper on \d+-\d+\)$/);
    expect(first.isQuiet).to.equal(false);
    expect(first.to).to.match(/^IRQ 7 \(jumper on \d+-\d+\)$/);
  });
  it('tells what is chosen as it was found last, and as moving nothing', () => {
    const found = demo('plover').items.find((i) => i.id === 'audio')!.asFound;
    const changes = change((b) => item(b, 'audio', { chosen: { ...found, irq: '7' } }));
    expect(changes.map((c) => c.isQuiet)).to.deep.equal([
      false,
      ...Object.keys(found)
        .slice(1)
        .map(() => true)
    ]);
    expect(changes.at(-1)!.from).to.equal('as found');
  });
  it('shows long words from where they part', () => {
    const notes = 'x '.repeat(100);
    const [{ from, to }] = changesOf(
      { ...demo('plover'), notes: `${notes}old end` },
      { ...demo('plover'), notes: `${notes}new end, longer` },
      parts
    );
    expect(from).to.match(/^“… (x )+old end”$/);
    expect(to).to.match(/^“… (x )+new end, longer”$/);
  });
  it('says which card went from which slot to which', () => {
    const from = demo('plover').items.find((i) => i.id === 'audio')!.slot!;
    const changes = change((b) => seatItem(b, 'audio', '1'));
    expect(changes.map((c) => [c.what, c.from, c.to])).to.deep.include(['slot', `slot ${from}`, 'slot 1']);
  });
  it('takes a card that came or went as one change', () => {
    const gone = change((b) => ({ ...b, items: b.items.filter((i) => i.id !== 'audio') }));
    expect(gone).to.have.length(1);
    expect([gone[0].from, gone[0].to]).to.deep.equal(['in the machine', 'not there']);
    const laid = change((b) => ({
      ...b,
      items: b.items.filter((i) => i.id !== 'audio'),
      shelf: [...b.shelf, b.items.find((i) => i.id === 'audio')!]
    }));
    expect(laid.map((c) => c.to)).to.deep.equal(['lying ready']);
  });
  it('shows fields of a newer release as they are', () => {
    const changes = change((b) => ({ ...b, colour: { case: 'beige' } }) as Build);
    expect(changes.map((c) => [c.what, c.to])).to.deep.equal([['colour', '{"case":"beige"}']]);
  });
  it('is empty exactly when both states say the same', () => {
    pairs(torture(150, 50), (r, build, own, seed) => {
      expect(changesOf(build, structuredClone(build), own), `${seed}`).to.deep.equal([]);
      for (const [name, edit] of Object.entries(edits)) {
        const after = edit(build, own, r);
        const differs = JSON.stringify(sorted(build)) !== JSON.stringify(sorted(after));
        const changes = changesOf(build, after, own);
        expect(changes.length > 0, `${seed} ${name}`).to.equal(differs);
        for (const c of changes) expect(c.from, `${seed} ${name} ${c.key}`).not.to.equal(c.to);
      }
    });
  });
});

describe('units of a build', () => {
  it('put together again give the build, whatever its fields are called', () => {
    for (const id of ['plover', 'dunlin', 'turnstone']) same(buildOf(unitsOf(demo(id))), demo(id));
    pairs(torture(400, 133), (r, build, own, seed) => {
      const other = edited(build, own, r, 6);
      same(buildOf(unitsOf(other)), other, `${seed}`);
    });
    const odd = JSON.parse('{"__proto__": {"polluted": true}, "constructor": 1}') as object;
    const back = buildOf(unitsOf({ ...demo('plover'), odd, ...{ toString: 5 } } as unknown as Build));
    expect(JSON.stringify((back as unknown as { odd: object }).odd)).to.equal(JSON.stringify(odd));
    expect(({} as { polluted?: boolean }).polluted).to.equal(undefined);
  });
});

describe('merging two states of one build', () => {
  it('takes everything from the side that changed, and either side whole when told so', () => {
    pairs(torture(400, 133), (r, base, own, seed) => {
      const mine = edited(base, own, r, 1 + r.int(5));
      const theirs = edited(base, own, r, 1 + r.int(5));
      same(merge(base, base, theirs).take(new Map()), theirs, `${seed} theirs`);
      same(merge(base, mine, base).take(new Map()), mine, `${seed} mine`);
      const both = merge(base, mine, theirs);
      same(both.take(all('theirs', both)), theirs, `${seed} all theirs`);
      const clash = mine.items.some(
        (i) =>
          !base.items.some((b) => b.id === i.id) &&
          // Fitted on one side and lying ready on the other is another thing, too.
          [...theirs.items.filter((t) => JSON.stringify(t) !== JSON.stringify(i)), ...theirs.shelf].some(
            (t) => t.id === i.id
          )
      );
      if (!clash) same(both.take(all('mine', both)), mine, `${seed} all mine`);
    });
  });
  it('loses no fact of either side without a line that says so', () => {
    pairs(torture(400, 133), (r, base, own, seed) => {
      const mine = edited(base, own, r, 1 + r.int(5));
      const theirs = edited(base, own, r, 1 + r.int(5));
      const { lines, take } = merge(base, mine, theirs);
      const told = new Set(lines.flatMap((line) => line.keys));
      const result = unitsOf(take(new Map()));
      const [b, m, t] = [base, mine, theirs].map(unitsOf);
      const text = (x: unknown) => JSON.stringify(x) ?? 'absent';
      for (const key of new Set([...b.keys(), ...m.keys(), ...t.keys()])) {
        if (told.has(key) || key.includes('new-') || key.startsWith('pair/')) continue;
        expect(text(m.get(key)), `${seed} ${key}`).to.equal(text(t.get(key)));
        expect(text(result.get(key)), `${seed} ${key}`).to.equal(text(t.get(key)));
      }
      for (const line of lines) {
        const [key] = line.keys;
        if (key.includes('new-')) continue;
        const changed = (side: Map<string, unknown>) =>
          line.keys.some((k) => text(side.get(k)) !== text(b.get(k)));
        if (line.by === 'both') expect(changed(t), `${seed} ${key}`).to.equal(true);
        if (line.by === 'mine') expect(changed(t), `${seed} ${key}`).to.equal(false);
        if (line.by === 'theirs') expect(changed(m), `${seed} ${key}`).to.equal(false);
      }
    });
  });
  it('keeps changes of different settings from both sides', () => {
    const base = demo('plover');
    const set = (build: Build, id: string, chosen: Record<string, string>, notes?: string): Build => ({
      ...build,
      ...(notes ? { notes } : {}),
      items: build.items.map((i) => (i.id === id ? { ...i, chosen } : i))
    });
    const { lines, builds, take } = merge(
      base,
      set(base, 'audio', { irq: '7' }),
      set(base, 'network', { irq: '3' }, 'seen at the bench')
    );
    const said = lines.map((line) => ({ ...mergeWords(line, { parts, builds }), by: line.by }));
    expect(said.map((line) => [line.subject, line.by]).sort()).to.deep.equal([
      ['Build', 'theirs'],
      ['Digit 16', 'mine'],
      ['N8', 'theirs']
    ]);
    const audio = said.find((line) => line.by === 'mine')!;
    expect([audio.what, audio.base, audio.mine]).to.deep.equal([
      'J5, IRQ',
      'as found',
      'IRQ 7 (jumper on 5-6)'
    ]);
    const result = take(new Map());
    expect(result.items.find((i) => i.id === 'audio')!.chosen).to.deep.equal({ irq: '7' });
    expect(result.items.find((i) => i.id === 'network')!.chosen).to.deep.equal({ irq: '3' });
    expect(result.notes).to.equal('seen at the bench');
  });
  it('asks once about a card that one side took out and the other changed', () => {
    const base = demo('plover');
    const mine = { ...base, items: base.items.filter((i) => i.id !== 'audio') };
    const theirs = {
      ...base,
      items: base.items.map((i) => (i.id === 'audio' ? { ...i, chosen: { irq: '7' } } : i))
    };
    const { lines, builds, take } = merge(base, mine, theirs);
    expect(lines.map((line) => [line.id, line.by, line.mine, line.theirs])).to.deep.equal([
      ['item/audio', 'both', undefined, 'fitted']
    ]);
    const said = mergeWords(lines[0]!, { parts, builds });
    expect([said.mine, said.theirs]).to.deep.equal(['not there', 'in the machine']);
    expect(take(new Map([['item/audio', 'mine']])).items.some((i) => i.id === 'audio')).to.equal(false);
    expect(take(new Map([['item/audio', 'theirs']]))).to.deep.equal(theirs);
  });
  it('keeps both cards when each side added one under the same id', () => {
    const base = demo('dunlin');
    const add = (part: string): Build => ({
      ...base,
      items: [...base.items, { id: 'fm', part, asFound: {}, chosen: {}, locked: [] }],
      resident: [...base.resident, { item: 'fm', function: parts.get(part)!.functions[0].id }]
    });
    const result = merge(base, add('tollmark-fm'), add('harl-n8')).take(new Map());
    expect(result.items.slice(-2).map((i) => [i.id, i.part])).to.deep.equal([
      ['fm', 'harl-n8'],
      ['fm-2', 'tollmark-fm']
    ]);
    expect(checkBuild(result, parts)).to.deep.equal([]);
  });
});
