import type { FactId, FactValue, Part, Setting, State } from '../model';
import { blockOf, isByHand, meaningsOf } from './meaning';
import { blockState, positionShown } from './record';

/** What a state of the blocks says of one setting. */
export interface Reading {
  setting: Setting;
  /** The position shown; null when more than one, or none, agrees. */
  position: string | null;
  /** Positions that agree with what is known; empty: this combination is in no table. */
  possible: string[];
  /** What it says in words. */
  words: string;
}

const agrees = (told: State, seen: State): boolean => {
  if ('switches' in told && 'switches' in seen)
    return Object.entries(told.switches).every(
      ([n, side]) => seen.switches[n] === undefined || seen.switches[n] === side
    );
  return true;
};

/**
 * Reads what the blocks of a part mean, in the order of its settings. A switch that is left out is not known:
 * every position that agrees with the others stays possible.
 * @param states by block id; a block that is left out was not looked at
 */
export function decode(part: Part, states: Readonly<Record<string, State>>): Reading[] {
  return part.settings
    .filter((setting) => isByHand(part, setting))
    .map((setting) => {
      const state = setting.block ? states[setting.block] : undefined;
      const shown = state ? positionShown(setting, state) : undefined;
      const possible =
        shown !== undefined
          ? [shown]
          : setting.positions
              .filter(
                (p) => state === undefined || !p.state || ('switches' in state && agrees(p.state, state))
              )
              .map((p) => p.id);
      const labels = setting.positions.filter((p) => possible.includes(p.id)).map((p) => p.label);
      const words = !setting.known
        ? 'nobody knows what it does'
        : labels.length === 0
          ? 'in no row of the table'
          : labels.length > 6
            ? `one of ${labels.length}`
            : labels.join(' or ');
      return { setting, position: shown ?? null, possible, words };
    });
}

/** `Memory banks: banks 0–3; First display: monochrome`, of the settings that are known. */
export const decodedSentence = (readings: readonly Reading[]): string =>
  readings
    .filter((r) => r.setting.known && r.position !== null)
    .map((r) => `${r.setting.label}: ${r.words}`)
    .join('; ');

/** Facts of the machine that the blocks tell, where one position is shown. */
export function factsTold(part: Part, readings: readonly Reading[]): Partial<Record<FactId, FactValue>> {
  const out: Partial<Record<FactId, FactValue>> = {};
  for (const meant of meaningsOf(part)) {
    const position = readings.find((r) => r.setting.id === meant.setting.id)?.position;
    const value = position === null || position === undefined ? undefined : meant.values.get(position);
    if (value !== undefined && meant.fact !== 'on-board') out[meant.fact] = value;
  }
  return out;
}

/** The part cannot say what was asked. */
export class EncodeError extends Error {}

/**
 * The state of every block for positions of its settings; those that are not named stay out.
 * @throws EncodeError naming the setting or position that the part does not have
 */
export function encode(part: Part, positions: Readonly<Record<string, string>>): Record<string, State> {
  for (const [id, position] of Object.entries(positions)) {
    const setting = part.settings.find((s) => s.id === id);
    if (!setting)
      throw new EncodeError(
        `${part.name} has no setting "${id}"; it has ${part.settings.map((s) => s.id).join(', ') || 'none'}`
      );
    if (!setting.positions.some((p) => p.id === position))
      throw new EncodeError(
        `"${id}" has no position "${position}"; it has ${setting.positions.map((p) => p.id).join(', ')}`
      );
  }
  const out: Record<string, State> = {};
  for (const block of part.blocks) {
    const state = blockState(part, block.id, positions);
    if (state) out[block.id] = state;
  }
  return out;
}

/**
 * Positions that say these facts of the machine: every setting that tells one of them, on whatever block.
 * @throws EncodeError when the part has no setting for a fact, or no position for its value
 */
export function encodeFacts(part: Part, facts: Partial<Record<FactId, FactValue>>): Record<string, string> {
  const meanings = meaningsOf(part);
  const out: Record<string, string> = {};
  for (const [fact, value] of Object.entries(facts)) {
    const telling = meanings.filter((m) => m.fact === fact);
    if (!telling.length) throw new EncodeError(`no setting of ${part.name} tells "${fact}"`);
    for (const { setting, values } of telling) {
      const position = [...values].find(([, v]) => v === value)?.[0];
      if (position === undefined)
        throw new EncodeError(
          `"${setting.id}" cannot say ${value}; it says ${[...new Set(values.values())].join(', ')}`
        );
      out[setting.id] = position;
    }
  }
  return out;
}

/** Blocks that a part has for fingers, with the settings on them in words. */
export const handBlocks = (part: Part) =>
  part.blocks.filter((b) => part.settings.some((s) => blockOf(part, s)?.id === b.id && isByHand(part, s)));
