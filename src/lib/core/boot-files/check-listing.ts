import { listedDrives, type Listing } from '../boot';
import type { Seen } from './finding';
import type { BatchLine, Named } from './read';
import { loadedOf, managerOf, type Loaded, type Situation } from './situation';

const PROGRAMS = ['.COM', '.EXE', '.BAT'] as const;
const ENDING = /\.[^.\\]*$/;

/** Paths that a line may mean: a command is looked for with three endings, a device by its name alone. */
const meant = (l: Loaded): string[] => {
  const path = l.file.path.toUpperCase();
  return ENDING.test(path) || l.at === 'CONFIG.SYS' ? [path] : PROGRAMS.map((e) => path + e);
};

/** Where files of that name lie, whatever folder the line says. */
function elsewhere(listing: Listing, file: Named, paths: readonly string[]): string[] {
  const names = paths.map((p) => p.slice(p.lastIndexOf('\\') + 1).replace(/^[A-Z]:/, ''));
  return names
    .flatMap((name) => [...(listing.byName.get(name) ?? [])])
    .filter((p) => p[0] === (file.drive ?? p[0]));
}

/** Commands with what a listing tells of them: a file named without its ending may be a batch file there. */
export const asListed = (commands: readonly BatchLine[], listing: Listing | null): BatchLine[] =>
  commands.map((l) => {
    const path = l.command?.file?.path.toUpperCase() ?? '';
    if (!listing || !l.command || !path.includes('\\') || ENDING.test(path)) return l;
    const [first] = PROGRAMS.filter((ending) => listing.files.has(path + ending));
    return first === '.BAT' ? { ...l, command: { ...l.command, isBatch: true } } : l;
  });

/**
 * Files that a line names and the listing of the disk does not have. Of a drive that was not listed nothing is said,
 * nor of a name without a drive and folder that lies somewhere on it: PATH or the start folder may lead there.
 */
export function checkListing(s: Situation): Seen[] {
  const { listing } = s.machine;
  if (!listing) return [];
  const drives = listedDrives(listing);
  return loadedOf(s).flatMap((l): Seen[] => {
    const { file } = l;
    if (file.drive !== null && !drives.has(file.drive)) return [];
    const paths = meant(l);
    const found = elsewhere(listing, file, paths);
    const isWhole = file.drive !== null && file.folder.includes('\\');
    if (isWhole ? paths.some((p) => listing.files.has(p)) : found.length) return [];
    const [only] = found.length === 1 ? found : [];
    return [
      {
        rule: 'file.missing',
        facts: { path: file.path, elsewhere: found },
        severity: 'clash',
        edit: only ? { file: l.at, line: l.n, text: l.text.replace(file.path, only) } : null,
        file: l.at,
        line: l.n
      }
    ];
  });
}

/** Programs that refuse the memory manager, where every start loads one. */
export function checkRefusers(starts: readonly Situation[]): Seen[] {
  const managers = starts.map((s) => managerOf(loadedOf(s)));
  const [first] = managers;
  const programs = starts[0]?.machine.refusers ?? [];
  if (!first || !programs.length || managers.some((m) => m === null)) return [];
  return [
    {
      rule: 'manager.refused',
      facts: { programs, starts: starts.length },
      // Without a menu there may be another pair for it.
      severity: starts.length > 1 ? 'clash' : 'caution',
      file: 'CONFIG.SYS',
      line: first.loaded.n
    }
  ];
}
