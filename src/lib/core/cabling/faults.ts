import type { Finding, Ribbon, Subject } from '../model';
import { ADAPTER_ID, type Chain, type Family, type Plugged } from './chains';

/** What is wrong on a cable: a finding without its reason. */
export interface Fault {
  rule: 'ata.select' | 'st506.select' | 'scsi.id' | 'scsi.termination' | 'floppy.cable';
  severity: 'clash' | 'caution' | 'note';
  about: (string | Subject)[];
  title: string;
  sentence: string;
  fixes: Finding['fixes'];
}

type Judge = (chain: Chain) => Fault[];

/** A fix that jumpers a drive, or puts its terminators in or out. */
const jumper = (p: Plugged, to: { unit?: string; terminated?: boolean }): Finding['fixes'] => [
  {
    label:
      to.unit === undefined
        ? `${p.drive.title}: terminators ${to.terminated ? 'in' : 'out'}`
        : `${p.drive.title}: ${to.unit}`,
    fix: { action: 'jumper', item: p.drive.item.id, ...to }
  }
];
const id = (p: Plugged) => p.drive.item.id;
/** A fix that takes another cable. */
const otherCable = ({ controller }: Chain, ribbon: Ribbon, label: string): Finding['fixes'] => [
  { label, fix: { action: 'ribbon', item: controller.item, function: controller.fn.id, ribbon } }
];
const TWISTED_DISKS = 'The cable with the twist in 25 to 29';
const TWISTED_FLOPPIES = 'A cable with the twist in 10 to 16';

/** Pairs of drives on a cable. */
function pairs(drives: readonly Plugged[]): [Plugged, Plugged][] {
  return drives.flatMap((a, i) => drives.slice(i + 1).map((b): [Plugged, Plugged] => [a, b]));
}

const ata: Judge = ({ drives }) => {
  const out: Fault[] = [];
  const first = (p: Plugged) => p.unit === 'master' || p.unit === 'single';
  for (const [a, b] of pairs(drives)) {
    const about = [id(a), id(b)];
    if ((first(a) && first(b)) || (a.unit === 'slave' && b.unit === 'slave')) {
      const both = a.unit === 'slave' ? 'slaves' : 'masters';
      const other = a.unit === 'slave' ? a : b;
      out.push({
        rule: 'ata.select',
        severity: 'clash',
        about,
        title: `${a.drive.title} and ${b.drive.title} are both ${both}`,
        sentence: 'Neither is found, or both answer at once: one master and one slave on a cable.',
        fixes: jumper(other, { unit: a.unit === 'slave' ? 'master' : 'slave' })
      });
    } else if (a.unit && b.unit && (a.unit === 'cable select') !== (b.unit === 'cable select'))
      out.push({
        rule: 'ata.select',
        severity: 'caution',
        about,
        title: `${a.drive.title} and ${b.drive.title} are numbered in two ways`,
        sentence: 'Cable select goes with cable select: with a master or a slave beside it, both may be one.',
        fixes: []
      });
    else if ((a.unit === 'single' && b.unit === 'slave') || (b.unit === 'single' && a.unit === 'slave'))
      out.push({
        rule: 'ata.select',
        severity: 'note',
        about,
        title: `${(a.unit === 'single' ? a : b).drive.title} is jumpered as the only one`,
        sentence:
          'Some drives have another position for a master with a slave; without it the slave is lost.',
        fixes: jumper(a.unit === 'single' ? a : b, { unit: 'master' })
      });
  }
  if (drives.length === 1 && drives[0].unit === 'slave')
    out.push({
      rule: 'ata.select',
      severity: 'caution',
      about: [id(drives[0])],
      title: `${drives[0].drive.title} is a lone slave`,
      sentence: 'Old hosts do not find it: set it to master or single.',
      fixes: jumper(drives[0], { unit: 'single' })
    });
  return out;
};

