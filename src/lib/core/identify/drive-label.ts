/** What a hard disk or CD-ROM drive may be by its label, and how it is plugged. */
export const LABEL_BUSES = [
  'ata',
  'xta',
  'scsi-50',
  'scsi-68',
  'scsi-80',
  'scsi-differential',
  'mfm',
  'rll',
  'esdi'
] as const;
export type LabelBus = (typeof LABEL_BUSES)[number];

/** `printed`: it is said. `usual`: what is printed is of that kind only. `habit`: a habit of makers, no rule. */
export type LabelWeight = 'printed' | 'usual' | 'habit';

export interface LabelSign {
  /** What on the label says it, as printed. */
  text: string;
  buses: readonly LabelBus[];
  weight: LabelWeight;
}

export interface DriveLabel {
  signs: LabelSign[];
  /** What all signs of the strongest kind agree on; empty: nothing was said, or they contradict one another. */
  buses: LabelBus[];
  /** Signs that say it in words contradict one another. */
  contradicts: boolean;
  /** Something else was printed than what the last letters of the model would say. */
  againstHabit: boolean;
  /** Contacts that tell: count them before anything is plugged. Empty when one bus is printed. */
  count: number[];
  /** A plug of the same shape can destroy it or its controller: nothing is plugged on this alone. */
  doNotPlug: boolean;
}

const SCSI: readonly LabelBus[] = ['scsi-50', 'scsi-68', 'scsi-80', 'scsi-differential'];

