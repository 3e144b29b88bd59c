import { hex } from '../model';
import { isOn, ownerOf, ownerOfLine, unlookedBehind, type Line } from '../resources';
import type { Case } from './finding';
import type { Rule } from './rule';

/** Ports in the order in which the BIOS looks for them, with the name that people give each address. */
const ORDER = {
  parallel: [
    { base: 0x3bc, usual: 'LPT1' },
    { base: 0x378, usual: 'LPT1' },
    { base: 0x278, usual: 'LPT2' }
  ],
  serial: [
    { base: 0x3f8, usual: 'COM1' },
    { base: 0x2f8, usual: 'COM2' }
  ]
} as const;
const NAME = { parallel: 'LPT', serial: 'COM' } as const;

/**
 * The BIOS numbers printer ports and the first two serial ports in the order in which it finds them: a gap closes up, and
 * one at 3BCh moves the next down. What is told is a name that is not the one that the address usually has.
 */
const numbering: Rule = ({ m, lines }) =>
  (['parallel', 'serial'] as const).flatMap((kind): Case[] => {
    const at = (base: number): Line | undefined =>
      lines.find((l) => l.resource === 'io' && l.value === base && ownerOfLine(m, l).kind === kind);
    const found = ORDER[kind].flatMap(({ base, usual }) => {
      const line = at(base);
      return line ? [{ line, base, usual }] : [];
    });
    const named = found.map((f, i) => ({ ...f, name: `${NAME[kind]}${i + 1}` }));
    if (named.every((f) => f.name === f.usual)) return [];
    return [
      {
        rule: 'port.numbering',
        key: kind,
        about: named.map((f) => ({ item: f.line.item, function: f.line.function })),
        facts: {
          ports: named.map((f) => ({
            name: f.name,
            address: hex(f.base),
            usual: f.usual,
            owner: ownerOfLine(m, f.line)
          })),
          assumed: unlookedBehind(m, ...named.map((f) => f.line))
        }
      }
    ];
  });

/** Kinds of programs that pull characters off a line faster than a chip without a queue keeps them. */
const FAST_LINES: readonly string[] = ['modem', 'serial'];

/**
 * A chip that holds one character loses the next unless the machine comes for it in time: on an 8088, and under Windows,
 * from about 9,600 baud on.
 */
const buffer: Rule = ({ m, kit, at }) => {
  const needy = kit.build.brief.profiles.filter((p) =>
    p.wants?.functions?.some((f) => FAST_LINES.includes(f))
  );
  if (!needy.length) return [];
  return m.fitted.flatMap((f) =>
    f.part.functions.flatMap((fn): Case[] => {
      const { uart } = fn;
      if (fn.kind !== 'serial' || !uart || uart === '16550' || !isOn(f, fn, at)) return [];
      return [
        {
          rule: 'serial.buffer',
          about: [{ item: f.item.id, function: fn.id }],
          facts: { owner: ownerOf(m, f.item.id, fn.id), uart, needy: needy.map((p) => p.name) }
        }
      ];
    })
  );
};

export const portRules: readonly Rule[] = [numbering, buffer];
