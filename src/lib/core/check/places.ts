import type { Finding } from '../model';

/** Stages of the rail in which findings are open. */
export type Stage = 'brief' | 'parts' | 'fit' | 'switches' | 'lines' | 'disks';

/** Views of the stage Fit. */
export type FitView = 'slots' | 'memory' | 'picture' | 'drives' | 'power' | 'time';

export type Place = { stage: Exclude<Stage, 'fit'> } | { stage: 'fit'; view: FitView };

const fit = (view: FitView): Place => ({ stage: 'fit', view });
const at = (stage: Exclude<Stage, 'fit'>): Place => ({ stage });

/**
 * Where the findings of a rule are open, by the name of the rule or the beginning of it up to a dot; the longest
 * entry counts. Each finding counts in one stage, and in Fit in one of its views.
 */
export const places: Readonly<Record<string, Place>> = {
  brief: at('brief'),
  software: at('brief'),
  os: at('brief'),
  kit: at('parts'),
  slot: fit('slots'),
  cpu: fit('slots'),
  fpu: fit('slots'),
  vlb: fit('slots'),
  isa: fit('slots'),
  pnp: fit('slots'),
  battery: fit('slots'),
  keyboard: fit('slots'),
  'unknown.board': fit('slots'),
  memory: fit('memory'),
  dma: fit('memory'),
  video: fit('picture'),
  disk: fit('drives'),
  drive: fit('drives'),
  bay: fit('drives'),
  scsi: fit('drives'),
  ata: fit('drives'),
  st506: fit('drives'),
  power: fit('power'),
  period: fit('time'),
  part: at('switches'),
  switch: at('switches'),
  setting: at('switches'),
  evidence: at('switches'),
  line: at('lines'),
  rom: at('lines'),
  pci: at('lines'),
  audio: at('lines'),
  'unknown.lines': at('lines'),
  'unknown.routing': at('lines'),
  'disk.limit': at('disks'),
  'disk.setup': at('disks'),
  'disk.type': at('disks'),
  'disk.firmware-base': at('disks'),
  floppy: at('disks'),
  'unknown.bios': at('disks')
};

/** The longest entry of a table whose name is the rule or a beginning of it. */
function entryOf<T>(table: Readonly<Record<string, T>>, rule: string): T | undefined {
  const words = rule.split('.');
  for (let n = words.length; n > 0; n--) {
    const name = words.slice(0, n).join('.');
    if (Object.hasOwn(table, name)) return table[name];
  }
  return undefined;
}

/** Where a finding is open. A rule that nobody gave a place stands in Fit, so that it is never counted nowhere. */
export const placeOf = ({ rule }: Pick<Finding, 'rule'>): Place => entryOf(places, rule) ?? fit('slots');

/** Whether something is open: notes are only told. */
const isOpen = (f: Finding): boolean => f.severity !== 'note';

/** How many findings are open in each stage. Their sum is the number of findings that are no notes. */
export function openByStage(findings: readonly Finding[]): Record<Stage, number> {
  const count: Record<Stage, number> = { brief: 0, parts: 0, fit: 0, switches: 0, lines: 0, disks: 0 };
  for (const f of findings.filter(isOpen)) count[placeOf(f).stage]++;
  return count;
}

/** How many findings are open in each view of Fit. Their sum is the number of that stage. */
export function openByView(findings: readonly Finding[]): Record<FitView, number> {
  const count: Record<FitView, number> = { slots: 0, memory: 0, picture: 0, drives: 0, power: 0, time: 0 };
  for (const f of findings.filter(isOpen)) {
    const place = placeOf(f);
    if (place.stage === 'fit') count[place.view]++;
  }
  return count;
}

/** Findings behind which something may hide that no rule can see. */
const hiding: Readonly<Record<string, true>> = {
  unknown: true,
  'setting.unknown': true,
  'setting.unseen': true,
  'evidence.guess': true,
  'slot.none': true,
  'kit.missing': true
};

/** Whether a finding says that something was not checked, or rests on what nobody saw. */
export const hidesSomething = ({ rule }: Pick<Finding, 'rule'>): boolean => entryOf(hiding, rule) === true;
