import type { Counted, Flaw, FlawAt, SchemaFlaw, Sized } from '../../core/model';
import type { Claim, Part } from '../../core/model';
import { counted } from './count';

/** What a schema finds beyond types and lengths; its own sentences are those of the library. */
const schema: Record<SchemaFlaw, (params: Readonly<Record<string, unknown>>) => string> = {
  'no-hex': ({ text }) => `"${String(text)}" is not a hexadecimal address; write 220h or 0x220`,
  'no-id': () => 'use lower-case letters, digits, hyphens and dots',
  'no-name': () => 'give it a name',
  'dos-file-size': () => 'DOS reads no more than 64 KiB of it',
  'dos-file-name': () => 'write a DOS file name, such as DRIVER.SYS',
  'no-picture': () => 'is not a picture',
  'no-month': () => 'write a year, or a year and month as 1991-03',
  'no-day': () => 'write a date as 2026-03-14',
  'no-hash': () => 'a SHA-256 has 64 hex digits',
  'what-came-off': () => 'say what came off',
  'what-it-is': () => 'say what it is',
  'what-it-decides': () => 'say what it decides',
  'what-it-means': () => 'say what it means',
  'where-image': () => 'say where the image lies',
  who: () => 'say who',
  why: () => 'say why',
  'no-thing': () => 'name what took part',
  'no-start': () => 'say how often it worked or failed',
  'too-many-entries': ({ most }) => `at most ${String(most)} entries`
};

/** The facts without which a part of a kind cannot be used anywhere. */
const facts: Record<Part['kind'], string> = {
  board: 'a board needs its board facts (class, slots)',
  card: 'a card needs its card facts (bus)',
  cpu: 'a CPU needs its CPU facts (family, socket, clocks, volts)',
  fpu: 'an FPU needs its FPU facts (kind, MHz)',
  memory: 'memory needs its module facts (form, KiB, ns)',
  drive: 'a drive needs its drive facts (medium, interface, bay)',
  monitor: 'a monitor needs its monitor facts (inputs, frequencies)',
  supply: 'a supply needs its supply facts (form, watts, rails)',
  keyboard: 'a keyboard needs its keyboard facts (protocols, plug)',
  case: 'a case needs its chassis facts (forms, bays)',
  adapter: 'an adapter needs its adapter facts (from, to)',
  bios: 'a BIOS needs its firmware facts (year, setup, disk)',
  oscillator: 'an oscillator needs its MHz'
};

const sized: Record<Sized, (n: number, most: number) => string> = {
  functions: (n, most) => `${n} functions; no part has more than ${most}`,
  claims: (n, most) => `${n} claims in all; no part has more than ${most}`,
  rows: (n, most) => `${n} rows in all; no part needs more than ${most}`,
  layouts: (n, most) => `${n} layouts of its bays; no machine has more than ${most}`,
  'joint positions': (n, most) =>
    `its settings have ${n > 1e9 ? 'more than a thousand million' : n} joint positions; no part has more than ${most}. Split a claim that rests on many settings, or list fewer positions`,
  'machine lines': (n, most) => `the parts claim ${n} lines; no machine has more than ${most}`
};

const beyond: Record<Counted, (n: number, most: number) => string> = {
  pin: (n, most) => `pin ${n} of ${most}`,
  switch: (n, most) => `switch ${n} of ${most}`,
  step: (n, most) => `step ${n} of ${most}, counted from 0`,
  bridge: (n, most) => `bridge ${n} of ${most}`
};

const where: Record<Extract<Flaw, { is: 'wrong-form' }>['form'], string> = {
  caps: 'jumpers sit on a header',
  switches: 'switches are on a DIP block',
  step: 'a step is on a rotary or slide switch',
  bridges: 'bridges are on solder pads, or packs in their sockets',
  value: 'a value is typed into a program'
};

/** What the library says in the words of its language. */
const plainer: readonly [RegExp, string][] = [
  [/, received undefined$/, 'is missing'],
  [/, received NaN$/, 'must be a number']
];

