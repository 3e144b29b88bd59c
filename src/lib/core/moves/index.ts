import { setupLines } from '../disks';
import { kitOf } from '../kit';
import type { Block, Build, PartSet, Position, Setting, State } from '../model';
import {
  claimValue,
  isOn,
  lineOf,
  machine,
  positionOf,
  standing,
  type Fitted,
  type Machine,
  type Positions
} from '../resources';
import { capMoves, leverMoves } from '../solver';

/** One thing to do, in words a person at the bench can follow. */
export interface Action {
  /** Block on which it happens, when there is one. */
  block?: string;
  setting?: string;
  text: string;
}

/** Everything to do to one card or the board, so that each comes out once. */
export interface CardJob {
  item: string;
  title: string;
  /** Slot label it comes out of; none for the board and for cards that are new. */
  from?: string;
  /** Slot label it goes into. */
  into?: string;
  actions: Action[];
}

export interface MoveList {
  /** With the machine off and open, in order: all that must come out, then each set and seated. */
  jobs: CardJob[];
  /** At the keyboard afterwards: setup, configuration programs, start-up files. */
  commands: { where: string; text: string }[];
}

/** `pins 3-4` */
const pins = ([a, b]: readonly [number, number]) => `pins ${Math.min(a, b)}-${Math.max(a, b)}`;

/** Levers of one setting that are told one by one. */
const MOST_LEVERS = 1;

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
  const block = fitted.part.blocks.find((b) => b.id === setting.block);
  const base = { setting: setting.id, ...(block ? { block: block.id } : {}) };
  if (!block || !to.state) return [{ ...base, text: `Set ${setting.label} to ${to.label}.` }];
  const name = block.label ?? block.id;
  const meaning = `${setting.label}: ${to.label}`;
  const row = from ? null : wholeRow(block, setting, to.state);
  if (row) return [{ ...base, text: `${name}: nobody looked yet. Set all of it: ${row}. (${meaning})` }];
  if (block.kind === 'header') {
    const { lift, press } = capMoves(from?.state, to.state);
    const moved = Math.min(lift.length, press.length);
    return [
      ...lift.slice(0, moved).map((pair, i) => ({
        ...base,
        text: `${name}: move the jumper from ${pins(pair)} to ${pins(press[i])}. (${meaning})`
      })),
      ...lift.slice(moved).map((pair) => ({
        ...base,
        text: `${name}: remove the jumper from ${pins(pair)}; park it on one pin. (${meaning})`
      })),
      ...press
        .slice(moved)
        .map((pair) => ({ ...base, text: `${name}: fit a jumper on ${pins(pair)}. (${meaning})` }))
    ];
  }
  if (block.kind === 'dip') {
    const word = (side: 'on' | 'off') => sideWord(block.printed, side);
    const levers = leverMoves(from?.state, to.state);
    // A row of levers is set at one glance.
    if (levers.length > MOST_LEVERS)
      return [
        {
          ...base,
          text: `${name}: ${levers.map((m) => `${m.lever} ${word(m.to)}`).join(', ')}. (${meaning})`
        }
      ];
    return levers.map((move) => ({
      ...base,
      text: `${name}: switch ${move.lever} to ${word(move.to)}. (${meaning})`
    }));
  }
  if (block.kind === 'rotary' && 'step' in to.state)
    return [{ ...base, text: `${name}: turn to ${to.state.step.toString(16).toUpperCase()}. (${meaning})` }];
  if (block.kind === 'slide' && 'step' in to.state) {
    const place = block.stepLabels?.[to.state.step] ?? `place ${to.state.step + 1} of ${block.steps}`;
    return [{ ...base, text: `${name}: slide to ${place}. (${meaning})` }];
  }
  if (block.kind === 'resistor' && 'bridges' in to.state) {
    const fitted = to.state.bridges;
    const what = fitted.length
      ? `packs ${fitted.join(', ')} in, pin 1 to its mark${fitted.length < block.packs ? '; the others out' : ''}`
      : 'all packs out; keep them';
    return [{ ...base, text: `${name}: ${what}. (${meaning})` }];
  }
  if (block.kind === 'bay')
    return [
      { ...base, text: `${setting.label}: ${from ? `take out ${from.label}, ` : ''}put in ${to.label}.` }
    ];
  if (block.kind === 'solder')
    return [{ ...base, text: `${name}: solder bridges as for ${to.label}. Leave this to the last.` }];
  return [{ ...base, text: `${name}: ${to.label}.` }];
}

/** Everything of a block that a setting decides, as it is to stand; null where one word says it anyway. */
function wholeRow(block: Block, setting: Setting, to: State): string | null {
  if (block.kind === 'header' && 'caps' in to) {
    const all = setting.positions.flatMap((p) => (p.state && 'caps' in p.state ? p.state.caps : []));
    const on = to.caps.map(pins);
    const bare = [...new Set(all.map(pins))].filter((pair) => !on.includes(pair));
    const told = [
      ...(on.length ? [`a jumper on ${on.join(' and ')}`] : []),
      ...(bare.length ? [`no jumper on ${bare.join(', ')}`] : [])
    ];
    return told.join(', ');
  }
  if (block.kind === 'dip' && 'switches' in to)
    return Object.entries(to.switches)
      .sort(([a], [b]) => Number(a) - Number(b))
      .map(([lever, side]) => `${lever} ${sideWord(block.printed, side)}`)
      .join(', ');
  return null;
}