/** Words and marks, from what is printed on drives; the first ones stand above those that follow. */
const MARKS: readonly [pattern: RegExp, buses: readonly LabelBus[], weight: LabelWeight][] = [
  [/\b(?:ST-?506|ST-?412)\b/i, ['mfm', 'rll'], 'printed'],
  [/\bMFM\b/i, ['mfm'], 'printed'],
  [/\bRLL\b(?!\s*(?:\(?[12],|code|record))/i, ['rll'], 'printed'],
  [/\bESDI\b/i, ['esdi'], 'printed'],
  [/\b(?:XT-?IDE|XTA|XT[- ]attach(?:ment|ed)|8-bit IDE)\b/i, ['xta'], 'printed'],
  [
    /\b(?:ATAPI|E?IDE|(?:Ultra[- ]?)?ATA(?:-?\d{1,3})?|AT[- ](?:bus|interface|attach(?:ment|ed))|Ultra[- ]?DMA(?:[/ -]?\d{2,3})?)\b/i,
    ['ata'],
    'printed'
  ],
  [/\b(?:HVD|(?:high[- ]voltage[- ])?differential)\b/i, ['scsi-differential'], 'printed'],
  [/\b(?:SCA(?:-?2)?|80[- ]pin)\b/i, ['scsi-80'], 'printed'],
  // These came after differential drives of the old kind.
  [/\b(?:LVD(?:\/SE)?|Ultra(?:2|160|320)(?:[- ]?(?:Wide[- ]?)?SCSI)?)\b/i, ['scsi-68', 'scsi-80'], 'printed'],
  [
    /\b(?:(?:Fast[- ]|Ultra\d?[- ]?)?Wide(?:[- ]?SCSI(?:-?\d)?)?|68[- ]pin)\b/i,
    ['scsi-68', 'scsi-80', 'scsi-differential'],
    'printed'
  ],
  [/\b(?:SCSI(?:-?[123])?(?:[- ]interface)?|50[- ]pin)\b/i, SCSI, 'printed'],
  [
    /\b(?:MASTER|SLAVE|CABLE[- ]SEL(?:ECT)?|CSEL|MA\s*\/?\s*SL|DRIVE\s*[01]\s*\/\s*[01])\b|\b(?:SP|CS|DS)\s*[/,]\s*(?:SP|CS|DS|MA|SL)\b/i,
    ['ata'],
    'usual'
  ],
  [
    /\b(?:SCSI ID|ID\s?[0-3]\b.{0,12}ID\s?[0-3]|TERM(?:INATOR)?[ -]?(?:PWR|POWER|EN(?:ABLE)?)|TRMPWR|PARITY (?:EN|DIS)\w*|START[- ]?(?:UP )?(?:MOTOR|SPIN)|SPIN[- ]?UP DELAY)\b/i,
    SCSI,
    'usual'
  ],
  [/\bDS\s?[0-3]\b.{0,16}\bDS\s?[0-3]\b/i, ['mfm', 'rll', 'esdi'], 'usual']
];

/** Letters behind the last figures of a model, as many makers used them; others meant something else. */
const SUFFIXES: readonly [letters: RegExp, buses: readonly LabelBus[]][] = [
  [/^(?:A|AT|AI|ATA)$/, ['ata']],
  [/^(?:X|XT)$/, ['xta']],
  [/^(?:S|N|NS|SN)$/, ['scsi-50']],
  [/^(?:W|WS|WN|LW|LWV|SW)$/, ['scsi-68']],
  [/^(?:WC|LC|LCV|SC|SCA|C80)$/, ['scsi-80']],
  [/^(?:D|ND|WD|HVD)$/, ['scsi-differential']],
  [/^(?:E|ES)$/, ['esdi']],
  [/^(?:R|RLL)$/, ['rll']]
];
const MODEL = /\b(?=[A-Z0-9-]*\d{3})[A-Z]{0,5}-?\d{3,6}-?([A-Z]{1,4})\b/g;

/** `820 x 6 x 17`, `6 HD 17 SPT`: how many sectors a track has tells the coding, up to a number that no drive itself has. */
const SECTORS =
  /\b\d{3,5}\s*(?:cyl\w*)?\s*[x×*,/]\s*\d{1,2}\s*(?:h(?:ea)?ds?)?\s*[x×*,/]\s*(\d{2})\b|\b(\d{2})\s*(?:SPT|sec(?:tors)?(?:\s*(?:\/|per)\s*tr(?:ac)?k)?)\b/i;
const bySectors = (n: number): readonly LabelBus[] =>
  n === 17
    ? ['mfm', 'ata']
    : n === 26
      ? ['rll', 'ata']
      : n >= 32 && n <= 36
        ? ['esdi', 'ata']
        : n > 36 && n <= 63
          ? ['ata']
          : [];

/** Contacts by which one tells them: of those with 34 a second connector of 20 comes along. */
const CONTACTS: Readonly<Record<LabelBus, readonly number[]>> = {
  ata: [40],
  xta: [40],
  'scsi-50': [50],
  'scsi-68': [68],
  'scsi-80': [80],
  'scsi-differential': [50, 68],
  mfm: [34],
  rll: [34],
  esdi: [34]
};
/** Plugs that fit one another though what comes out of them does not. */
const LOOK_ALIKES: readonly (readonly LabelBus[])[] = [
  ['ata', 'xta'],
  ['mfm', 'rll', 'esdi'],
  ['scsi-50', 'scsi-68', 'scsi-differential']
];

function signsIn(text: string): LabelSign[] {
  const signs: LabelSign[] = [];
  let rest = text;
  for (const [pattern, buses, weight] of MARKS) {
    const found = pattern.exec(rest);
    if (!found) continue;
    signs.push({ text: found[0].trim(), buses, weight });
    // What one word said is not said again by a part of it.
    rest = rest.replace(pattern, ' ');
  }
  const sectors = SECTORS.exec(rest);
  const told = bySectors(Number(sectors?.[1] ?? sectors?.[2] ?? 0));
  if (sectors && told.length) signs.push({ text: sectors[0].trim(), buses: told, weight: 'usual' });
  for (const model of rest.replace(SECTORS, ' ').matchAll(MODEL)) {
    const suffix = SUFFIXES.find(([letters]) => letters.test(model[1] ?? ''));
    if (suffix) signs.push({ text: model[0], buses: suffix[1], weight: 'habit' });
  }
  return signs;
}

/** What all of the signs allow. */
const common = (signs: readonly LabelSign[]): LabelBus[] =>
  signs.length ? LABEL_BUSES.filter((bus) => signs.every((s) => s.buses.includes(bus))) : [];

/**
 * Reads the label of a drive: words for the bus, the jumpers that are named on it, sectors a track, and the letters behind
 * the figures of the model, which are habits of makers and never more than a hint.
 */
export function readDriveLabel(text: string): DriveLabel {
  const signs = signsIn(text.slice(0, 2000).toUpperCase().replace(/\s+/g, ' '));
  const of = (...weights: LabelWeight[]) => signs.filter((s) => weights.includes(s.weight));
  const [said, habits] = [of('printed', 'usual'), of('habit')];
  const strong = common(said);
  const contradicts = said.length > 0 && strong.length === 0;
  const narrowed = common([...said, ...habits]);
  const buses = contradicts ? [] : narrowed.length ? narrowed : said.length ? strong : common(habits);
  const isPrinted = strong.length === 1 && of('printed').length > 0;
  const alike = LOOK_ALIKES.some((set) => set.filter((b) => buses.includes(b)).length > 1);
  return {
    signs,
    buses,
    contradicts,
    againstHabit: habits.length > 0 && said.length > 0 && narrowed.length === 0,
    count: isPrinted ? [] : [...new Set(buses.flatMap((b) => CONTACTS[b]))],
    doNotPlug: contradicts || alike || buses.includes('scsi-differential') || (buses.length > 0 && !isPrinted)
  };
}
