import { isLookedAt } from '../resources';
import { totalKiB, boardKiB, cardSteps } from '../kit';
import {
  SDRAM,
  clocksOf,
  families,
  emptyFirst,
  keptApart,
  knownFilling,
  moduleMisfit,
  shownMemory
} from '../boards';
import { thingOf, there } from '../model';
import type { FactsOf } from './facts';
import type { Case } from './finding';
import { setFix, type Rule, type Situation } from './rule';

/** Banks of the board with what sits in each. */
function banks(s: Situation) {
  return (s.kit.memory?.banks ?? []).map((bank) => {
    const list = s.kit.banks.get(bank.id) ?? [];
    return {
      bank,
      list,
      count: list.reduce((n, x) => n + x.count, 0),
      sizes: [...new Set(list.map((x) => x.placed.part.module.kib))],
      items: list.map((x) => x.placed.item.id),
      name: bank.label ?? bank.id
    };
  });
}
type Bank = ReturnType<typeof banks>[number];

/** The same without what a bank does not take: that it does not says all there is to say of it. */
const takenBanks = (s: Situation): Bank[] =>
  banks(s).map((b) => ({
    ...b,
    list: b.list.filter(
      (x) => s.kit.memory && moduleMisfit(s.kit.memory, b.bank, x.placed.part.module) === null
    )
  }));

/** In what the modules of a bank may differ, worst first, and how bad that is. */
const differences: readonly [
  what: FactsOf['memory.mixed']['what'],
  severity: 'clash' | 'caution' | 'note',
  of: (module: Bank['list'][number]['placed']['part']['module'] & object) => string | number
][] = [
  ['size', 'clash', (m) => m.kib],
  ['type', 'clash', (m) => m.type],
  ['parity', 'caution', (m) => (m.parity ? 'parity' : 'plain')],
  ['speed', 'note', (m) => m.ns]
];

/** A bank is full or empty, and all modules in it are alike in size, kind, parity and speed. */
const bank: Rule = (s) => {
  const { memory } = s.kit;
  if (!memory) return [];
  const all = banks(s);
  const out: Case[] = all.flatMap(({ bank: b, list, count, items, name }): Case[] => {
    if (!list.length) return [];
    if (count !== b.sockets)
      return [
        {
          rule: 'memory.bank',
          about: items,
          facts: { bank: name, filled: count, sockets: b.sockets, why: count < b.sockets ? 'part' : 'more' }
        }
      ];
    return differences.flatMap(([what, severity, of]): Case[] => {
      const values = [...new Set(list.map((x) => String(of(x.placed.part.module))))];
      return values.length > 1
        ? [{ rule: 'memory.mixed', key: what, severity, about: items, facts: { bank: name, what, values } }]
        : [];
    });
  });
  for (const [id, list] of s.kit.banks)
    if (!memory.banks.some((b) => b.id === id))
      out.push({
        rule: 'memory.loose',
        severity: id === '' ? 'note' : 'clash',
        about: list.map((x) => x.placed.item.id),
        facts: { bank: id || null }
      });
  if (out.some((c) => c.severity !== 'note' && c.severity !== 'caution') || !all.some((b) => b.list.length))
    return out;
  // A board that lists its fillings says itself which bank comes first.
  const first =
    memory.fillings || memory.onboardKiB
      ? null
      : emptyFirst(memory.banks, (b) => Boolean(s.kit.banks.get(b.id)?.length));
  if (first) {
    const some = s.kit.facts.slots.some((slot) => slot.bus === 'pci');
    const filled = all.filter((b) => b.list.length);
    return [
      ...out,
      {
        rule: 'memory.first',
        severity: some ? 'caution' : 'clash',
        about: filled.flatMap((b) => b.items),
        facts: { bank: first.label ?? first.id, filled: filled.map((b) => b.name), some }
      }
    ];
  }
  const sizes = all.map((b) => b.sizes[0] ?? 0);
  const isTaken = takenBanks(s).every((b, i) => b.list.length === there(all[i]).list.length);
  if (!isTaken || knownFilling(memory, sizes)) return out;
  return [
    ...out,
    {
      rule: 'memory.filling',
      about: all.flatMap((b) => b.items),
      facts: {
        known: (memory.fillings ?? []).filter((row) => row.some(Boolean)).map((row) => row.filter(Boolean))
      }
    }
  ];
};

