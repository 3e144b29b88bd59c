import { eraOf, type Era } from '../diagnosis';
import type { Kit } from '../kit';
import type { Build, IntakeAnswer } from '../model';
import { isByHand, withSettings } from '../settings';

/** What is to be photographed and written down before anything is touched. */
export interface IntakeEntry {
  id: string;
  /** It stands in this part of the list. */
  part: 'outside' | 'opened' | 'board' | 'screen' | 'disks' | 'software';
  /** Classes of machine that have it; left out: all. */
  eras?: readonly Era[];
  /** At the first power that is allowed, never before. */
  atFirstPower?: true;
  /** What the build knows of it already, as data; null: nothing. */
  known?: (kit: Kit) => IntakeKnown | null;
}

/** What is filled in from the build. */
export type IntakeKnown =
  | { kind: 'settings'; seen: number; all: number }
  | { kind: 'parts'; names: string[] }
  | { kind: 'text'; text: string };

const names = (list: readonly { title: string }[]): IntakeKnown | null =>
  list.length ? { kind: 'parts', names: list.map((p) => p.title) } : null;

/** Settings by hand of the board, or of all cards, and how many were looked at. */
const settings =
  (which: 'board' | 'cards') =>
  (kit: Kit): IntakeKnown | null => {
    const all = withSettings(kit)
      .filter(({ item }) => (item.id === 'board') === (which === 'board'))
      .flatMap(({ item, part }) =>
        part.settings.filter((s) => s.known && isByHand(part, s)).map((s) => item.asFound[s.id] !== undefined)
      );
    return all.length ? { kind: 'settings', seen: all.filter(Boolean).length, all: all.length } : null;
  };

export const INTAKE: readonly IntakeEntry[] = [
  { id: 'case', part: 'outside' },
  { id: 'smell', part: 'outside' },
  { id: 'source', part: 'outside' },
  { id: 'wishes', part: 'outside' },
  { id: 'lead', part: 'outside' },
  { id: 'selector', part: 'outside' },
  { id: 'serials', part: 'outside' },
  { id: 'in-drives', part: 'outside' },
  { id: 'inside', part: 'opened' },
  {
    id: 'cards',
    part: 'opened',
    known: (kit) => names(kit.m.fitted.filter((f) => f.part.card && f.slot))
  },
  { id: 'cables', part: 'opened' },
  { id: 'power-leads', part: 'opened' },
  {
    id: 'front-panel',
    part: 'opened',
    known: ({ build }) => {
      const told = Object.values(build.pins ?? {}).filter(Boolean);
      return told.length ? { kind: 'text', text: told.join('; ') } : null;
    }
  },
  { id: 'spades', part: 'opened' },
  { id: 'supply-label', part: 'opened', known: (kit) => (kit.supply ? names([kit.supply]) : null) },
  { id: 'cell', part: 'opened' },
  { id: 'board-switches', part: 'board', known: settings('board') },
  { id: 'card-switches', part: 'board', known: settings('cards') },
  {
    id: 'memory-marks',
    part: 'board',
    known: (kit) => names([...kit.banks.values()].flat().map((x) => x.placed))
  },
  { id: 'rom-labels', part: 'board' },
  { id: 'fpu', part: 'board', eras: ['I', 'II', 'III'], known: (kit) => (kit.fpu ? names([kit.fpu]) : null) },
  { id: 'setup-disk', part: 'board', eras: ['II'] },
  { id: 'keyboard-switch', part: 'board', eras: ['I', 'II', 'III'] },
  { id: 'key-lock', part: 'board', eras: ['II', 'III'] },
  { id: 'cpu-text', part: 'board', eras: ['III', 'IV'] },
  { id: 'cell-volts', part: 'board', eras: ['II', 'III', 'IV'] },
  { id: 'capacitors', part: 'board', eras: ['IV'] },
  { id: 'plug-colours', part: 'board', eras: ['IV'] },
  { id: 'setup-pages', part: 'board', eras: ['II', 'III', 'IV'], atFirstPower: true },
  { id: 'irq-table', part: 'board', eras: ['IV'], atFirstPower: true },
  { id: 'counts', part: 'software', atFirstPower: true },
  { id: 'screen', part: 'screen', known: (kit) => names(kit.monitors) },
  { id: 'parked', part: 'disks', eras: ['I', 'II'] },
  {
    id: 'disk-label',
    part: 'disks',
    known: (kit) => names(kit.drives.filter((d) => d.part.drive?.medium === 'hard'))
  },
  { id: 'disk-type', part: 'disks', eras: ['II', 'III', 'IV'], atFirstPower: true },
  { id: 'start-files', part: 'software', atFirstPower: true }
];

export interface IntakeLine {
  entry: IntakeEntry;
  answers: readonly IntakeAnswer[];
  known: IntakeKnown | null;
  /** Nobody said anything of it, and the build knows nothing of it or only a part. */
  isOpen: boolean;
}

const isWhole = (known: IntakeKnown | null): boolean =>
  known !== null && (known.kind !== 'settings' || known.seen === known.all);

/** The list for a machine of this class, with what is written down and what the build knows already. */
export function intakeOf(kit: Kit): IntakeLine[] {
  const era = eraOf(kit);
  const answers = kit.build.intake?.answers ?? {};
  return INTAKE.filter((e) => !e.eras || e.eras.includes(era)).map((entry) => {
    const own = answers[entry.id] ?? [];
    const known = entry.known?.(kit) ?? null;
    return { entry, answers: own, known, isOpen: !own.length && !isWhole(known) };
  });
}

const MOST_ANSWERS = 40;

/** Writes an answer down. Until the intake is frozen the last one by the same source is replaced. */
export function answer(build: Build, id: string, told: IntakeAnswer): Build {
  const intake = build.intake ?? { answers: {} };
  const own = intake.answers[id] ?? [];
  const kept = intake.frozen ? own : own.filter((a) => a.source !== told.source);
  // What was written down first is what was found: it stays when there is no more room.
  const all = [...kept.slice(0, MOST_ANSWERS - 1), told];
  return { ...build, intake: { ...intake, answers: { ...intake.answers, [id]: all } } };
}

/** Takes the answers of an entry away; a frozen intake keeps them. */
export function unanswer(build: Build, id: string): Build {
  if (!build.intake || build.intake.frozen) return build;
  const { [id]: _, ...answers } = build.intake.answers;
  return { ...build, intake: { ...build.intake, answers } };
}

/** What a frozen intake stands for: answers and settings as found, in one order, for a hash. */
export const intakeText = (build: Build): string =>
  JSON.stringify({
    answers: Object.entries(build.intake?.answers ?? {}).sort(([a], [b]) => (a < b ? -1 : 1)),
    found: [build.board, ...build.items].map((i) => [
      i.id,
      i.part,
      Object.entries(i.asFound).sort(([a], [b]) => (a < b ? -1 : 1))
    ])
  });

/** Taken as found, with the hash of what is written down by then. */
export const freeze = (build: Build, at: string, sha256?: string): Build => ({
  ...build,
  intake: { answers: {}, ...build.intake, frozen: { at, ...(sha256 ? { sha256 } : {}) } }
});
