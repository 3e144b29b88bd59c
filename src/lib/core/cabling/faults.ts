import {
  thingOf,
  type OfferedFix,
  type Owner,
  type Ribbon,
  type ScsiFacts,
  type Severity,
  type Subject,
  type Thing,
  there
} from '../model';
import { ADAPTER_ID, type Chain, type Family, type Plugged } from './chains';

/** What is wrong on each kind of cable, as data. */
interface FaultFacts {
  'ata.select':
    | { why: 'both'; a: Thing; b: Thing; as: 'master' | 'slave' }
    | { why: 'mixed'; a: Thing; b: Thing }
    | { why: 'cable-select'; a: Thing; b: Thing; known: boolean }
    | { why: 'only'; drive: Thing }
    | { why: 'lone-slave'; drive: Thing };
  'st506.select':
    | { why: 'floppy-cable'; controller: Owner }
    | { why: 'unselected'; drive: Thing; unit: string; wants: string }
    | { why: 'both'; a: Thing; b: Thing; as: string; twisted: boolean }
    | { why: 'no-first'; drive: Thing; twisted: boolean }
    | { why: 'open-end' | 'middle'; drive: Thing };
  'scsi.id':
    | { why: 'both'; a: Thing; b: Thing; id: string }
    | { why: 'adapter'; drive: Thing }
    | { why: 'no-zero' };
  'scsi.termination':
    | { why: 'open-end' | 'middle'; device: Thing | Owner }
    | { why: 'unseen'; ends: { device: Thing | Owner; fitted: boolean }[] };
  'scsi.signals': { why: 'apart' | 'unseen'; differential: (Thing | Owner)[]; other: (Thing | Owner)[] };
  'scsi.width': { wide: (Thing | Owner)[]; narrow: (Thing | Owner)[]; adapterIsWide: boolean };
  'scsi.power': { fitted: (Thing | Owner)[] };
  'floppy.cable':
    | { why: 'disk-cable'; controller: Owner }
    | { why: 'both'; a: Thing; b: Thing; as: string; straight: boolean }
    | { why: 'unselected'; drive: Thing; unit: string; wants: string }
    | { why: 'no-a'; drive: Thing };
}

/** What is wrong on a cable: a case of a rule. */
export type Fault = {
  [R in keyof FaultFacts]: {
    rule: R;
    severity: Severity;
    /** Tells faults of one rule on the same drives apart. */
    key?: string;
    about: (string | Subject)[];
    facts: FaultFacts[R];
    fixes: OfferedFix[];
  };
}[keyof FaultFacts];

type Judge = (chain: Chain) => Fault[];

const id = (p: Plugged) => p.drive.item.id;
const it = (p: Plugged): Thing => thingOf(p.drive);

/** A fix that jumpers a drive for another unit. */
const jumperFix = (p: Plugged, unit: string): OfferedFix[] => [
  {
    label: { kind: 'jumper', drive: p.drive.title, unit },
    fix: { action: 'jumper', item: id(p), unit }
  }
];
/** A fix that puts terminators of a device in or out. */
const terminatorFix = (item: string, device: string, fitted: boolean): OfferedFix[] => [
  { label: { kind: 'terminators', device, fitted }, fix: { action: 'jumper', item, terminated: fitted } }
];
/** A fix that takes another cable. */
const cableFix = ({ controller }: Chain, twist: 'disk' | 'floppy'): OfferedFix[] => {
  const ribbon: Ribbon = twist === 'disk' ? 'disk-twist' : 'floppy-twist';
  return [
    {
      label: { kind: 'cable', twist },
      fix: { action: 'ribbon', item: controller.item, function: controller.fn.id, ribbon }
    }
  ];
};

/** Pairs of drives on a cable. */
function pairs(drives: readonly Plugged[]): [Plugged, Plugged][] {
  return drives.flatMap((a, i) => drives.slice(i + 1).map((b): [Plugged, Plugged] => [a, b]));
}

