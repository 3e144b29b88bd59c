import type { Caution } from '../core/safety';
import { cautionWords, sheetWords as words } from '../words';
import { nothingToMove, type Sheet } from './sheet';

/** Characters that Markdown would read as marks are written as they are. */
const plain = (text: string): string =>
  text.replace(/\s+/g, ' ').replace(/[\\`*_{}[\]<>#|~]/g, (mark) => `\\${mark}`);

const caution = (c: Caution) =>
  `> **${c.level === 'red' ? words.danger : words.caution}:** ${plain(cautionWords[c.id])}`;

const box = ({ done }: { done?: unknown }): string => (done ? '[x]' : '[ ]');

/** The bench sheet as Markdown: boxes to tick, a table of lines. */
export function sheetMarkdown(sheet: Sheet): string {
  const out: string[] = [`# ${words.title(plain(sheet.name))}`];
  if (sheet.open.length)
    out.push(
      `## ${words.open}`,
      sheet.open.map((f) => `- **${f.severity}**: ${plain(f.title)}. ${plain(f.sentence)}`).join('\n')
    );
  out.push(sheet.cautions.map(caution).join('\n>\n'), `## ${words.steps}`);
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
      `## ${words.unseen}`,
      sheet.unseen.map((u) => `- ${plain(u.title)}: ${plain(u.settings.join(', '))}`).join('\n')
    );
  out.push(
    `## ${words.beforePower}`,
    sheet.powerCautions.map(caution).join('\n>\n'),
    [
      ...sheet.power.held.map((text) => `- **${plain(text)}**`),
      ...sheet.power.stops.map((text) => `- [ ] ${words.ruledOut(plain(text))}`),
      ...sheet.power.checks.map(
        ({ text, skippedBy }) =>
          `- [ ] ${skippedBy ? words.skipped(plain(text), plain(skippedBy)) : plain(text)}`
      )
    ].join('\n') || words.allDone,
    ...(sheet.drives.length
      ? [
          `## ${words.drives}`,
          sheet.drives
            .map(({ title, drives }) =>
              [
                `- ${plain(title)}`,
                ...drives.map(({ text, isOpen }) => `  - [${isOpen ? ' ' : 'x'}] ${plain(text)}`)
              ].join('\n')
            )
            .join('\n')
        ]
      : []),
    `## ${words.starts}`,
    [
      ...sheet.boot.starts.map((text) => `- ${plain(text)}`),
      ...(sheet.boot.files.length ? [`- ${words.files(sheet.boot.files.map(plain))}`] : []),
      ...sheet.boot.refused.map((text) => `- ${plain(text)}`),
      ...sheet.boot.missing.map((text) => `- [ ] ${words.inHand(plain(text))}`),
      ...sheet.boot.windows.map((text) => `- [ ] ${plain(text)}`)
    ].join('\n'),
    `## ${words.linesAfter}`,
    [
      `| ${words.lineColumns.join(' | ')} |`,
      '| --- | --- | --- |',
      ...sheet.lines.map(
        (row) => `| ${plain(row.owner)} | ${plain(row.function)} | ${plain(row.lines.join(', '))} |`
      )
    ].join('\n')
  );
  return out.join('\n\n') + '\n';
}
