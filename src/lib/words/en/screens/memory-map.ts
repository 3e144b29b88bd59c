export const memoryMap = {
  working: '…',
  title: 'Memory',
  lead: 'Who answers where in the first megabyte, as the settings stand, and what is left for drivers.',
  figures: {
    count: 'Memory count at POST',
    extended: 'Extended, as the BIOS reports it',
    xms: 'XMS under HIMEM.SYS',
    ems: 'EMS under EMM386.EXE',
    program: 'Largest program'
  },
  kib: (n: number) => `${n.toLocaleString('en-US').replaceAll(',', ' ')} KiB`,
  span: (low: number, high: number) =>
    Math.round(low) === Math.round(high)
      ? `${Math.round(low)} KiB`
      : `${Math.round(low)}–${Math.round(high)} KiB`,
  size: (kib: number) => `${kib} KiB`,
  none: '–',
  noMemory: 'No memory is entered: enter it under Fit, Memory.',
  whole: 'The first megabyte, to scale',
  upper: 'Upper memory, A000 to FFFF, to scale',
  conventional: (kib: number) => `conventional, ${kib} KiB`,
  region: (n: number, kib: number) => `region ${n}: ${kib} KiB`,
  frame: 'page frame',
  frameLabel: 'Page frame: move it with the arrow keys',
  frameBest: 'Put the frame where it leaves most',
  noFrame: 'There is no room for a page frame of 64 KiB.',
  frameMoved: 'the page frame was moved',
  frameFree: 'the page frame is placed by itself again',
  withFrame: 'With a page frame',
  withoutFrame: 'Without one (NOEMS)',
  regions: (list: readonly number[]) => (list.length ? list.map((n) => `${n} KiB`).join(' + ') : 'none'),
  notCpu:
    'Only a 386 or later can map memory here. On an older machine upper memory needs RAM on a card or a chipset that can do it, with a driver of its own.',
  noCpu: 'No CPU that goes into the board is entered, so nobody knows whether it can map memory here.',
  hidden: (names: string) =>
    `${names} may answer somewhere in here, and nobody knows where. No region is planned before that is known.`,
  doubtful: (names: string) =>
    `${names}: a jumper there has no known meaning. It may switch a ROM or memory on in here; look before you rely on a free window.`,
  maybeTitle: 'May be free: look or try first',
  maybeFree: 'I have tried it: it is free',
  freed: 'a window was noted as free',
  unfreed: 'a window is no longer taken to be free',
  table: {
    caption: 'Windows that are taken',
    window: 'Window',
    size: 'Size',
    who: 'Who',
    what: 'What',
    sure: 'Evidence'
  },
  known: 'set or fixed',
  assumed: 'assumed: nobody looked',
  shadowed: 'copied to RAM',
  collision: (window: string, a: string, b: string) => `${a} and ${b} both answer at ${window}.`,
  hole: 'The setup leaves a hole at 15 MiB (for a card)',
  holeChanged: 'the hole at 15 MiB was noted',
  holeWhy: 'DOS up to 6 sees nothing above the hole. Switch it off unless a card needs it.',
  needs: {
    title: 'Programs that want memory above 1 MiB',
    asks: (kib: number) => `asks for ${kib} KiB`,
    xms: (kib: number) => `met: XMS gives ${kib} KiB`,
    bios: (kib: number) =>
      `only if it asks the BIOS, which reports ${kib} KiB, and no XMS driver is loaded: try it`,
    none: (xms: number) => `not met: XMS gives ${xms} KiB`,
    cheapest: (way: string) => `Cheapest way: ${way}.`,
    noWay: 'No single change of this build is enough.'
  },
  cards: {
    title: 'Memory below 640 KiB',
    board: (kib: number) => `On the board: 0 to ${kib} KiB`,
    card: (name: string, from: number, to: number) => `${name}: ${from} to ${to} KiB`,
    unseen: '(assumed: nobody looked)',
    gap: 'Before it is a hole, at which the count stops.',
    overlap: 'It lies over other memory: both answer.',
    fills: (name: string, from: number, to: number) =>
      `${name} fills up ${from} to ${to} KiB, out of its expanded memory`,
    fillsNothing: (name: string) => `${name}: expanded memory only`,
    unfilled: 'It could fill up to 640 KiB, and is not set to.'
  },
  variants: {
    title: 'What the chipset may do with the 384 KiB under the ROMs',
    what: 'Chipset',
    count: 'Count, KiB',
    extended: 'Extended',
    xms: 'XMS',
    assumed: 'counted with here',
    note: 'The catalogue says which is usual for this board. The count at POST says which it is: type it below. Boards from about 1993 on may count all that is fitted, whatever they move.'
  },
  counted: 'The machine counts',
  countHint: '3712 · about 4000 · more than 3500',
  badCount: (text: string) =>
    `“${text}” was not understood. Write 3712, about 4000, more than 3500 or 3500–3800.`,
  countFits: (variant: string, whole: boolean) =>
    whole
      ? `Fits what is entered, if this BIOS counts all that is fitted.`
      : `Fits what is entered: ${variant}.`,
  countOther: (kib: number, variant: string, whole: boolean) =>
    `${kib} KiB fitted, ${whole ? 'all of it counted' : variant}`,
  countNone:
    'No usual layout gives this count: a bank is not seen, a hole is set in the setup, or the number was read while it ran.',
  countLess: (kib: number) => `With ${kib} KiB entered no variant gives this count. It would fit:`
} as const;