/** An ATA cable has one master, or a single, and one slave; or both by cable select on a cable made for it. */
const ata: Judge = ({ drives, ribbon, ribbonTold }) => {
  const rule = 'ata.select';
  const isFirst = (p: Plugged) => p.unit === 'master' || p.unit === 'single';
  const isByCable = (p: Plugged) => p.unit === 'cable select';
  const out: Fault[] = pairs(drives).flatMap(([a, b]): Fault[] => {
    const about = [id(a), id(b)];
    const both = { a: it(a), b: it(b) };
    const slaves = a.unit === 'slave' && b.unit === 'slave';
    if ((isFirst(a) && isFirst(b)) || slaves)
      return [
        {
          rule,
          severity: 'clash',
          about,
          facts: { why: 'both', ...both, as: slaves ? 'slave' : 'master' },
          fixes: jumperFix(slaves ? a : b, slaves ? 'master' : 'slave')
        }
      ];
    if (a.unit && b.unit && isByCable(a) !== isByCable(b))
      return [{ rule, severity: 'caution', about, facts: { why: 'mixed', ...both }, fixes: [] }];
    // On a plain cable line 28 runs through: both take themselves for the master.
    if (isByCable(a) && isByCable(b) && ribbon !== 'cable-select')
      return [
        {
          rule,
          severity: ribbonTold ? 'clash' : 'caution',
          about,
          facts: { why: 'cable-select', ...both, known: ribbonTold },
          fixes: [...jumperFix(a, 'master'), ...jumperFix(b, 'slave')]
        }
      ];
    const single = [a, b].find((p) => p.unit === 'single');
    return single && [a, b].some((p) => p.unit === 'slave')
      ? [
          {
            rule,
            severity: 'note',
            about,
            facts: { why: 'only', drive: it(single) },
            fixes: jumperFix(single, 'master')
          }
        ]
      : [];
  });
  const [only] = drives;
  if (only && drives.length === 1 && only.unit === 'slave')
    out.push({
      rule,
      severity: 'caution',
      about: [id(only)],
      facts: { why: 'lone-slave', drive: it(only) },
      fixes: jumperFix(only, 'single')
    });
  return out;
};

/** The controller selects by a line of the cable; the twist in lines 25 to 29 exchanges two of them. */
const st506: Judge = (chain) => {
  const { drives, ribbon, controller } = chain;
  const rule = 'st506.select';
  const twisted = ribbon === 'disk-twist';
  const out: Fault[] = [];
  if (ribbon === 'floppy-twist')
    out.push({
      rule,
      severity: 'clash',
      about: [controller.item, ...drives.map(id)],
      facts: { why: 'floppy-cable', controller: controller.owner },
      fixes: cableFix(chain, 'disk')
    });
  else
    for (const p of drives.filter((d) => d.unit !== null && d.answers === null))
      out.push({
        rule,
        severity: 'clash',
        about: [id(p)],
        facts: { why: 'unselected', drive: it(p), unit: p.unit!, wants: p.want.unit },
        fixes: jumperFix(p, p.want.unit)
      });
  for (const [a, b] of pairs(drives))
    if (a.unit !== null && b.unit !== null && a.answers !== null && a.answers === b.answers)
      out.push({
        rule,
        severity: 'clash',
        about: [id(a), id(b)],
        facts: { why: 'both', a: it(a), b: it(b), as: a.answers, twisted },
        fixes: [a, b].filter((p) => p.unit !== p.want.unit).flatMap((p) => jumperFix(p, p.want.unit))
      });
  const [only] = drives;
  if (only && drives.length === 1 && only.unit !== null && only.answers === '2')
    out.push({
      rule,
      severity: 'caution',
      about: [id(only)],
      facts: { why: 'no-first', drive: it(only), twisted },
      fixes: ribbon === 'straight' ? jumperFix(only, 'first') : []
    });
  for (const p of drives) {
    if (p.terminated === null || p.want.terminated === null || p.terminated === p.want.terminated) continue;
    out.push({
      rule,
      key: 'terminator',
      severity: p.isEnd ? 'caution' : 'clash',
      about: [id(p)],
      facts: { why: p.isEnd ? 'open-end' : 'middle', drive: it(p) },
      fixes: terminatorFix(id(p), p.drive.title, p.want.terminated)
    });
  }
  return out;
};

/** Each device on a SCSI bus has a number of its own, and the bus is terminated at exactly its two ends. */
const scsi: Judge = (chain) => {
  const { drives, adapter, controller } = chain;
  const out: Fault[] = [];
  const host = { item: controller.item, function: controller.fn.id };
  for (const [a, b] of pairs(drives))
    if (a.unit !== null && a.unit === b.unit)
      out.push({
        rule: 'scsi.id',
        severity: 'clash',
        about: [id(a), id(b)],
        facts: { why: 'both', a: it(a), b: it(b), id: a.unit },
        fixes: jumperFix(b, freeId(chain))
      });
  for (const p of drives.filter((d) => d.unit === ADAPTER_ID))
    out.push({
      rule: 'scsi.id',
      severity: 'clash',
      about: [id(p), host],
      facts: { why: 'adapter', drive: it(p) },
      fixes: jumperFix(p, freeId(chain))
    });
  const disks = drives.filter((d) => ['hard', 'flash'].includes(d.drive.part.drive.medium));
  if (disks.length && disks.every((d) => d.unit !== null && d.unit !== '0'))
    out.push({
      rule: 'scsi.id',
      severity: 'note',
      about: disks.map(id),
      facts: { why: 'no-zero' },
      fixes: jumperFix(there(disks[0]), '0')
    });
  const ends: {
    about: string | Subject;
    device: Thing | Owner;
    name: string;
    now: boolean | null;
    want: boolean;
    item: string;
  }[] = [
    ...drives.map((p) => ({
      about: id(p),
      device: it(p),
      name: p.drive.title,
      now: p.terminated,
      want: p.want.terminated!,
      item: id(p)
    })),
    ...(adapter
      ? [
          {
            about: host,
            device: controller.owner,
            name: controller.title,
            now: adapter.terminated,
            want: adapter.want,
            item: controller.item
          }
        ]
      : [])
  ];
  for (const e of ends.filter((x) => x.now !== null && x.now !== x.want))
    out.push({
      rule: 'scsi.termination',
      severity: 'clash',
      about: [e.about],
      facts: { why: e.want ? 'open-end' : 'middle', device: e.device },
      fixes: terminatorFix(e.item, e.name, e.want)
    });
  out.push(...electrics(chain));
  const unseen = ends.filter((e) => e.now === null);
  if (unseen.length)
    out.push({
      rule: 'scsi.termination',
      severity: 'note',
      about: unseen.map((e) => e.about),
      facts: { why: 'unseen', ends: unseen.map((e) => ({ device: e.device, fitted: e.want })) },
      fixes: []
    });
  return out;
};

