import type { z } from 'zod';

/** Something wrong in a document: where (a path such as `parts[2].settings[0].default`) and what. */
export interface Problem {
  path: string;
  message: string;
}

export class InvalidDocument extends Error {
  constructor(
    readonly problems: Problem[],
    readonly what = 'The document'
  ) {
    super(`${what} cannot be used: ${problems.map((p) => `${p.path || 'top'}: ${p.message}`).join('; ')}`);
    this.name = 'InvalidDocument';
  }
}

/** `['parts', 2, 'id']` → `parts[2].id`. */
export function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, key) =>
      typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key),
    ''
  );
}

/** The problems of a Zod error, the deepest branch of a union first, 50 at the most. */
export function zodProblems(error: z.ZodError): Problem[] {
  const out: Problem[] = [];
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
      out.push({ path: pathText(path), message: issue.message });
    }
  };
  visit(error.issues, []);
  return out.slice(0, 50);
}

function depth(issues: readonly z.core.$ZodIssue[]): number {
  return Math.max(0, ...issues.map((issue) => issue.path.length));
}
