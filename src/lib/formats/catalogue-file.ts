import { parse } from 'yaml';
import { Part, checkPart, schemaFlaws } from '../core/model';
import {
  InvalidDocument,
  catalogueFlaws as flaws,
  documentNames,
  fileFlaws,
  problemsOf,
  type Problem
} from '../words';

/**
 * The files of the catalogue: YAML, one part or a list of parts each, with shorthands so that a part is
 * read at one glance. `like: id` takes over from another part; `fields` are blocks with one setting each, and
 * `means` in a field what it says of the machine;
 * `like` in a function takes over from the common functions; a claim may say `{irq: 5}` or
 * `{io: by base, length: 16}`. docs/format.md describes them.
 */
export interface CatalogueText {
  name: string;
  text: string;
}

type Raw = Record<string, unknown>;
const isMap = (x: unknown): x is Raw =>
  typeof x === 'object' && x !== null && !Array.isArray(x) && !(x instanceof Map);

/** What is written in a field in an order that counts: the first pair of pins, then the next. */
type Ordered = ReadonlyMap<string, unknown>;
const inOrder = new Set(['columns', 'ends', 'open', 'positions', 'values']);

/**
 * Plain objects for the maps of a file. An object puts keys that look like numbers first, whatever the file says,
 * so the positions of a field stay maps.
 */
function plain(node: unknown, inFields = false): unknown {
  if (Array.isArray(node)) return node.map((n) => plain(n, inFields));
  if (!(node instanceof Map)) return node;
  return Object.fromEntries(
    [...node].map(([key, value]: [unknown, unknown]) => {
      const name = String(key);
      if (inFields && inOrder.has(name) && value instanceof Map)
        return [name, new Map([...value].map(([k, v]): [string, unknown] => [String(k), v]))];
      return [name, plain(value, name === 'fields' || name === 'moreFields')];
    })
  );
}

/**
 * Reads all files together, as parts refer to each other across them.
 * @throws InvalidDocument naming file, part and place of everything that is wrong
 */
export function readCatalogueFiles(files: readonly CatalogueText[]): Part[] {
  const problems: Problem[] = [];
  const entries = new Map<string, { raw: Raw; file: string }>();
  const functions = new Map<string, Raw>();
  for (const { name, text } of files) {
    let data: unknown;
    try {
      data = plain(parse(text, { maxAliasCount: 2000, merge: true, mapAsMap: true }));
    } catch (error) {
      problems.push({ path: name, message: error instanceof Error ? error.message : fileFlaws.notYaml });
      continue;
    }
    if (isMap(data) && isMap(data.functions) && !('id' in data)) {
      for (const [id, fn] of Object.entries(data.functions)) functions.set(id, fn as Raw);
      continue;
    }
    const { common, parts } =
      isMap(data) && Array.isArray(data.parts) ? data : { common: {}, parts: [data].flat() };
    for (const part of parts as Raw[]) {
      const id = isMap(part) ? String(part.id) : '?';
      if (entries.has(id)) problems.push({ path: `${name}: ${id}`, message: flaws.twice });
      entries.set(id, { raw: { ...(common as Raw), ...part }, file: name });
    }
  }
  const made: Part[] = [];
  for (const [id, { raw, file }] of entries)
    try {
      const whole = inherit(raw, entries, []);
      const parsed = Part.safeParse(expand(whole, functions));
      const found = problemsOf(parsed.success ? checkPart(parsed.data) : schemaFlaws(parsed.error));
      problems.push(...found.map((p) => ({ ...p, path: `${file}: ${id}: ${p.path}` })));
      if (parsed.success) made.push(parsed.data);
    } catch (error) {
      problems.push({ path: `${file}: ${id}`, message: (error as Error).message });
    }
  if (problems.length) throw new InvalidDocument(problems, documentNames.catalogue);
  return made;
}

/** Lists that grow from part to part: what one adds, those that are like it have too, unless they say otherwise. */
const growing = ['moreFields', 'moreFunctions'] as const;
const idOf = (entry: Raw): unknown => entry.id;