/** A board takes some forms, sizes and kinds of memory only. */
const kind: Rule = (s) => {
  const { memory } = s.kit;
  if (!memory) return [];
  return banks(s).flatMap(({ bank: b, list, name }) =>
    list.flatMap(({ placed }): Case[] => {
      const module = placed.part.module;
      const about = [placed.item.id];
      const common = { module: thingOf(placed), bank: name };
      const wrong = (why: Extract<Case, { rule: 'memory.kind' }>['facts']): Case[] => [
        { rule: 'memory.kind', about, facts: why }
      ];
      switch (moduleMisfit(memory, b, module)) {
        case 'form':
          return wrong({ ...common, why: 'form', takes: [...b.forms], is: module.form });
        case 'size':
          return wrong({ ...common, why: 'size', takes: [...memory.sizesKiB] });
        case 'type':
          return wrong({ ...common, why: 'type', type: module.type });
        default:
          return module.type === 'edo' && !memory.types.includes('edo')
            ? [{ rule: 'memory.edo', about, facts: { module: common.module } }]
            : [];
      }
    })
  );
};

/** Memory must be as fast as clock and wait states ask. */
const speed: Rule = (s) => {
  const board = s.kit.memory?.ns ?? Infinity;
  const looked = (setting: string) => isLookedAt(s.kit.build.board, setting);
  const { value: busMHz, unseen } = clocksOf(s.kit.board, s.kit.seatedCpu, s.at, looked).bus;
  // Of a clock that nobody looked at nothing is said: that is told of the setting itself.
  const isFast = busMHz !== null && !unseen && busMHz > SDRAM.fastAboveMHz;
  const atBus = isFast ? { busMHz, ns: SDRAM.fastNs } : null;
  return takenBanks(s).flatMap(({ list }) =>
    list.flatMap(({ placed }): Case[] => {
      const { ns, type } = placed.part.module;
      const clock = type === 'sdram' && atBus && atBus.ns < board ? atBus : null;
      const needed = clock?.ns ?? board;
      return ns > needed
        ? [
            {
              rule: 'memory.speed',
              about: [placed.item.id],
              facts: { module: thingOf(placed), ns, needed, ...(clock ? { busMHz: clock.busMHz } : {}) }
            }
          ]
        : [];
    })
  );
};

/** All modules have parity, or the check is off. */
const parity: Rule = (s) => {
  const without = [
    ...takenBanks(s)
      .flatMap((b) => b.list.map((x) => x.placed))
      .filter((p) => !p.part.module.parity),
    // Of a card of which nobody knows it nothing is said.
    ...cardSteps(s.kit)
      .filter((c) => c.fn.parity === false)
      .map((c) => c.card)
  ];
  if (!s.kit.memory || !without.length || s.kit.memory.parity === 'off') return [];
  const required = s.kit.memory.parity === 'required';
  return [
    {
      rule: 'memory.parity',
      severity: required ? 'clash' : 'note',
      about: without.map((p) => p.item.id),
      facts: { required }
    }
  ];
};

/** Modules for 3.3 V and for 5 V are not in together, unless the board itself lists them so. */
const apart: Rule = (s) => {
  if (!s.kit.memory || s.kit.memory.fillings) return [];
  const filled = banks(s).flatMap(({ bank: b, list, name }) =>
    list
      .filter(({ placed }) => b.forms.includes(placed.part.module.form))
      .map(({ placed }) => ({ placed, name }))
  );
  const form = (x: (typeof filled)[number]) => x.placed.part.module.form;
  const low = filled.find((x) => form(x) === 'dimm168');
  const other = low && filled.find((x) => keptApart(form(x), form(low)));
  return other
    ? [
        {
          rule: 'memory.apart',
          about: [low.placed.item.id, other.placed.item.id],
          facts: {
            low: thingOf(low.placed),
            bank: low.name,
            other: thingOf(other.placed),
            otherBank: other.name
          }
        }
      ]
    : [];
};

