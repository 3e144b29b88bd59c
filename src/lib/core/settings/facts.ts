import { there } from '../model';
import { ISA, LOCAL_BUS, clocksOf, hasMultiplierPins, sameClock, tooFast, waitStates } from '../boards';
import { cablesOf, totalKiB } from '../kit';
import {
  exactly,
  left,
  nameOf,
  filledBanks,
  floppies,
  seen,
  displaysOf,
  byCpu,
  keyboardOf,
  rivals,
  isUsed,
  cautious,
  hookedAt,
  monitorWant,
  type FactRule,
  type Shown
} from './look';
import type { Meant } from './meaning';

/** Every fact: what the build asks of it, and what a wrong setting does. Adding one is adding an entry. */
export const factRules: Record<Meant['fact'], FactRule> = {
  fpu: {
    want: (kit) =>
      kit.fpu ? exactly(1, { is: 'fpu-fitted', title: kit.fpu.title }) : exactly(0, { is: 'no-fpu' }),
    wrong: (_, value) => left('clash', { is: value === 1 ? 'fpu-missing' : 'fpu-hidden' })
  },
  banks: {
    want: (kit) => {
      const banks = filledBanks(kit);
      return banks.length
        ? exactly(banks.length, { is: 'banks-filled', banks, totalKiB: totalKiB(kit) })
        : null;
    },
    wrong: (kit, value) =>
      cautious(
        value,
        filledBanks(kit).length,
        left('clash', { is: 'memory-fewer-banks' }),
        left('clash', { is: 'memory-empty-banks' })
      )
  },
  'memory-kib': {
    want: (kit) => {
      const total = totalKiB(kit);
      return total
        ? exactly(total, { is: 'banks-hold', totalKiB: total }, { is: 'other-block-sets-banks' })
        : null;
    },
    wrong: (kit, value) =>
      cautious(
        value,
        totalKiB(kit),
        left('clash', { is: 'memory-counts-only', kib: Number(value) }),
        left('clash', { is: 'memory-ends-early' })
      )
  },
  display: {
    want: (kit, of) => {
      const all = displaysOf(kit);
      if (!all.length) return null;
      const offered = new Set(of.values.values());
      // AT class knows two words: a card with its own BIOS counts as colour.
      const told = ({ kind }: Shown) => (kind === 'own-bios' && !offered.has(kind) ? 'colour' : kind);
      const kinds = all.map(told);
      return {
        value: there(kinds[0]),
        because: [
          ...all.map((shown) => ({ is: 'display' as const, ...shown })),
          ...(kinds[0] === there(all[0]).kind ? [] : [{ is: 'own-bios-counts-as-colour' as const }]),
          ...(new Set(kinds).size > 1 ? [{ is: 'either-display-first' as const }] : [])
        ],
        suits: (v) => v === 'any' || kinds.some((k) => k === v),
        rank: (v) => kinds.findIndex((k) => k === v)
      };
    },
    wrong: (kit) =>
      kit.facts.class === 'at' && displaysOf(kit)[0]?.kind === 'own-bios'
        ? left('note', { is: 'display-complains' })
        : left('clash', { is: 'display-dark', complains: kit.facts.class === 'at' })
  },
  floppies: {
    want: (kit) => {
      const titles = floppies(kit).map((d) => d.title);
      const count = titles.length;
      return {
        value: count,
        because: [{ is: 'floppies', titles }],
        suits: (v) => v === count || (count === 0 && v === 1),
        rank: (v) => Math.abs(Number(v) - count)
      };
    },
    wrong: (kit, value) =>
      cautious(
        value,
        floppies(kit).length,
        left('caution', { is: 'floppies-no-letter' }),
        left('caution', { is: 'floppies-waited-for' })
      )
  },
  'bus-mhz': {
    want: byCpu(() => ({ is: 'clock-is-outside' })),
    wrong: (kit, value) => {
      const rated = kit.seatedCpu?.cpu;
      if (!rated || !tooFast(Number(value), rated.busMHz))
        return left('note', { is: 'cpu-slower-outside', cpu: kit.seatedCpu?.name ?? null });
      return left(
        'clash',
        sameClock(Number(value), rated.coreMHz)
          ? { is: 'cpu-core-clock-outside', mhz: rated.coreMHz }
          : { is: 'cpu-above-rating' }
      );
    }
  },
  factor: {
    want: (kit, of) =>
      kit.seatedCpu?.cpu && hasMultiplierPins(kit.seatedCpu.cpu)
        ? byCpu(() => ({ is: 'code-is-read' }))(kit, of)
        : null,
    wrong: (kit) => {
      const { core } = clocksOf(kit.board, kit.seatedCpu, kit.at, seen(kit));
      return core !== null && kit.seatedCpu?.cpu && tooFast(core, kit.seatedCpu.cpu.coreMHz)
        ? left('clash', { is: 'cpu-core-too-fast', mhz: core })
        : left('note', { is: 'cpu-slower-inside' });
    }
  },
  volts: {
    want: byCpu(({ volts }) => ({ is: 'cpu-volts', ...volts })),
    wrong: (kit, value) =>
      Number(value) > (kit.seatedCpu?.cpu.volts.high ?? 0)
        ? left('stop', { is: 'volts-too-high' })
        : left('clash', { is: 'volts-too-low' })
  },
  'bus-divisor': {
    want: (_, of, bus) => {
      if (bus === null) return null;
      const all = [...of.values.values()].map(Number);
      const good = all.filter((d) => bus / d <= ISA.safe);
      const best = good.length ? Math.min(...good) : Math.max(...all);
      return exactly(
        best,
        { is: 'external-clock', mhz: bus },
        { is: 'isa-clock', busMHz: bus, divisor: best, isaMHz: bus / best }
      );
    },
    wrong: (_kit, value, _of, bus) => {
      const isa = (bus ?? 0) / Number(value);
      return isa > ISA.most
        ? left('clash', { is: 'isa-clock', mhz: isa, how: 'fails' })
        : isa > ISA.safe
          ? left('caution', { is: 'isa-clock', mhz: isa, how: 'some-fail' })
          : left('note', { is: 'isa-clock', mhz: isa, how: 'slower' });
    }
  },
  'cache-kib': {
    want: (kit) => {
      const kib = kit.facts.cacheKiB;
      return kib ? exactly(kib, { is: 'cache-fitted', kib }) : null;
    },
    wrong: (kit, value) =>
      cautious(
        value,
        kit.facts.cacheKiB ?? 0,
        left('note', { is: 'cache-unused' }),
        left('clash', { is: 'cache-missing' })
      )
  },
  'vlb-mhz': {
    want: (_kit, _of, bus) =>
      bus === null
        ? null
        : {
            value: { mhz: bus > LOCAL_BUS.noWait ? 'above-33' : 'up-to-33' },
            because: [{ is: 'local-bus-clock', mhz: bus }],
            suits: (v) => Number(v) >= bus - 0.5,
            rank: Number
          },
    wrong: (_kit, value, _of, bus) =>
      Number(value) + 0.5 < (bus ?? 0)
        ? left('clash', { is: 'local-bus-set-slower' })
        : left('note', { is: 'local-bus-set-faster' })
  },
  'vlb-wait': {
    want: (_kit, _of, bus) =>
      bus === null ? null : exactly(bus > LOCAL_BUS.noWait ? 1 : 0, { is: 'local-bus-waits', mhz: bus }),
    wrong: (_, value) =>
      value === 0
        ? left('caution', { is: 'local-bus-no-wait' })
        : left('note', { is: 'local-bus-needless-wait' })
  },
  'wait-states': {
    want: (kit, _of, external) => {
      const bus = kit.seatedCpu?.cpu.coreMHz ?? external;
      const slowest = Math.max(0, ...[...kit.banks.values()].flat().map((x) => x.placed.part.module.ns));
      if (bus === null || !kit.seatedCpu?.cpu || !slowest) return null;
      const { needed, rests } = waitStates(kit.seatedCpu.cpu.family, bus, slowest);
      if (needed === null) return null;
      return {
        value: needed,
        because: [
          { is: 'memory-speed', ns: slowest, mhz: bus },
          { is: 'waits-estimate', rests }
        ],
        suits: (v) => Number(v) >= needed,
        rank: Number
      };
    },
    wrong: (_, value) =>
      Number(value) === 0
        ? left('caution', { is: 'memory-too-slow' })
        : left('note', { is: 'memory-needless-wait' })
  },
  battery: {
    want: (kit) => {
      const isOff = kit.build.acknowledged.some((a) => a.startsWith('battery.leak'));
      const { battery } = kit.facts;
      if (battery === 'barrel' && isOff)
        return exactly('external', { is: 'battery-taken-off' }, { is: 'battery-on-header' });
      return battery === 'barrel' || battery === 'coin'
        ? exactly('on-board', { is: 'battery-fitted', kind: battery })
        : null;
    },
    wrong: (_, value) =>
      left('caution', { is: value === 'external' ? 'battery-cut-off' : 'battery-charged-wrongly' })
  },
  keyboard: {
    want: (kit) => {
      const protocol = keyboardOf(kit);
      return protocol && kit.keyboard
        ? exactly(protocol, { is: 'keyboard-speaks', title: kit.keyboard.title, protocol })
        : null;
    },
    wrong: () => left('clash', { is: 'keyboard-dead' })
  },
  monitor: {
    want: (kit, of) => monitorWant(kit, of),
    wrong: (kit, value, of) => {
      const hooked = hookedAt(kit, of, value);
      return hooked?.checks.some((c) => c.verdict === 'danger' && c.mode.standards)
        ? left('stop', { is: 'monitor-damaged' })
        : left('clash', { is: 'monitor-wrong-picture' });
    }
  },
  'bus-width': {
    want: (kit, of) => {
      const slot = kit.m.find(of.item)?.slot;
      if (!slot) return null;
      const bits = slot.bus === 'isa8' || kit.facts.class === 'xt' ? 8 : 16;
      const width = { is: 'slot-width' as const, slot: nameOf(slot), bits } as const;
      return bits === 8
        ? exactly(8, width)
        : {
            value: 16,
            because: [width, { is: 'eight-bits-also-work' }],
            suits: (v) => v === 16 || v === 8,
            rank: (v) => -Number(v)
          };
    },
    wrong: () => left('clash', { is: 'rom-read-wrong' })
  },
  'rom-write': {
    want: () => exactly('off', { is: 'rom-written-while-programmed' }, { is: 'off-after-commissioning' }),
    wrong: () => left('caution', { is: 'rom-overwritten' })
  },
  'on-board': {
    want: (kit, of) => {
      const { fn, cards } = rivals(kit, of);
      if (cards.length)
        return exactly(
          'off',
          { is: 'cards-do-the-same', cards: cards.map((c) => c.title) },
          { is: 'board-goes-off' }
        );
      if (isUsed(kit, 'board', fn.id)) return exactly('on', { is: 'function-in-use', label: fn.label });
      const needed = cablesOf(kit).some((c) => !c.told && fn.speaks?.includes(c.drive.part.drive.interface));
      return needed ? exactly('on', { is: 'drive-needs-function', label: fn.label }) : null;
    },
    wrong: (kit, value, of) => {
      const { fn, cards } = rivals(kit, of);
      return left(
        'clash',
        value === 'on'
          ? { is: 'two-answer', label: fn.label, card: cards[0]?.title ?? null }
          : { is: 'function-off', label: fn.label }
      );
    }
  }
};
