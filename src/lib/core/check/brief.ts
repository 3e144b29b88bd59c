import type { Part, Profile, Wish } from '../model';
import { families } from '../boards';
import { systemOf, unmet, type Offer } from '../software';
import { rule, type Rule, type Said, type Situation } from './rule';

const everything = (s: Situation) => [
  { id: 'board', part: s.kit.board, title: s.m.board.title },
  ...s.kit.build.items.map((item) => {
    const part = s.parts.get(item.part)!;
    return { id: item.id, part, title: item.label ?? part.name };
  })
];

const strictness = (s: Situation) => s.kit.build.brief.strictness ?? 'spirit';

const early = rule('period.early', 'The brief gives the machine a date.', (s) => {
  const { year } = s.kit;
  if (year === null) return [];
  const how = strictness(s);
  return everything(s)
    .filter(({ part }) => part.sold && part.sold.from > year)
    .map(({ id, part, title }) => ({
      severity: how === 'convenient' ? ('note' as const) : ('caution' as const),
      about: [id],
      title: `${title} is too young`,
      sentence: `It was first sold in ${part.sold!.from}, and the machine stands for ${s.kit.build.brief.date}.`
    }));
});

/** Years after its last sale in which a part was still in ordinary use. */
export const STILL_IN_USE = 4;

const late = rule('period.late', 'A part that was long out of use by then tells another story.', (s) => {
  const { year } = s.kit;
  if (year === null || strictness(s) === 'convenient') return [];
  return everything(s)
    .filter(
      ({ part }) => part.kind !== 'bios' && part.sold?.to !== undefined && part.sold.to + STILL_IN_USE < year
    )
    .map(({ id, part, title }) => ({
      severity: 'note' as const,
      about: [id],
      title: `${title} was old by then`,
      sentence: `It was last sold in ${part.sold!.to}, and the machine stands for ${s.kit.build.brief.date}.`
    }));
});

/** What a wish wants of a machine; nothing when it is met. */
export function wishUnmet(wish: Wish, s: Pick<Situation, 'kit' | 'm'>): string | null {
  const { kit, m } = s;
  const partsIn = [kit.board, ...kit.build.items.map((i) => kit.parts.get(i.part)!)];
  switch (wish.kind) {
    case 'keep':
      return partsIn.some((p) => p.id === wish.part)
        ? null
        : `${kit.parts.get(wish.part)?.name ?? wish.part} was to stay in, and it is not there.`;
    case 'never':
      return partsIn.some((p) => p.id === wish.part)
        ? `${kit.parts.get(wish.part)?.name ?? wish.part} was never to be used.`
        : null;
    case 'emulator-outside':
      return partsIn.some((p) => p.drive?.medium === 'emulator' && p.drive.bay !== 'outside')
        ? 'The floppy emulator sits in the case, and was to stand outside.'
        : null;
    case 'original-look':
      return partsIn.some((p) => showsNew(p))
        ? 'Something in front was not there when the machine was sold.'
        : null;
    case 'real-disk':
      return partsIn.some((p) => p.drive?.medium === 'hard')
        ? null
        : 'There was to be a hard disk that turns.';
    case 'spare-slots': {
      const slots = kit.facts.slots.filter((x) => x.bus !== 'memory-board').length;
      const used = new Set(m.fitted.map((f) => f.slot?.id).filter(Boolean)).size;
      return slots - used >= wish.count
        ? null
        : `${wish.count} slots were to stay free, and ${Math.max(0, slots - used)} do.`;
    }
    case 'have':
      return has(wish.what, s) ? null : `There was to be ${whatName[wish.what]}.`;
  }
}

/** A drive in the front of the case that no machine of the time had. */
export const showsNew = (part: Part): boolean =>
  (part.drive?.medium === 'emulator' && part.drive.bay !== 'outside') ||
  (part.drive?.medium === 'flash' && part.drive.bay !== 'none');

/** What drives of 5.25 and of 3.5 inch write at most, in KiB. */
export const floppySizes: Record<'floppy-5' | 'floppy-3', readonly number[]> = {
  'floppy-5': [360, 1200],
  'floppy-3': [720, 1440, 2880]
};

