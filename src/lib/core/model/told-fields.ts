import type { FactId, FactValue } from './meaning';
import type { Part } from './part';

type Values = Readonly<Record<string, FactValue>>;
/** What a board or card is with a setting in the field of its fact; null: it has no such field, or has it already. */
type Put = (part: Part, setting: string, values: Values) => Part | null;

const numbers = (values: Values) =>
  Object.fromEntries(
    Object.entries(values).filter((e): e is [string, number] => typeof e[1] === 'number' && e[1] > 0)
  );
/** The values that a field knows. */
const words = <W extends string>(values: Values, known: readonly W[]) =>
  Object.fromEntries(Object.entries(values).filter((e): e is [string, W] => known.includes(e[1] as W)));

const offered =
  (key: 'busClock' | 'multiplier' | 'coreVolts' | 'busDivisor'): Put =>
  (part, setting, values) =>
    part.board && part.board[key] === undefined && Object.keys(numbers(values)).length
      ? { ...part, board: { ...part.board, [key]: { setting, values: numbers(values) } } }
      : null;

const fields: Partial<Record<FactId, Put>> = {
  'bus-mhz': offered('busClock'),
  factor: offered('multiplier'),
  volts: offered('coreVolts'),
  'bus-divisor': offered('busDivisor'),
  display: (part, setting, told) => {
    const values = words(told, ['mono', 'colour', 'own-bios', 'any'] as const);
    return part.board && !part.board.displaySwitch && Object.keys(values).length
      ? { ...part, board: { ...part.board, displaySwitch: { setting, values } } }
      : null;
  },
  fpu: (part, setting, values) => {
    const at = (value: number) => Object.keys(values).find((position) => values[position] === value);
    const [fitted, none] = [at(1), at(0)];
    return part.board && !part.board.fpuSwitch && fitted !== undefined && none !== undefined
      ? { ...part, board: { ...part.board, fpuSwitch: { setting, fitted, none } } }
      : null;
  },
  monitor: (part, setting, told) => {
    const values = words(told, ['mono', 'colour', 'enhanced-200', 'enhanced-350'] as const);
    return part.video && !part.video.monitorSwitch && Object.keys(values).length
      ? { ...part, video: { ...part.video, monitorSwitch: { setting, values } } }
      : null;
  }
};

const known = new WeakMap<Part, Part>();

/**
 * A part as the rules ask it: what its settings are said to tell of clocks, voltage, display, FPU and monitor stands in
 * the fields that catalogue parts have for it, so that a part described by hand is checked like any other.
 */
export function withToldFields(part: Part): Part {
  if (!part.means?.length) return part;
  const before = known.get(part);
  if (before) return before;
  const kept: NonNullable<Part['means']> = [];
  let out = part;
  for (const meaning of part.means) {
    const isKnown = part.settings.some((s) => s.id === meaning.setting && s.known);
    const next = isKnown ? fields[meaning.fact]?.(out, meaning.setting, meaning.values) : null;
    if (next) out = next;
    else kept.push(meaning);
  }
  if (out !== part) out = { ...out, means: kept };
  known.set(part, out);
  return out;
}
