import { entryOf, there } from './sure';
import type { Block, Claim, Part, Setting, State } from './part';
import { BLOCK_KINDS, blockOf, formOf, placesOf, type StateForm } from './block-kinds';
import { forbidden } from './constraints';
import { FACTS_OF_KIND } from './facts-of-kind';
import type { Counted, Flaw, FlawAt, Sized } from './flaw';

/**
 * Checks what the schema alone cannot: references, pins inside their block, total tables.
 * Paths are relative to the part.
 */
export function checkPart(part: Part): FlawAt[] {
  const problems: FlawAt[] = [];
  const say = (path: string, flaw: Flaw) => problems.push({ path, flaw });
  const blocks = new Map(part.blocks.map((block) => [block.id, block]));
  const settings = new Map(part.settings.map((setting) => [setting.id, setting]));
  const functions = new Set(part.functions.map((fn) => fn.id));

  for (const [name, list] of [
    ['blocks', part.blocks],
    ['settings', part.settings],
    ['functions', part.functions],
    ['board.slots', part.board?.slots ?? []]
  ] as const)
    repeated(list.map((x) => x.id)).forEach((id) => say(name, { is: 'twice', id }));

  const facts = FACTS_OF_KIND[part.kind];
  if (!part[facts]) say(facts, { is: 'no-facts', kind: part.kind });
  if (part.sold?.to !== undefined && part.sold.to < part.sold.from) say('sold', { is: 'sold-backwards' });

  part.settings.forEach((setting, i) => {
    const at = `settings[${i}]`;
    const block = setting.block === undefined ? undefined : blocks.get(setting.block);
    if (setting.block !== undefined && !block) say(`${at}.block`, { is: 'no-block', id: setting.block });
    repeated(setting.positions.map((p) => p.id)).forEach((id) => say(`${at}.positions`, { is: 'twice', id }));
    if (setting.known && setting.positions.length === 0) say(`${at}.positions`, { is: 'no-positions' });
    if (setting.known && setting.default === undefined) say(`${at}.default`, { is: 'no-default' });
    if (setting.default !== undefined && !has(setting, setting.default))
      say(`${at}.default`, { is: 'no-position', id: setting.default });
    setting.positions.forEach((position, j) => {
      if (position.state && block)
        stateProblem(position.state, block).forEach((f) => say(`${at}.positions[${j}].state`, f));
      if (position.state && !block) say(`${at}.positions[${j}].state`, { is: 'no-block-for-state' });
    });
  });

  const checkMatch = (match: Record<string, string[]>, at: string) => {
    for (const [id, positions] of Object.entries(match)) {
      const setting = settings.get(id);
      if (!setting) say(at, { is: 'no-setting', id });
      else
        positions.forEach((p) => {
          if (!has(setting, p)) say(at, { is: 'no-such-position', setting: id, position: p });
        });
    }
  };

  part.functions.forEach((fn, i) => {
    fn.off.forEach((match, j) => checkMatch(match, `functions[${i}].off[${j}]`));
    if (fn.startKiB)
      checkMatch({ [fn.startKiB.setting]: Object.keys(fn.startKiB.values) }, `functions[${i}].startKiB`);
    repeated(fn.claims.flatMap((c) => c.id ?? [])).forEach((id) =>
      say(`functions[${i}].claims`, { is: 'twice', id })
    );
    fn.claims.forEach((claim, j) =>
      claimProblems(claim, part, settings).forEach((p) =>
        say(`functions[${i}].claims[${j}]${p.path}`, p.flaw)
      )
    );
  });

  part.constraints.forEach((constraint, i) => {
    const at = `constraints[${i}]`;
    if ('forbid' in constraint) checkMatch(constraint.forbid, at);
    if ('apart' in constraint)
      constraint.apart.forEach((id) => {
        if (!functions.has(id)) say(at, { is: 'no-function', id });
      });
    if ('allow' in constraint) {
      const ids = constraint.allow.settings;
      constraint.allow.rows.forEach((row, j) => {
        if (row.length !== ids.length)
          say(`${at}.allow.rows[${j}]`, { is: 'row-length', entries: row.length, settings: ids.length });
        else
          checkMatch(Object.fromEntries(ids.map((id, k) => [id, [there(row[k])]])), `${at}.allow.rows[${j}]`);
      });
    }
  });

  part.means?.forEach((meaning, i) => {
    const setting = settings.get(meaning.setting);
    if (!setting) say(`means[${i}].setting`, { is: 'no-setting', id: meaning.setting });
    else
      for (const p of Object.keys(meaning.values))
        if (!has(setting, p))
          say(`means[${i}].values`, { is: 'no-such-position', setting: setting.id, position: p });
  });
  part.board?.slots.forEach((slot, i) =>
    Object.values(slot.routing ?? {}).forEach((id) => {
      if (!settings.has(id)) say(`board.slots[${i}].routing`, { is: 'no-setting', id });
    })
  );
  problems.push(...sizeProblems(part));
  part.startup.forEach((line, i) => {
    if (line.when !== undefined && !functions.has(line.when))
      say(`startup[${i}].when`, { is: 'no-function', id: line.when });
  });
  return problems;
}

