import { there } from '../model';
/** Rails as the label of a supply has them, in amperes. */
export const LABEL_RAILS = ['v5', 'v12', 'm5', 'm12', 'v3', 'standby'] as const;
export type LabelRail = (typeof LABEL_RAILS)[number];

const VOLTS: Readonly<Record<LabelRail, number>> = { v5: 5, v12: 12, m5: 5, m12: 12, v3: 3.3, standby: 5 };

export interface SupplyLabel {
  amps: Partial<Record<LabelRail, number>>;
  /** As printed; null: not on it. */
  watts: number | null;
  /** Watts that the rails add up to. */
  sum: number;
  /** All rails at once are more than it gives: they share. */
  isShared: boolean;
  /** Mains that it says it takes, in volts. */
  mains: string | null;
  /** Parts of the text that were not understood. */
  odd: string[];
}

function railOf(sign: string, volts: string, standby: boolean): LabelRail | null {
  const isMinus = sign === '-' || sign === '−' || sign === '–';
  if (standby) return volts === '5' ? 'standby' : null;
  if (volts === '5') return isMinus ? 'm5' : 'v5';
  if (volts === '12') return isMinus ? 'm12' : 'v12';
  return volts === '3.3' && !isMinus ? 'v3' : null;
}

const RAIL =
  /([+−–-]?)\s*(\d+(?:\.\d+)?)\s*V\s*(sb|stb|standby|aux)?\s*(?:DC)?\s*[:=@,/-]?\s*(\d+(?:\.\d+)?)\s*A\b/gi;
/** Words of a label that say nothing of a rail: what it is the label of, and the colours of the wires. */
const NO_WORDS =
  /^(?:(?:output|input|total|max|only|dc|ac|red|yellow|white|blue|orange|purple|grey|gray|green|black)s?[:.]?\s*)+$/i;
/** A number of volts that no rail has is mains, with its amperes or without. */
const MAINS =
  /(?:\bAC\b\s*:?\s*|~\s*)?\b((?:9\d|1[0-2]\d|2[0-6]\d)(?:\s*[-–/]\s*(?:1[0-2]\d|2[0-6]\d))?)\s*V(?:AC)?(?![A-Z])\s*(?:AC\b|~)?(?:\s*[:=@,]?\s*\d+(?:\.\d+)?\s*A?(?:\s*[-–/]\s*\d+(?:\.\d+)?\s*A?)?(?<=A)(?![A-Z]))?/gi;
const HERTZ = /\b\d{2}(?:\s*[-–/]\s*\d{2})?\s*Hz\b/gi;
const WATTS = /\b(\d{2,4})\s*W(?:atts?)?\b/i;

/**
 * Reads the label of a supply as it is printed: `+5V 20A, +12V 8A, -5V 0.5A, -12V 0.5A, 200W`.
 * What a label does not say stays unknown: no rail is taken for absent because it is not on it.
 */
export function readSupplyLabel(text: string): SupplyLabel {
  const amps: SupplyLabel['amps'] = {};
  const odd: string[] = [];
  // `0,5A` is half an ampere.
  let rest = text.slice(0, 2000).replace(/(\d),(\d{1,2})(?=\s*A\b)/gi, '$1.$2');
  const mains = [...rest.matchAll(MAINS)].map((m) => there(m[1]).replace(/\s+/g, ''));
  rest = rest.replace(MAINS, ' ').replace(HERTZ, ' ');
  for (const m of rest.matchAll(RAIL)) {
    const rail = railOf(there(m[1]), there(m[2]), m[3] !== undefined);
    if (rail) amps[rail] = Number(m[4]);
    else odd.push(m[0].trim());
  }
  rest = rest.replace(RAIL, ' ');
  const watts = WATTS.exec(rest);
  rest = rest.replace(WATTS, ' ');
  odd.push(
    ...rest
      .split(/[,;\n]/)
      .map((s) => s.trim())
      .filter((s) => /[a-z0-9]/i.test(s) && !NO_WORDS.test(s))
      .slice(0, 8)
  );
  const sum = LABEL_RAILS.reduce((s, r) => s + (amps[r] ?? 0) * VOLTS[r], 0);
  const printed = watts ? Number(watts[1]) : null;
  return {
    amps,
    watts: printed,
    sum: Math.round(sum * 10) / 10,
    isShared: printed !== null && sum > printed * 1.02,
    mains: mains.length ? [...new Set(mains)].join('/') : null,
    odd
  };
}
