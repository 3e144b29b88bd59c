import { there } from '../model';
import { floppySizes } from '../rules';
import type { Brief, Part, PartOf } from '../model';
import { suitsSystem, systemOf } from '../software';
import { mediaOf } from '../storage';
import { masksOf, narrowed, withFixed, type Option } from './options';
import type { Pool } from './pool';

type Drive = PartOf<'drive'>;

/** Hard disk, optical drive and floppies together. At least one floppy drive, and a disk for Windows. */
export function storages(pool: Pool, brief: Brief): Option<Drive>[] {
  const drives = pool.of('drive');
  const { windows } = systemOf(brief.os);
  const of = (test: (d: NonNullable<Part['drive']>) => boolean) => drives.filter((p) => test(p.drive));
  const one = (parts: Drive[], key: (p: Drive) => string) =>
    narrowed(
      pool,
      parts.map((part) => ({
        parts: [{ part, count: 1 }],
        ...masksOf(brief.profiles, { diskMiB: Math.floor((part.drive.sectors ?? 0) / 2048), cdrom: true }, [
          'storage'
        ]),
        weight: pool.weigh(part)
      })),
      (o) => `${key(there(o.parts[0]).part)} ${o.mask} ${o.soft}`
    ).map((o) => there(o.parts[0]).part);
  const hards = one(
    of(
      (d) =>
        (d.medium === 'hard' || d.medium === 'flash') &&
        // Its adapters are rare, and any other is damaged by it.
        d.scsi?.signals !== 'differential' &&
        suitsSystem(brief.os, { diskMiB: Math.floor((d.sectors ?? 0) / 2048) })
    ),
    (p) => `${p.drive.interface} ${p.drive.medium}`
  );
  const opticals = one(
    of((d) => d.medium === 'optical'),
    (p) => `${p.drive.interface} ${p.driver?.cpu ?? ''}`
  );
  const floppies = one(
    of((d) => d.interface === 'floppy'),
    (p) => `${p.drive.floppyKiB} ${p.drive.medium}`
  );
  const wishes = (brief.wishes ?? []).flatMap((w) => (w.kind === 'have' ? [w.what] : []));
  const mustCd = wishes.includes('cdrom');
  const wantsCd =
    mustCd || brief.profiles.some((p) => p.wants?.cdrom) || fixedOf(pool, (d) => d.medium === 'optical');
  const wantsPair =
    wishes.includes('floppy-3') ||
    wishes.includes('floppy-5') ||
    fixedOf(pool, (d) => d.interface === 'floppy') ||
    brief.profiles.some((p) => p.wants?.floppyKiB);
  const pairs = wantsPair
    ? floppies.flatMap((a, i) =>
        floppies
          .slice(i + 1)
          .filter((b) => b.drive.floppyKiB !== a.drive.floppyKiB)
          .map((b) => [a, b])
      )
    : [];
  const mustTurn = (brief.wishes ?? []).some((w) => w.kind === 'real-disk');
  const mustBeQuiet = (brief.wishes ?? []).some((w) => w.kind === 'quiet');
  const needsDisk = windows !== null || mustTurn;
  const sizes = wishes.flatMap((w) => (w === 'floppy-5' || w === 'floppy-3' ? [floppySizes[w]] : []));
  const meetsWishes = (set: readonly Drive[]) =>
    sizes.every((size) => set.some((f) => size.includes(f.drive.floppyKiB ?? 0)));
  const known = new Map<string, ReturnType<typeof masksOf>>();
  const masks = (hard: Drive | null, cdrom: boolean, floppies: number[]) => {
    const diskMiB = hard ? Math.floor((hard.drive.sectors ?? 0) / 2048) : null;
    const key = `${diskMiB} ${cdrom} ${floppies.join()}`;
    const found = known.get(key) ?? masksOf(brief.profiles, { diskMiB, cdrom, floppies }, ['storage']);
    known.set(key, found);
    return found;
  };
  const options: Option<Drive>[] = [];
  for (const hard of [
    ...(needsDisk ? [] : [null]),
    ...hards.filter(
      ({ drive }) => (!mustTurn || drive.medium === 'hard') && (!mustBeQuiet || drive.medium !== 'hard')
    )
  ])
    for (const optical of mustCd ? opticals : wantsCd ? [null, ...opticals] : [null])
      for (const set of [...floppies.map((f) => [f]), ...pairs].filter(meetsWishes)) {
        const parts = [hard, optical, ...set].filter((p): p is Drive => p !== null);
        options.push({
          parts: parts.map((part) => ({ part, count: 1 })),
          ...masks(
            hard,
            optical !== null,
            set.flatMap((f) => mediaOf(f.drive.floppyKiB ?? 0).reads)
          ),
          weight: parts.reduce((n, p) => n + pool.weigh(p), 0)
        });
      }
  const kept = withFixed(pool, options, (p) => p.kind === 'drive');
  return narrowed(
    pool,
    kept,
    (o) =>
      `${o.parts.map((p) => p.part.drive.interface + (p.part.drive.floppyKiB ?? '')).join()} ${o.mask} ${o.soft}`
  );
}

const fixedOf = (pool: Pool, test: (d: NonNullable<Part['drive']>) => boolean) =>
  [...pool.fixed].some((id) => {
    const drive = pool.get(id)?.drive;
    return drive !== undefined && test(drive);
  });
