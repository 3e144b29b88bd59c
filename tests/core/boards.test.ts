import { expect } from 'chai';
import fc from 'fast-check';
import {
  clocksOf,
  factorOn,
  fillings,
  fittedKiB,
  moduleMisfit,
  banksFor,
  freeBase,
  knownFilling,
  moduleFits,
  runs,
  sameClock,
  settingsFor,
  shownMemory,
  socketTakes,
  speedIndex,
  type BankFill
} from '../../src/lib/core/boards';
import {
  hasFacts,
  type MemoryFacts,
  type ModuleForm,
  type Part,
  type PartWith
} from '../../src/lib/core/model';
import { parts, withFacts } from '../support/demo';

const part = (id: string): Part => parts.get(id)!;
const all = [...parts.values()];

describe('whether a bank counts a module', () => {
  const module = (form: ModuleForm, type: 'fpm' | 'edo' | 'sdram', kib = 4096) =>
    ({ form, kib, ns: 60, parity: false, type, sides: 1 }) as const;
  const why = (types: ('dram' | 'fpm' | 'edo' | 'sdram')[], form: ModuleForm, m: ReturnType<typeof module>) =>
    moduleMisfit({ sizesKiB: [4096], types }, { forms: [form] }, m);
  it('goes by form, size and type, and takes EDO for fast page', () => {
    expect(why(['fpm'], 'simm72', module('simm72', 'fpm'))).to.equal(null);
    expect(why(['fpm'], 'simm72', module('simm30', 'fpm'))).to.equal('form');
    expect(why(['fpm'], 'simm72', module('simm72', 'fpm', 8192))).to.equal('size');
    expect(why(['fpm'], 'simm72', module('simm72', 'edo'))).to.equal(null);
    expect(why(['fpm', 'edo'], 'dimm168', module('dimm168', 'sdram'))).to.equal('type');
  });
  it('names the banks that a module may fill, whatever its parity', () => {
    const v66 = parts.get('varnoc-v66')!.board!.memory!;
    const into = (id: string) => banksFor({ ...v66, parity: 'required' }, withFacts(id, 'module'));
    expect(into('pendrum-s72-8m')).to.deep.equal(['0', '1']);
    expect(into('pendrum-s30-256')).to.deep.equal(['2']);
    expect(into('pendrum-d168-64')).to.deep.equal([]);
  });
  it('does not refuse SDRAM on a board for 168-pin modules whose types nobody told', () => {
    expect(why(['dram', 'fpm'], 'dimm168', module('dimm168', 'sdram'))).to.equal(null);
  });
});

describe('clocks', () => {
  it('core is bus times factor, and a doubled part has its factor inside', () => {
    const at = (_: string, s: string) => ({ clock: '25', volts: '5v' })[s];
    const { bus, factor, core } = clocksOf(
      withFacts('varnoc-v66', 'board'),
      part('ashgill-486dx2-50'),
      at,
      () => true
    );
    expect([bus.value, factor, core]).to.deep.equal([25, 2, 50]);
  });
  it('one code means other factors on other parts', () => {
    expect(factorOn(part('velloway-586-133').cpu!, 2)).to.equal(4);
    expect(factorOn(part('ashgill-p55-233').cpu!, 1.5)).to.equal(3.5);
    expect(factorOn(part('ashgill-p5-100').cpu!, 1.5)).to.equal(1.5);
    expect(factorOn(part('ashgill-486dx2-66').cpu!, 3), 'no pins for it').to.equal(2);
  });
  it('every setting that is proposed for a CPU is at most its rating', () => {
    let pairs = 0;
    for (const board of all.filter((p) => hasFacts(p, 'board')))
      for (const cpu of all.filter((p) => hasFacts(p, 'cpu')).filter((p) => socketTakes(board, p))) {
        const settings = settingsFor(board, cpu);
        if (!settings) continue;
        pairs++;
        const clocks = clocksOf(
          board,
          cpu,
          (_, s) => settings[s],
          () => true
        );
        const c = cpu.cpu!;
        if (clocks.bus.value !== null)
          expect(clocks.bus.value, `${board.id} ${cpu.id}`).to.be.at.most(c.busMHz * 1.036);
        if (clocks.core !== null)
          expect(clocks.core, `${board.id} ${cpu.id}`).to.be.at.most(c.coreMHz * 1.036);
        if (clocks.volts.value !== null)
          expect(clocks.volts.value, `${board.id} ${cpu.id}`).to.be.at.most(c.volts.high + 0.001);
      }
    expect(pairs).to.be.greaterThan(80);
  });
  it('the index follows 1 : 3 : 3.5 : 8 : 16', () => {
    const at100 = (family: string) =>
      speedIndex({ ...part('ashgill-486dx-33').cpu!, family: family as '286' }, 100);
    expect(['8088', '286', '386dx', '486dx', 'pentium'].map(at100)).to.deep.equal([100, 300, 350, 800, 1600]);
    expect(runs('486sx', '386dx')).to.equal(true);
    expect(runs('286', '386sx')).to.equal(false);
    expect(sameClock(66, 66.7)).to.equal(true);
    expect(sameClock(33, 40)).to.equal(false);
  });
});