const st506: Judge = (chain) => {
  const { drives, ribbon, controller } = chain;
  const out: Fault[] = [];
  const rule = 'st506.select';
  if (ribbon === 'floppy-twist')
    out.push({
      rule,
      severity: 'clash',
      about: [controller.item, ...drives.map(id)],
      title: `A floppy cable on ${controller.title}`,
      sentence:
        'Its twist sits in lines 10 to 16; the one of hard disks sits in 25 to 29. The drive behind it is not selected.',
      fixes: otherCable(chain, 'disk-twist', TWISTED_DISKS)
    });
  else
    for (const p of drives.filter((d) => d.unit !== null && d.answers === null))
      out.push({
        rule,
        severity: 'clash',
        about: [id(p)],
        title: `${p.drive.title} is never selected`,
        sentence: `Jumpered as the ${p.unit} on its plug, it listens to a line that the controller does not use. On this cable it wants the ${p.want.unit} select.`,
        fixes: jumper(p, { unit: p.want.unit })
      });
  for (const [a, b] of pairs(drives))
    if (a.unit !== null && b.unit !== null && a.answers !== null && a.answers === b.answers)
      out.push({
        rule,
        severity: 'clash',
        about: [id(a), id(b)],
        title: `${a.drive.title} and ${b.drive.title} both answer as disk ${a.answers}`,
        sentence:
          ribbon === 'disk-twist'
            ? 'With the twisted cable both are jumpered as the second select; the twist tells them apart.'
            : 'On a straight cable one is the first select, the other the second.',
        fixes: [a, b].filter((p) => p.unit !== p.want.unit).flatMap((p) => jumper(p, { unit: p.want.unit }))
      });
  const [only] = drives;
  if (drives.length === 1 && only.unit !== null && only.answers === '2')
    out.push({
      rule,
      severity: 'caution',
      about: [id(only)],
      title: `${only.drive.title} answers as the second disk, and there is no first`,
      sentence:
        ribbon === 'disk-twist'
          ? 'The machine looks for disk 1 and finds none: hang it behind the twist, on the end plug.'
          : 'The machine looks for disk 1 and finds none: set it to the first select.',
      fixes: ribbon === 'straight' ? jumper(only, { unit: 'first' }) : []
    });
  for (const p of drives) {
    if (p.terminated === null || p.want.terminated === null || p.terminated === p.want.terminated) continue;
    out.push({
      rule,
      severity: p.isEnd ? 'caution' : 'clash',
      about: [id(p)],
      title: p.isEnd
        ? `${p.drive.title} ends the cable without a terminator`
        : `${p.drive.title} is terminated in the middle`,
      sentence: p.isEnd
        ? 'Signals run back from the open end: errors that come and go. The last drive keeps its terminator.'
        : 'Only the last drive keeps its terminator; two load the lines too much, and drives are not found.',
      fixes: jumper(p, { terminated: p.want.terminated })
    });
  }
  return out;
};

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
        title: `${a.drive.title} and ${b.drive.title} are both ${a.unit}`,
        sentence:
          'Both answer at once: neither is found, or one shows up at every number. Each needs its own.',
        fixes: jumper(b, { unit: freeId(chain) })
      });
  for (const p of drives.filter((d) => d.unit === ADAPTER_ID))
    out.push({
      rule: 'scsi.id',
      severity: 'clash',
      about: [id(p), host],
      title: `${p.drive.title} has the adapter’s number`,
      sentence: 'The host adapter is nearly always 7: give the drive a number from 0 to 6.',
      fixes: jumper(p, { unit: freeId(chain) })
    });
  const disks = drives.filter((d) => ['hard', 'flash'].includes(d.drive.part.drive!.medium));
  if (disks.length && disks.every((d) => d.unit !== null && d.unit !== '0'))
    out.push({
      rule: 'scsi.id',
      severity: 'note',
      about: disks.map(id),
      title: 'No disk is number 0',
      sentence: 'Most adapters start from number 0 only; some can be told otherwise in their own setup.',
      fixes: jumper(disks[0], { unit: '0' })
    });
  const ends = [
    ...drives.map((p) => ({
      about: id(p) as string | Subject,
      title: p.drive.title,
      now: p.terminated,
      want: p.want.terminated!,
      fixes: jumper(p, { terminated: p.want.terminated! })
    })),
    ...(adapter
      ? [
          {
            about: host as string | Subject,
            title: controller.title,
            now: adapter.terminated,
            want: adapter.want,
            fixes: [
              {
                label: `${controller.title}: terminators ${adapter.want ? 'in' : 'out'}`,
                fix: { action: 'jumper' as const, item: controller.item, terminated: adapter.want }
              }
            ]
          }
        ]
      : [])
  ];
  for (const e of ends.filter((x) => x.now !== null && x.now !== x.want))
    out.push({
      rule: 'scsi.termination',
      severity: 'clash',
      about: [e.about],
      title: e.want
        ? `${e.title} ends the bus without terminators`
        : `${e.title} is terminated in the middle`,
      sentence:
        'The bus is terminated at its two physical ends, and nowhere else. Otherwise drives come and go, or data is garbled.',
      fixes: e.fixes
    });
  const unseen = ends.filter((e) => e.now === null);
  if (unseen.length)
    out.push({
      rule: 'scsi.termination',
      severity: 'note',
      about: unseen.map((e) => e.about),
      title: 'Terminators nobody looked at',
      sentence: `${unseen.map((e) => `${e.title}: ${e.want ? 'in' : 'out'}`).join('; ')}. Look, and write it down under Disks, Interfaces.`,
      fixes: []
    });
  return out;
};

