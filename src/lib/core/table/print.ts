import { blockOf, type Block, type Part, type Setting, type State } from '../model';

type Header = Extract<Block, { kind: 'header' }>;
type Dip = Extract<Block, { kind: 'dip' }>;

const nameOf = (block: Block): string => block.label ?? block.id.toUpperCase();

/** The printed names that a joined block stands for: `S1–S3` is S1, S2 and S3. Null: it is one block. */
function members(label: string, count: number): string[] | null {
  const run = /^([A-Z]+)(\d+)–\1(\d+)$/i.exec(label);
  const names = run
    ? Array.from(
        { length: Math.max(0, Number(run[3]) - Number(run[2]) + 1) },
        (_, i) => `${run[1]}${Number(run[2]) + i}`
      )
    : label.split(', ');
  return names.length > 1 && names.length === count ? names : null;
}

function jumpers(block: Header, state: Extract<State, { caps: unknown }>): string {
  const names = block.columnLabels?.length === block.columns ? block.columnLabels : null;
  if (!names) {
    const name = nameOf(block);
    // Two pins have one jumper, which is there or not.
    if (block.rows * block.columns === 2) return `${name} ${state.caps.length ? 'closed' : 'open'}`;
    return state.caps.length ? state.caps.map(([a, b]) => `${name} ${a}-${b}`).join(', ') : `${name} open`;
  }
  return names
    .map((name, i) => {
      const own = state.caps
        .map(([a, b]) => [a - i * block.rows, b - i * block.rows] as const)
        .filter(([a, b]) => a >= 1 && b >= 1 && a <= block.rows && b <= block.rows);
      if (!own.length) return `${name} open`;
      return block.rows === 2 ? `${name} closed` : own.map(([a, b]) => `${name} ${a}-${b}`).join(', ');
    })
    .join(', ');
}

/** A block that was never named is spoken of by its switches alone. */
const switchName = (block: string, n: string): string => (block === 'SW' ? `switch ${n}` : `${block}-${n}`);

function switches(block: Dip, state: Extract<State, { switches: unknown }>): string {
  const names = members(nameOf(block), block.switches);
  return Object.entries(state.switches)
    .map(
      ([n, side]) => `${names ? names[Number(n) - 1] : switchName(nameOf(block), n)} ${side.toUpperCase()}`
    )
    .join(', ');
}

/** How a state of a header or of switches is printed: `JP2 1-2`, `SW1-7 OFF, SW1-8 ON`. Null: of another block. */
export const printedState = (block: Block, state: State): string | null =>
  block.kind === 'header' && 'caps' in state
    ? jumpers(block, state)
    : block.kind === 'dip' && 'switches' in state
      ? switches(block, state)
      : null;

const isGuess = (setting: Setting, id: string): boolean =>
  setting.positions.find((p) => p.id === id)?.evidence?.some((e) => e.source === 'guess') ?? false;

/** The settings of a part as a table that `readTable` reads as the same blocks and settings. */
export function printTable(part: Part): string {
  const lines: string[] = [];
  for (const setting of part.settings) {
    const block = blockOf(part, setting);
    if (!block || (block.kind !== 'header' && block.kind !== 'dip')) continue;
    const label = setting.label === nameOf(block) ? '' : setting.label;
    lines.push(...(lines.length ? [''] : []), ...(label ? [`${label}:`] : []));
    const isAssumedDefault = setting.evidence?.some((e) => e.source === 'guess' && e.says === 'default');
    for (const position of setting.positions) {
      if (!position.state || isGuess(setting, position.id)) continue;
      const state = printedState(block, position.state);
      if (state === null) continue;
      const mark = position.id === setting.default && !isAssumedDefault ? ' *' : '';
      lines.push(`  ${state} = ${position.label}${mark}`);
    }
  }
  // A block of which nothing is known is still there.
  const used = new Set(part.settings.map((s) => s.block));
  for (const block of part.blocks)
    if ((block.kind === 'header' || block.kind === 'dip') && !used.has(block.id))
      lines.push(
        ...(lines.length ? [''] : []),
        `${nameOf(block)} (${block.kind === 'dip' ? `${block.switches} switches` : `${block.rows * block.columns} pins`})`
      );
  return lines.join('\n') + (lines.length ? '\n' : '');
}
