import { blockOf, there } from '../model';
import type { Block, Position, Setting, State } from '../model';
import type { Fitted } from '../resources';
import { capMoves, leverMoves } from '../solver';

type Pair = readonly [number, number];
type Side = 'on' | 'off';
/** How the sides of a DIP block are printed. */
export type Printed = Extract<Block, { kind: 'dip' }>['printed'];

/** What to do with what sits on a block, or with a setting that has none. */
export type Act =
  | { is: 'choose' }
  /** Nobody looked: the whole row as it is to stand. */
  | { is: 'whole-header'; on: Pair[]; bare: Pair[] }
  | { is: 'whole-dip'; levers: { lever: number; to: Side }[]; printed: Printed }
  | { is: 'move'; from: Pair; to: Pair }
  | { is: 'remove' | 'fit'; pair: Pair }
  | { is: 'levers'; levers: { lever: number; to: Side }[]; printed: Printed }
  | { is: 'turn'; step: number }
  | { is: 'slide'; label?: string; step: number; steps: number }
  | { is: 'packs'; in: number[]; all: number }
  | { is: 'bay'; out?: string }
  | { is: 'solder' | 'set' };

/** One thing to do; `words` says it so that a person at the bench can follow. */
export interface Action {
  /** Block on which it happens, when there is one, and what is printed beside it. */
  block?: string;
  name?: string;
  setting: string;
  /** What the setting is called, and the position it comes to. */
  label: string;
  to: string;
  act: Act;
}

/**
 * What to do on the block of a setting to bring it to a position.
 * @param from where it was seen; left out when nobody looked, and then the whole row is told, since a difference from
 *   an assumed position would be wrong wherever the block stands otherwise
 */
export function actionsFor(
  fitted: Fitted,
  setting: Setting,
  from: Position | undefined,
  to: Position
): Action[] {
  const block = blockOf(fitted.part, setting);
  return actsFor(block, setting, from, to).map((act) => ({
    setting: setting.id,
    label: setting.label,
    to: to.label,
    ...(block ? { block: block.id, name: block.label ?? block.id } : {}),
    act
  }));
}

function actsFor(
  block: Block | undefined,
  setting: Setting,
  from: Position | undefined,
  to: Position
): Act[] {
  if (!block || !to.state) return [{ is: 'choose' }];
  const whole = from ? null : wholeRow(block, setting, to.state);
  if (whole) return [whole];
  if (block.kind === 'header') {
    const { lift, press } = capMoves(from?.state, to.state);
    const moved = Math.min(lift.length, press.length);
    return [
      ...lift.slice(0, moved).map((pair, i): Act => ({ is: 'move', from: pair, to: there(press[i]) })),
      ...lift.slice(moved).map((pair): Act => ({ is: 'remove', pair })),
      ...press.slice(moved).map((pair): Act => ({ is: 'fit', pair }))
    ];
  }
  if (block.kind === 'dip') {
    const levers = leverMoves(from?.state, to.state);
    return levers.length ? [{ is: 'levers', levers, printed: block.printed }] : [];
  }
  if (block.kind === 'rotary' && 'step' in to.state) return [{ is: 'turn', step: to.state.step }];
  if (block.kind === 'slide' && 'step' in to.state) {
    const { step } = to.state;
    const label = block.stepLabels?.[step];
    return [{ is: 'slide', step, steps: block.steps, ...(label === undefined ? {} : { label }) }];
  }
  if (block.kind === 'resistor' && 'bridges' in to.state)
    return [{ is: 'packs', in: to.state.bridges, all: block.packs }];
  if (block.kind === 'bay') return [{ is: 'bay', ...(from ? { out: from.label } : {}) }];
  return [{ is: block.kind === 'solder' ? 'solder' : 'set' }];
}

/** Everything of a block that a setting decides, as it is to stand; null where one word says it anyway. */
function wholeRow(block: Block, setting: Setting, to: State): Act | null {
  if (block.kind === 'header' && 'caps' in to) {
    const all = setting.positions.flatMap((p) => (p.state && 'caps' in p.state ? p.state.caps : []));
    const same = (a: Pair, b: Pair) => Math.min(...a) === Math.min(...b) && Math.max(...a) === Math.max(...b);
    const bare = all.filter(
      (pair, i) => !to.caps.some((on) => same(on, pair)) && all.findIndex((p) => same(p, pair)) === i
    );
    return to.caps.length || bare.length ? { is: 'whole-header', on: to.caps, bare } : null;
  }
  if (block.kind === 'dip' && 'switches' in to) {
    const levers = Object.entries(to.switches)
      .map(([lever, side]) => ({ lever: Number(lever), to: side }))
      .sort((a, b) => a.lever - b.lever);
    return levers.length ? { is: 'whole-dip', levers, printed: block.printed } : null;
  }
  return null;
}
