import { parseHex, type Claim, type Part } from '../model';

/** The drawers of the catalogue: what a person looks for, finer than the kind of a part. */
export const drawers = [
  'board',
  'cpu',
  'fpu',
  'memory',
  'video',
  'audio',
  'disk',
  'ports',
  'network',
  'other',
  'drive',
  'monitor',
  'keyboard',
  'supply',
  'case',
  'adapter',
  'bios',
  'oscillator'
] as const;
export type Drawer = (typeof drawers)[number];

export const resources = ['irq', 'dma', 'io', 'memory'] as const;
type Numbers = Record<(typeof resources)[number], ReadonlySet<number>>;

/** A part as it is searched. */
export interface Indexed {
  part: Part;
  drawer: Drawer;
  bus: string;
  text: string;
  /** Every line that some position of its settings gives. */
  can: Numbers;
}

export function drawerOf(part: Part): Drawer {
  if (part.kind !== 'card') return part.kind;
  const does = (...kinds: string[]) => part.functions.some((f) => kinds.includes(f.kind));
  if (part.video) return 'video';
  if (part.audio) return 'audio';
  if (does('hard-disk', 'floppy', 'scsi')) return 'disk';
  if (does('serial', 'parallel')) return 'ports';
  return does('network') ? 'network' : 'other';
}

/** Every number that a claim can take. */
function numbersOf(claim: Claim): number[] {
  const { value, from } = claim;
  if (value !== undefined) return value === null ? [] : [value];
  if (!from) return [];
  const all = 'setting' in from ? Object.values(from.values) : from.rows.map((r) => r.value);
  return all.filter((n): n is number => n !== null);
}

export function indexed(part: Part): Indexed {
  const can = Object.fromEntries(resources.map((r) => [r, new Set<number>()])) as Record<
    (typeof resources)[number],
    Set<number>
  >;
  for (const fn of part.functions)
    for (const claim of fn.claims) for (const n of numbersOf(claim)) can[claim.resource].add(n);
  const bus = part.card?.bus ?? '';
  const words = [
    part.maker,
    part.name,
    part.summary ?? '',
    part.kind,
    drawerOf(part),
    bus,
    busWords[bus] ?? '',
    part.board?.cpu ?? '',
    part.drive?.interface ?? '',
    part.video?.standard ?? '',
    part.module ? `${part.module.form} ${part.module.type} ${part.module.ns} ns` : '',
    part.look?.etched ?? '',
    ...part.functions.map((f) => `${f.label} ${f.kind}`),
    ...(part.audio?.abilities ?? [])
  ];
  return { part, drawer: drawerOf(part), bus, can, text: words.join(' ').toLowerCase() };
}

const busWords: Record<string, string> = {
  isa8: '8-bit isa',
  isa16: '16-bit isa',
  vlb: 'local bus',
  pci: 'pci',
  agp: 'agp'
};

export interface Filters {
  q?: string;
  drawer?: Drawer;
  bus?: string;
  /** Sold in this year. */
  year?: number;
}

interface Query {
  words: string[];
  lines: { resource: (typeof resources)[number]; value: number }[];
  year: number | null;
}

/**
 * Reads what a person types: plain words, and lines such as `irq 10`, `dma3`, `io 220h`, `rom d0000`, or a year
 * in which the part was sold, as `in 1991`.
 */
export function readQuery(q: string): Query {
  const query: Query = { words: [], lines: [], year: null };
  const rest = q
    .toLowerCase()
    .replace(/\bin (19\d\d|200\d)\b/g, (_, year: string) => {
      query.year = Number(year);
      return ' ';
    })
    .replace(/\b(irq|dma)[ :=]*(\d{1,2})\b/g, (_, resource: 'irq' | 'dma', n: string) => {
      query.lines.push({ resource, value: Number(n) });
      return ' ';
    })
    .replace(/\b(io|port|rom|window)[ :=]+((?:0x)?[0-9a-f]{3,5})h?\b/g, (whole, what: string, n: string) => {
      const value = parseHex(n);
      if (value === null) return whole;
      query.lines.push({ resource: what === 'io' || what === 'port' ? 'io' : 'memory', value });
      return ' ';
    });
  query.words = rest.split(/\s+/).filter(Boolean);
  return query;
}

export interface Facets {
  drawer: Partial<Record<Drawer, number>>;
  bus: Record<string, number>;
}

/** Parts that match, and how many there would be in each drawer and on each bus with the other filters kept. */
export function searchParts(index: readonly Indexed[], filters: Filters): { found: Part[]; facets: Facets } {
  const query = readQuery(filters.q ?? '');
  const year = filters.year ?? query.year;
  const text = index.filter(
    (x) =>
      query.words.every((w) => x.text.includes(w)) &&
      query.lines.every((l) => x.can[l.resource].has(l.value)) &&
      (year === null || !x.part.sold || (x.part.sold.from <= year && (x.part.sold.to ?? 9999) >= year))
  );
  const inDrawer = (x: Indexed) => !filters.drawer || x.drawer === filters.drawer;
  const onBus = (x: Indexed) => !filters.bus || x.bus === filters.bus;
  const facets: Facets = { drawer: {}, bus: {} };
  const found: Part[] = [];
  for (const x of text) {
    if (onBus(x)) facets.drawer[x.drawer] = (facets.drawer[x.drawer] ?? 0) + 1;
    if (inDrawer(x) && x.bus) facets.bus[x.bus] = (facets.bus[x.bus] ?? 0) + 1;
    if (inDrawer(x) && onBus(x)) found.push(x.part);
  }
  return { found, facets };
}
