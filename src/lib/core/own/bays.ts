import {
  slugOf,
  type Block,
  type Constraint,
  type FunctionKind,
  type PartFunction,
  type Setting
} from '../model';
import type { OnBoard } from './board';

/** A bay as a person says it: what it is called and which modules go into it. */
export interface BaySeen {
  label: string;
  modules: readonly string[];
}

/** What is typed of the bays, and the lines that were not understood. */
export interface BaysRead {
  bays: BaySeen[];
  unread: string[];
}

/** As many as no machine has, and whose layouts can all be looked at. */
const MOST_BAYS = 4;
const MOST_MODULES = 8;

/** Kinds of module by how they are called; the first that matches counts. */
const KINDS: readonly { is: RegExp; kind: FunctionKind; like?: OnBoard; one: boolean }[] = [
  { is: /batter|accu/i, kind: 'battery', one: false },
  { is: /floppy|diskette/i, kind: 'floppy', like: 'floppy', one: true },
  { is: /\bcd|dvd|optical/i, kind: 'hard-disk', like: 'ide2', one: true },
  { is: /hard ?disk|\bhdd?\b|disk/i, kind: 'hard-disk', like: 'ide2', one: true }
];
const EMPTY = /^(empty|nothing|none|blank|cover|weight.*)$/i;

/**
 * Reads bays, one a line: `left: floppy, CD-ROM or battery`.
 * @returns what was understood, and every other line that is not blank as it was typed
 */
export function readBays(text: string): BaysRead {
  const out: BaysRead = { bays: [], unread: [] };
  for (const line of text.split('\n')) {
    if (!line.trim()) continue;
    const [label = '', rest] = line.split(/:(.*)/s);
    const modules = (rest ?? '')
      .split(/,|;|\/|\bor\b/i)
      .map((m) => m.trim())
      .filter(Boolean);
    const isRead = label.trim() && modules.length > 0 && modules.length <= MOST_MODULES;
    if (isRead && out.bays.length < MOST_BAYS) out.bays.push({ label: label.trim().slice(0, 40), modules });
    else out.unread.push(line);
  }
  return out;
}

/** The kind of a module by its name; anything that is called otherwise is kept as it is called. */
const kindOf = (module: string) =>
  KINDS.find((k) => k.is.test(module)) ?? { kind: 'other' as const, like: undefined, one: true };

/**
 * Bays as blocks and settings of a board, with the functions that their modules bring. A drive of one kind is taken to be
 * there once; a battery may be there in every bay that takes one.
 * @param like the usual function of a controller on the board
 */
export function withBays(
  bays: readonly BaySeen[],
  like: (name: OnBoard) => PartFunction,
  onlyOne: (drive: string) => string
): { blocks: Block[]; settings: Setting[]; functions: PartFunction[]; constraints: Constraint[] } {
  const settings = bays.map(({ label, modules }, i): Setting => ({
    id: `bay-${i + 1}`,
    label: /bay/i.test(label) ? label : `${label} bay`,
    block: `bay-${i + 1}`,
    known: true,
    positions: modules.map((m) => ({ id: slugOf(m, 'module'), label: m, state: { value: m } })),
    default: slugOf(modules[0] ?? '', 'module')
  }));
  const modules = [...new Set(settings.flatMap((s) => s.positions.map((p) => p.id)))].filter(
    (id) => !EMPTY.test(id)
  );
  const nameOf = (id: string) => settings.flatMap((s) => s.positions).find((p) => p.id === id)?.label ?? id;
  const functions = modules.map((id): PartFunction => {
    const { kind, like: usual } = kindOf(nameOf(id));
    // Off where every bay that could hold it holds something else.
    const elsewhere = settings.map(
      (s) => [s.id, s.positions.map((p) => p.id).filter((p) => p !== id)] as const
    );
    const takers = elsewhere.filter(([bay]) =>
      settings.find((s) => s.id === bay)?.positions.some((p) => p.id === id)
    );
    const off = takers.every(([, others]) => others.length) ? [Object.fromEntries(takers)] : [];
    const from = usual ? like(usual) : { claims: [], resident: false };
    return {
      ...from,
      id: `in-bay-${id}`,
      label: nameOf(id),
      kind,
      off,
      ...(usual ? { units: 1, feeds: true } : {})
    };
  });
  const constraints = modules
    .filter((id) => kindOf(nameOf(id)).one)
    .flatMap((id) => {
      const takers = settings.filter((s) => s.positions.some((p) => p.id === id));
      return takers.flatMap((a, i) =>
        takers.slice(i + 1).map((b): Constraint => ({
          forbid: { [a.id]: [id], [b.id]: [id] },
          why: onlyOne(nameOf(id))
        }))
      );
    });
  return {
    blocks: settings.map((s) => ({ id: s.id, label: s.label, kind: 'bay' })),
    settings,
    functions,
    constraints
  };
}
