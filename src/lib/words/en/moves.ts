import type { SetupLine } from '../../core/disks';
import type { Action, Command, Printed } from '../../core/moves';
import type { Unlooked } from '../../core/resources';
import { floppyName, type Geometry } from '../../core/storage';
import { unlookedNames } from './findings/told';
import { and } from './language';

type Pair = readonly [number, number];
const pair = (pins: Pair) => `${Math.min(...pins)}-${Math.max(...pins)}`;
const pins = (both: Pair) => `pins ${pair(both)}`;

/** What is printed beside the side that a lever goes to; OPEN is off. */
const sides: Record<Printed, { on: string; off: string }> = {
  ON: { on: 'ON', off: 'OFF' },
  OPEN: { on: 'the side away from OPEN', off: 'OPEN' },
  CLOSED: { on: 'CLOSED', off: 'the side away from CLOSED' },
  '0/1': { on: '1', off: '0' },
  arrow: { on: 'the side the arrow points to', off: 'the side away from the arrow' }
};
const row = (levers: readonly { lever: number; to: 'on' | 'off' }[], printed: Printed) =>
  levers.map((l) => `${l.lever} ${sides[printed][l.to]}`).join(', ');

const headerRow = (on: readonly Pair[], bare: readonly Pair[]) =>
  [
    ...(on.length ? [`a jumper on ${on.map(pins).join(' and ')}`] : []),
    ...(bare.length ? [`no jumper on ${bare.map(pins).join(', ')}`] : [])
  ].join(', ');

/** What to do at a block, without what it is for. */
function doing(action: Action): string {
  const { act, to } = action;
  switch (act.is) {
    case 'whole-header':
      return `nobody looked yet. Set all of it: ${headerRow(act.on, act.bare)}.`;
    case 'whole-dip':
      return `nobody looked yet. Set all of it: ${row(act.levers, act.printed)}.`;
    case 'move':
      return `move the jumper from ${pins(act.from)} to ${pins(act.to)}.`;
    case 'remove':
      return `remove the jumper from ${pins(act.pair)}; park it on one pin.`;
    case 'fit':
      return `fit a jumper on ${pins(act.pair)}.`;
    case 'levers': {
      // A row of switches is set at one glance.
      const [one, ...others] = act.levers;
      return others.length
        ? `${row(act.levers, act.printed)}.`
        : `switch ${one.lever} to ${sides[act.printed][one.to]}.`;
    }
    case 'turn':
      return `turn to ${act.step.toString(16).toUpperCase()}.`;
    case 'slide':
      return `slide to ${act.label ?? `place ${act.step + 1} of ${act.steps}`}.`;
    case 'packs':
      return act.in.length
        ? `packs ${act.in.join(', ')} in, pin 1 to its mark${act.in.length < act.all ? '; the others out' : ''}.`
        : 'all packs out; keep them.';
    case 'solder':
      return `solder bridges as for ${to}. Leave this to the last.`;
    case 'choose':
    case 'bay':
    case 'set':
      return `${to}.`;
  }
}

/** One thing to do, for a person at the bench. */
export function actionWords(action: Action): string {
  const { act, label, to, name } = action;
  if (act.is === 'choose') return `Set ${label} to ${to}.`;
  if (act.is === 'bay') return `${label}: ${act.out ? `take out ${act.out}, ` : ''}put in ${to}.`;
  const plain = `${name}: ${doing(action)}`;
  return act.is === 'solder' || act.is === 'set' ? plain : `${plain} (${label}: ${to})`;
}

const shape = ({ cylinders, heads, sectors }: Geometry): string =>
  `${cylinders} cylinders, ${heads} heads, ${sectors} sectors`;

/** What to enter in a setup for a drive. */
export function setupLineWords(line: SetupLine): string {
  switch (line.is) {
    case 'floppy':
      return `Floppy ${line.letter}: ${floppyName(line.kib)} (${line.title})`;
    case 'rom':
      return `${line.title}: not installed, a ROM runs it`;
    case 'typed':
      return `${line.title}: user type, ${shape(line.geometry)}`;
    case 'type':
      return `${line.title}: type ${line.type} (${shape(line.geometry)})`;
    case 'user':
      return `${line.title}: user type, ${shape(line.geometry)}, precompensation ${line.precomp ?? 'none'}${line.landing === null ? '' : `, landing zone ${line.landing}`}${line.mode === null ? '' : `, mode ${line.mode}`}`;
  }
}

/** What rests on settings that nobody looked at begins with the look. */
function lookFirst(text: string, assumed: readonly Unlooked[]): string {
  const settings = unlookedNames(assumed);
  return settings.length
    ? `Look first at ${and(settings)}. At the usual ${settings.length > 1 ? 'positions' : 'position'}: ${text}`
    : text;
}

/** What is done at the keyboard. */
export function commandWords(command: Command): string {
  switch (command.is) {
    case 'line':
      return lookFirst(command.text, command.assumed);
    case 'configure':
      return `Configuration program: ${command.label} ${command.to}`;
    case 'input':
      return `${command.label}: ${command.to}, where this setup offers the choice; else see what the list at the start shows`;
    case 'reserve':
      return lookFirst(`Reserve for ISA: IRQ ${command.irqs.join(', ')}`, command.assumed);
    case 'setup':
      return setupLineWords(command.line);
  }
}
