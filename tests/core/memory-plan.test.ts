import { commonMemoryWords } from '../../src/lib/words';
import { expect } from 'chai';
import fc from 'fast-check';
import {
  ChipsError,
  chipCapacity,
  fillingsFor,
  modulesOf,
  fillingsShowing,
  readSize,
  readChips,
  shownMemory,
  waitStates
} from '../../src/lib/core/boards';
import { hasFacts, type MemoryFacts, type Part, type PartWith } from '../../src/lib/core/model';
import { parts } from '../support/demo';

const module = (id: string, kib: number, ns = 70, form = 'simm30'): PartWith<'module'> =>
  ({
    id,
    kind: 'memory',
    maker: 'M',
    name: id,
    module: { form, kib, ns, parity: true, type: 'fpm', sides: 1 }
  }) as unknown as PartWith<'module'>;
const board = (extra: Partial<MemoryFacts>): MemoryFacts => ({
  onboardKiB: 0,
  banks: [],
  sizesKiB: [],
  maxKiB: 65536,
  ns: 80,
  parity: 'optional',
  types: ['dram', 'fpm'],
  remap: 'no',
  shadowKiB: 0,
  threeSupply: false,
  ...extra
});
const bank = (id: string, sockets: number) => ({ id, forms: ['simm30' as const], sockets });

/** Sizes bank by bank, and which modules: which of two like banks holds which part makes no difference. */
const alike = (chosen: readonly (Part | null | undefined)[]): string =>
  `${chosen.map((m) => m?.module!.kib ?? 0).join()} ${chosen
    .map((m) => m?.id ?? '-')
    .sort()
    .join()}`;

/** Every assignment of a module, or none, to each bank, judged by the words of the rule alone. */
function brute(facts: MemoryFacts, modules: PartWith<'module'>[]): string[] {
  const out: string[] = [];
  const walk = (i: number, chosen: (Part | null)[]): void => {
    if (i < facts.banks.length) {
      for (const m of [null, ...modules]) walk(i + 1, [...chosen, m]);
      return;
    }
    const sizes = chosen.map((m) => m?.module!.kib ?? 0);
    const kib = facts.onboardKiB + sizes.reduce((n, s, b) => n + s * facts.banks[b].sockets, 0);
    if (kib > facts.maxKiB || kib === 0) return;
    const known = facts.fillings
      ? facts.fillings.some((row) => sizes.every((s, b) => (row[b] ?? 0) === s))
      : // From the first bank on, none larger after a smaller one.
        sizes.every((s, b) => b === 0 || s <= sizes[b - 1]);
    if (known) out.push(alike(chosen));
  };
  walk(0, []);
  return [...new Set(out)].sort();
}

const exactly = (kib: number) => ({ least: kib, most: kib });

