import { blockOf, type FactId, type FactValue, type Part, type Setting, type State } from '../model';
import { isByHand, meaningsOf } from './meaning';
import { blockState, positionShown } from './record';
import { Refusal } from '../refusal';

/** What a state of the blocks says of one setting. */
export interface Reading {
  setting: Setting;
  /** The position shown; null when more than one, or none, agrees. */
  position: string | null;
  /** Positions that agree with what is known; empty: this combination is in no table. */
  possible: string[];
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
      return { setting, position: shown ?? null, possible };
    });
}

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

/** What a part lacks of what was asked, with what it has instead. */
export type EncodeFlaw =
  | { is: 'no-setting'; part: string; setting: string; has: string[] }
  | { is: 'no-position'; setting: string; position: string; has: string[] }
  | { is: 'fact'; part: string; fact: string }
  | { is: 'value'; setting: string; value: string; has: string[] };

/** The part cannot say what was asked. */
export class EncodeError extends Refusal<EncodeFlaw> {}

/**
 * The state of every block for positions of its settings; those that are not named stay out.
 * @throws EncodeError naming the setting or position that the part does not have
 */
export function encode(part: Part, positions: Readonly<Record<string, string>>): Record<string, State> {
  for (const [id, position] of Object.entries(positions)) {
    const setting = part.settings.find((s) => s.id === id);
    if (!setting)
      throw new EncodeError({
        is: 'no-setting',
        part: part.name,
        setting: id,
        has: part.settings.map((s) => s.id)
      });
    if (!setting.positions.some((p) => p.id === position))
      throw new EncodeError({
        is: 'no-position',
        setting: id,
        position,
        has: setting.positions.map((p) => p.id)
      });
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
    if (!telling.length) throw new EncodeError({ is: 'fact', part: part.name, fact });
    for (const { setting, values } of telling) {
      const position = [...values].find(([, v]) => v === value)?.[0];
      if (position === undefined)
        throw new EncodeError({
          is: 'value',
          setting: setting.id,
          value: String(value),
          has: [...new Set(values.values())].map(String)
        });
      out[setting.id] = position;
    }
  }
  return out;
}

/** Blocks that a part has for fingers, with the settings on them in words. */
export const handBlocks = (part: Part) =>
  part.blocks.filter((b) => part.settings.some((s) => blockOf(part, s)?.id === b.id && isByHand(part, s)));