const freeId = ({ drives }: Chain): string =>
  ['0', '1', '2', '3', '4', '5', '6'].find((n) => drives.every((d) => d.unit !== n)) ?? '0';

const floppy: Judge = (chain) => {
  const { drives, ribbon, controller } = chain;
  const out: Fault[] = [];
  const rule = 'floppy.cable';
  if (ribbon === 'disk-twist')
    return [
      {
        rule,
        severity: 'clash',
        about: [controller.item, ...drives.map(id)],
        title: `The cable of a hard disk on ${controller.title}`,
        sentence:
          'Its twist sits in lines 25 to 29: a floppy drive behind it gets the wrong signals. The one of floppies sits in 10 to 16.',
        fixes: otherCable(chain, 'floppy-twist', TWISTED_FLOPPIES)
      }
    ];
  for (const [a, b] of pairs(drives))
    if (a.answers !== null && a.answers === b.answers)
      out.push({
        rule,
        severity: 'clash',
        about: [id(a), id(b)],
        title: `${a.drive.title} and ${b.drive.title} both answer as ${a.answers}`,
        sentence:
          ribbon === 'straight'
            ? 'A straight cable serves one drive. Take one with a twist in lines 10 to 16.'
            : 'One hangs behind the twist (A), the other before it (B), both jumpered as the second select.',
        fixes: []
      });
  for (const p of drives) {
    if (p.answers === null)
      out.push({
        rule,
        severity: 'clash',
        about: [id(p)],
        title: `${p.drive.title} answers to no letter`,
        sentence: `Jumpered as the ${p.unit} select it listens to the motor or select of another drive. The ${p.want.unit} select is right on this controller; the first is right only where a controller has one motor line for all.`,
        fixes: p.unit !== null && p.unit !== p.want.unit ? jumper(p, { unit: p.want.unit }) : []
      });
    else if (ribbon === 'straight' && drives.length === 1)
      out.push({
        rule,
        severity: 'caution',
        about: [id(p), controller.item],
        title: `${p.drive.title} is B, and there is no A`,
        sentence:
          'On a straight cable the drive is B: the machine does not start from it. Take a cable with a twist, or use the setup’s swap.',
        fixes: otherCable(chain, 'floppy-twist', TWISTED_FLOPPIES)
      });
  }
  return out;
};

const judges: Record<Family, Judge> = { ata, st506, scsi, floppy };

/** What is wrong on a cable: numbers, selects, terminators, the cable itself. What nobody looked at is said so. */
export const faultsOf = (chain: Chain): Fault[] => judges[chain.family](chain);
