import { and, capital, kib, or, mhz } from '../language';
import { aFamily, the } from '../things';
import type { WordsOf } from './told';

const forms: Record<string, string> = {
  chips: 'loose chips',
  sipp30: '30-pin SIPPs',
  simm30: '30-pin SIMMs',
  simm72: '72-pin SIMMs',
  dimm168: '168-pin DIMMs'
};
const types: Record<string, string> = { dram: 'plain DRAM', fpm: 'fast page', edo: 'EDO', sdram: 'SDRAM' };
const form = (id: string): string => forms[id] ?? id;

const bankWhy = 'A bank is full or empty, and its modules are alike in size, type, parity and speed.';

export const memory: WordsOf<
  | 'memory.bank'
  | 'memory.mixed'
  | 'memory.loose'
  | 'memory.first'
  | 'memory.filling'
  | 'memory.apart'
  | 'memory.supplies'
  | 'memory.kind'
  | 'memory.edo'
  | 'memory.speed'
  | 'memory.parity'
  | 'memory.sides'
  | 'memory.card'
  | 'memory.backfill'
  | 'memory.reach'
  | 'memory.shown'
  | 'dma.reach16m'
> = {
  'memory.bank': ({ bank, filled, sockets, why }) => ({
    title: why === 'part' ? `Bank ${bank} is part full` : `Too many modules in bank ${bank}`,
    sentence: `${filled} of ${sockets} sockets: the board counts nothing in this bank, or does not start.`,
    why: bankWhy
  }),
  'memory.mixed': ({ bank, what, values }) => {
    const names = {
      size: () => and(values.map((v) => kib(Number(v)))),
      type: () => and(values.map((v) => types[v] ?? v)),
      parity: () => 'modules with and without parity',
      speed: () => and([...values].sort((a, b) => Number(a) - Number(b)).map((v) => `${v} ns`))
    }[what]();
    const effect = {
      size: 'The bank is counted wrong or not at all.',
      type: 'Timing differs: it is not counted, or gives errors.',
      parity: 'With the parity check on the machine stops with a parity error; turn the check off.',
      speed: 'The slowest module decides; set wait states for it.'
    }[what];
    return { title: `Bank ${bank} is mixed`, sentence: `It holds ${names}. ${effect}`, why: bankWhy };
  },
  'memory.loose': ({ bank }) => ({
    title: bank === null ? 'Memory without a bank' : `There is no bank ${bank}`,
    sentence: 'It is left out of the memory count until it is in a bank of this board.',
    why: bankWhy
  }),
  'memory.first': ({ bank, filled, some }) => ({
    title: `Bank ${bank} is empty`,
    sentence: some
      ? `Only bank ${and(filled)} is filled. Some boards of this age start from any bank; others stay dark, or beep for missing memory. Fill bank ${bank} first.`
      : `Only bank ${and(filled)} is filled. The board looks for its first memory in bank ${bank}: it stays dark, or beeps for missing memory.`,
    why: 'The first memory test runs in the first bank, unless the memory table of the board says otherwise.'
  }),
  'memory.apart': ({ low, bank, other, otherBank }) => ({
    title: `${low.name} and ${other.name} are not for the same voltage`,
    sentence: `A 168-pin module (bank ${bank}) is made for 3.3 V, the modules in bank ${otherBank} work at 5 V, and they share their data lines: it may not survive that. Take one kind out before you switch on, unless the manual of the board lists both together.`,
    why: 'Boards with sockets for both kinds are meant for one or the other.'
  }),
  'memory.supplies': ({ module, bank, board }) => ({
    title: `+12 V on ${module.name} in bank ${bank}`,
    sentence: `Do not power on: ${the(board)} takes three-supply chips of 16 Kbit. Its sockets have +12 V where later chips take +5 V, and it destroys them at once.`,
    why: 'Pin 8 is +12 V on a three-supply chip and +5 V on chips of 64 Kbit and more.'
  }),
  'memory.filling': ({ known }) => ({
    title: 'The board does not list this combination',
    sentence: `It may count wrong or not at all. Listed: ${known
      .slice(0, 6)
      .map((row) => row.map(kib).join(' + '))
      .join('; ')}.`,
    why: 'Boards support the combinations of their memory table only.'
  }),
  'memory.kind': (f) => ({
    title: `${f.module.name} does not belong in bank ${f.bank}`,
    sentence: `It will not be counted: ${
      f.why === 'form'
        ? `bank ${f.bank} takes ${or(f.takes.map(form))}, and these are ${form(f.is)}`
        : f.why === 'size'
          ? `the board takes modules of ${or(f.takes.map(kib))}`
          : `the board does not support ${types[f.type] ?? f.type}`
    }.`,
    why: 'A board takes certain forms, sizes and types of memory only.'
  }),
  'memory.edo': ({ module }) => ({
    title: `${module.name} is EDO`,
    sentence: `The board does not support EDO. On most boards from the 486 on ${module.name} works as fast-page memory; nobody promises it.`,
    why: 'A board takes certain forms, sizes and types of memory only.'
  }),
  'memory.speed': ({ module, ns, needed, busMHz }) =>
    busMHz === undefined
      ? {
          title: `${module.name} is slow for this board`,
          sentence: `${the(module)} is ${ns} ns and the board is specified for ${needed} ns: parity errors or a freeze, unless the setup adds a wait state.`,
          why: 'Memory must be as fast as the clock and the wait states require.'
        }
      : {
          title: `${module.name} may be too slow at ${mhz(busMHz)}`,
          sentence: `${the(module)} is ${ns} ns: mostly made for 66 MHz. At ${mhz(busMHz)} ${needed} ns is asked; expect freezes or errors, or run the bus at 66 MHz.`,
          why: 'SDRAM runs at the clock of the bus; modules for 100 MHz are marked 8 ns or PC100.'
        },
  'memory.parity': ({ required }) => ({
    title: 'Memory without parity',
    sentence: required
      ? 'This board always checks parity: it stops with a parity error at once.'
      : 'Turn the parity check off in the setup, or the board does not start.',
    why: 'Either all memory has parity, on the board and on cards, or the check is off.'
  }),
  'memory.card': ({ card, startKiB, endsKiB, kib: size, isGap, isSeen }) => ({
    title: isGap ? `Hole in the memory before ${card.name}` : `Memory of ${card.name} lies over other memory`,
    sentence: `The memory before it ends at ${kib(endsKiB)}, and the ${kib(size)} of ${card.name} ${
      isSeen ? 'begin' : 'are taken to begin'
    } at ${kib(startKiB)}${isGap ? ': the count stops at the hole.' : ': both answer there, with parity errors or damaged data.'}${
      isSeen ? '' : ' Nobody has looked at that switch yet.'
    }`,
    why: 'Memory on a card must begin where the memory before it ends.'
  }),
  'memory.backfill': ({ card, endsKiB, isSeen, canFill }) => ({
    title: `${card.name} does not fill up to 640 KiB`,
    sentence: `The memory on the board ends at ${kib(endsKiB)}, and ${card.name} ${
      isSeen ? 'is set' : 'is taken to be set'
    } to give expanded memory only: DOS gets no more than ${kib(endsKiB)}.${
      canFill
        ? ' Its switch can fill conventional memory up; what it fills is lost as expanded memory.'
        : ' No position of its switch begins there.'
    }${isSeen ? '' : ' Nobody has looked at that switch yet.'}`,
    why: 'A memory board with backfill replaces the conventional memory that the system board lacks. Switches of the board, the card and the line of its driver must agree.'
  }),
  'memory.sides': ({ module, bank }) => ({
    title: `${module.name} in bank ${bank} has two sides`,
    sentence:
      'On many boards a two-sided 72-pin module uses the select lines of the next bank too, so that bank is not counted. If the count is short, leave the next bank empty.',
    why: 'A two-sided module is two banks in one.'
  }),
  'memory.reach': ({ limit, total, by, family }) => ({
    title:
      by === 'cache'
        ? 'Part of the memory is not cached'
        : by === 'cpu'
          ? `More memory than ${aFamily(family)} can address`
          : 'More memory than the board takes',
    sentence:
      by === 'cache'
        ? `Above ${kib(limit)} this board runs slower, and Windows uses the top first.`
        : `${capital(kib(limit))} of ${kib(total)} can be used.`,
    why: 'A CPU, a board and its cache each cover only so much memory.'
  }),
  'memory.shown': ({ count, total, extended }) => ({
    title: `The memory count will stop at ${kib(count)}`,
    sentence: `Of ${kib(total)} fitted, ${extended ? `640 KiB and ${kib(extended)} above 1 MiB` : 'only the first 640 KiB'} are counted. That is normal here.`,
    why: 'Shadow RAM, and memory the board cannot remap, are not counted at POST.'
  }),
  'dma.reach16m': ({ card }) => ({
    title: `${card.name} reaches the first 16 MiB only`,
    sentence: `With more memory the driver of ${the(card)} must copy through a buffer below 16 MiB, or data is lost. Look for that option of the driver.`,
    why: 'ISA bus masters and DMA address 16 MiB only.'
  })
};