/** What drives the bus: devices of two kinds burn each other's drivers, and somebody must feed the terminators. */
function electrics({ drives, controller, ribbon }: Chain): Fault[] {
  const host = { item: controller.item, function: controller.fn.id };
  const devices: { about: string | Subject; device: Thing | Owner; facts: ScsiFacts }[] = [
    ...drives.map((p) => ({ about: id(p), device: it(p), facts: p.drive.part.drive.scsi ?? {} })),
    { about: host, device: controller.owner, facts: controller.fn.scsi ?? {} }
  ];
  const named = (list: typeof devices) => list.map((d) => d.device);
  const about = devices.map((d) => d.about);
  const out: Fault[] = [];
  const differential = devices.filter((d) => d.facts.signals === 'differential');
  const single = devices.filter((d) => d.facts.signals === 'single-ended');
  const unseen = devices.filter((d) => d.facts.signals === undefined);
  if (differential.length && (single.length || unseen.length))
    out.push({
      rule: 'scsi.signals',
      severity: single.length ? 'stop' : 'caution',
      about,
      facts: {
        why: single.length ? 'apart' : 'unseen',
        differential: named(differential),
        other: named(single.length ? single : unseen)
      },
      fixes: []
    });
  const wide = devices.filter((d) => d.facts.width === 16);
  const narrow = devices.filter((d) => d.facts.width === 8);
  if (wide.length && narrow.length)
    out.push({
      rule: 'scsi.width',
      severity: 'note',
      about,
      facts: {
        wide: named(wide),
        narrow: named(narrow),
        adapterIsWide: controller.fn.scsi?.width === 16
      },
      fixes: []
    });
  // What nobody read off may feed them.
  const hasEnd = ribbon === 'end-terminator' || drives.some((p) => p.terminated);
  if (hasEnd && devices.every((d) => d.facts.termPower === false))
    out.push({
      rule: 'scsi.power',
      severity: 'caution',
      about,
      facts: { fitted: named(devices) },
      fixes: []
    });
  return out;
}

const freeId = ({ drives }: Chain): string =>
  ['0', '1', '2', '3', '4', '5', '6'].find((n) => drives.every((d) => d.unit !== n)) ?? '0';

/** A floppy controller has a select and a motor line for each drive; the twist in lines 10 to 16 exchanges them. */
const floppy: Judge = (chain) => {
  const { drives, ribbon, controller } = chain;
  const rule = 'floppy.cable';
  if (ribbon === 'disk-twist')
    return [
      {
        rule,
        severity: 'clash',
        about: [controller.item, ...drives.map(id)],
        facts: { why: 'disk-cable', controller: controller.owner },
        fixes: cableFix(chain, 'floppy')
      }
    ];
  const straight = ribbon === 'straight';
  const twice = pairs(drives)
    .filter(([a, b]) => a.answers !== null && a.answers === b.answers)
    .map(([a, b]): Fault => ({
      rule,
      severity: 'clash',
      about: [id(a), id(b)],
      facts: { why: 'both', a: it(a), b: it(b), as: a.answers!, straight },
      fixes: []
    }));
  const alone = drives.flatMap((p): Fault[] => {
    if (p.answers === null)
      return [
        {
          rule,
          severity: 'clash',
          about: [id(p)],
          facts: { why: 'unselected', drive: it(p), unit: p.unit ?? '', wants: p.want.unit },
          fixes: p.unit !== null && p.unit !== p.want.unit ? jumperFix(p, p.want.unit) : []
        }
      ];
    return straight && drives.length === 1
      ? [
          {
            rule,
            severity: 'caution',
            about: [id(p), controller.item],
            facts: { why: 'no-a', drive: it(p) },
            fixes: cableFix(chain, 'floppy')
          }
        ]
      : [];
  });
  return [...twice, ...alone];
};

const judges: Record<Family, Judge> = { ata, st506, scsi, floppy };

/** What is wrong on a cable: numbers, selects, terminators, the cable itself. What nobody looked at is said so. */
export const faultsOf = (chain: Chain): Fault[] => judges[chain.family](chain);
