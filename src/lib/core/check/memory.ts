import { families, knownFilling, shownMemory } from '../boards';
import { totalKiB } from '../software';
import { rule, type Rule, type Said, type Situation } from './rule';

const size = (kib: number) => (kib >= 1024 && kib % 1024 === 0 ? `${kib / 1024} MiB` : `${kib} KiB`);

/** Banks of the board with what sits in each. */
function banks(s: Situation) {
  return (s.kit.memory?.banks ?? []).map((bank) => {
    const list = s.kit.banks.get(bank.id) ?? [];
    return {
      bank,
      list,
      count: list.reduce((n, x) => n + x.count, 0),
      sizes: [...new Set(list.map((x) => x.placed.part.module!.kib))],
      items: list.map((x) => x.placed.item.id),
      name: `bank ${bank.label ?? bank.id}`
    };
  });
}

const bank = rule('memory.bank', 'A bank is full or empty, and all modules in it are alike.', (s) => {
  const { memory } = s.kit;
  if (!memory) return [];
  const all = banks(s);
  const out: Said[] = all.flatMap(({ bank: b, list, count, sizes, items, name }): Said[] => {
    if (!list.length) return [];
    if (count !== b.sockets)
      return [
        {
          severity: 'clash',
          about: items,
          title: count < b.sockets ? `${name} is part full` : `Too many modules for ${name}`,
          sentence: `${count} of ${b.sockets}: the board counts nothing of it, or does not start. A bank is full or empty.`
        }
      ];
    return sizes.length > 1
      ? [
          {
            severity: 'clash',
            about: items,
            title: `${name} holds different modules`,
            sentence: `All modules of a bank are alike; this one has ${sizes.map(size).join(' and ')}.`
          }
        ]
      : [];
  });
  const loose = [...s.kit.banks].filter(([id]) => !memory.banks.some((b) => b.id === id));
  for (const [id, list] of loose)
    out.push({
      severity: id === '' ? 'note' : 'clash',
      about: list.map((x) => x.placed.item.id),
      title: id === '' ? 'Memory without a bank' : `There is no bank ${id}`,
      sentence: 'It is left out of the count until it sits in a bank.'
    });
  if (out.length || !all.some((b) => b.list.length)) return out;
  const sizes = all.map((b) => b.sizes[0] ?? 0);
  if (knownFilling(memory, sizes)) return out;
  const known = memory
    .fillings!.filter((row) => row.some(Boolean))
    .map((row) => row.filter(Boolean).map(size).join(' + '));
  return [
    {
      severity: 'clash',
      about: all.flatMap((b) => b.items),
      title: 'A filling that the board does not know',
      sentence: `It counts wrong or not at all. It knows ${known.slice(0, 6).join('; ')}.`
    }
  ];
});

const kind = rule('memory.kind', 'A board takes some forms, sizes and kinds of memory only.', (s) =>
  banks(s).flatMap(({ bank: b, list, name }) =>
    list.flatMap(({ placed }): Said[] => {
      const module = placed.part.module!;
      const { sizesKiB, types } = s.kit.memory!;
      const wrong = !b.forms.includes(module.form)
        ? `${name} takes ${b.forms.join(', ')}, and this is ${module.form}`
        : sizesKiB.length && !sizesKiB.includes(module.kib)
          ? `the board knows modules of ${sizesKiB.map(size).join(', ')}`
          : null;
      if (wrong)
        return [
          {
            severity: 'clash',
            about: [placed.item.id],
            title: `${placed.title} does not belong in ${name}`,
            sentence: `It will not be counted: ${wrong}.`
          }
        ];
      if (types.includes(module.type)) return [];
      const edo = module.type === 'edo';
      return [
        {
          severity: edo ? 'caution' : 'clash',
          about: [placed.item.id],
          title: `${placed.title} is ${module.type.toUpperCase()}`,
          sentence: edo
            ? 'The board does not know EDO. From the 486 on it mostly works as fast-page memory; nobody promises it.'
            : 'The board does not know this kind of memory and will not count it.'
        }
      ];
    })
  )
);

