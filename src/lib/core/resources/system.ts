import type { Fitted } from './machine';
import { PNP_ITEM, SYSTEM_ITEM, hex, type Claim, type Part, type PartFunction } from '../model';

type Facts = NonNullable<Part['board']>;
type Range = [label: string, base: number, length: number];

const bothClasses: Range[] = [
  ['first DMA controller', 0x000, 0x20],
  ['first interrupt controller', 0x020, 0x20],
  ['timer', 0x040, 0x20],
  ['keyboard, system ports', 0x060, 0x10],
  ['DMA pages', 0x080, 0x20]
];
const ports: Record<Facts['class'], Range[]> = {
  xt: [...bothClasses, ['NMI mask', 0x0a0, 0x20]],
  at: [
    ...bothClasses,
    ['clock and CMOS', 0x070, 0x10],
    ['second interrupt controller', 0x0a0, 0x20],
    ['second DMA controller', 0x0c0, 0x20],
    ['FPU', 0x0f0, 0x10]
  ]
};
const irqs: Record<Facts['class'], [string, number][]> = {
  xt: [
    ['system timer', 0],
    ['keyboard', 1]
  ],
  at: [
    ['system timer', 0],
    ['keyboard', 1],
    ['real-time clock', 8],
    ['FPU', 13]
  ]
};
const dma: Record<Facts['class'], [string, number]> = { xt: ['memory refresh', 0], at: ['cascade', 4] };

/**
 * These parts are written out whole instead of being read through the schemas: a page that only checks a machine does
 * not load those. A test compares them with what the schemas make of them.
 */
const common = { sharing: 'never' as const, sharesWith: [] };
const port = (
  value: number,
  length: number,
  more: Partial<Extract<Claim, { resource: 'io' }>> = {}
): Claim => ({
  ...common,
  resource: 'io',
  value,
  length,
  access: 'both',
  ...more
});
const systemFunction = (id: string, label: string, ...claims: Claim[]): PartFunction => ({
  id,
  label,
  kind: 'system',
  off: [],
  claims,
  resident: false
});
const wholePart = (fields: Pick<Part, 'id' | 'name' | 'functions'> & Partial<Part>): Part => ({
  kind: 'board',
  maker: 'system',
  evidence: [],
  quirks: [],
  blocks: [],
  settings: [],
  constraints: [],
  startup: [],
  ...fields
});

const cache = new Map<string, Part>();

/**
 * What the system board itself takes, by class: only the lines of the two interrupt controllers'
 * own devices, refresh or cascade, the ports below 100h, and the BIOS window. IRQ 2 of an AT is the
 * cascade: no line of that number reaches the slots, so it needs no claim.
 */
export function systemPart(facts: Facts): Part {
  // Boards with PCI have a BIOS of 128 KiB.
  const isLarge = facts.slots.some((slot) => slot.bus === 'pci');
  const usual = isLarge ? { base: 0xe0000, length: 0x20000 } : { base: 0xf0000, length: 0x10000 };
  const bios = facts.bios ?? usual;
  const key = `${facts.class} ${bios.base} ${bios.length}`;
  let part = cache.get(key);
  if (!part) {
    const [use, channel] = dma[facts.class];
    part = wholePart({
      id: SYSTEM_ITEM,
      name: 'System board',
      functions: [
        ...irqs[facts.class].map(([label, value]) =>
          systemFunction(`irq${value}`, label, { ...common, id: 'irq', resource: 'irq', value })
        ),
        systemFunction(`dma${channel}`, use, {
          ...common,
          id: 'dma',
          resource: 'dma',
          value: channel,
          width: 8,
          busMaster: false
        }),
        ...ports[facts.class].map(([label, value, length]) =>
          systemFunction(`io-${hex(value).toLowerCase()}`, label, port(value, length, { id: 'io' }))
        ),
        systemFunction('bios', 'system BIOS', {
          ...common,
          id: 'rom',
          resource: 'memory',
          value: bios.base,
          length: bios.length,
          width: 8,
          use: 'rom',
          // Board ROM is not read over the bus, so it never meets the 128 KiB rule.
          shadowed: true
        })
      ]
    });
    cache.set(key, part);
  }
  return part;
}

/** Whether a card is configured by ISA plug-and-play. */
export function isPnp(part: Part): boolean {
  return part.card !== undefined && part.blocks.some((block) => block.kind === 'pnp');
}

/** Whether a card stands where plug and play cannot see it: one that is set by hand or by a program of its own. */
export const isLegacy = ({ part, slot, seat }: Fitted): boolean =>
  slot !== undefined && seat !== 'pci' && part.card !== undefined && !isPnp(part);

/**
 * The ports of ISA plug-and-play: write-only 279h and A79h, and one readable port between 203h and
 * 3FFh whose address ends in binary 11, which must be kept free and which the start-up chooses.
 */
export function pnpPart(): Part {
  let part = cache.get(PNP_ITEM);
  if (!part) {
    const readPorts = Array.from({ length: 128 }, (_, i) => 0x203 + 4 * i).filter((p) => p <= 0x3ff);
    const id = (n: number) => hex(n).toLowerCase();
    const write = (value: number): Claim =>
      // The printer's status register at 279h is read-only.
      port(value, 1, { id: `w${id(value)}`, mask: 0xfff, access: 'write', sharesWith: ['parallel'] });
    part = wholePart({
      id: PNP_ITEM,
      name: 'Plug-and-play ports',
      blocks: [{ id: 'start', kind: 'startup' }],
      settings: [
        {
          id: 'read-port',
          label: 'Read port',
          block: 'start',
          known: true,
          positions: readPorts.map((n) => ({ id: id(n), label: hex(n) })),
          default: id(0x203)
        }
      ],
      functions: [
        systemFunction('isolation', 'plug-and-play', write(0x279), write(0xa79), {
          ...common,
          id: 'read',
          resource: 'io',
          length: 1,
          access: 'both',
          from: {
            setting: 'read-port',
            values: Object.fromEntries(readPorts.map((n) => [id(n), n]))
          }
        })
      ]
    });
    cache.set(PNP_ITEM, part);
  }
  return part;
}