/** The entry with what it takes over: facts are merged one level deep, lists are replaced, those that grow are joined. */
function inherit(raw: Raw, entries: ReadonlyMap<string, { raw: Raw }>, seen: readonly string[]): Raw {
  if (raw.like === undefined) return raw;
  const from = String(raw.like);
  const base = entries.get(from)?.raw;
  if (!base) throw new Error(flaws.noBase(from));
  if (seen.includes(from)) throw new Error(flaws.circle);
  const { like: _, ...own } = raw;
  const { quirks: _quirks, look, ...rest } = inherit(base, entries, [...seen, from]);
  const out: Raw = rest;
  if (isMap(look)) {
    // The number etched on it is its own.
    const { etched: _etched, ...alike } = look;
    out.look = alike;
  }
  for (const key of growing) {
    const more = (own[key] as Raw[]) ?? [];
    const before = ((out[key] as Raw[]) ?? []).filter((e) => !more.some((m) => idOf(m) === idOf(e)));
    delete own[key];
    if (before.length + more.length) out[key] = [...before, ...more];
  }
  for (const [key, value] of Object.entries(own))
    out[key] = isMap(value) && isMap(out[key]) ? { ...out[key], ...value } : value;
  return out;
}

function expand(raw: Raw, functions: ReadonlyMap<string, Raw>): Raw {
  const { fields: first = [], moreFields = [], moreFunctions = [], ...part } = raw;
  const fields = [...(first as Raw[]), ...(moreFields as Raw[])];
  const blocks = [...((part.blocks as Raw[]) ?? [])];
  const settings = [...((part.settings as Raw[]) ?? [])];
  const means = [...((part.means as Raw[]) ?? [])];
  for (const { means: told, ...field } of fields) {
    const { block, setting } = fieldOf(field);
    if (told !== undefined) means.push(meaningOf(told, setting));
    if (block && !blocks.some((b) => b.id === block.id)) blocks.push(block);
    settings.push(setting);
  }
  const positions = new Map(
    settings.map((s) => [String(s.id), ((s.positions as { id: string }[]) ?? []).map((p) => p.id)])
  );
  const fns = [...((part.functions as Raw[]) ?? []), ...(moreFunctions as Raw[])].map((fn) =>
    functionOf(fn, functions, positions)
  );
  return { ...part, blocks, settings, functions: fns, ...(means.length ? { means } : {}) };
}

/** `means: keyboard` where the ids of the positions are the values, or `means: {banks: {one: 1, two: 2}}`. */
function meaningOf(told: unknown, setting: Raw): Raw {
  const [fact, values] = isMap(told) ? Object.entries(told)[0] : [String(told), undefined];
  const ids = (setting.positions as { id: string }[]).map((p) => p.id);
  const own = ids.map((id) => [id, /^\d+(\.\d+)?$/.test(id) ? Number(id) : id]);
  return { fact, setting: setting.id, values: values ?? Object.fromEntries(own) };
}

