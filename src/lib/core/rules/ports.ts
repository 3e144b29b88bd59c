import { hex } from '../model';
import { ownerOfLine, type Line } from '../resources';
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
          }))
        }
      }
    ];
  });

export const portRules: readonly Rule[] = [numbering];
