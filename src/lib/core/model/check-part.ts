import { entryOf } from './sure';
import type { Block, Claim, Part, Setting, State } from './part';
import { BLOCK_KINDS, formOf, placesOf, type StateForm } from './block-kinds';
import { forbidden } from './constraints';
import { FACTS_OF_KIND } from './facts-of-kind';
import type { Problem } from './problem';

/**
 * Checks what the schema alone cannot: references, pins inside their block, total tables.
 * Paths are relative to the part.
 */
export function checkPart(part: Part): Problem[] {
  const problems: Problem[] = [];
  const say = (path: string, message: string) => problems.push({ path, message });
  const blocks = new Map(part.blocks.map((block) => [block.id, block]));
  const settings = new Map(part.settings.map((setting) => [setting.id, setting]));
  const functions = new Set(part.functions.map((fn) => fn.id));

  for (const [name, list] of [
    ['blocks', part.blocks],
    ['settings', part.settings],
    ['functions', part.functions],
    ['board.slots', part.board?.slots ?? []]
  ] as const)
    repeated(list.map((x) => x.id)).forEach((id) => say(name, `"${id}" is there twice`));

  const facts = FACTS_OF_KIND[part.kind];
  if (!part[facts]) say(facts, neededFacts[part.kind]);
  if (part.sold?.to !== undefined && part.sold.to < part.sold.from)
    say('sold', 'sold to is before sold from');

  part.settings.forEach((setting, i) => {
    const at = `settings[${i}]`;
    const block = setting.block === undefined ? undefined : blocks.get(setting.block);
    if (setting.block !== undefined && !block) say(`${at}.block`, `there is no block "${setting.block}"`);
    repeated(setting.positions.map((p) => p.id)).forEach((id) =>
      say(`${at}.positions`, `"${id}" is there twice`)
    );
    if (setting.known && setting.positions.length === 0)
      say(`${at}.positions`, 'a known setting has at least one position');
    if (setting.known && setting.default === undefined) say(`${at}.default`, 'a known setting has a default');
    if (setting.default !== undefined && !has(setting, setting.default))
      say(`${at}.default`, `there is no position "${setting.default}"`);
    setting.positions.forEach((position, j) => {
      if (position.state && block)
        stateProblem(position.state, block).forEach((m) => say(`${at}.positions[${j}].state`, m));
      if (position.state && !block) say(`${at}.positions[${j}].state`, 'a state needs a block to be on');
    });
  });

  const checkMatch = (match: Record<string, string[]>, at: string) => {
    for (const [id, positions] of Object.entries(match)) {
      const setting = settings.get(id);
      if (!setting) say(at, `there is no setting "${id}"`);
      else
        positions.forEach((p) => {
          if (!has(setting, p)) say(at, `setting "${id}" has no position "${p}"`);
        });
    }
  };

  part.functions.forEach((fn, i) => {
    fn.off.forEach((match, j) => checkMatch(match, `functions[${i}].off[${j}]`));
    if (fn.startKiB)
      checkMatch({ [fn.startKiB.setting]: Object.keys(fn.startKiB.values) }, `functions[${i}].startKiB`);
    repeated(fn.claims.flatMap((c) => c.id ?? [])).forEach((id) =>
      say(`functions[${i}].claims`, `"${id}" is there twice`)
    );
    fn.claims.forEach((claim, j) =>
      claimProblems(claim, part, settings).forEach((p) =>
        say(`functions[${i}].claims[${j}]${p.path}`, p.message)
      )
    );
  });

  part.constraints.forEach((constraint, i) => {
    const at = `constraints[${i}]`;
    if ('forbid' in constraint) checkMatch(constraint.forbid, at);
    if ('apart' in constraint)
      constraint.apart.forEach((id) => {
        if (!functions.has(id)) say(at, `there is no function "${id}"`);
      });
    if ('allow' in constraint) {
      const ids = constraint.allow.settings;
      constraint.allow.rows.forEach((row, j) => {
        if (row.length !== ids.length)
          say(`${at}.allow.rows[${j}]`, `has ${row.length} entries for ${ids.length} settings`);
        else checkMatch(Object.fromEntries(ids.map((id, k) => [id, [row[k]]])), `${at}.allow.rows[${j}]`);
      });
    }
  });

  part.means?.forEach((meaning, i) => {
    const setting = settings.get(meaning.setting);
    if (!setting) say(`means[${i}].setting`, `there is no setting "${meaning.setting}"`);
    else
      for (const p of Object.keys(meaning.values))
        if (!has(setting, p)) say(`means[${i}].values`, `setting "${setting.id}" has no position "${p}"`);
  });
  part.board?.slots.forEach((slot, i) =>
    Object.values(slot.routing ?? {}).forEach((id) => {
      if (!settings.has(id)) say(`board.slots[${i}].routing`, `there is no setting "${id}"`);
    })
  );
  problems.push(...sizeProblems(part));
  part.startup.forEach((line, i) => {
    if (line.when !== undefined && !functions.has(line.when))
      say(`startup[${i}].when`, `there is no function "${line.when}"`);
  });
  return problems;
}

