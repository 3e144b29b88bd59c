import { entryOf, byId, there } from '../model';
import { cablesOf, carries, type Cabled, type Controller, type Kit, type PlacedDrive } from '../kit';
import type { DriveInterface, Ribbon, Select } from '../model';
import { diskNumber, floppyLetter, selectFor } from './lines';

/** Families of cables; drives of one family hang on a controller in the same way. */
export type Family = 'ata' | 'st506' | 'scsi' | 'floppy';
const families: Partial<Record<DriveInterface, Family>> = {
  ata: 'ata',
  xta: 'ata',
  st506: 'st506',
  rll: 'st506',
  esdi: 'st506',
  scsi: 'scsi',
  floppy: 'floppy'
};

/** A drive where it hangs, how it is jumpered, and how it should be. */
export interface Plugged {
  drive: PlacedDrive;
  /** Place on the cable, from 1 at the controller. */
  plug: number;
  /** On the connector outside the case. */
  isOutside: boolean;
  /** At the end of the cable. */
  isEnd: boolean;
  /** Jumpered as: master, a number, a select. Null: nobody wrote it down. */
  unit: string | null;
  terminated: boolean | null;
  want: { unit: string; terminated: boolean | null };
  /** What it answers as here: a letter, a number of a disk, a SCSI ID. */
  answers: string | null;
}

/** Everything on one cable, from the controller to its end. */
export interface Chain {
  family: Family;
  controller: Controller;
  /** As somebody said, or as is usual for it. */
  ribbon: Ribbon;
  ribbonTold: boolean;
  drives: Plugged[];
  /** The host adapter as an end of the bus; null for cables that end at their controller anyhow. */
  adapter: { terminated: boolean | null; want: boolean } | null;
}

const usual: Record<Family, Ribbon> = {
  ata: 'straight',
  st506: 'disk-twist',
  scsi: 'straight',
  floppy: 'floppy-twist'
};
/** Cables that such drives are found on; a wrong one may be written down to be told so. */
export const ribbonsOf: Record<Family, readonly Ribbon[]> = {
  ata: ['straight', 'cable-select'],
  st506: ['disk-twist', 'straight', 'floppy-twist'],
  scsi: ['straight', 'end-terminator'],
  floppy: ['floppy-twist', 'straight', 'disk-twist']
};
/** What a drive can be jumpered as. */
export const unitsOf: Record<Family, readonly string[]> = {
  ata: ['single', 'master', 'slave', 'cable select'],
  st506: ['first', 'second', 'third', 'fourth'],
  scsi: ['0', '1', '2', '3', '4', '5', '6', '7'],
  floppy: ['first', 'second', 'third', 'fourth']
};

/** Places on one cable. */
const room: Record<Family, number> = { ata: 2, st506: 2, floppy: 2, scsi: 15 };
/** Number of the host adapter on its own bus, nearly always. */
export const ADAPTER_ID = '7';

export const familyOf = (kind: DriveInterface): Family | null => families[kind] ?? null;

/** Every cable of a build that runs drives, with what hangs on it. A channel for four drives is two cables. */
export function chainsOf(kit: Kit): Chain[] {
  const groups = new Map<string, { controller: Controller; family: Family; drives: Cabled[] }>();
  for (const c of cablesOf(kit)) {
    const family = familyOf(c.drive.part.drive.interface);
    // Of a cable to something that does not support the drive, that is all there is to say.
    if (!c.controller || !family || !carries(c.controller, c.drive.part.drive.interface)) continue;
    const key = `${c.controller.item}/${c.controller.fn.id}/${family}`;
    const group = groups.get(key) ?? { controller: c.controller, family, drives: [] };
    group.drives.push(c);
    groups.set(key, group);
  }
  return [...groups.values()].flatMap(({ controller, family, drives }) =>
    halves(drives, room[family]).map((list) => chain(kit, controller, family, list))
  );
}

function halves<T>(list: readonly T[], size: number): T[][] {
  return list.length <= size ? [[...list]] : [list.slice(0, size), ...halves(list.slice(size), size)];
}

function chain(kit: Kit, controller: Controller, family: Family, cabled: readonly Cabled[]): Chain {
  const host = controller.onBoard ? kit.build.board : byId(kit.build.items, controller.item);
  const told = host.ribbons?.[controller.fn.id];
  // ESDI codes its selects, which a twist would scramble.
  const isEsdi = cabled.some((c) => c.drive.part.drive.interface === 'esdi');
  const ribbon = told ?? (isEsdi ? 'straight' : usual[family]);
  const isTwisted = family === 'st506' || family === 'floppy' ? ribbon !== 'straight' : false;
  const places = plugs(cabled, family, isTwisted);
  const isOutside = (c: Cabled) => c.drive.part.drive.bay === 'outside' && family === 'scsi';
  const seats = cabled
    .map((c) => ({ c, plug: entryOf(places, c), outside: isOutside(c) }))
    .sort((a, b) => Number(b.outside) - Number(a.outside) || a.plug - b.plug);
  const isEnd = (s: (typeof seats)[number]) =>
    seats.every((o) => o.outside !== s.outside || o.plug <= s.plug);
  const inside = seats.some((s) => !s.outside);
  const outside = seats.some((s) => s.outside);
  const wanted = unitsWanted[family](cabled, ribbon);
  const hasTerminator = ribbon === 'end-terminator';
  return {
    family,
    controller,
    ribbon,
    ribbonTold: told !== undefined,
    drives: seats.map((s): Plugged => {
      const { item } = s.c.drive;
      // Behind a twist hangs the last plug; on a cable of one plug that is the only one.
      const behind = isTwisted && s.plug === 2;
      const unit = unitNow(family, s.c, behind, ribbon);
      const want = unitWanted(family, ribbon, behind, there(wanted[cabled.indexOf(s.c)]));
      return {
        drive: s.c.drive,
        plug: s.plug,
        isOutside: s.outside,
        isEnd: isEnd(s),
        unit,
        terminated: item.terminated ?? null,
        want: {
          unit: want,
          terminated:
            family === 'scsi'
              ? isEnd(s) && (s.outside || !hasTerminator)
              : family === 'st506'
                ? isEnd(s)
                : null
        },
        answers: answersTo(family, ribbon, behind, unit ?? want)
      };
    }),
    adapter: family === 'scsi' ? { terminated: host.terminated ?? null, want: !(inside && outside) } : null
  };
}