/** `fields`: a block and the setting on it in one entry. */
function fieldOf(field: Raw): { block?: Raw; setting: Raw } {
  const { id, label, block, at, columns, ends, open, dip, positions, program, values, firmware, ...rest } =
    field as Record<string, never> & { at?: [number, number] };
  if (!('default' in rest)) throw new Error(flaws.noDefault(String(id)));
  const name = String(block ?? id);
  const blockId = name.toLowerCase().replace(/[^a-z0-9]+/g, '-');
  const place = at ? { x: at[0], y: at[1] } : undefined;
  const base = { id: blockId, label: name, ...(place ? { at: place } : {}) };
  const setting = (list: Raw[]) => ({
    id,
    label,
    block: blockId,
    positions: list,
    ...(rest as Raw)
  });
  if (columns) {
    const list = [...(columns as Ordered)];
    const made = list.map(([p, text], i) => ({
      id: p,
      label: String(text),
      state: { caps: [[2 * i + 1, 2 * i + 2]] }
    }));
    const none = [...((open as Ordered | undefined) ?? [])].map(([p, text]) => ({
      id: p,
      label: String(text),
      state: { caps: [] }
    }));
    const columnLabels = list.map(([p]) => (p === 'off' ? '—' : p.toUpperCase().slice(0, 12)));
    return {
      block: { ...base, kind: 'header', rows: 2, columns: list.length, columnLabels },
      setting: setting([...made, ...none])
    };
  }
  if (ends) {
    const made = [...(ends as Ordered)].map(([p, text], i) => ({
      id: p,
      label: `${i + 1}-${i + 2} ${String(text)}`,
      state: { caps: [[i + 1, i + 2]] }
    }));
    return { block: { ...base, kind: 'header', rows: 1, columns: 3 }, setting: setting(made) };
  }
  if (positions && !program) {
    const made = [...(positions as Ordered)].map(([p, told]) => {
      const [text, levers] = told as [string, string];
      const switches = Object.fromEntries(levers.split(' ').map((l) => l.split(':')));
      return { id: p, label: text, state: { switches } };
    });
    const size = (dip ?? {}) as Raw;
    return { block: { ...base, kind: 'dip', switches: 8, ...size }, setting: setting(made) };
  }
  if (program) {
    const made = [...(values as Ordered)].map(([p, text]) => ({
      id: p,
      label: String(text),
      state: { value: String(text) }
    }));
    return { block: { ...base, kind: 'software', program }, setting: setting(made) };
  }
  if (firmware) {
    const made = [...(values as Ordered)].map(([p, text]) => ({ id: p, label: String(text) }));
    return { block: { ...base, kind: 'firmware' }, setting: setting(made) };
  }
  throw new Error(flaws.noPositions(String(id)));
}

function functionOf(
  fn: Raw,
  functions: ReadonlyMap<string, Raw>,
  positions: ReadonlyMap<string, string[]>
): Raw {
  let whole = fn;
  if (fn.like !== undefined) {
    const base = functions.get(String(fn.like));
    if (!base) throw new Error(flaws.noFunction(String(fn.like)));
    const { like: _, ...own } = fn;
    whole = { id: fn.like, ...base, ...own };
  }
  const { by, ...rest } = whole;
  const taken = new Map<string, number>();
  const claims = ((rest.claims as Raw[]) ?? []).map((claim) => {
    const made = claimOf(claim, by as string | undefined, positions);
    if (!('id' in made)) {
      const resource = String(made.resource);
      const n = (taken.get(resource) ?? 0) + 1;
      taken.set(resource, n);
      made.id = n === 1 ? resource : `${resource}-${n}`;
    }
    return made;
  });
  const off = ((rest.off as unknown[]) ?? []).map((o) => (typeof o === 'string' ? { [o]: ['off'] } : o));
  return { ...rest, off, claims };
}

const resources = ['irq', 'dma', 'io', 'memory'] as const;

/** `{io: 0x300, length: 32}`, `{irq: by irq}`, or `{irq: by port, values: {com1: 4}}`. */
function claimOf(claim: Raw, by: string | undefined, positions: ReadonlyMap<string, string[]>): Raw {
  const resource = resources.find((r) => r in claim);
  if (!resource || 'resource' in claim) return { ...claim };
  const { [resource]: told, values, ...rest } = claim;
  if (typeof told === 'number') return { resource, value: told, ...rest };
  const setting = told === 'by' ? by : String(told).replace(/^by /, '');
  const known = positions.get(setting ?? '');
  if (!setting || !known) throw new Error(flaws.noSetting(String(told)));
  const base = resource === 'io' || resource === 'memory' ? 16 : 10;
  const numbers = known.map((p): [string, number | null] => {
    if (isMap(values)) return [p, (values[p] as number | undefined) ?? null];
    const isNumber = base === 16 ? /^[0-9a-f]{3,5}$/.test(p) : /^\d{1,2}$/.test(p);
    return [p, isNumber ? parseInt(p, base) : null];
  });
  return { resource, from: { setting, values: Object.fromEntries(numbers) }, ...rest };
}