/** The facts without which a part of a kind cannot be used anywhere. */
const neededFacts: Record<Part['kind'], string> = {
  board: 'a board needs its board facts (class, slots)',
  card: 'a card needs its card facts (bus)',
  cpu: 'a CPU needs its CPU facts (family, socket, clocks, volts)',
  fpu: 'an FPU needs its FPU facts (kind, MHz)',
  memory: 'memory needs its module facts (form, KiB, ns)',
  drive: 'a drive needs its drive facts (medium, interface, bay)',
  monitor: 'a monitor needs its monitor facts (inputs, frequencies)',
  supply: 'a supply needs its supply facts (form, watts, rails)',
  keyboard: 'a keyboard needs its keyboard facts (protocols, plug)',
  case: 'a case needs its chassis facts (forms, bays)',
  adapter: 'an adapter needs its adapter facts (from, to)',
  bios: 'a BIOS needs its firmware facts (year, setup, disk)',
  oscillator: 'an oscillator needs its MHz'
};

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

const blockKind = (part: Part, setting: Setting): Block['kind'] | undefined =>
  part.blocks.find((b) => b.id === setting.block)?.kind;

/** What is larger than any hardware. */
function sizeProblems(part: Part): Problem[] {
  const problems: Problem[] = [];
  const claims = part.functions.reduce((n, fn) => n + fn.claims.length, 0);
  if (part.functions.length > PART_LIMITS.functions)
    problems.push({
      path: 'functions',
      message: `${part.functions.length} functions; no part has more than ${PART_LIMITS.functions}`
    });
  if (claims > PART_LIMITS.claims)
    problems.push({
      path: 'functions',
      message: `${claims} claims in all; no part has more than ${PART_LIMITS.claims}`
    });
  const rows = part.constraints.reduce((n, c) => n + ('allow' in c ? c.allow.rows.length : 0), 0);
  if (rows > PART_LIMITS.rows)
    problems.push({
      path: 'constraints',
      message: `${rows} rows in all; no part needs more than ${PART_LIMITS.rows}`
    });
  const inBays = part.settings.filter((s) => blockKind(part, s) === 'bay').map((s) => s.id);
  if (combinations(part, inBays) > PART_LIMITS.combinations)
    problems.push({
      path: 'settings',
      message: `${combinations(part, inBays)} layouts of its bays; no machine has more than ${PART_LIMITS.combinations}`
    });
  const all = decidedTogether(part).reduce((n, ids) => n + combinations(part, ids), 0);
  if (all > 2 * PART_LIMITS.combinations)
    problems.push({
      path: 'settings',
      message: `its settings have ${all > 1e9 ? 'more than a thousand million' : all} joint positions; no part has more than ${2 * PART_LIMITS.combinations}. Split a claim that rests on many settings, or list fewer positions`
    });
  return problems;
}

const has = (setting: Setting, position: string) => setting.positions.some((p) => p.id === position);

/** Words that stand more than once in a list. */
export function repeated(ids: readonly string[]): string[] {
  const seen = new Set<string>();
  const twice = new Set<string>();
  for (const id of ids) (seen.has(id) ? twice : seen).add(id);
  return [...twice];
}