/**
 * What hardware has at most, with room to spare: the largest board and card known have 18 claims, 11 settings and
 * settings of 256 positions. Without a bound a file of a few kilobytes keeps a machine busy for ever.
 */
export const PART_LIMITS = { claims: 48, functions: 16, combinations: 4096, rows: 2048 } as const;

/** Settings, as sets of ids, that are decided together: those of a claim with what switches its function off. */
function decidedTogether(part: Part): string[][] {
  const sets = new Map<string, string[]>();
  const put = (ids: readonly string[]) => {
    const own = [...new Set(ids)].sort();
    sets.set(own.join(' '), own);
  };
  for (const fn of part.functions) {
    const off = fn.off.flatMap((match) => Object.keys(match));
    put(off);
    for (const { from } of fn.claims)
      put([...off, ...(from ? ('setting' in from ? [from.setting] : from.settings) : [])]);
  }
  for (const c of part.constraints)
    put('allow' in c ? c.allow.settings : 'forbid' in c ? Object.keys(c.forbid) : []);
  return [...sets.values()];
}

/** How many joint positions a set of settings has. */
const combinations = (part: Part, ids: readonly string[]): number =>
  ids.reduce((n, id) => n * Math.max(1, part.settings.find((s) => s.id === id)?.positions.length ?? 1), 1);

/** What is larger than any hardware. */
function sizeProblems(part: Part): FlawAt[] {
  const { functions, claims, rows, combinations: most } = PART_LIMITS;
  const inBays = part.settings.filter((s) => blockOf(part, s)?.kind === 'bay').map((s) => s.id);
  const sizes: [path: string, what: Sized, n: number, most: number][] = [
    ['functions', 'functions', part.functions.length, functions],
    ['functions', 'claims', part.functions.reduce((n, fn) => n + fn.claims.length, 0), claims],
    [
      'constraints',
      'rows',
      part.constraints.reduce((n, c) => n + ('allow' in c ? c.allow.rows.length : 0), 0),
      rows
    ],
    ['settings', 'layouts', combinations(part, inBays), most],
    [
      'settings',
      'joint positions',
      decidedTogether(part).reduce((n, ids) => n + combinations(part, ids), 0),
      2 * most
    ]
  ];
  return sizes
    .filter(([, , n, limit]) => n > limit)
    .map(([path, what, n, limit]) => ({ path, flaw: { is: 'too-many', what, n, most: limit } }));
}

const has = (setting: Setting, position: string) => setting.positions.some((p) => p.id === position);

/** Words that stand more than once in a list. */
export function repeated(ids: readonly string[]): string[] {
  const seen = new Set<string>();
  const twice = new Set<string>();
  for (const id of ids) (seen.has(id) ? twice : seen).add(id);
  return [...twice];
}

/** What a state names that its block does not have, by its form. */
const BEYOND: Readonly<
  Record<StateForm, { what: Counted; numbers: (state: State, most: number) => number[] } | null>
