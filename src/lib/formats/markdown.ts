import type { Caution } from '../core/safety';
import { cautionWords } from '../words';
import { nothingToMove, type Sheet } from './sheet';

/** Characters that Markdown would read as marks are written as they are. */
const plain = (text: string): string =>
  text.replace(/\s+/g, ' ').replace(/[\\`*_{}[\]<>#|~]/g, (mark) => `\\${mark}`);

const caution = (c: Caution) =>
  `> **${c.level === 'red' ? 'Danger' : 'Caution'}:** ${plain(cautionWords[c.id])}`;

const box = ({ done }: { done?: unknown }): string => (done ? '[x]' : '[ ]');

/** The bench sheet as Markdown: boxes to tick, a table of lines. */
export function sheetMarkdown(sheet: Sheet): string {
  const out: string[] = [`# Bench sheet: ${plain(sheet.name)}`];
  if (sheet.open.length)
    out.push(
      '## Still open',
      sheet.open.map((f) => `- **${f.severity}**: ${plain(f.title)}. ${plain(f.sentence)}`).join('\n')
    );
  out.push(sheet.cautions.map(caution).join('\n>\n'), '## Steps');
  if (!sheet.steps.length) out.push(nothingToMove(sheet));
  sheet.steps.forEach((step, i) =>
    out.push(
      [
        ...step.cautions.map((c) => `${caution(c)}\n`),
        `${i + 1}. ${box(step)} ${plain(step.title)}`,
        ...step.actions.map((action) =>
          step.kind === 'command'
            ? `   - ${box(action)} \`${action.text.replace(/`/g, "'")}\``
            : `   - ${box(action)} ${plain(action.text)}`
        )
      ].join('\n')
    )
  );
  if (sheet.unseen.length)
    out.push(
      '## Not looked at, taken to be at the default',
      sheet.unseen.map((u) => `- ${plain(u.title)}: ${plain(u.settings.join(', '))}`).join('\n')
    );
  out.push(
    '## Before power',
    sheet.powerCautions.map(caution).join('\n>\n'),
    [
      ...sheet.power.held.map((text) => `- **${plain(text)}**`),
      ...sheet.power.stops.map((text) => `- [ ] Ruled out before power: ${plain(text)}`),
      ...sheet.power.checks.map(
        ({ text, skippedBy }) =>
          `- [ ] ${plain(text)}${skippedBy ? ` (skipped by ${plain(skippedBy)}, open)` : ''}`
      )
    ].join('\n') || 'Stops ruled out and checks done, as noted.',
    '## Starts',
    [
      ...sheet.boot.starts.map((text) => `- ${plain(text)}`),
      ...(sheet.boot.files.length
        ? [`- Files, line by line under Boot: ${plain(sheet.boot.files.join(', '))}`]
        : []),
      ...sheet.boot.refused.map((text) => `- ${plain(text)}`),
      ...sheet.boot.missing.map((text) => `- [ ] In hand before a disk is wiped: ${plain(text)}`),
      ...sheet.boot.windows.map((text) => `- [ ] ${plain(text)}`)
    ].join('\n'),
    '## Lines after this',
    [
      '| Card | Function | Lines, ports, memory |',
      '| --- | --- | --- |',
      ...sheet.lines.map(
        (row) => `| ${plain(row.owner)} | ${plain(row.function)} | ${plain(row.lines.join(', '))} |`
      )
    ].join('\n')
  );
  return out.join('\n\n') + '\n';
}
