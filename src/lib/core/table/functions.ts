import { there } from '../model';
import type { Claim, Constraint, FactValue, FunctionKind, Meaning, PartFunction, Resource } from '../model';
import { claimOf, usualClaims, usualOf } from '../resources';
import type { ReadSetting } from './assemble';
import { idOf } from './layout';
import { subjectOf, type Told } from './meanings';
import type { ReadPosition } from './positions';

/** What was taken for granted when numbers became claims. */
export type ClaimAssumption =
  | { about: 'length'; function: string; kind: FunctionKind; length: number; from: 'usual' | 'steps' }
  | { about: 'bytes'; function: string; kind: FunctionKind; length: number; from: 'usual' | 'steps' }
  | { about: 'home'; function: string; kind: FunctionKind };

export interface Claims {
  functions: PartFunction[];
  means: Meaning[];
  constraints: Constraint[];
  assumptions: ClaimAssumption[];
}

type Number_ = Extract<Told, { kind: Resource }>;
const numberOf = (t: Number_): number =>
  t.kind === 'io' ? t.port : t.kind === 'irq' ? t.line : t.kind === 'dma' ? t.channel : t.base;
const numbers = (p: ReadPosition, resource: Resource): Number_[] =>
  p.told.filter((t): t is Number_ => t.kind === resource);
const isOff = (p: ReadPosition): boolean => p.told.some((t) => t.kind === 'switched' && !t.on);

const RESOURCES = ['io', 'irq', 'dma', 'memory'] as const;

/** Which one of several alike a heading speaks of: `Serial B`, `COM 2`. */
const designation = (heading: string): string =>
  /\b(?:COM|LPT|serial|parallel|port|channel|UART)\s*(?:port\s*)?#?([A-D1-4])\b/i
    .exec(heading)?.[1]
    ?.toLowerCase() ?? '';

/** Whether functions of a kind usually take a line of this sort; of kinds without a usual place nobody can say. */
const mayTake = (kind: FunctionKind, resource: Resource): boolean => {
  const usual = usualClaims(kind);
  return usual.length === 0 || usual.some((c) => c.resource === resource);
};

/** The distance between the choices: a card decodes no more than that. */
function stepOf(values: readonly number[]): number | null {
  const sorted = [...new Set(values)].sort((a, b) => a - b);
  const gaps = sorted.slice(1).map((v, i) => v - there(sorted[i]));
  return gaps.length ? Math.min(...gaps) : null;
}
const powerBelow = (n: number): number => 2 ** Math.floor(Math.log2(n));

/**
 * Functions, with what they take, of the settings that were read.
 * @param main what the part is for, where a table does not say whose numbers they are
 */
export function claimsOf(settings: readonly ReadSetting[], main: FunctionKind | null): Claims {
  const functions: PartFunction[] = [];
  const means: Meaning[] = [];
  const constraints: Constraint[] = [];
  const assumptions: ClaimAssumption[] = [];
  const keys = new Map<string, PartFunction>();
  const named = settings.flatMap((s) => s.functions).filter((k) => k !== 'rom');
  /** Whose numbers they are where a table does not say: what the part is for, or a function that uses such lines. */
  const fallbackFor = (wants: readonly Resource[]): FunctionKind =>
    main ?? named.find((k) => wants.every((r) => mayTake(k, r))) ?? 'other';

  const functionFor = (setting: ReadSetting, wants: readonly Resource[]): PartFunction => {
    const own = setting.functions.filter((k) => k !== 'rom');
    const fallback = fallbackFor(wants);
    const rom = setting.functions.includes('rom') && own.length === 0 && wants.includes('memory');
    const kind = own[0] ?? (rom && fallback === 'other' ? 'rom' : fallback);
    const key = `${kind} ${designation(setting.heading)}`;
    const there =
      keys.get(key) ?? (designation(setting.heading) ? undefined : functions.find((f) => f.kind === kind));
    const busy = there?.claims.some((c) => wants.includes(c.resource) && c.from !== undefined);
    if (there && !busy) return there;
    const n = functions.filter((f) => f.kind === kind).length;
    const made: PartFunction = {
      id: idOf(n ? `${kind}-${n + 1}` : kind),
      label: designation(setting.heading) || n ? setting.label : kind,
      kind,
      off: [],
      claims: [],
      resident: false
    };
    functions.push(made);
    keys.set(busy ? `${key} ${n}` : key, made);
    return made;
  };

  for (const setting of settings.map((s) => withoutUsual(s, settings))) {
    const found = RESOURCES.filter((r) => setting.positions.some((p) => numbers(p, r).length > 0));
    const off = setting.positions.filter(isOff).map((p) => p.id);
    const forbidden = setting.positions.filter(
      (p) => (!p.told.length && found.length > 0) || p.told.some((t) => t.kind === 'reserved')
    );
    if (forbidden.length && forbidden.length < setting.positions.length)
      constraints.push({
        forbid: { [setting.id]: forbidden.map((p) => p.id) },
        why: 'reserved, or not known'
      });
    const request = acknowledges(setting) ? settings.find((s) => requests(s, setting)) : undefined;
    if (request) constraints.push(alike(request, setting));
    else if (found.length) {
      const fn = functionFor(setting, found);
      for (const resource of found) fn.claims.push(...claimsFor(setting, resource, fn, assumptions));
      // `3F8h IRQ 4 / disabled` switches the port off; `IRQ 4 / none` only takes its line away.
      if (off.length && found.includes('io')) fn.off.push({ [setting.id]: off });
    } else if (off.length && setting.functions.some((k) => k !== 'rom')) {
      const fn = functionFor(setting, []);
      fn.off.push({ [setting.id]: off });
    }
    means.push(...meaningsOf(setting));
  }
  for (const fn of functions) {
    if (fn.claims.length) continue;
    fn.claims.push(...usualClaims(fn.kind));
    if (fn.claims.length) assumptions.push({ about: 'home', function: fn.id, kind: fn.kind });
  }
  return { functions, means, constraints, assumptions };
}

