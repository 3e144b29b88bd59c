import type { Build, PartSet } from '../core/model';
import { writeBuildFile } from './build-file';
import { sheetMarkdown } from './markdown';
import { sheetOf, sheetText } from './sheet';
import { claimsCsv, movesCsv } from './tables';

export const exportKinds = ['json', 'claims.csv', 'moves.csv', 'sheet.txt', 'sheet.md'] as const;
export type ExportKind = (typeof exportKinds)[number];

const writers: Record<ExportKind, { media: string; write: (build: Build, parts: PartSet) => string }> = {
  json: { media: 'application/json', write: writeBuildFile },
  'claims.csv': { media: 'text/csv; charset=utf-8', write: claimsCsv },
  'moves.csv': { media: 'text/csv; charset=utf-8', write: movesCsv },
  'sheet.txt': { media: 'text/plain; charset=utf-8', write: (b, p) => sheetText(sheetOf(b, p)) },
  'sheet.md': { media: 'text/markdown; charset=utf-8', write: (b, p) => sheetMarkdown(sheetOf(b, p)) }
};

/** A build as a file of one kind, with a name made of the letters, digits and hyphens of its id only. */
export function exported(
  build: Build,
  parts: PartSet,
  kind: ExportKind
): { content: string; media: string; name: string } {
  const { media, write } = writers[kind];
  const safe = build.id.replace(/[^a-z0-9-]/g, '-');
  return { content: write(build, parts), media, name: kind === 'json' ? `${safe}.json` : `${safe}-${kind}` };
}