const inHex = (n: number): string => `${n.toString(16).toUpperCase()}h`;
const pastLast: Record<Claim['resource'], (value: number) => string> = {
  irq: (n) => `there is no IRQ ${n}; they go from 0 to 15`,
  dma: (n) => `there is no DMA channel ${n}; they go from 0 to 7`,
  io: (n) => `what begins at ${inHex(n)} does not end by FFFFh, the last I/O port`,
  memory: (n) => `what begins at ${inHex(n)} does not end by FFFFFFFFh, the last address`
};

const sentences: { [K in Flaw['is']]: (flaw: Extract<Flaw, { is: K }>) => string } = {
  schema: ({ message, params }) =>
    schema[message as SchemaFlaw]?.(params) ?? plainer.find(([said]) => said.test(message))?.[1] ?? message,
  'not-object': () => 'is not a JSON object',
  version: () => 'must be a whole number',
  'no-build': () => 'is missing',
  format: ({ name }) => `must be "${name}"; this is some other kind of file`,
  newer: ({ version, reads }) =>
    `is ${version}, and this release reads up to ${reads}; open it with a newer release`,
  twice: ({ id }) => `"${id}" appears twice`,
  taken: ({ id }) => `the id "${id}" is used twice or reserved`,
  'board-id': ({ id }) => `the board's item id is "${id}"`,
  'no-board': ({ id }) => `"${id}" is not a board`,
  'no-part': ({ id }) => `there is no part "${id}"`,
  'no-item': ({ id }) => `there is no item "${id}" in the machine`,
  'no-slot': ({ id }) => `the board has no slot "${id}"`,
  'no-block': ({ id }) => `there is no block "${id}"`,
  'no-setting': ({ id }) => `there is no setting "${id}"`,
  'no-function': ({ id }) => `there is no function "${id}"`,
  'no-position': ({ id }) => `there is no position "${id}"`,
  'position-missing': ({ id }) => `position "${id}" is missing; write null if it takes nothing`,
  'not-among': ({ id }) => `"${id}" is not among its settings`,
  'no-facts': ({ kind }) => facts[kind],
  'sold-backwards': () => 'sold to is before sold from',
  'no-positions': () => 'a known setting has at least one position',
  'no-default': () => 'a known setting has a default',
  'no-block-for-state': () => 'a state needs a block to be on',
  'no-such-position': ({ setting, position }) => `setting "${setting}" has no position "${position}"`,
  'part-without-setting': ({ part, setting }) => `"${part}" has no setting "${setting}"`,
  'item-without-function': (f) => `"${f.item}" has no function "${f.function}"`,
  'row-length': ({ entries, settings }) =>
    `has ${counted('entry', 'entries')(entries)} for ${counted('setting', 'settings')(settings)}`,
  'too-many': ({ what, n, most }) => sized[what](n, most),
  beyond: ({ what, n, most }) => beyond[what](n, most),
  'wrong-form': ({ form, block, kind }) => `${where[form]}, and ${block} is ${kind}`,
  sources: ({ mayBePin }) => `give exactly one of value, from${mayBePin ? ', pin' : ''}`,
  'past-last': ({ value, resource }) => pastLast[resource](value),
  'no-row': ({ chosen }) =>
    `no row for ${Object.entries(chosen)
      .map(([setting, position]) => `${setting} = ${position}`)
      .join(', ')}`
};

export const flawWords = (flaw: Flaw): string => (sentences[flaw.is] as (flaw: Flaw) => string)(flaw);

/** Something wrong in a document: where (a path such as `parts[2].settings[0].default`) and what. */
export interface Problem {
  path: string;
  message: string;
}

export const problemOf = (found: FlawAt | Problem): Problem =>
  'flaw' in found ? { path: found.path, message: flawWords(found.flaw) } : found;

export const problemsOf = (found: readonly (FlawAt | Problem)[]): Problem[] => found.map(problemOf);

/** A document that cannot be used, with the place of everything that is wrong. */
export class InvalidDocument extends Error {
  readonly problems: Problem[];
  constructor(
    found: readonly (FlawAt | Problem)[],
    readonly what = 'The document'
  ) {
    const problems = problemsOf(found);
    super(`${what} cannot be used: ${problems.map((p) => `${p.path || 'top'}: ${p.message}`).join('; ')}`);
    this.name = 'InvalidDocument';
    this.problems = problems;
  }
}
