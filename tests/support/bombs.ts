import { Build, Part, partSet } from '../../src/lib/core/model';
import { writeBuildFile } from '../../src/lib/formats';
import { demo, parts } from './demo';

/** Requests that cost as much as small files can cost: what is within the bounds of parts, and what is beyond them. */
export interface Bomb {
  name: string;
  path: string;
  type: string;
  body: string;
}

const positions = (n: number) => Array.from({ length: n }, (_, i) => ({ id: `p${i}`, label: `P${i}` }));

/** A machine of many cards whose every claim may go to many places and clashes with every other. */
function crowd(cards: number, claims: number, places: number): string {
  const board = Part.parse({
    id: 'b',
    kind: 'board',
    maker: 'test',
    name: 'B',
    board: { class: 'at', slots: Array.from({ length: 32 }, (_, i) => ({ id: `s${i}`, bus: 'isa16' })) }
  });
  const card = Part.parse({
    id: 'c',
    kind: 'card',
    maker: 'test',
    name: 'C',
    card: { bus: 'isa16' },
    blocks: [{ id: 'b', kind: 'software', program: 'x' }],
    settings: Array.from({ length: claims }, (_, i) => ({
      id: `s${i}`,
      label: `s${i}`,
      block: 'b',
      positions: positions(places),
      default: 'p0'
    })),
    functions: Array.from({ length: claims }, (_, f) => ({
      id: `f${f}`,
      label: `F${f}`,
      kind: 'other',
      claims: [
        {
          id: 'io',
          resource: 'io',
          length: 512,
          from: {
            setting: `s${f}`,
            values: Object.fromEntries(positions(places).map((p, i) => [p.id, 0x100 + i]))
          }
        }
      ]
    }))
  });
  const build = Build.parse({
    id: 'm',
    name: 'M',
    board: { id: 'board', part: 'b' },
    items: Array.from({ length: cards }, (_, i) => ({ id: `i${i}`, part: 'c', slot: `s${i}` }))
  });
  return writeBuildFile(build, partSet([board, card]), { compact: true });
}

/** One claim that rests on six settings of 256 positions. */
function wideTable(): string {
  const whole = JSON.parse(writeBuildFile(demo('plover'), parts)) as { parts: Record<string, unknown>[] };
  const card = whole.parts.find((p) => p.id === 'harl-n8')!;
  const settings = Array.from({ length: 6 }, (_, s) => ({
    id: `w${s}`,
    label: 'w',
    positions: positions(256),
    default: 'p0'
  }));
  card.settings = settings;
  card.constraints = [];
  card.functions = [
    {
      id: 'network',
      label: 'x',
      kind: 'network',
      claims: [
        {
          resource: 'irq',
          from: { settings: settings.map((s) => s.id), rows: [{ when: { w0: 'p0' }, value: 5 }] }
        }
      ]
    }
  ];
  return JSON.stringify(whole);
}

const json = 'application/json';
const keys = Array.from({ length: 60_000 }, (_, i) => `k${i}: ${i}`).join('\n');

export const bombs: readonly Bomb[] = [
  { name: 'check of a crowd', path: '/check', type: json, body: crowd(32, 12, 200) },
  { name: 'resolve of a crowd', path: '/resolve', type: json, body: crowd(24, 16, 250) },
  { name: 'resolve of a wide crowd', path: '/resolve', type: json, body: crowd(30, 12, 250) },
  { name: 'check of a table without end', path: '/check', type: json, body: wideTable() },
  { name: 'a part of 60,000 keys', path: '/parts/import', type: 'application/yaml', body: keys },
  {
    name: 'a plan of everything',
    path: '/plan',
    type: json,
    body: JSON.stringify({
      brief: { ...demo('whimbrel').brief, date: '1995', profiles: [], os: 'Windows 95' },
      fixed: [],
      excluded: []
    })
  },
  {
    name: 'a table of 5,000 things',
    path: '/shelf/table',
    type: 'text/csv',
    body: `part,place\n${'harl-n8,box\n'.repeat(5000)}`
  }
];