/** Who hangs on which plug: as told, the others on what is left; with a twist the first drive hangs behind it. */
function plugs(cabled: readonly Cabled[], family: Family, isTwisted: boolean): Map<Cabled, number> {
  const at = new Map<Cabled, number>();
  const free = new Set(Array.from({ length: Math.max(2, cabled.length) }, (_, i) => i + 1));
  const letter = { A: 2, B: 1 } as Record<string, number>;
  for (const c of cabled) {
    const told = c.drive.item.cable?.plug ?? (family === 'floppy' ? letter[c.unit ?? ''] : undefined);
    if (told === undefined) continue;
    at.set(c, told);
    free.delete(told);
  }
  for (const c of cabled) {
    if (at.has(c)) continue;
    const [first] = isTwisted ? [...free].sort((a, b) => b - a) : free;
    at.set(c, first ?? cabled.length);
    if (first !== undefined) free.delete(first);
  }
  return at;
}

/** As somebody wrote it down. Of old floppy entries only the letter is known, which tells the plug. */
function unitNow(family: Family, { unit, drive }: Cabled, behind: boolean, ribbon: Ribbon): string | null {
  if (family !== 'floppy') return unit;
  const { select } = drive.item.cable ?? {};
  if (select) return select;
  if (unit !== 'A' && unit !== 'B') return null;
  return selectFor(unit, (s) => floppyLetter(ribbon, behind, s));
}

/** Each SCSI drive keeps its number while nobody else has it; the others get the lowest that is free. */
function scsiNumbers(cabled: readonly Cabled[]): string[] {
  const taken = new Set([ADAPTER_ID, ...cabled.map((c) => c.unit)]);
  const given = new Set<string>([ADAPTER_ID]);
  return cabled.map(({ unit }) => {
    const id = unit !== null && !given.has(unit) ? unit : (unitsOf.scsi.find((u) => !taken.has(u)) ?? '0');
    taken.add(id);
    given.add(id);
    return id;
  });
}

/** One master and one slave, with what is known of them kept; both by cable select on a cable that is made for it. */
function ataUnits(cabled: readonly Cabled[], ribbon: Ribbon): string[] {
  const units = cabled.map((c) => c.unit);
  if (units.length === 1) return [units[0] === 'master' || units[0] === 'cable select' ? units[0] : 'single'];
  const isByCable = units.every((u) => u === null || u === 'cable select');
  if (ribbon === 'cable-select' && units.includes('cable select') && isByCable)
    return units.map(() => 'cable select');
  const isSlave = (c: Cabled) => c.unit === 'slave';
  const master =
    cabled.find((c) => c.unit === 'master' || c.unit === 'single') ??
    cabled.find((c) => !isSlave(c) && c.drive.part.drive.medium !== 'optical') ??
    cabled.find((c) => !isSlave(c)) ??
    cabled[0];
  return cabled.map((c) => (c === master ? 'master' : 'slave'));
}

/** What each should be on its cable, whatever the cable does to it: in the order of the drives. */
const unitsWanted: Record<Family, (cabled: readonly Cabled[], ribbon: Ribbon) => string[]> = {
  ata: ataUnits,
  scsi: scsiNumbers,
  st506: (cabled) => cabled.map((_, i) => String(i + 1)),
  floppy: (cabled) => cabled.map(() => '')
};

function unitWanted(family: Family, ribbon: Ribbon, behind: boolean, wanted: string): string {
  if (family === 'floppy') {
    const letter = ribbon === 'straight' ? 'B' : behind ? 'A' : 'B';
    return selectFor(letter, (s) => floppyLetter(ribbon, behind, s)) ?? 'second';
  }
  if (family !== 'st506') return wanted;
  // With the twist the place on the cable says which disk it is.
  const number = ribbon === 'disk-twist' ? (behind ? 1 : 2) : Number(wanted);
  return selectFor(number, (s) => diskNumber(ribbon, behind, s)) ?? 'second';
}

function answersTo(family: Family, ribbon: Ribbon, behind: boolean, unit: string): string | null {
  if (family === 'floppy') return floppyLetter(ribbon, behind, unit as Select);
  if (family === 'st506') {
    const n = diskNumber(ribbon, behind, unit as Select);
    return n === null ? null : String(n);
  }
  return unit;
}
