import { setupLines, type SetupLine } from '../disks';
import { kitOf, type Kit } from '../kit';
import { blockOf, type Build, type PartSet } from '../model';
import {
  isEntered,
  isLegacy,
  isPnp,
  linesAt,
  machine,
  positionOf,
  standing,
  unlookedBehind,
  type Machine,
  type Unlooked
} from '../resources';
import { actionsFor, type Action } from './actions';
import { startupLines } from './startup';

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
      const block = blockOf(fitted.part, setting);
      if (from === to) continue;
      const told = { label: setting.label, to: to.label };
      if (block?.kind === 'startup') commands.push({ where: 'SETUP', what: { is: 'input', ...told } });
      else if (block?.kind === 'software' && to.state && 'value' in to.state)
        commands.push({
          where: fitted.title,
          what: { is: 'line', text: `${block.program} ${to.state.value}`, assumed: [] }
        });
      else if (block?.kind === 'software' || block?.kind === 'pnp')
        commands.push({ where: fitted.title, what: { is: 'configure', ...told } });
      else actions.push(...actionsFor(fitted, setting, from, to));
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