const speed = rule('memory.speed', 'Memory must be as fast as clock and wait states ask.', (s) =>
  banks(s).flatMap(({ list }) =>
    list
      .filter(({ placed }) => placed.part.module!.ns > s.kit.memory!.ns)
      .map(({ placed }) => ({
        severity: 'caution' as const,
        about: [placed.item.id],
        title: `${placed.title} is slow`,
        sentence: `${placed.part.module!.ns} ns where the board asks ${s.kit.memory!.ns}: parity errors or a freeze, unless the setup has another wait state.`
      }))
  )
);

const parity = rule('memory.parity', 'All modules have parity, or the check is off.', (s) => {
  const all = banks(s).flatMap((b) => b.list.map((x) => x.placed));
  const without = all.filter((p) => !p.part.module!.parity);
  if (!s.kit.memory || !without.length || s.kit.memory.parity === 'off') return [];
  return [
    s.kit.memory.parity === 'required'
      ? {
          severity: 'clash',
          about: without.map((p) => p.item.id),
          title: 'Modules without parity',
          sentence: 'This board always checks parity: it stops with a parity error at once.'
        }
      : {
          severity: 'note',
          about: without.map((p) => p.item.id),
          title: 'Modules without parity',
          sentence: 'Turn the parity check off in the setup, or the board does not start.'
        }
  ];
});

const reach = rule('memory.reach', 'A CPU and a chipset reach, and cache, only so much.', (s) => {
  const total = totalKiB(s.kit);
  const family = s.kit.cpu?.cpu?.family;
  if (!s.kit.memory || total === 0) return [];
  const out: Said[] = [];
  const about = ['board'];
  if (family && total > families[family].reachKiB)
    out.push({
      severity: 'note',
      about,
      title: `More memory than a ${family} reaches`,
      sentence: `It reaches ${size(families[family].reachKiB)} of ${size(total)}.`
    });
  if (total > s.kit.memory.maxKiB)
    out.push({
      severity: 'note',
      about,
      title: 'More memory than the board takes',
      sentence: `It takes ${size(s.kit.memory.maxKiB)} of ${size(total)}.`
    });
  if (s.kit.memory.cacheableKiB && total > s.kit.memory.cacheableKiB)
    out.push({
      severity: 'note',
      about,
      title: 'Part of the memory is not cached',
      sentence: `Above ${size(s.kit.memory.cacheableKiB)} this board is slower, and Windows uses the top first.`
    });
  return out;
});

const shown = rule('memory.shown', 'Shadowing and missing remapping lower what the start-up counts.', (s) => {
  const total = totalKiB(s.kit);
  if (!s.kit.memory || total === 0) return [];
  const { count, extended } = shownMemory(total, s.kit.memory);
  return count === total
    ? []
    : [
        {
          severity: 'note',
          about: ['board'],
          title: `The start-up will count ${size(count)}`,
          sentence: `${size(total)} are fitted; 640 KiB and ${size(extended)} above are counted. That is no fault.`
        }
      ];
});

const dmaReach = rule('dma.reach16m', 'ISA bus masters and DMA reach 16 MiB only.', (s) => {
  if (totalKiB(s.kit) <= 16 * 1024) return [];
  const masters = s.m.fitted.filter((f) =>
    f.part.functions.some((fn) => fn.claims.some((c) => c.resource === 'dma' && c.busMaster))
  );
  return masters.map((f) => ({
    severity: 'caution' as const,
    about: [f.item.id],
    title: `${f.title} reaches 16 MiB`,
    sentence:
      'With more memory its driver must buffer twice, or data is lost. Look for that option of the driver.'
  }));
});

export const memoryRules: readonly Rule[] = [bank, kind, speed, parity, reach, shown, dmaReach];