describe('memory', () => {
  it('what the start-up shows', () => {
    const shown = (total: number, remap: MemoryFacts['remap'], shadowKiB = 0) =>
      shownMemory(total, { remap, shadowKiB }).count;
    expect(shown(512, 'yes')).to.equal(512);
    expect(shown(768, 'no'), '768 fitted, DOS sees 640').to.equal(640);
    expect(shown(1024, 'no'), 'without remap it stops at 640').to.equal(640);
    expect(shown(1024, 'yes')).to.equal(1024);
    expect(shown(1024, 'yes', 128)).to.equal(896);
    expect(shown(1024, 'yes', 384)).to.equal(640);
    expect(shown(4096, 'without-shadow', 384), 'a 4 MiB board with 384 shadowed').to.equal(3712);
    expect(shown(4096, 'without-shadow', 0)).to.equal(4096);
  });
  it('the count never exceeds what is fitted, and grows with it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 512 }),
        fc.constantFrom('yes' as const, 'no' as const, 'without-shadow' as const),
        fc.integer({ min: 0, max: 384 }),
        (n, remap, shadowKiB) => {
          const facts = { remap, shadowKiB };
          const here = shownMemory(n * 64, facts);
          expect(here.count).to.be.at.most(n * 64);
          expect(here.count).to.equal(here.base + here.extended);
          expect(shownMemory(n * 64 + 1024, facts).count).to.be.at.least(here.count);
          expect(freeBase(here, 5, true)).to.be.at.most(here.base);
        }
      )
    );
  });

  /** Every way to put modules of one kind into each bank or leave it empty, looked at one by one. */
  function brute(facts: MemoryFacts, modules: readonly PartWith<'module'>[]): Set<number> {
    const out = new Set<number>();
    const walk = (i: number, fills: BankFill[]): void => {
      if (i === facts.banks.length) {
        const sizes = facts.banks.map((b) => fills.find((f) => f.bank === b.id)?.module.kib ?? 0);
        const kib = fittedKiB(facts, fills);
        const sameForm = (a: number, b: number) => facts.banks[a].forms[0] === facts.banks[b].forms[0];
        const ordered = sizes.every(
          (s, n) =>
            n === 0 ||
            s === 0 ||
            sizes.slice(0, n).every((before, m) => (before === 0 ? !sameForm(m, n) : s <= before))
        );
        // 168-pin modules are made for 3.3 V, all others work at 5 V.
        const volts = new Set(fills.map((f) => (f.module.form === 'dimm168' ? 3.3 : 5)));
        const known = facts.fillings ? knownFilling(facts, sizes) : ordered && volts.size < 2;
        if (kib > 0 && kib <= facts.maxKiB && known) out.add(kib);
        return;
      }
      walk(i + 1, fills);
      for (const m of modules)
        if (moduleFits(facts, facts.banks[i], m))
          walk(i + 1, [
            ...fills,
            { bank: facts.banks[i].id, module: m.module, count: facts.banks[i].sockets }
          ]);
    };
    walk(0, []);
    return out;
  }
  it('the fillings of every board are those that brute force finds', () => {
    const modules = all.filter((p) => hasFacts(p, 'module'));
    for (const board of all.filter((p) => p.board?.memory && p.board.memory.banks.length <= 3)) {
      const facts = board.board!.memory!;
      const got = fillings(facts, modules, (p, n) => n * (p.price?.low ?? 0)).map((f) => f.kib);
      const wanted = [...brute(facts, modules)].sort((a, b) => a - b);
      expect(got, board.id).to.deep.equal(wanted);
    }
  });
  it('no filling is part full or too large, and the cheaper of two is taken', () => {
    const modules = all.filter((p) => hasFacts(p, 'module'));
    for (const board of all.filter((p) => p.board?.memory)) {
      const facts = board.board!.memory!;
      for (const filling of fillings(facts, modules, (p, n) => n * (p.price?.low ?? 0))) {
        expect(filling.kib).to.be.at.most(facts.maxKiB);
        for (const b of filling.banks)
          expect(b.count, board.id).to.equal(facts.banks.find((x) => x.id === b.bank)!.sockets);
      }
    }
  });
});