/** What a state says that its block does not have, by its form. */
const BEYOND: Readonly<Record<StateForm, (state: State, most: number) => string[]>> = {
  caps: (state, most) =>
    ('caps' in state ? state.caps.flat() : [])
      .filter((pin) => pin > most)
      .map((pin) => `pin ${pin} of ${most}`),
  switches: (state, most) =>
    Object.keys('switches' in state ? state.switches : {})
      .filter((n) => Number(n) < 1 || Number(n) > most)
      .map((n) => `switch ${n} of ${most}`),
  step: (state, most) =>
    'step' in state && state.step >= most ? [`step ${state.step} of ${most}, counted from 0`] : [],
  bridges: (state, most) =>
    ('bridges' in state ? state.bridges : []).filter((n) => n > most).map((n) => `bridge ${n} of ${most}`),
  value: () => []
};
const WHERE: Readonly<Record<StateForm, string>> = {
  caps: 'jumpers sit on a header',
  switches: 'switches are on a DIP block',
  step: 'a step is on a rotary or slide switch',
  bridges: 'bridges are on solder pads, or packs in their sockets',
  value: 'a value is typed into a program'
};

export function stateProblem(state: State, block: Block): string[] {
  const form = formOf(state);
  return BLOCK_KINDS[block.kind].state === form
    ? BEYOND[form](state, placesOf(block))
    : [`${WHERE[form]}, and ${block.id} is ${block.kind}`];
}

const largest = { irq: 15, dma: 7, io: 0xffff, memory: 0xffffffff } as const;

function claimProblems(claim: Claim, part: Part, settings: Map<string, Setting>): Problem[] {
  const problems: Problem[] = [];
  const say = (path: string, message: string) => problems.push({ path, message });
  const forms = [
    claim.value !== undefined,
    claim.from !== undefined,
    claim.resource === 'irq' && claim.pin !== undefined
  ];
  if (forms.filter(Boolean).length !== 1)
    say('', 'give exactly one of value, from' + (claim.resource === 'irq' ? ', pin' : ''));

  const size = claim.resource === 'io' || claim.resource === 'memory' ? claim.length : 1;
  const checkValue = (value: number | null | undefined, path: string) => {
    if (value !== null && value !== undefined && value + size - 1 > largest[claim.resource])
      say(path, `${value} is beyond the last ${claim.resource} number`);
  };
  checkValue(claim.value, '.value');

  const source = claim.from;
  if (!source) return problems;
  const ids = 'setting' in source ? [source.setting] : source.settings;
  const missing = ids.filter((id) => !settings.has(id));
  missing.forEach((id) => say('.from', `there is no setting "${id}"`));
  if (missing.length) return problems;

  if ('setting' in source) {
    const setting = entryOf(settings, source.setting);
    for (const [id, value] of Object.entries(source.values)) {
      if (!has(setting, id)) say('.from.values', `setting "${setting.id}" has no position "${id}"`);
      checkValue(value, `.from.values.${id}`);
    }
    setting.positions
      .filter((p) => !(p.id in source.values))
      .forEach((p) => say('.from.values', `position "${p.id}" is missing; write null if it takes nothing`));
    return problems;
  }
  source.rows.forEach((row, i) => {
    checkValue(row.value, `.from.rows[${i}].value`);
    for (const [id, position] of Object.entries(row.when)) {
      if (!ids.includes(id)) say(`.from.rows[${i}]`, `"${id}" is not among its settings`);
      else if (!has(entryOf(settings, id), position))
        say(`.from.rows[${i}]`, `setting "${id}" has no position "${position}"`);
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
  if (hole)
    say(
      '.from.rows',
      `no row for ${Object.entries(hole)
        .map(([k, v]) => `${k} = ${v}`)
        .join(', ')}`
    );
  return problems;
}

function firstHole(
  settings: readonly Setting[],
  covered: (chosen: Record<string, string>) => boolean
): Record<string, string> | null {
  const walk = (i: number, chosen: Record<string, string>): Record<string, string> | null => {
    if (i === settings.length) return covered(chosen) ? null : chosen;
    for (const position of settings[i].positions) {
      const hole = walk(i + 1, { ...chosen, [settings[i].id]: position.id });
      if (hole) return hole;
    }
    return null;
  };
  return walk(0, {});
}