describe('the memory planner', () => {
  it('finds every filling that brute force finds, with and without a table', () => {
    const sizes = [256, 1024, 4096];
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 3 }),
        fc.constantFrom(2, 4),
        fc.option(
          fc.array(fc.array(fc.constantFrom(0, ...sizes), { minLength: 3, maxLength: 3 }), {
            minLength: 1,
            maxLength: 6
          })
        ),
        fc.constantFrom(2048, 16384, 65536),
        fc.constantFrom(0, 1024),
        (count, sockets, table, maxKiB, onboardKiB) => {
          const facts = board({
            banks: Array.from({ length: count }, (_, i) => bank(String(i), sockets)),
            maxKiB,
            onboardKiB,
            ...(table ? { fillings: table.map((row) => row.slice(0, count)) } : {})
          });
          const modules = [module('a', 256), module('b', 1024), module('b2', 1024), module('c', 4096)];
          const { fillings, whole } = fillingsFor(facts, modules, {
            targetKiB: 0,
            stock: new Map(),
            from: 'any',
            price: () => 1
          });
          const found = fillings.map((f) =>
            alike(facts.banks.map((b) => f.banks.find((x) => x.bank === b.id)?.part))
          );
          const wanted = brute(facts, modules);
          expect(whole).to.equal(true);
          if (wanted.length <= 60) expect(found.sort()).to.deep.equal(wanted);
          else expect(wanted).to.include.members(found);
        }
      ),
      { numRuns: 150 }
    );
  });
  it('with sockets of several forms: each from its first on, and 3.3 V never beside 5 V', () => {
    const forms = ['simm30', 'simm72', 'dimm168'] as const;
    const modules = forms.flatMap((form) => [
      module(`${form} 4M`, 4096, 60, form),
      module(`${form} 1M`, 1024, 60, form)
    ]);
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...forms), { minLength: 1, maxLength: 4 }), (sockets) => {
        const facts = board({
          banks: sockets.map((form, i) => ({ id: String(i), forms: [form], sockets: 1 }))
        });
        const wanted: string[] = [];
        const fill = (chosen: (Part | null)[]): void => {
          if (chosen.length < sockets.length) {
            const own = modules.filter((m) => m.module.form === sockets[chosen.length]);
            for (const m of [null, ...own]) fill([...chosen, m]);
            return;
          }
          const filled = sockets.filter((_, i) => chosen[i]);
          const sizes = chosen.flatMap((m) => m?.module?.kib ?? []);
          const hasGap = sockets.some(
            (form, i) => chosen[i] && sockets.some((x, j) => j < i && x === form && !chosen[j])
          );
          const isMixed = filled.includes('dimm168') && filled.some((form) => form !== 'dimm168');
          const isFalling = sizes.every((kib, i) => i === 0 || kib <= sizes[i - 1]);
          if (filled.length && !hasGap && !isMixed && isFalling) wanted.push(alike(chosen));
        };
        fill([]);
        const asked = { targetKiB: 0, stock: new Map(), from: 'any', price: () => 1 } as const;
        const found = fillingsFor(facts, modules, asked).fillings.map((f) =>
          alike(facts.banks.map((b) => f.banks.find((x) => x.bank === b.id)?.part))
        );
        expect(found.sort()).to.deep.equal([...new Set(wanted)].sort());
      }),
      { numRuns: 100 }
    );
  });
  it('from a count also what nobody would put together, which may be in all the same', () => {
    const facts = board({
      banks: [
        { id: '0', forms: ['simm72'], sockets: 1 },
        { id: '1', forms: ['dimm168'], sockets: 1 }
      ],
      sizesKiB: [4096, 8192],
      remap: 'yes'
    });
    expect(fillingsShowing(facts, exactly(8192)).explanations.map((e) => e.sizes)).to.deep.include.members([
      [8192, 0],
      [0, 8192],
      [4096, 4096]
    ]);
    expect(fillingsShowing(facts, exactly(12288)).explanations.map((e) => e.sizes)).to.have.deep.members([
      [4096, 8192],
      [8192, 4096]
    ]);
  });
  it('the shelf is used to its last module and no further', () => {
    const facts = board({ banks: [bank('0', 4), bank('1', 4)] });
    const modules = [module('a', 256), module('b', 1024)];
    const stock = new Map([['a', 8], ['b', 5]]); // oxfmt-ignore
    const { fillings } = fillingsFor(facts, modules, {
      targetKiB: 640,
      stock,
      from: 'shelf',
      price: () => 3
    });
    expect(fillings.map((f) => f.kib).sort((a, b) => a - b)).to.deep.equal([1024, 2048, 4096, 5120]);
    expect(fillings.every((f) => f.toBuy === 0 && f.cost === 0)).to.equal(true);
    const any = fillingsFor(facts, modules, { targetKiB: 7680, stock, from: 'any', price: () => 3 }).fillings;
    expect(any.map((f) => [f.kib, f.fromShelf, f.toBuy, f.cost])).to.deep.equal([[8192, 5, 3, 9]]);
  });
  it('modules of one kind are counted over all banks', () => {
    const [way] = fillingsFor(board({ banks: [bank('0', 4), bank('1', 4)] }), [module('b', 1024)], {
      targetKiB: 5000,
      stock: new Map(),
      from: 'any',
      price: () => 1
    }).fillings;
    expect(modulesOf(way).map((x) => [x.part.id, x.count])).to.deep.equal([['b', 8]]);
  });
  it('what the start-up shows decides, not what is fitted', () => {
    const facts = board({ banks: [bank('0', 4)], remap: 'without-shadow', shadowKiB: 384 });
    const four = { stock: new Map(), from: 'any' as const, price: () => 1 };
    expect(fillingsFor(facts, [module('b', 1024)], { ...four, targetKiB: 4096 }).fillings).to.deep.equal([]);
    expect(fillingsFor(facts, [module('b', 1024)], { ...four, targetKiB: 3712 }).fillings).to.have.length(1);
    const { under } = fillingsFor(facts, [module('b', 1024)], { ...four, targetKiB: 4096 });
    expect([under?.kib, under?.shown.count], 'what somebody who wants 4 MiB may mean').to.deep.equal([
      4096, 3712
    ]);
    expect(fillingsFor(facts, [module('b', 1024)], { ...four, targetKiB: 3712 }).under).to.equal(null);
  });
  it('backwards: the real filling is always among those that show its count', () => {
    for (const p of parts.values()) {
      const facts = p.board?.memory;
      if (!facts?.banks.length) continue;
      const { fillings } = fillingsFor(
        facts,
        [...parts.values()].filter((x) => hasFacts(x, 'module')),
        {
          targetKiB: 0,
          stock: new Map(),
          from: 'any',
          price: () => 1
        }
      );
      for (const f of fillings.slice(0, 12)) {
        const sizes = facts.banks.map((b) => f.banks.find((x) => x.bank === b.id)?.part.module!.kib ?? 0);
        const { explanations } = fillingsShowing(facts, exactly(f.shown.count));
        expect(
          explanations.some((e) => e.kib === f.kib && e.sizes.join() === sizes.join()),
          `${p.id} ${sizes.join()} shows ${f.shown.count}`
        ).to.equal(true);
        for (const e of explanations)
          for (const withheld of [e.shadowKiB, e.mostShadowKiB])
            expect(shownMemory(e.kib, facts, withheld).count, p.id).to.equal(f.shown.count);
      }
    }
  });
  it('backwards: says what all explanations share', () => {
    const facts = parts.get('skerrin-px8')!.board!.memory!;
    const { explanations, common } = fillingsShowing(facts, exactly(512));
    expect(explanations.map((e) => e.sizes)).to.deep.equal([[256, 256, 0, 0]]);
    expect(common.map(commonMemoryWords))
      .to.include('bank 0 full with 256 KiB modules')
      .and.include('bank 2 empty or not counted');
    expect(fillingsShowing(facts, exactly(500))).to.deep.equal({ explanations: [], common: [] });
  });
  it('backwards: a range gives every filling in it, with the range of what was withheld', () => {
    const facts = board({ banks: [bank('0', 4)], remap: 'yes' });
    const whole = fillingsShowing(facts, exactly(4096)).explanations;
    expect(whole.map((e) => [e.kib, e.shadowKiB, e.mostShadowKiB])).to.deep.equal([[4096, 0, 0]]);
    const about = fillingsShowing(facts, { least: 3800, most: 4096 }).explanations;
    expect(about.map((e) => [e.kib, e.shadowKiB, e.mostShadowKiB])).to.deep.equal([[4096, 0, 288]]);
    expect(
      fillingsShowing(facts, { least: 4097, most: Infinity }).explanations.every((e) => e.kib > 4096)
    ).to.equal(true);
  });
  it('memory of a display on the board goes off the top, more than the 384 KiB under the ROMs', () => {
    expect(shownMemory(8192, { remap: 'yes', shadowKiB: 1024 }).count).to.equal(8192 - 1024);
    expect(shownMemory(8192, { remap: 'no', shadowKiB: 1024 }).count).to.equal(8192 - 1024);
    expect(shownMemory(8192, { remap: 'no', shadowKiB: 128 }).count).to.equal(8192 - 384);
  });
  it('reads sizes as people say them, and says when it does not', () => {
    const exact = (told: string, kib: number) =>
      expect(readSize(told), told).to.deep.equal({ least: kib, most: kib });
    exact('3712', 3712);
    exact(' 64 ', 64);
    exact('4 MiB', 4096);
    exact('1,5 mb', 1536);
    exact('640K', 640);
    for (const grouped of ['3,712', '3 712', '3.712 KB']) exact(grouped, 3712);
    exact('1,024 MiB', 1024 * 1024);
    expect(readSize('4', 'small is MiB')).to.deep.equal({ least: 4096, most: 4096 });
    expect(readSize('640', 'small is MiB')).to.deep.equal({ least: 640, most: 640 });
    for (const told of ['3500-3800', '3500 to 3800', '3800 – 3500 KiB', 'between 3500 and 3800'])
      expect(readSize(told), told).to.deep.equal({ least: 3500, most: 3800 });
    expect(readSize('3 to 4 MiB')).to.deep.equal({ least: 3072, most: 4096 });
    expect(readSize('approximately 3700')).to.deep.equal(readSize('~3,700'));
    expect(readSize('about 1000')).to.deep.equal({ least: 950, most: 1050 });
    expect(readSize('more than 640')).to.deep.equal({ least: 641, most: Infinity });
    expect(readSize('>= 640')).to.deep.equal({ least: 640, most: Infinity });
    expect(readSize('less than 1 MB')).to.deep.equal({ least: 0, most: 1023 });
    // Units, words around the count, hedges behind it, tolerances, and both halves of it.
    for (const told of ['3712 KB OK', 'stopped at 3712', 'it counted 3712K', 'exactly 3712', '640 + 3072'])
      exact(told, 3712);
    for (const told of ['640K base, 3072K extended', 'base 640 extended 3072', '640KB + 3 MB'])
      exact(told, 3712);
    for (const told of ['8 meg', '8 megabytes', '8192 KB passed', '8192K total', '8 MB of memory'])
      exact(told, 8192);
    expect(readSize('7 to 8 meg')).to.deep.equal({ least: 7168, most: 8192 });
    expect(readSize('640K or so')).to.deep.equal(readSize('about 640'));
    expect(readSize('8 MB or more')).to.deep.equal({ least: 8192, most: Infinity });
    expect(readSize('8MB+')).to.deep.equal({ least: 8192, most: Infinity });
    for (const told of ['max 8MB', 'no more than 8 MB', '8 MB max', '8192 or less'])
      expect(readSize(told), told).to.deep.equal({ least: 0, most: 8192 });
    expect(readSize('min. 4MB')).to.deep.equal({ least: 4096, most: Infinity });
    expect(readSize('almost 16 MB')).to.deep.equal({ least: 15564, most: 16383 });
    for (const told of ['4096 ± 64', '4096+-64', '4096 +/- 64'])
      expect(readSize(told), told).to.deep.equal({ least: 4032, most: 4160 });
    expect(readSize('4 MB ± 64')).to.deep.equal({ least: 4032, most: 4160 });
    expect(readSize('16 MB ± 1')).to.deep.equal({ least: 15_360, most: 17_408 });
    for (const told of ['16 Mbit', '640 bytes', 'none', '?', 'I did not look', '640 of 1024', '3 MB ok 4 MB'])
      expect(readSize(told), told).to.equal(null);
    for (const told of ['', 'lots', '3712 bytes', 'about', '12 34', '-5'])
      expect(readSize(told), told).to.equal(null);
  });
  it('wait states: the estimate of the field, and none from the 386 on', () => {
    expect(waitStates('286', 12, 100).needed, 'the cycle of 190 ns does not fit into 167').to.equal(1);
    expect(waitStates('286', 8, 150).needed, 'as such machines have it').to.equal(1);
    expect(waitStates('286', 8, 120).needed).to.equal(0);
    expect(waitStates('286', 12, 120).needed).to.equal(1);
    expect(waitStates('286', 25, 80).needed).to.be.greaterThan(1);
    expect(waitStates('8088', 4.77, 250).needed).to.equal(0);
    expect(waitStates('386dx', 33, 80).needed).to.equal(null);
  });
});

