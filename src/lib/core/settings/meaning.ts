import {
  BLOCK_KINDS,
  blockOf,
  type Block,
  type FactId,
  type FactValue,
  type Offered,
  type Part,
  type Setting,
  type State
} from '../model';

/** A setting of a part with what its positions say of one fact of the machine. */
export interface Meant {
  fact: FactId | 'on-board';
  setting: Setting;
  /** For `on-board`: the function that it switches. */
  fn?: string;
  values: ReadonlyMap<string, FactValue>;
}

/**
 * What the settings of a part say of the machine: the facts that stand in its own fields (clocks, display,
 * FPU, monitor), those listed under `means`, and for a board which of its functions are switched off.
 */
export function meaningsOf(part: Part): Meant[] {
  const out: Meant[] = [];
  const say = (fact: Meant['fact'], id: string, values: Record<string, FactValue>, fn?: string) => {
    const setting = part.settings.find((s) => s.id === id);
    if (setting?.known)
      out.push({ fact, setting, values: new Map(Object.entries(values)), ...(fn ? { fn } : {}) });
  };
  const offered = (fact: FactId, told: Offered | undefined) => {
    if (told && !Array.isArray(told)) say(fact, told.setting, told.values);
  };
  const { board, video } = part;
  offered('bus-mhz', board?.busClock);
  offered('factor', board?.multiplier);
  offered('volts', board?.coreVolts);
  offered('bus-divisor', board?.busDivisor);
  if (board?.displaySwitch) say('display', board.displaySwitch.setting, board.displaySwitch.values);
  if (board?.fpuSwitch) {
    const { setting, fitted, none } = board.fpuSwitch;
    say('fpu', setting, { [none]: 0, [fitted]: 1 });
  }
  if (video?.monitorSwitch) say('monitor', video.monitorSwitch.setting, video.monitorSwitch.values);
  for (const { fact, setting, values } of part.means ?? []) say(fact, setting, values);
  if (board)
    for (const fn of part.functions)
      for (const match of fn.off) {
        const [[id, off] = ['', []], ...more] = Object.entries(match);
        const setting = part.settings.find((s) => s.id === id);
        if (!setting || more.length || !isByHand(part, setting)) continue;
        const values = setting.positions.map((p) => [p.id, off.includes(p.id) ? 'off' : 'on'] as const);
        say('on-board', id, Object.fromEntries(values), fn.id);
      }
  return out;
}

/** Blocks that a person sets with fingers, tweezers or an iron. */
export const isHandBlock = (block: Block): boolean => BLOCK_KINDS[block.kind].byHand;

/** Whether a setting is made by hand on the part, and not by a program or at start-up. */
export function isByHand(part: Part, setting: Setting): boolean {
  const block = blockOf(part, setting);
  return block !== undefined && isHandBlock(block);
}

/** Settings on one block. */
export const settingsOn = (part: Part, block: string): Setting[] =>
  part.settings.filter((s) => s.block === block);

/** Switches or pins that the settings of a block decide about; the rest of the block is in no table. */
export function coveredSwitches(part: Part, block: string): Set<string> {
  const states = settingsOn(part, block).flatMap((s) => s.positions.flatMap((p) => p.state ?? []));
  return new Set(states.flatMap((state: State) => ('switches' in state ? Object.keys(state.switches) : [])));
}
