import type { ChipReading, Chips, LegalSet, Marking, NeighbourSet, CommonMemory } from '../../core/boards';
import { and, kib, or } from './language';

const kinds: Record<Marking['kind'], string> = {
  dram: 'DRAM',
  eprom: 'EPROM',
  eeprom: 'EEPROM',
  flash: 'flash ROM',
  sram: 'static RAM'
};
const depth = (k: number): string => (k >= 1024 && k % 1024 === 0 ? `${k / 1024}M` : `${k}K`);
const organised = (c: Pick<Chips, 'depthK' | 'width'>): string => `${depth(c.depthK)}×${c.width ?? '?'}`;

/** What is printed on a chip, in words: `DRAM 256K×1, 120 ns`. */
export function markingWords(m: Marking): string {
  const speed = m.ns.length ? `${or(m.ns.map((n) => `${n} ns`))}` : 'speed not printed';
  const width = m.width === null ? '; its width is not on it: look it up, or count the pins' : '';
  const supplies = m.threeSupply ? '; needs +12 and −5 V as well as +5 V, and is destroyed without −5 V' : '';
  return `${m.type}: ${kinds[m.kind]} ${organised(m)}, ${speed}${width}${supplies}.`;
}

const total = (r: ChipReading): string => `${kib(r.kib)}${r.parity ? ' with parity' : ''}`;

/** What is left of a set when one chip of a sort is missing. */
export const lostWords = ({ of, readings }: NeighbourSet): string =>
  readings.length
    ? `One ${organised(of)} fewer: ${or(readings.map(total))}.`
    : `One ${organised(of)} fewer: no whole bytes; the row is of no use.`;

/** A set of whole banks, and what it still wants. */
export const legalWords = (set: LegalSet): string =>
  `${kib(set.kib)}${set.parity ? ' with parity' : ''} in ${set.banks === 1 ? 'one bank' : `${set.banks} banks`}: ${
    set.more.length
      ? `${and(set.more.map(({ of, count }) => `${count} more of ${organised(of)}`))}.`
      : 'complete as it is.'
  }`;

const size = (kib: number) => (kib >= 1024 && kib % 1024 === 0 ? `${kib / 1024} MiB` : `${kib} KiB`);

/** What every explanation of a memory count agrees in. */
export function commonMemoryWords(common: CommonMemory): string {
  switch (common.is) {
    case 'total':
      return `${size(common.kib)} fitted`;
    case 'empty':
      return `bank ${common.bank} empty or not counted`;
    case 'full':
      return `bank ${common.bank} full with ${size(common.moduleKiB)} modules`;
    case 'withheld':
      return `${common.kib} KiB withheld for copies of ROMs`;
  }
}

/** How chips are read: `32 bits and 4 of parity × 256K`. */
export const chipGroupsWords = ({ groups }: ChipReading): string =>
  groups
    .map((g) => `${g.dataBits} bits${g.parityBits ? ` and ${g.parityBits} of parity` : ''} × ${g.depthK}K`)
    .join(' and ');