> = {
  caps: {
    what: 'pin',
    numbers: (state, most) => ('caps' in state ? state.caps.flat() : []).filter((pin) => pin > most)
  },
  switches: {
    what: 'switch',
    numbers: (state, most) =>
      Object.keys('switches' in state ? state.switches : {})
        .map(Number)
        .filter((n) => n < 1 || n > most)
  },
  step: {
    what: 'step',
    numbers: (state, most) => ('step' in state && state.step >= most ? [state.step] : [])
  },
  bridges: {
    what: 'bridge',
    numbers: (state, most) => ('bridges' in state ? state.bridges : []).filter((n) => n > most)
  },
  value: null
};

/** What is wrong with a state on a block. */
export function stateProblem(state: State, block: Block): Flaw[] {
  const form = formOf(state);
  if (BLOCK_KINDS[block.kind].state !== form)
    return [{ is: 'wrong-form', form, block: block.id, kind: block.kind }];
  const beyond = BEYOND[form];
  const most = placesOf(block);
  return beyond?.numbers(state, most).map((n) => ({ is: 'beyond', what: beyond.what, n, most })) ?? [];
}

const largest = { irq: 15, dma: 7, io: 0xffff, memory: 0xffffffff } as const;

function claimProblems(claim: Claim, part: Part, settings: Map<string, Setting>): FlawAt[] {
  const problems: FlawAt[] = [];
  const say = (path: string, flaw: Flaw) => problems.push({ path, flaw });
  const forms = [
    claim.value !== undefined,
    claim.from !== undefined,
    claim.resource === 'irq' && claim.pin !== undefined
  ];
  if (forms.filter(Boolean).length !== 1) say('', { is: 'sources', mayBePin: claim.resource === 'irq' });

  const size = claim.resource === 'io' || claim.resource === 'memory' ? claim.length : 1;
  const checkValue = (value: number | null | undefined, path: string) => {
    if (value !== null && value !== undefined && value + size - 1 > largest[claim.resource])
      say(path, { is: 'past-last', value, resource: claim.resource });
  };
  checkValue(claim.value, '.value');

  const source = claim.from;
  if (!source) return problems;
  const ids = 'setting' in source ? [source.setting] : source.settings;
  const missing = ids.filter((id) => !settings.has(id));
  missing.forEach((id) => say('.from', { is: 'no-setting', id }));
  if (missing.length) return problems;

  if ('setting' in source) {
    const setting = entryOf(settings, source.setting);
    for (const [id, value] of Object.entries(source.values)) {
      if (!has(setting, id))
        say('.from.values', { is: 'no-such-position', setting: setting.id, position: id });
      checkValue(value, `.from.values.${id}`);
    }
    setting.positions
      .filter((p) => !(p.id in source.values))
      .forEach((p) => say('.from.values', { is: 'position-missing', id: p.id }));
    return problems;
  }
  source.rows.forEach((row, i) => {
    checkValue(row.value, `.from.rows[${i}].value`);
    for (const [id, position] of Object.entries(row.when)) {
      if (!ids.includes(id)) say(`.from.rows[${i}]`, { is: 'not-among', id });
      else if (!has(entryOf(settings, id), position))
        say(`.from.rows[${i}]`, { is: 'no-such-position', setting: id, position });
    }
  });
  // What is larger than any hardware is refused elsewhere, and not walked through here.
  if (problems.length || combinations(part, ids) > PART_LIMITS.combinations) return problems;
  const hole = firstHole(
    ids.map((id) => entryOf(settings, id)),
    (chosen) =>
      source.rows.some((row) => Object.entries(row.when).every(([id, p]) => chosen[id] === p)) ||
      forbidden(part, chosen)
  );
  if (hole) say('.from.rows', { is: 'no-row', chosen: hole });
  return problems;
}

function firstHole(
  settings: readonly Setting[],
  covered: (chosen: Record<string, string>) => boolean
): Record<string, string> | null {
  const walk = (i: number, chosen: Record<string, string>): Record<string, string> | null => {
    if (i === settings.length) return covered(chosen) ? null : chosen;
    for (const position of there(settings[i]).positions) {
      const hole = walk(i + 1, { ...chosen, [there(settings[i]).id]: position.id });
      if (hole) return hole;
    }
    return null;
  };
  return walk(0, {});
}