/** KiB of a set from which on chips want +5 V where a socket for three-supply memory has +12 V. */
const FIRST_OF_ONE_SUPPLY = 64;
const supplies: Rule = (s) => {
  if (!s.kit.memory?.threeSupply) return [];
  return banks(s).flatMap(({ bank: b, list, name }) =>
    list
      .map(({ placed }) => placed)
      .filter(({ part: { module } }) => b.forms.includes(module.form) && module.kib >= FIRST_OF_ONE_SUPPLY)
      .map((placed): Case => ({
        rule: 'memory.supplies',
        about: [placed.item.id],
        facts: { module: thingOf(placed), bank: name, board: thingOf(s.m.board) }
      }))
  );
};

/** A two-sided 72-pin module takes the selects of two banks: on many boards it shuts the next one. */
const sides: Rule = (s) => {
  const filled = takenBanks(s).filter((b) => b.list.length);
  if (filled.length < 2) return [];
  return filled.slice(0, -1).flatMap(({ list, name }) =>
    list
      .filter(({ placed }) => placed.part.module.sides === 2 && placed.part.module.form === 'simm72')
      .map(({ placed }): Case => ({
        rule: 'memory.sides',
        about: [placed.item.id],
        facts: { module: thingOf(placed), bank: name }
      }))
  );
};

/** A CPU and a chipset reach, and cache, only so much. */
const reach: Rule = (s) => {
  const total = totalKiB(s.kit);
  const family = s.kit.seatedCpu?.cpu.family;
  const { memory } = s.kit;
  if (!memory || total === 0) return [];
  const limits: [by: FactsOf['memory.reach']['by'], limit: number | undefined][] = [
    ['cpu', family && families[family].reachKiB],
    ['board', boardKiB(s.kit) > memory.maxKiB ? memory.maxKiB : undefined],
    ['cache', memory.cacheableKiB]
  ];
  return limits.flatMap(([by, limit]): Case[] =>
    limit && total > limit
      ? [
          {
            rule: 'memory.reach',
            key: by,
            about: ['board'],
            facts: { limit, total, by, family: family ?? '' }
          }
        ]
      : []
  );
};

/** Shadowing and missing remapping lower what the memory count shows. */
const shown: Rule = (s) => {
  const total = totalKiB(s.kit);
  if (!s.kit.memory || total === 0) return [];
  const { count, extended } = shownMemory(total, s.kit.memory);
  return count === total
    ? []
    : [{ rule: 'memory.shown', about: ['board'], facts: { count, total, extended } }];
};

/** ISA bus masters and DMA reach 16 MiB only. */
const dmaReach: Rule = (s) => {
  if (totalKiB(s.kit) <= 16 * 1024) return [];
  return s.m.fitted
    .filter((f) => f.part.functions.some((fn) => fn.claims.some((c) => c.resource === 'dma' && c.busMaster)))
    .map((f): Case => ({ rule: 'dma.reach16m', about: [f.item.id], facts: { card: thingOf(f) } }));
};

/** Memory of a card begins where the memory before it ends: a hole ends the count, and two in one place answer both. */
const cards: Rule = (s) =>
  cardSteps(s.kit).flatMap(({ card, fn, kib, startKiB, endsKiB, fits, isSeen }): Case[] => {
    // With no memory before it that anybody recorded, nothing is known of where it ends.
    if (fits === 'behind' || startKiB === null || !fn.startKiB || endsKiB === 0) return [];
    const { setting, values } = fn.startKiB;
    // Of expanded memory, where all is filled already, 640 stands for nothing to fill.
    const right = Object.keys(values).find((id) => values[id] === endsKiB);
    if (fits === 'unfilled')
      return [
        {
          rule: 'memory.backfill',
          key: card.item.id,
          about: [{ item: card.item.id, setting }],
          facts: { card: thingOf(card), endsKiB, isSeen, canFill: right !== undefined },
          fixes: right === undefined ? [] : [setFix(s, card.item.id, setting, right)]
        }
      ];
    return [
      {
        rule: 'memory.card',
        key: card.item.id,
        severity: isSeen ? 'clash' : 'caution',
        about: [{ item: card.item.id, setting }],
        facts: { card: thingOf(card), startKiB, endsKiB, kib, isGap: fits === 'gap', isSeen },
        fixes: right === undefined ? [] : [setFix(s, card.item.id, setting, right)]
      }
    ];
  });

export const memoryRules: readonly Rule[] = [
  cards,
  bank,
  kind,
  apart,
  supplies,
  speed,
  parity,
  sides,
  reach,
  shown,
  dmaReach
];