describe('loose chips', () => {
  const read = (text: string) => chipCapacity(readChips(text)).map((r) => [r.kib, r.parity]);
  it('capacity, parity left out', () => {
    expect(read('8 × 256K×4')).to.deep.equal([[1024, false]]);
    expect(read('24 256K×1')).to.deep.equal([[768, false]]);
    expect(read('9 of 256Kx1')).to.deep.equal([[256, true]]);
    expect(read('2 × 256K×4 + 1 × 256K×1')).to.deep.equal([[256, true]]);
    expect(read('36 x 1M x 1')).to.deep.equal([[4096, true]]);
    expect(read('18 × 256K×1, 18 × 64K×1')).to.deep.equal([[640, true]]);
  });
  it('a marking without the width leaves every width open', () => {
    const said = (text: string) => readChips(text).map((c) => [c.count, c.depthK, c.width]);
    for (const text of [
      '8 pcs 44256-80 and 4 41256-8',
      'eight 44256 and four 41256',
      '44256-80 x8, 41256-80 x4'
    ])
      expect(said(text), text).to.deep.equal([
        [8, 256, 4],
        [4, 256, 1]
      ]);
    expect(said('256Kx1-12')).to.deep.equal([[1, 256, 1]]);
    expect(said('9 × 256K×1 120 ns')).to.deep.equal([[9, 256, 1]]);
    expect(chipCapacity(readChips('8 × 256K')).map((r) => [r.widths[0], r.kib])).to.deep.equal([
      [1, 256],
      [4, 1024],
      [8, 2048]
    ]);
  });
  it('a missing data chip is not made up for by parity chips', () => {
    expect(read('8 × 1M×4 + 4 × 1M×1')).to.deep.equal([[4096, true]]);
    for (const short of [
      '7 × 1M×4 + 4 × 1M×1',
      '1 × 256K×4 + 4 × 256K×1',
      '7 × 256K×1',
      '1 × 256K×4 + 1 × 256K×1'
    ])
      expect(read(short), short).to.deep.equal([]);
  });
  it('nothing typed is no memory', () => {
    expect(chipCapacity([])).to.deep.equal([]);
  });
  it('72 bits are read both ways', () => {
    expect(read('72 × 64K×1')).to.have.deep.members([[512, true], [576, false]]); // oxfmt-ignore
  });
  it('no text crashes it', () => {
    for (const bad of ['', 'some chips', '8 × 256', '8 × 256K×3', '0 × 64K×1'])
      expect(() => readChips(bad), bad).to.throw(ChipsError);
    fc.assert(
      fc.property(fc.string({ maxLength: 30 }), (text) => {
        try {
          chipCapacity(readChips(text));
        } catch (error) {
          expect(error).to.be.instanceOf(ChipsError);
        }
      })
    );
  });
});
