import type { Part } from '../core/model';

/** Whether every word of the query is somewhere in what is known of a part. */
export function matches(part: Part, query: string): boolean {
  const hay = [
    part.maker,
    part.name,
    part.summary ?? '',
    part.card?.bus ?? '',
    part.board?.cpu ?? '',
    ...part.functions.map((f) => `${f.label} ${f.kind}`)
  ]
    .join(' ')
    .toLowerCase();
  return query
    .toLowerCase()
    .split(/\s+/)
    .every((word) => hay.includes(word));
}
