import { readSize } from '../boards';
import { CpuFamily, Profile, freeIdOf, slugOf, type Wants } from '../model';

/** A program as somebody types it from its box or manual. Empty: nobody says. */
export interface ProgramForm {
  name: string;
  year: string;
  cpu: string;
  base: string;
  extended: string;
  expanded: string;
  v86: string;
  speedFrom: string;
  speedTo: string;
  dos: string;
  /** Sound card: ports in hex and lines that it can be told, as `220, 240` and `5 7`. */
  ports: string;
  irqs: string;
  cd: boolean;
  mouse: boolean;
  joystick: boolean;
  network: boolean;
}
export type ProgramField = keyof ProgramForm;

export const emptyProgram: ProgramForm = {
  name: '',
  year: '',
  cpu: '',
  base: '',
  extended: '',
  expanded: '',
  v86: '',
  speedFrom: '',
  speedTo: '',
  dos: '',
  ports: '',
  irqs: '',
  cd: false,
  mouse: false,
  joystick: false,
  network: false
};

const number = (text: string): number | null =>
  /^\d+(\.\d+)?$/.test(text.trim()) ? Number(text.trim()) : null;
const list = (text: string): string[] => text.split(/[\s,;/]+/).filter(Boolean);
/**
 * Reads a typed program. Sizes may be written as people write them (580, 2 MB, about 600): of a range the most counts,
 * so that what is said to fit fits.
 * @param taken ids of the programs that are there
 * @returns the program, or the fields that were not understood
 */
export function readProgram(
  form: ProgramForm,
  taken: ReadonlySet<string>
): { profile: Profile } | { wrong: ProgramField[] } {
  const wrong: ProgramField[] = [];
  const size = (field: 'base' | 'extended' | 'expanded', most: number): number | undefined => {
    const text = form[field].trim();
    if (!text) return undefined;
    const read = readSize(text, field === 'base' ? 'KiB' : 'small is MiB');
    // "At least 580" is what a box says of its need.
    const kib = read && (Number.isFinite(read.most) ? read.most : read.least);
    if (kib !== null && kib <= most) return kib;
    wrong.push(field);
    return undefined;
  };
  const plain = (field: 'year' | 'speedFrom' | 'speedTo' | 'dos', least: number, most: number) => {
    if (!form[field].trim()) return undefined;
    const n = number(form[field]);
    if (n !== null && n >= least && n <= most) return n;
    wrong.push(field);
    return undefined;
  };
  const numbers = <T>(field: 'ports' | 'irqs', read: (text: string) => T | null): T[] =>
    list(form[field]).flatMap((text) => {
      const value = read(text);
      if (value !== null) return [value];
      if (!wrong.includes(field)) wrong.push(field);
      return [];
    });
  if (!form.name.trim() || form.name.length > 120) wrong.push('name');
  const cpu = CpuFamily.safeParse(form.cpu);
  if (form.cpu && !cpu.success) wrong.push('cpu');
  const year = plain('year', 1975, 2005);
  const from = plain('speedFrom', 0, 100_000);
  const to = plain('speedTo', 0, 100_000);
  if (from !== undefined && to !== undefined && from > to) wrong.push('speedTo');
  const dos = plain('dos', 1, 8);
  const memory = {
    baseKiB: size('base', 640),
    extendedKiB: size('extended', 1_048_576),
    expandedKiB: size('expanded', 32_768)
  };
  const ports = numbers('ports', (t) => {
    const hex = /^(?:0x)?([\da-f]{2,3})h?$/i.exec(t)?.[1];
    return hex ? `${hex.toUpperCase()}h` : null;
  });
  const irqs = numbers('irqs', (t) => (/^\d{1,2}$/.test(t) && Number(t) < 16 ? Number(t) : null));
  if (wrong.length) return { wrong };
  const functions: Wants['functions'] = [
    ...(form.mouse ? (['mouse'] as const) : []),
    ...(form.joystick ? (['game'] as const) : []),
    ...(form.network ? (['network'] as const) : [])
  ];
  const v86 = form.v86 === 'off' || form.v86 === 'needed' ? form.v86 : undefined;
  const asksSound = ports.length > 0 || irqs.length > 0;
  const wants: Wants = {
    ...(cpu.success && { cpu: cpu.data }),
    ...((from !== undefined || to !== undefined) && {
      speed: { ...(from !== undefined && { from }), ...(to !== undefined && { to }) }
    }),
    ...(Object.values(memory).some((n) => n !== undefined) && { memory: defined(memory) }),
    ...(form.cd && { cdrom: true }),
    ...(dos !== undefined && { dos }),
    ...(v86 && { v86 }),
    ...(functions.length && { functions }),
    ...(asksSound && { audio: ['digital8', 'digital16'] as const })
  };
  const profile = Profile.safeParse({
    id: freeIdOf(`own-${slugOf(form.name, 'program')}`, taken),
    name: form.name.trim(),
    ...(year !== undefined && { year }),
    ...(Object.keys(wants).length && { wants }),
    needs: asksSound
      ? [{ kind: 'audio', ...(ports.length && { io: ports }), ...(irqs.length && { irq: irqs }) }]
      : []
  });
  return profile.success ? { profile: profile.data } : { wrong: ['name'] };
}

const defined = <T extends object>(all: T): Partial<T> =>
  Object.fromEntries(Object.entries(all).filter(([, v]) => v !== undefined)) as Partial<T>;