/** What is printed beside the side that a lever goes to; OPEN is off. */
export function sideWord(printed: 'ON' | 'OPEN' | 'CLOSED' | '0/1' | 'arrow', side: 'on' | 'off'): string {
  const words = {
    ON: { on: 'ON', off: 'OFF' },
    OPEN: { on: 'the side away from OPEN', off: 'OPEN' },
    CLOSED: { on: 'CLOSED', off: 'the side away from CLOSED' },
    '0/1': { on: '1', off: '0' },
    arrow: { on: 'the side the arrow points to', off: 'the side away from the arrow' }
  };
  return words[printed][side];
}

/**
 * All that has to be done to bring a machine from the positions as found to the chosen ones.
 * Cards that change slots come out before anything is seated.
 */
export function moveList(build: Build, parts: PartSet): MoveList {
  const m = machine(build, parts);
  const at = standing(m);
  const jobs: CardJob[] = [];
  const commands: MoveList['commands'] = [];
  for (const fitted of m.fitted) {
    if (fitted.item.id === 'pnp' || fitted.item.id === 'system') continue;
    const actions: Action[] = [];
    for (const setting of fitted.part.settings) {
      const position = (id: string | undefined) => setting.positions.find((p) => p.id === id);
      const from = position(fitted.item.asFound[setting.id]);
      const to = position(positionOf(fitted.item, setting));
      // What nobody looked at and nobody chose is only assumed: there is nothing to say of it.
      const isAssumed = from === undefined && fitted.item.chosen[setting.id] === undefined;
      if (!to || !setting.known || isAssumed) continue;
      const block = fitted.part.blocks.find((b) => b.id === setting.block);
      if (block?.kind === 'software') {
        if (from !== to && to.state && 'value' in to.state)
          commands.push({ where: fitted.title, text: `${block.program} ${to.state.value}` });
      } else if (block?.kind === 'startup') continue;
      else if (block?.kind === 'pnp') {
        if (from !== to)
          commands.push({ where: fitted.title, text: `Configuration program: ${setting.label} ${to.label}` });
      } else if (from !== to) actions.push(...actionsFor(fitted, setting, from, to));
    }
    const found = fitted.item.slotAsFound;
    const moved = found !== undefined && found !== fitted.item.slot;
    if (actions.length || moved)
      jobs.push({
        item: fitted.item.id,
        title: fitted.title,
        ...(fitted.slot
          ? { from: slotName(m, found ?? fitted.slot.id), into: slotName(m, fitted.slot.id) }
          : {}),
        actions
      });
  }
  jobs.sort((a, b) => Number(a.item === 'board') - Number(b.item === 'board'));
  return {
    jobs,
    commands: [...commands, ...setupNotes(m, at), ...driveSetup(build, parts, m), ...startupLines(m, at)]
  };
}

function slotName(m: Machine, id: string): string {
  const slot = m.board.part.board.slots.find((s) => s.id === id);
  return slot?.label ?? `slot ${id}`;
}

/** Lines of ISA cards that a PCI machine's setup has to keep from PCI. */
function setupNotes(m: Machine, at: Positions): MoveList['commands'] {
  if (!m.board.part.board.slots.some((s) => s.bus === 'pci')) return [];
  const lines = m.fitted
    .filter((f) => f.seat === 'isa8' || f.seat === 'isa16')
    .flatMap((f) =>
      f.part.functions
        .filter((fn) => isOn(f, fn, at))
        .flatMap((fn) =>
          fn.claims.flatMap((c) => (c.resource === 'irq' ? (claimValue(m, f, c, at) ?? []) : []))
        )
    );
  return lines.length
    ? [
        {
          where: 'SETUP',
          text: `Reserve for ISA: IRQ ${[...new Set(lines)].sort((a, b) => a - b).join(', ')}`
        }
      ]
    : [];
}

/** What the setup is told of the drives. */
const driveSetup = (build: Build, parts: PartSet, m: Machine): MoveList['commands'] =>
  setupLines(kitOf(build, parts, m)).map((text) => ({ where: 'SETUP', text }));

/** Lines for the start-up files, with the numbers that the cards are set to. */
export function startupLines(m: Machine, at: Positions): MoveList['commands'] {
  return m.fitted.flatMap((fitted) =>
    fitted.part.startup
      .filter((line) => {
        const fn = fitted.part.functions.find((f) => f.id === line.when);
        return !fn || isOn(fitted, fn, at);
      })
      .map((line) => ({
        where: line.file,
        text: line.text.replace(/\{([^.}]+)\.([^}]+)\}/g, (_, fn, claim) =>
          numberIn(m, fitted, at, fn, claim)
        )
      }))
  );
}

function numberIn(m: Machine, fitted: Fitted, at: Positions, fnId: string, claimId: string): string {
  const fn = fitted.part.functions.find((f) => f.id === fnId);
  const index = fn?.claims.findIndex((c) => (c.id ?? c.resource) === claimId) ?? -1;
  if (!fn || index < 0) return '?';
  const value = claimValue(m, fitted, fn.claims[index], at);
  if (value === null) return '?';
  const line = lineOf(m, fitted, fn, index, value);
  return line.resource === 'io' || line.resource === 'memory'
    ? value.toString(16).toUpperCase()
    : String(line.printed);
}
