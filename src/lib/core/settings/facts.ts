import { ISA, LOCAL_BUS, clocksOf, hasMultiplierPins, sameClock, tooFast, waitStates } from '../boards';
import { cablesOf, totalKiB } from '../kit';
import {
  exactly,
  say,
  amount,
  mhz,
  plural,
  filledBanks,
  floppies,
  seen,
  busMHz,
  displaysOf,
  displayWords,
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
    label: 'FPU',
    want: (kit) =>
      kit.fpu
        ? exactly(1, 'fitted', [`${kit.fpu.title} sits in the FPU socket`])
        : exactly(0, 'none', ['no FPU is in the machine']),
    wrong: (_, value) =>
      value === 1
        ? say('clash', 'Programs that look for an FPU hang: the switch says that there is one.')
        : say('clash', 'Programs do not find the FPU until the switch says that it is there.')
  },
  banks: {
    label: 'Memory banks',
    want: (kit) => {
      const filled = filledBanks(kit);
      return filled.length
        ? exactly(filled.length, plural(filled.length, 'bank'), [
            `${filled.length === 1 ? 'bank' : 'banks'} ${filled.join(', ')} filled, ${amount(totalKiB(kit))} in all`
          ])
        : null;
    },
    wrong: (kit, value) =>
      cautious(
        value,
        filledBanks(kit).length,
        say(
          'clash',
          'The memory count shows fewer banks than are filled; the rest of the memory is not used.'
        ),
        say('clash', 'POST stops with a memory error: it looks for banks that are empty.')
      )
  },
  'memory-kib': {
    label: 'Memory in all',
    want: (kit) => {
      const total = totalKiB(kit);
      return total
        ? exactly(total, amount(total), [
            `the banks hold ${amount(total)}`,
            'this block sets the total, the other one the banks'
          ])
        : null;
    },
    wrong: (kit, value) =>
      cautious(
        value,
        totalKiB(kit),
        say('clash', `POST counts ${amount(Number(value))} only; DOS gets no more.`),
        say('clash', 'POST stops with a memory error where the fitted memory ends.')
      )
  },
  display: {
    label: 'First display',
    want: (kit, of) => {
      const all = displaysOf(kit);
      if (!all.length) return null;
      const offered = new Set(of.values.values());
      // AT class knows two words: a card with its own BIOS counts as colour.
      const told = ({ kind }: Shown) => (kind === 'own-bios' && !offered.has(kind) ? 'colour' : kind);
      const kinds = all.map(told);
      return {
        said: displayWords[kinds[0]],
        because: [
          ...all.map(({ title, where, kind }) => `${title} in ${where} is ${displayWords[kind]}`),
          ...(kinds[0] === all[0].kind
            ? []
            : ['this board knows colour and monochrome only, and such a card counts as colour']),
          ...(new Set(kinds).size > 1 ? ['either of the two may come first'] : [])
        ],
        suits: (v) => v === 'any' || kinds.some((k) => k === v),
        rank: (v) => kinds.findIndex((k) => k === v)
      };
    },
    wrong: (kit) =>
      kit.facts.class === 'at' && displaysOf(kit)[0]?.kind === 'own-bios'
        ? say('note', 'The card’s own BIOS takes over; some setups complain all the same.')
        : say('clash', 'Dark screen and one long, two short beeps; eight short by another BIOS.')
  },
  floppies: {
    label: 'Floppy drives',
    want: (kit) => {
      const count = floppies(kit).length;
      return {
        said: count ? String(count) : 'none, or the fewest that the block can say',
        because: [
          count
            ? `${plural(count, 'floppy drive')} in the machine: ${floppies(kit)
                .map((d) => d.title)
                .join(', ')}`
            : 'no floppy drive is in the machine'
        ],
        suits: (v) => v === count || (count === 0 && v === 1),
        rank: (v) => Math.abs(Number(v) - count)
      };
    },
    wrong: (kit, value) =>
      cautious(
        value,
        floppies(kit).length,
        say('caution', 'The last floppy drives get no letter.'),
        say('caution', 'The start waits for a drive that is not there, and it takes up a drive letter.')
      )
  },
  'bus-mhz': {
    label: 'CPU bus clock',
    want: byCpu(mhz, () => 'the jumper sets the clock outside the CPU, not the number on it'),
    wrong: (kit, value) => {
      const rated = kit.cpu?.cpu;
      if (!rated || !tooFast(Number(value), rated.busMHz))
        return say('note', `The machine runs slower than ${kit.cpu?.name ?? 'the CPU'} could. Harmless.`);
      return sameClock(Number(value), rated.coreMHz)
        ? say('clash', `${mhz(rated.coreMHz)} is what runs inside; as set the CPU freezes.`)
        : say('clash', 'The CPU is driven above its rating: it freezes or runs hot.');
    }
  },
  factor: {
    label: 'CPU multiplier',
    want: (kit, of) =>
      kit.cpu?.cpu && hasMultiplierPins(kit.cpu.cpu)
        ? byCpu(
            (v) => `×${v}`,
            () => 'the code on the board is read by the CPU in its own way'
          )(kit, of)
        : null,
    wrong: (kit) => {
      const { core } = clocksOf(kit.board, kit.cpu, kit.at, seen(kit));
      return core !== null && kit.cpu?.cpu && tooFast(core, kit.cpu.cpu.coreMHz)
        ? say('clash', `Inside it would run at ${mhz(core)}: it freezes or runs hot.`)
        : say('note', 'Inside it runs slower than it could. Harmless.');
    }
  },
  volts: {
    label: 'CPU voltage',
    want: byCpu(
      (v) => `${v} V`,
      ({ volts }) =>
        volts.low === volts.high
          ? `it is made for ${volts.low} V; read it off the chip`
          : `it is made for ${volts.low} to ${volts.high} V; read it off the chip`
    ),
    wrong: (kit, value) =>
      Number(value) > (kit.cpu?.cpu?.volts.high ?? 0)
        ? say('stop', 'Too high a voltage destroys the CPU at once. Do not power on.')
        : say('clash', 'Too little voltage: it does not start, or freezes when it gets warm.')
  },
  'bus-divisor': {
    label: 'Bus divisor',
    want: (kit, of) => {
      const bus = busMHz(kit);
      if (bus === null) return null;
      const good = [...of.values.values()].map(Number).filter((d) => bus / d <= ISA.safe);
      const best = good.length ? Math.min(...good) : Math.max(...[...of.values.values()].map(Number));
      return exactly(best, `÷ ${best}`, [
        `the external clock is ${mhz(bus)}`,
        `${mhz(bus)} ÷ ${best} = ${mhz(bus / best)}; ISA cards expect 8.33 MHz at most`
      ]);
    },
    wrong: (kit, value) => {
      const isa = (busMHz(kit) ?? 0) / Number(value);
      return isa > ISA.most
        ? say('clash', `ISA runs at ${mhz(isa)}: most cards fail.`)
        : isa > ISA.safe
          ? say('caution', `ISA runs at ${mhz(isa)}: some cards are not found or give errors.`)
          : say('note', `ISA runs at ${mhz(isa)}, slower than it could.`);
    }
  },
  'cache-kib': {
    label: 'Cache size',
    want: (kit) =>
      kit.facts.cacheKiB
        ? exactly(kit.facts.cacheKiB, amount(kit.facts.cacheKiB), [
            `${amount(kit.facts.cacheKiB)} of cache is on the board`
          ])
        : null,
    wrong: (kit, value) =>
      cautious(
        value,
        kit.facts.cacheKiB ?? 0,
        say('note', 'Part of the cache is not used; the machine is slower.'),
        say('clash', 'The board uses cache that is not there: it crashes as DOS or Windows loads.')
      )
  },
  'vlb-mhz': {
    label: 'Local-bus speed',
    want: (kit) => {
      const bus = busMHz(kit);
      return bus === null
        ? null
        : {
            said: bus > LOCAL_BUS.noWait ? 'above 33 MHz' : 'up to 33 MHz',
            because: [`the local bus runs at the external clock, ${mhz(bus)}`],
            suits: (v) => Number(v) >= bus - 0.5,
            rank: Number
          };
    },
    wrong: (kit, value) =>
      Number(value) + 0.5 < (busMHz(kit) ?? 0)
        ? say(
            'clash',
            'Local-bus cards are set for a slower clock: the picture tears or disk data is garbled.'
          )
        : say('note', 'Local-bus cards wait longer than they need to.')
  },
  'vlb-wait': {
    label: 'Local-bus wait',
    want: (kit) => {
      const bus = busMHz(kit);
      return bus === null
        ? null
        : exactly(bus > LOCAL_BUS.noWait ? 1 : 0, bus > LOCAL_BUS.noWait ? 'one' : 'none', [
            `the local bus runs at ${mhz(bus)}; above 33 MHz writes need a wait state`
          ]);
    },
    wrong: (_, value) =>
      value === 0
        ? say('caution', 'Writes without a wait state above 33 MHz: the picture may tear.')
        : say('note', 'Writes over the local bus are slower than they need to be.')
  },
  'wait-states': {
    label: 'Wait states',
    want: (kit) => {
      const bus = kit.cpu?.cpu?.coreMHz ?? busMHz(kit);
      const slowest = Math.max(0, ...[...kit.banks.values()].flat().map((x) => x.placed.part.module.ns));
      if (bus === null || !kit.cpu?.cpu || !slowest) return null;
      const { needed, assumes } = waitStates(kit.cpu.cpu.family, bus, slowest);
      if (needed === null) return null;
      return {
        said: String(needed),
        because: [`${slowest} ns memory at ${mhz(bus)}`, assumes],
        suits: (v) => Number(v) >= needed,
        rank: Number
      };
    },
    wrong: (_, value) =>
      Number(value) === 0
        ? say('caution', 'Memory may be too slow without a wait state: parity errors or a freeze.')
        : say('note', 'The machine waits for memory that is fast enough; slower, harmless.')
  },
  battery: {
    label: 'Battery',
    want: (kit) => {
      const isOff = kit.build.acknowledged.some((a) => a.startsWith('battery.leak'));
      return kit.facts.battery === 'barrel' && isOff
        ? exactly('external', 'external', [
            'the barrel battery was taken off',
            'a pack goes on the battery header'
          ])
        : kit.facts.battery === 'barrel' || kit.facts.battery === 'coin'
          ? exactly('on-board', 'on the board', [`the ${kit.facts.battery} battery is on the board`])
          : null;
    },
    wrong: (_, value) =>
      value === 'external'
        ? say('caution', 'The battery on the board is cut off: date and setup are lost at every power-off.')
        : say(
            'caution',
            'The board tries to charge what is not there or must not be charged, and the setup is lost.'
          )
  },
  keyboard: {
    label: 'Keyboard',
    want: (kit) => {
      const protocol = keyboardOf(kit);
      return protocol
        ? exactly(protocol, protocol.toUpperCase(), [
            `${kit.keyboard?.title ?? 'the keyboard'} speaks ${protocol.toUpperCase()} here`
          ])
        : null;
    },
    wrong: () => say('clash', 'No key does anything, or POST stops with a keyboard error.')
  },
  monitor: {
    label: 'Monitor kind',
    want: (kit, of) => monitorWant(kit, of),
    wrong: (kit, value, of) => {
      const hooked = hookedAt(kit, of, value);
      return hooked?.checks.some((c) => c.verdict === 'danger' && c.mode.standards)
        ? say('stop', 'The card sends timing that can damage this monitor. Do not connect it.')
        : say('clash', 'The picture rolls, stays dark or shows wrong colours.');
    }
  },
  'bus-width': {
    label: 'Bus width',
    want: (kit, of) => {
      const fitted = kit.m.find(of.item);
      if (!fitted?.slot) return null;
      const is8 = fitted.slot.bus === 'isa8' || kit.facts.class === 'xt';
      const name = fitted.slot.label ?? `slot ${fitted.slot.id}`;
      return is8
        ? exactly(8, '8 bits', [`${name} has 8 bits only`])
        : {
            said: '16 bits',
            because: [
              `${name} has 16 bits`,
              '8 bits also work, slower; needed when an 8-bit ROM shares the block'
            ],
            suits: (v) => v === 16 || v === 8,
            rank: (v) => -Number(v)
          };
    },
    wrong: () =>
      say('clash', 'A 16-bit ROM in an 8-bit slot is read wrong: no picture, or the card is not found.')
  },
  'rom-write': {
    label: 'ROM writing',
    want: () =>
      exactly('off', 'off', [
        'the ROM is written only while it is being programmed',
        'off after commissioning'
      ]),
    wrong: () =>
      say('caution', 'A program that runs wild can overwrite the ROM; the disk is not found any more.')
  },
  'on-board': {
    label: 'On the board',
    want: (kit, of) => {
      const { fn, cards } = rivals(kit, of);
      if (cards.length)
        return exactly('off', 'off', [
          `${cards.map((c) => c.title).join(' and ')} ${cards.length === 1 ? 'does' : 'do'} the same`,
          `two of a kind answer at one address: the one of the board goes off`
        ]);
      if (isUsed(kit, 'board', fn.id))
        return exactly('on', 'on', [`the build uses ${fn.label} of the board`]);
      const needed = cablesOf(kit).some((c) => !c.told && fn.speaks?.includes(c.drive.part.drive.interface));
      return needed
        ? exactly('on', 'on', [`a drive of the build needs ${fn.label}, and no card has it`])
        : null;
    },
    wrong: (kit, value, of) => {
      const { fn, cards } = rivals(kit, of);
      return value === 'on'
        ? say(
            'clash',
            `${fn.label} of the board and ${cards[0]?.title ?? 'a card'} answer together: neither is found.`
          )
        : say('clash', `${fn.label} is off: what hangs on it is not found.`);
    }
  }
};
