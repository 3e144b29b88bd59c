import { there } from '../model';
import { setupLines, type SetupLine } from '../disks';
import { kitOf, type Kit } from '../kit';
import type { Block, Build, PartSet, Position, Setting, State } from '../model';
import {
  claimValue,
  isEntered,
  isLegacy,
  isOn,
  isPnp,
  lineOf,
  linesAt,
  machine,
  offSettings,
  positionOf,
  standing,
  unlookedAmong,
  unlookedBehind,
  type Fitted,
  type Line,
  type Machine,
  type Positions,
  type Unlooked
} from '../resources';
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
 * What is done at the keyboard: a line as it is typed, or what to enter in a setup or a configuration program. `assumed`:
 * settings behind its numbers that nobody looked at, which is to be done first.
 */
export type Command =
  | { is: 'line'; text: string; assumed: Unlooked[] }
  | { is: 'configure'; label: string; to: string }
  /** An input of PCI interrupts: the BIOS hands them out, and not every setup offers the choice. */
  | { is: 'input'; label: string; to: string }
  | { is: 'reserve'; irqs: number[]; assumed: Unlooked[] }
  | { is: 'setup'; line: SetupLine };

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
  commands: { where: string; what: Command }[];
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
  const block = fitted.part.blocks.find((b) => b.id === setting.block);
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

/**
 * All that has to be done to bring a machine from the positions as found to the chosen ones.
 * Cards that change slots come out before anything is seated.
 */
export function moveList(build: Build, parts: PartSet): MoveList {
  const m = machine(build, parts);
  const at = standing(m);
  const jobs: CardJob[] = [];
  const commands: MoveList['commands'] = [];
  for (const fitted of m.fitted.filter(isEntered)) {
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
          commands.push({
            where: fitted.title,
            what: { is: 'line', text: `${block.program} ${to.state.value}`, assumed: [] }
          });
      } else if (block?.kind === 'startup') {
        if (from !== to)
          commands.push({ where: 'SETUP', what: { is: 'input', label: setting.label, to: to.label } });
      } else if (block?.kind === 'pnp') {
        if (from !== to)
          commands.push({
            where: fitted.title,
            what: { is: 'configure', label: setting.label, to: to.label }
          });
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
  const kit = kitOf(build, parts, m);
  return {
    jobs,
    commands: [
      ...commands,
      ...reserved(kit),
      ...setupLines(kit).map((line) => ({ where: 'SETUP', what: { is: 'setup', line } as const })),
      ...startupLines(m, at).map(({ where, text, assumed }) => ({
        where,
        what: { is: 'line', text, assumed } as const
      }))
    ]
  };
}

function slotName(m: Machine, id: string): string {
  const slot = m.board.part.board.slots.find((s) => s.id === id);
  return slot?.label ?? `slot ${id}`;
}

/**
 * Interrupts that a PCI machine's setup has to keep for ISA cards that it cannot see. To one that it configures itself it
 * could not give a reserved one any more; a BIOS that knows no plug and play sees none.
 */
function reserved({ m, at, firmware }: Kit): MoveList['commands'] {
  if (!m.board.part.board.slots.some((s) => s.bus === 'pci')) return [];
  const seesPnp = firmware?.firmware?.pnp !== false;
  const cards = m.fitted.filter((f) => isLegacy(f) || (!seesPnp && f.slot && isPnp(f.part)));
  const lines = linesAt(m, at, cards).filter((l) => l.resource === 'irq');
  const irqs = [...new Set(lines.map((l) => l.value))].sort((a, b) => a - b);
  return irqs.length
    ? [{ where: 'SETUP', what: { is: 'reserve', irqs, assumed: unlookedBehind(m, ...lines) } }]
    : [];
}

/** A line for a start-up file; `assumed`: settings behind it that nobody looked at. */
export interface StartupLine {
  where: string;
  text: string;
  assumed: Unlooked[];
}

/** Lines for the start-up files, with the numbers that the cards are set to. */
export function startupLines(m: Machine, at: Positions): StartupLine[] {
  return m.fitted.flatMap((fitted) =>
    fitted.part.startup.flatMap((line): StartupLine[] => {
      const when = fitted.part.functions.find((f) => f.id === line.when);
      if (when && !isOn(fitted, when, at)) return [];
      const assumed = when ? unlookedAmong(m, offSettings(fitted.item.id, when)) : [];
      const text = line.text.replace(/\{([^.}]+)\.([^}]+)\}/g, (_, fn, claim) => {
        const is = lineOfClaim(m, fitted, at, fn, claim);
        if (!is) return '?';
        assumed.push(...unlookedBehind(m, is));
        return numberText(is);
      });
      return [{ where: line.file, text, assumed }];
    })
  );
}

function lineOfClaim(m: Machine, fitted: Fitted, at: Positions, fnId: string, claimId: string): Line | null {
  const fn = fitted.part.functions.find((f) => f.id === fnId);
  const index = fn?.claims.findIndex((c) => (c.id ?? c.resource) === claimId) ?? -1;
  if (!fn || index < 0) return null;
  const value = claimValue(m, fitted, there(fn.claims[index]), at);
  return value === null ? null : lineOf(m, fitted, fn, index, value);
}

const numberText = ({ resource, value, printed }: Line): string =>
  resource === 'io' || resource === 'memory' ? value.toString(16).toUpperCase() : String(printed);