const whatName: Record<Extract<Wish, { kind: 'have' }>['what'], string> = {
  network: 'a network card',
  scsi: 'a SCSI adapter',
  cdrom: 'a CD-ROM drive',
  midi: 'a MIDI interface',
  game: 'a game port',
  modem: 'a modem',
  mouse: 'a mouse',
  'floppy-5': 'a 5.25 inch floppy drive',
  'floppy-3': 'a 3.5 inch floppy drive',
  fpu: 'a floating-point unit',
  usb: 'USB'
};

function has(
  what: Extract<Wish, { kind: 'have' }>['what'],
  { kit, m }: Pick<Situation, 'kit' | 'm'>
): boolean {
  const fns = new Set<string>(m.fitted.flatMap((f) => f.part.functions.map((fn) => fn.kind)));
  switch (what) {
    case 'cdrom':
      return kit.drives.some((d) => d.part.drive!.medium === 'optical');
    case 'floppy-5':
    case 'floppy-3':
      return kit.drives.some((d) => floppySizes[what].includes(d.part.drive!.floppyKiB ?? 0));
    case 'fpu':
      return kit.fpu !== null || (kit.cpu?.cpu?.fpu ?? false);
    case 'mouse':
      return fns.has('mouse') || fns.has('serial');
    case 'modem':
      return fns.has('modem');
    default:
      return fns.has(what);
  }
}

const wishes = rule('brief.wish', 'What the owner wants is a constraint, not something to correct.', (s) =>
  (s.kit.build.brief.wishes ?? []).flatMap((wish): Said[] => {
    const unmetWish = wishUnmet(wish, s);
    // Before there is anything in the machine nothing is missing from it.
    if (!unmetWish || s.kit.build.items.length === 0) return [];
    return [
      {
        rule: `brief.wish.${wish.kind}${'part' in wish ? `.${wish.part}` : 'what' in wish ? `.${wish.what}` : ''}`,
        severity: 'caution',
        about: ['board'],
        title: 'A wish of the brief is not met',
        sentence: unmetWish
      }
    ];
  })
);

/** What the machine lacks before programs can be judged at all. */
function pending(s: Situation, offer: Offer): string[] {
  return [
    offer.cpu === null ? 'CPU' : '',
    s.kit.memory && offer.memory === null ? 'memory' : '',
    s.kit.monitors.length === 0 ? 'monitor' : '',
    s.kit.displays.length === 0 ? 'video card' : '',
    s.kit.drives.length === 0 ? 'drives' : '',
    s.kit.supply === null ? 'supply' : '',
    s.kit.keyboard === null ? 'keyboard' : ''
  ].filter(Boolean);
}

const missing = rule('kit.missing', 'What is not entered is left out of the check.', (s) => {
  // A board of which only the slots are known says nothing of the rest.
  if (!s.kit.facts.cpuSocket) return [];
  const words = pending(s, s.offer);
  return words.length
    ? [
        {
          severity: 'note',
          about: ['board'],
          title: 'Not entered yet',
          sentence: `${words.join(', ')}: left out of the check until you add them under Fit.`
        }
      ]
    : [];
});

/** Whether enough is entered to judge what a program lacks in an area. */
const judged = (s: Situation, area: string): boolean =>
  (area !== 'storage' || s.kit.drives.length > 0) &&
  (area !== 'audio' && area !== 'ports' ? true : s.kit.drives.length > 0 && s.kit.cpu !== null);

const software = rule('software', 'A program runs only on what it was written for.', (s) => {
  const { offer } = s;
  return s.kit.build.brief.profiles.flatMap((profile: Profile) =>
    unmet(profile, offer)
      .filter((u) => judged(s, u.area))
      .map((u): Said => ({
        rule: `${u.rule}.${profile.id}`,
        severity: u.hard ? 'clash' : 'caution',
        about: ['board'],
        title: `${profile.name} will not run as meant`,
        sentence: u.sentence,
        why: `${profile.name}${profile.year ? ` (${profile.year})` : ''} was written for such a machine.`
      }))
  );
});