const dmaOf = (p: ReadPosition): string => numbers(p, 'dma').map(numberOf).join();

/** DACK jumpers answer for a channel that DRQ jumpers ask for: they take no line of their own. */
const acknowledges = (s: ReadSetting): boolean =>
  /\bDACK/i.test([s.heading, s.label, ...s.positions.map((p) => p.label)].join(' '));

/** Whether a setting chooses the channel that another one answers for. */
const requests = (s: ReadSetting, answer: ReadSetting): boolean =>
  s !== answer &&
  !acknowledges(s) &&
  s.positions.some((p) => dmaOf(p) !== '' && answer.positions.some((a) => dmaOf(a) === dmaOf(p)));

/** Both must be set to one channel. */
const alike = (request: ReadSetting, answer: ReadSetting): Constraint => ({
  allow: {
    settings: [request.id, answer.id],
    rows: request.positions.flatMap((p) =>
      answer.positions.filter((a) => dmaOf(a) === dmaOf(p)).map((a) => [p.id, a.id])
    )
  },
  // A reason is as long as a label at most.
  why: `${request.label} = ${answer.label}`.slice(0, 120)
});

/** COM1 goes with IRQ 4 only as long as no setting of the same function chooses the line. */
function withoutUsual(setting: ReadSetting, all: readonly ReadSetting[]): ReadSetting {
  const isUsual = (t: Told) => t.kind === 'irq' && t.usual === true;
  if (!setting.positions.some((p) => p.told.some(isUsual))) return setting;
  const chosenApart = all.some(
    (s) =>
      s !== setting &&
      s.positions.some((p) => p.told.some((t) => t.kind === 'irq' && !t.usual)) &&
      (!s.functions.length || s.functions.some((k) => setting.functions.includes(k)))
  );
  return chosenApart
    ? {
        ...setting,
        positions: setting.positions.map((p) => ({ ...p, told: p.told.filter((t) => !isUsual(t)) }))
      }
    : setting;
}

/** Claims of one resource that hang on a setting: as many as a position names at most. */
function claimsFor(
  setting: ReadSetting,
  resource: Resource,
  fn: PartFunction,
  assumptions: ClaimAssumption[]
): Claim[] {
  const count = Math.max(...setting.positions.map((p) => numbers(p, resource).length));
  return Array.from({ length: Math.min(count, 4) }, (_, i) => {
    const told = setting.positions.map((p) => numbers(p, resource)[i]);
    const values = Object.fromEntries(
      setting.positions.map((p, k) => [p.id, told[k] ? numberOf(told[k]) : null])
    );
    const all = told.flatMap((t) => (t ? [numberOf(t)] : []));
    const size = sizeOf(resource, told, all, fn, assumptions);
    return claimOf(resource, { from: { setting: setting.id, values } }, size, {
      ...(resource === 'dma' && all.every((n) => n >= 5) ? { width: 16 as const } : {}),
      ...(resource === 'memory' ? { use: fn.kind === 'ems' ? ('frame' as const) : ('rom' as const) } : {})
    });
  });
}

function sizeOf(
  resource: Resource,
  told: readonly (Number_ | undefined)[],
  all: readonly number[],
  fn: PartFunction,
  assumptions: ClaimAssumption[]
): number {
  if (resource === 'irq' || resource === 'dma') return 1;
  const said = told.flatMap((t) =>
    t?.kind === 'io' && t.length ? [t.length] : t?.kind === 'memory' && t.bytes ? [t.bytes] : []
  );
  if (said.length) return Math.max(...said);
  const step = stepOf(all);
  const usually = resource === 'io' ? usualOf(fn.kind).ports : usualOf(fn.kind).bytes;
  const most = resource === 'io' ? 32 : 32 * 1024;
  const bySteps = step === null ? null : powerBelow(Math.min(step, most));
  const length =
    usually !== undefined && (bySteps === null || usually <= bySteps)
      ? usually
      : (bySteps ?? (resource === 'io' ? 16 : 16 * 1024));
  assumptions.push({
    about: resource === 'io' ? 'length' : 'bytes',
    function: fn.id,
    kind: fn.kind,
    length,
    from: length === usually ? 'usual' : 'steps'
  });
  return length;
}

/** Facts of the machine that the positions of a setting tell. */
function meaningsOf(setting: ReadSetting): Meaning[] {
  const out = new Map<string, Record<string, FactValue>>();
  for (const p of setting.positions)
    for (const t of p.told) if (t.kind === 'fact') out.set(t.fact, { ...out.get(t.fact), [p.id]: t.value });
  return [...out].map(([fact, values]) => ({ fact: fact as Meaning['fact'], setting: setting.id, values }));
}

/** The function that a title names first. */
export const mainOf = (title: string): FunctionKind | null => subjectOf(title).functions[0] ?? null;
