import type { z } from 'zod';
import type { Part, Claim } from './part';
import type { StateForm } from './block-kinds';

/** What a schema finds beyond types and lengths. It stands as the message of the issue; `words` has the sentence. */
export type SchemaFlaw =
  | 'no-hex'
  | 'no-id'
  | 'no-name'
  | 'dos-file-size'
  | 'dos-file-name'
  | 'no-picture'
  | 'no-month'
  | 'no-day'
  | 'no-hash'
  | 'what-came-off'
  | 'what-it-is'
  | 'what-it-decides'
  | 'what-it-means'
  | 'where-image'
  | 'who'
  | 'why'
  | 'no-thing'
  | 'no-start'
  | 'too-many-entries';

/** The name of a flaw as a schema takes it. */
export const finds = (flaw: SchemaFlaw): SchemaFlaw => flaw;

/** Refuses a record of more than so many entries, for `refine`. */
export const atMost = (most: number) =>
  [
    (record: object) => Object.keys(record).length <= most,
    { error: finds('too-many-entries'), params: { most } }
  ] as const;

/** What is larger than any hardware. */
export type Sized = 'functions' | 'claims' | 'rows' | 'layouts' | 'joint positions' | 'machine lines';
/** What a state names by its number. */
export type Counted = 'pin' | 'switch' | 'step' | 'bridge';

/** What is wrong at one place of a document. */
export type Flaw =
  | { is: 'schema'; message: string; params: Readonly<Record<string, unknown>> }
  | {
      is:
        | 'not-object'
        | 'version'
        | 'no-build'
        | 'sold-backwards'
        | 'no-positions'
        | 'no-default'
        | 'no-block-for-state';
    }
  | { is: 'format'; name: string }
  | { is: 'newer'; version: number; reads: number }
  | {
      is:
        | 'twice'
        | 'taken'
        | 'board-id'
        | 'no-board'
        | 'no-part'
        | 'no-item'
        | 'no-slot'
        | 'no-block'
        | 'no-setting';
      id: string;
    }
  | { is: 'no-function' | 'no-position' | 'position-missing' | 'not-among'; id: string }
  | { is: 'no-facts'; kind: Part['kind'] }
  | { is: 'no-such-position'; setting: string; position: string }
  | { is: 'part-without-setting'; part: string; setting: string }
  | { is: 'item-without-function'; item: string; function: string }
  | { is: 'row-length'; entries: number; settings: number }
  | { is: 'too-many'; what: Sized; n: number; most: number }
  | { is: 'beyond'; what: Counted; n: number; most: number }
  | { is: 'wrong-form'; form: StateForm; block: string; kind: string }
  | { is: 'sources'; mayBePin: boolean }
  | { is: 'past-last'; value: number; resource: Claim['resource'] }
  | { is: 'no-row'; chosen: Readonly<Record<string, string>> };

/** A flaw with its place, a path such as `parts[2].settings[0].default`. */
export interface FlawAt {
  path: string;
  flaw: Flaw;
}

/** `['parts', 2, 'id']` → `parts[2].id`. */
export function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, key) =>
      typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key),
    ''
  );
}

/** What a Zod error found, the deepest branch of a union first, 50 at the most. */
export function schemaFlaws(error: z.ZodError): FlawAt[] {
  const out: FlawAt[] = [];
  const visit = (issues: readonly z.core.$ZodIssue[], prefix: readonly PropertyKey[]): void => {
    for (const issue of issues) {
      const path = [...prefix, ...issue.path];
      if (issue.code === 'invalid_union' && issue.errors.length) {
        const best = [...issue.errors].sort((a, b) => depth(b) - depth(a) || a.length - b.length)[0];
        if (best?.length) {
          visit(best, path);
          continue;
        }
      }
      const params = (issue.code === 'custom' && issue.params) || {};
      out.push({ path: pathText(path), flaw: { is: 'schema', message: issue.message, params } });
    }
  };
  visit(error.issues, []);
  return out.slice(0, 50);
}

function depth(issues: readonly z.core.$ZodIssue[]): number {
  return Math.max(0, ...issues.map((issue) => issue.path.length));
}
