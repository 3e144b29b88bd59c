import type { FactId, FactValue, Part } from '../model';

/** What a setting tells of the machine, with a value for each of its positions. */
export interface Telling {
  fact: FactId;
  values: Record<string, FactValue>;
}

/** Facts that a board has fields of its own for; every other one stands under `means`. */
export const OFFERED = {
  'bus-mhz': 'busClock',
  factor: 'multiplier',
  volts: 'coreVolts',
  'bus-divisor': 'busDivisor'
} as const satisfies Partial<Record<FactId, keyof NonNullable<Part['board']>>>;

const offered = (part: Part, fact: FactId) => {
  const told = part.board?.[OFFERED[fact as keyof typeof OFFERED]];
  return told && !Array.isArray(told) ? told : null;
};

/** What a setting is said to tell; null: nothing. */
export function factOf(part: Part, setting: string): Telling | null {
  for (const fact of Object.keys(OFFERED) as (keyof typeof OFFERED)[]) {
    const told = offered(part, fact);
    if (told?.setting === setting) return { fact, values: told.values };
  }
  const found = part.means?.find((m) => m.setting === setting);
  return found ? { fact: found.fact, values: found.values } : null;
}

/** A part whose setting tells this and nothing else of the machine. Of clocks and volts only numbers above 0 count. */
export function withTelling(part: Part, setting: string, telling: Telling | null): Part {
  const { means = [], ...rest } = part;
  const kept = means.filter((m) => m.setting !== setting);
  let board = part.board;
  if (board)
    for (const fact of Object.keys(OFFERED) as (keyof typeof OFFERED)[])
      if (offered(part, fact)?.setting === setting) {
        const { [OFFERED[fact]]: _, ...others } = board;
        board = others;
      }
  const key = telling && OFFERED[telling.fact as keyof typeof OFFERED];
  if (telling && board && key) {
    const values = Object.fromEntries(
      Object.entries(telling.values).filter(
        (e): e is [string, number] => typeof e[1] === 'number' && e[1] > 0
      )
    );
    board = { ...board, [key]: { setting, values } };
  } else if (telling) kept.push({ ...telling, setting });
  return { ...rest, ...(board ? { board } : {}), ...(kept.length ? { means: kept } : {}) };
}
