import Papa from 'papaparse';
import { parse, stringify } from 'yaml';
import { Part, checkPart, schemaFlaws } from '../core/model';
import {
  InvalidDocument,
  collectionFlaws as flaws,
  documentNames,
  fileFlaws,
  problemsOf,
  type Problem
} from '../words';

/** A collection of parts in one file. */
export const PARTS_FORMAT = 'yellow-jumper/parts';
const VERSION = 1;
/** A file holds at most so many. */
export const MOST_PARTS = 500;

const envelope = (parts: readonly Part[]) => ({ format: PARTS_FORMAT, version: VERSION, parts });

export const writeParts = (parts: readonly Part[]): string => JSON.stringify(envelope(parts), null, 2) + '\n';
export const writePartsYaml = (parts: readonly Part[]): string => stringify(envelope(parts));

/** A line for each part, to read and to sort; it does not come in again. */
export const writePartsCsv = (parts: readonly Part[]): string =>
  Papa.unparse(
    parts.map((p) => ({
      id: p.id,
      kind: p.kind,
      maker: p.maker,
      name: p.name,
      summary: p.summary ?? '',
      from: p.sold?.from ?? '',
      to: p.sold?.to ?? '',
      'price low': p.price?.low ?? '',
      'price high': p.price?.high ?? '',
      functions: p.functions.map((f) => f.kind).join(' '),
      settings: p.settings.length
    })),
    { escapeFormulae: true }
  ) + '\r\n';

export interface ReadParts {
  parts: Part[];
  /** Parts that could not be read, with why. The others come in all the same. */
  refused: { name: string; problems: Problem[] }[];
}

const isObject = (x: unknown): x is Record<string, unknown> =>
  typeof x === 'object' && x !== null && !Array.isArray(x);

function listOf(data: unknown, name: string): unknown[] {
  if (Array.isArray(data)) return data as unknown[];
  if (isObject(data) && Array.isArray(data.parts)) {
    if (data.format !== undefined && data.format !== PARTS_FORMAT)
      throw new InvalidDocument(
        [
          {
            path: `${name}: format`,
            message: flaws.format(String(data.format).slice(0, 60), PARTS_FORMAT)
          }
        ],
        documentNames.collection
      );
    if (typeof data.version === 'number' && data.version > VERSION)
      throw new InvalidDocument(
        [{ path: `${name}: version`, message: flaws.version(data.version, VERSION) }],
        documentNames.collection
      );
    return data.parts as unknown[];
  }
  return [data];
}

/**
 * Reads parts from YAML or JSON: a collection, a list, or one part.
 * @throws InvalidDocument when the file is none of these, or holds too many
 */
export function readParts(text: string, name: string): ReadParts {
  let data: unknown;
  try {
    data = parse(text, { maxAliasCount: 20 });
  } catch (error) {
    const message =
      error instanceof Error ? (error.message.split('\n')[0] ?? '').replace(/:$/, '') : fileFlaws.notYaml;
    throw new InvalidDocument([{ path: name, message }], documentNames.collection);
  }
  const list = listOf(data, name);
  if (list.length > MOST_PARTS)
    throw new InvalidDocument(
      [{ path: name, message: flaws.tooMany(list.length, MOST_PARTS) }],
      documentNames.collection
    );
  const out: ReadParts = { parts: [], refused: [] };
  const seen = new Set<string>();
  list.forEach((entry, i) => {
    const called =
      isObject(entry) && typeof entry.id === 'string' ? entry.id.slice(0, 64) : flaws.part(i + 1);
    const parsed = Part.safeParse(entry);
    const problems = problemsOf(parsed.success ? checkPart(parsed.data) : schemaFlaws(parsed.error));
    if (parsed.success && seen.has(parsed.data.id)) problems.push({ path: 'id', message: flaws.twice });
    if (!parsed.success || problems.length)
      out.refused.push({ name: called, problems: problems.slice(0, 5) });
    else {
      seen.add(parsed.data.id);
      out.parts.push(parsed.data);
    }
  });
  return out;
}
