import { Build, type PartSet } from '../../src/lib/core/model';
import { INTAKE } from '../../src/lib/core/intake';
import { FIRST_POWER, POWER_CHECKS, benchTests } from '../../src/lib/core/diagnosis';
import { anything } from './anything';
import { sample } from './from-schema';
import { Seeded } from './random';

/** Fields in which is kept what happened to a machine. */
const HISTORY = [
  'notes',
  'acknowledged',
  'done',
  'teardown',
  'starts',
  'trials',
  'rails',
  'shortHunt',
  'mishap',
  'firstPower',
  'rescue',
  'intake',
  'powerChecks',
  'boot',
  'pins'
] as const;

const lines = [
  'DEVICE=C:\\DOS\\HIMEM.SYS',
  'DEVICE=C:\\DOS\\EMM386.EXE NOEMS X=D000-D7FF',
  'DOS=HIGH,UMB\r\nFILES=30\r\nBUFFERS=20',
  'SET BLASTER=A220 I5 D1 T4',
  'LH C:\\DOS\\MSCDEX.EXE /D:CD001 /L:E',
  '@ECHO OFF\r\nPATH C:\\DOS;C:\\\r\nPROMPT $P$G',
  '[MENU]\r\nMENUITEM=GAMES\r\n[GAMES]\r\nDEVICE=HIMEM.SYS'
];
const readings = [
  '4.98',
  '-11.6',
  '0',
  '5 to 5.2',
  'about 12',
  '> 2k',
  '150',
  'open',
  '0.4',
  'n/c',
  '12,1 V',
  '?'
];
const beeps = ['none', '1', '3', '1 long 2 short', '1-3-3', 'repeated', 'five', 'peep'];
const texts = [
  '<b>bold</b>',
  'loft',
  'E. Quarrell',
  '1987',
  'SW1',
  '0',
  'C:',
  '4 of 5',
  'long '.repeat(18).trim()
];
const answers = Object.values(FIRST_POWER).flatMap((all) => Object.keys(all));
const pins = Array.from({ length: 20 }, (_, i) => String(i + 1));

/**
 * A machine that nobody would build, with a past that nobody had: starts, readings, trials, ticks, answers and start
 * files in any combination that a file may hold. Every screen has to show it, and every rule to bear it.
 */
export function lived(seed: number): { build: Build; parts: PartSet } {
  const { build, parts } = anything(seed);
  const r = new Seeded(seed + 7_000_000);
  const items = [build.board, ...build.items];
  const settings = items.flatMap((i) => parts.get(i.part)?.settings ?? []);
  const pool = [
    ...items.map((i) => i.id),
    ...items.flatMap((i) => (parts.get(i.part)?.functions ?? []).map((f) => f.id)),
    ...settings.slice(0, 40).flatMap((s) => [s.id, ...s.positions.slice(0, 3).map((p) => p.id)]),
    ...benchTests.map((t) => t.id),
    ...INTAKE.map((e) => e.id),
    ...Object.keys(FIRST_POWER),
    ...Object.keys(POWER_CHECKS),
    ...answers,
    ...pins,
    ...lines,
    ...readings,
    ...beeps,
    ...texts,
    'nothing',
    'stake'
  ];
  const history: Record<string, unknown> = {};
  for (const field of HISTORY) {
    if (!r.chance(0.7)) continue;
    const value = sample(Build.shape[field] as typeof Build.shape.notes, r, pool);
    if (value !== undefined) history[field] = value;
  }
  return { build: Build.parse({ ...build, ...history }), parts };
}