const system = rule('os', 'An operating system has its own least machine.', (s) => {
  const { dos, windows } = systemOf(s.kit.build.brief.os);
  const family = s.kit.cpu?.cpu?.family;
  const { offer } = s;
  const out: Said[] = [];
  const say = (id: string, title: string, sentence: string, severity: Said['severity'] = 'clash') =>
    out.push({ rule: id, severity, about: ['board'], title, sentence });
  const rank = family ? families[family].rank : null;
  const name = windows !== null ? (windows >= 4 ? 'Windows 95 and later' : `Windows ${windows}`) : '';
  if (windows !== null && rank !== null && rank < (windows >= 4 ? 2 : windows >= 3.1 ? 1 : 0))
    say(
      'os.cpu',
      `${name} does not run on a ${family}`,
      `It wants a ${windows >= 4 ? '386' : '286'} or later and stops as it starts.`
    );
  const wanted = windows === null ? 0 : windows >= 4 ? 3072 : 1024;
  if (offer.memory && offer.memory.extended < wanted)
    say(
      'os.memory',
      `Too little memory for ${name}`,
      `It wants ${wanted / 1024 + 1} MiB at least, and ${offer.memory.extended} KiB are there above the first.`
    );
  if (dos !== null && dos < 3.3 && (offer.diskMiB ?? 0) > 32)
    say(
      'os.partition',
      `DOS ${dos} uses 32 MiB of the disk`,
      `It makes one partition of at most ${dos < 3 ? '15' : '32'} MiB; the rest of ${offer.diskMiB} MiB stays unused. DOS 3.3 makes several, 4.0 and later large ones.`,
      'caution'
    );
  if (windows !== null && windows >= 4 && offer.diskMiB !== null && offer.diskMiB < 60)
    say(
      'os.disk',
      `Too little disk for ${name}`,
      `It wants about 60 MiB, and the largest has ${offer.diskMiB}.`
    );
  return out;
});

const driver = rule(
  'os.driver',
  'A driver is a program: it has a least CPU and a least DOS of its own.',
  (s) => {
    const family = s.kit.cpu?.cpu?.family;
    const { dos } = systemOf(s.kit.build.brief.os);
    return s.kit.build.items.flatMap((item): Said[] => {
      const part = s.parts.get(item.part)!;
      if (!part.driver) return [];
      const title = item.label ?? part.name;
      const out: Said[] = [];
      if (family && families[family].rank < families[part.driver.cpu].rank)
        out.push({
          severity: 'clash',
          about: [item.id, 'board'],
          title: `The driver of ${title} does not run on a ${family}`,
          sentence: `It is written for a ${part.driver.cpu} or later: it hangs or stops as it is loaded, and ${title} stays without use.`
        });
      if (dos !== null && part.driver.dos !== undefined && dos < part.driver.dos)
        out.push({
          severity: 'clash',
          about: [item.id],
          title: `The driver of ${title} wants a later DOS`,
          sentence: `It loads from DOS ${part.driver.dos} on, and the brief has DOS ${dos}.`
        });
      return out;
    });
  }
);

const pnpNoBios = rule(
  'pnp.nobios',
  'Until something configures them, plug-and-play cards do not answer.',
  (s) => {
    if (s.kit.firmware?.firmware?.pnp || !s.kit.firmware) return [];
    return s.m.fitted
      .filter((f) => f.part.blocks.some((b) => b.kind === 'pnp'))
      .map((f) => ({
        severity: 'caution' as const,
        about: [f.item.id],
        title: `${f.title} waits for a program`,
        sentence: `${s.kit.firmware!.name} configures no plug-and-play cards: a configuration program must run in AUTOEXEC.BAT before anything uses it.`
      }));
  }
);

export const briefRules: readonly Rule[] = [
  early,
  late,
  wishes,
  system,
  driver,
  software,
  missing,
  pnpNoBios
];
