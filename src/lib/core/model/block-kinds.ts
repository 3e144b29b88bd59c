import type { Block, Part, Setting, State } from './part';

/** Which form of state a block has. */
export type StateForm = 'caps' | 'switches' | 'step' | 'bridges' | 'value';

export interface BlockKind {
  state: StateForm;
  /** Set with fingers, tweezers or an iron: it is drawn, recorded and looked at. */
  byHand: boolean;
  /** What one move costs: a soldering iron comes out last, what the start-up chooses is free. */
  cost: number;
  /** Letters before its number on a board of one's own. */
  prefix: string;
}

/** Every kind of block once. A further one is an entry here, its form in `part.ts`, and how it is drawn. */
export const BLOCK_KINDS: Readonly<Record<Block['kind'], BlockKind>> = {
  header: { state: 'caps', byHand: true, cost: 3, prefix: 'JP' },
  dip: { state: 'switches', byHand: true, cost: 2, prefix: 'SW' },
  rotary: { state: 'step', byHand: true, cost: 2, prefix: 'SW' },
  slide: { state: 'step', byHand: true, cost: 2, prefix: 'SW' },
  solder: { state: 'bridges', byHand: true, cost: 12, prefix: 'SB' },
  resistor: { state: 'bridges', byHand: true, cost: 4, prefix: 'RN' },
  firmware: { state: 'value', byHand: false, cost: 12, prefix: 'U' },
  software: { state: 'value', byHand: false, cost: 1, prefix: 'P' },
  pnp: { state: 'value', byHand: false, cost: 0, prefix: 'P' },
  startup: { state: 'value', byHand: false, cost: 0, prefix: 'P' },
  bay: { state: 'value', byHand: false, cost: 1, prefix: 'B' }
};

export const formOf = (state: State): StateForm =>
  'caps' in state
    ? 'caps'
    : 'switches' in state
      ? 'switches'
      : 'step' in state
        ? 'step'
        : 'bridges' in state
          ? 'bridges'
          : 'value';

/** How many places a block has: pins, switches, steps, bridges, packs; 0 where a value is typed. */
export function placesOf(block: Block): number {
  switch (block.kind) {
    case 'header':
      return block.rows * block.columns;
    case 'dip':
      return block.switches;
    case 'rotary':
    case 'slide':
      return block.steps;
    case 'solder':
      return block.bridges;
    case 'resistor':
      return block.packs;
    default:
      return 0;
  }
}

/** The block that a setting is on; undefined where nobody says. */
export const blockOf = (part: Pick<Part, 'blocks'>, setting: Setting): Block | undefined =>
  part.blocks.find((b) => b.id === setting.block);
