import {
  barriers,
  fatPlan,
  fitTypes,
  largestPartition,
  sectorsOf,
  sizeWords,
  translate,
  translations,
  type Geometry,
  type Translation
} from '../src/lib/core/storage';

export class DiskUsage extends Error {}

export const DISK_USAGE = `  disk --chs C/H/S [--sectors N] [--translation KIND] [--os dosN]
                                what a BIOS and DOS see of a drive, as JSON; kinds: ${translations.join(', ')}
`;

/** `yj disk`: geometry, barriers, types and the file system of the first partition. */
export function diskReport(args: readonly string[]): object {
  const options = new Map<string, string>();
  for (let i = 0; i < args.length; i += 2) {
    if (!['--chs', '--sectors', '--translation', '--os'].includes(args[i]) || args[i + 1] === undefined)
      throw new DiskUsage(`disk takes no ${args[i]} here\n\n${DISK_USAGE}`);
    options.set(args[i], args[i + 1]);
  }
  const chs = /^(\d+)\/(\d+)\/(\d+)$/.exec(options.get('--chs') ?? '');
  const told = options.get('--sectors');
  if (!chs && told === undefined)
    throw new DiskUsage(`disk wants --chs C/H/S or --sectors N\n\n${DISK_USAGE}`);
  if (told !== undefined && !/^\d+$/.test(told))
    throw new DiskUsage(`--sectors wants a whole number, not "${told}"\n`);
  // A drive of which only the size is known reports what all large ones do.
  const physical: Geometry = chs
    ? { cylinders: Number(chs[1]), heads: Number(chs[2]), sectors: Number(chs[3]) }
    : { cylinders: Math.max(1, Math.min(16_383, Math.floor(Number(told) / 1008))), heads: 16, sectors: 63 };
  const total = told === undefined ? sectorsOf(physical) : Number(told);
  const kind = (options.get('--translation') ?? 'none') as Translation;
  if (!translations.includes(kind))
    throw new DiskUsage(`there is no translation "${kind}": ${translations.join(', ')}\n`);
  const os = options.get('--os');
  const dos = os === undefined ? null : Number(/^(?:dos)?(\d+(?:\.\d+)?)$/i.exec(os)?.[1] ?? NaN);
  if (Number.isNaN(dos)) throw new DiskUsage(`--os wants a version such as dos6.22, not "${os}"\n`);
  const logical = translate(physical, kind, total);
  const first = dos === null ? null : Math.min(logical.usable, largestPartition(dos));
  return {
    physical: { ...physical, sectorsInAll: total, size: sizeWords(total) },
    logical: { ...logical.geometry, usable: logical.usable, size: sizeWords(logical.usable) },
    barriers: barriers({ physical, total, translation: kind, dos }).map((b) => ({
      ...b,
      size: sizeWords(b.sectors)
    })),
    types: fitTypes(physical, true)
      .slice(0, 3)
      .map(({ type, used, lost }) => ({ ...type, used, lost })),
    partition:
      first === null || first < 64
        ? null
        : (({ wasteOf, ...plan }) => ({ ...plan, sectors: first, wasteOf1000Files: wasteOf(1000) }))(
            fatPlan(first, dos!)
          )
  };
}
