import type { ChipsFlaw } from '../../core/boards';
import type { EncodeFlaw, NotationFlaw } from '../../core/settings';
import type { GeometryFlaw, GeometryNumber, Mismatch } from '../../core/storage';

/** Why a row of switches or jumpers cannot be read: what, where and what to do. */
export function notationFlawWords(flaw: NotationFlaw): string {
  switch (flaw.is) {
    case 'empty':
      return 'nothing was typed; write a row as "on off on off", or "2-3" for a jumper';
    case 'side':
      return `"${flaw.word}" is not a side of a switch; write on, off, open, closed, 1, 0, up, down or ?`;
    case 'unnumbered':
      return `"${flaw.word}" has no switch number; write it as 5:off`;
    case 'backwards':
      return `"${flaw.word}" counts backwards; write the lower number first`;
    case 'pair':
      return `"${flaw.word}" is not a pair of pins; write 2-3, or none`;
    case 'one-pin':
      return `"${flaw.word}" is one pin; a jumper joins two`;
    case 'place':
      return `"${flaw.word}" is not a place of a switch with ${flaw.places}, counted from 0`;
    case 'bridge':
    case 'pack':
      return `"${flaw.word}" is not a ${flaw.is}; there are ${flaw.places}`;
    case 'not-by-hand':
      return `${flaw.block} is not set by hand`;
    case 'no-switch':
      return `there is no switch ${flaw.n}; the block has ${flaw.places}`;
    case 'switch-count':
      return `${flaw.n} switches typed; the block has ${flaw.places}`;
    case 'no-pin':
      return `there is no pin ${flaw.n}; the header has ${flaw.places}`;
  }
}

/** What a part cannot say of what was asked. */
export function encodeFlawWords(flaw: EncodeFlaw): string {
  switch (flaw.is) {
    case 'no-setting':
      return `${flaw.part} has no setting "${flaw.setting}"; it has ${flaw.has.join(', ') || 'none'}`;
    case 'no-position':
      return `"${flaw.setting}" has no position "${flaw.position}"; it has ${flaw.has.join(', ')}`;
    case 'fact':
      return `no setting of ${flaw.part} tells "${flaw.fact}"`;
    case 'value':
      return `"${flaw.setting}" cannot say ${flaw.value}; it says ${flaw.has.join(', ')}`;
  }
}

/** Why a list of memory chips cannot be read. */
export function chipsFlawWords(flaw: ChipsFlaw): string {
  switch (flaw.is) {
    case 'empty':
      return 'nothing was typed; write chips as "9 × 256K×1"';
    case 'unread':
      return `"${flaw.typed}" cannot be read; write count and organisation as "9 × 256K×1"`;
    case 'range':
      return `"${flaw.typed}" is out of range`;
    case 'width':
      return `"${flaw.typed}": chips are 1, 2, 4, 8, 9 or 16 bits wide`;
  }
}

const numbers: Record<GeometryNumber, string> = {
  cylinders: 'cylinders',
  heads: 'heads',
  'drive heads': 'heads of a drive',
  'sectors a track': 'sectors a track',
  cylinder: 'cylinder',
  head: 'head',
  sector: 'sector',
  'sector number': 'sector number',
  total: 'sectors in all',
  percent: 'percent',
  'turns a minute': 'turns a minute',
  interleave: 'interleave',
  minutes: 'minutes'
};
const count = (n: number) => n.toLocaleString('en');

/** Why a geometry or a partition cannot be. */
export function geometryFlawWords(flaw: GeometryFlaw): string {
  switch (flaw.is) {
    case 'outside':
      return flaw.high === Infinity
        ? `${numbers[flaw.what]} ${flaw.n} is not above ${flaw.low}`
        : `${numbers[flaw.what]} ${flaw.n} is outside ${flaw.low} to ${flaw.high === 2 ** 48 ? '2^48' : flaw.high}`;
    case 'partitions':
      return `${flaw.n} partitions; letters end at ${flaw.most}`;
    case 'one-partition':
      return `DOS ${flaw.dos} makes one partition on a disk; several come with DOS 3.3`;
    case 'no-cylinder':
      return `DOS ${flaw.dos} cannot use one cylinder of this disk`;
    case 'no-size':
      return `${flaw.n} is not a number of cylinders`;
    case 'past-end':
      return `partition ${flaw.partition} ends at cylinder ${flaw.cylinder}; the last is ${flaw.last}`;
    case 'too-small':
      return `a partition of ${flaw.sectors} sectors holds no file system`;
    case 'too-large':
      return `DOS ${flaw.dos} makes partitions of at most ${count(flaw.most)} sectors, and this has ${count(flaw.sectors)}`;
  }
}

/** What becomes of a disk that was made under another geometry than the setup has. */
export function mismatchWords({ made, setup, differs }: Mismatch): string {
  const told = `Made with ${made.heads} heads of ${made.sectors} sectors, and this setup says ${setup.heads} of ${setup.sectors}`;
  return differs === 'heads'
    ? `${told}: what starts within the first cylinders may still be found, the second partition reads as garbage. Do not start from it and do not write to it.`
    : `${told}: nothing is where it was written. Do not start from it and do not write to it.`;
}
