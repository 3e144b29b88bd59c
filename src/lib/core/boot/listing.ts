import { there } from '../model';
/** The files of a disk, as `DIR C:\ /S /B`, `CHKDSK /V` or anything that prints whole paths shows them. */
export interface Listing {
  /** Whole paths in capitals. */
  files: ReadonlySet<string>;
  /** Paths of each name, in capitals without its folder. */
  byName: ReadonlyMap<string, readonly string[]>;
  /** Lines that are no path; blank ones are none. */
  odd: number;
}

const MOST = 5000;
const PATH = /^([A-Z]:\\[^\s/:*?"<>|,;=]*)$/;

/** Reads a listing. @returns null where no line is a path: then nobody looked */
export function readListing(text: string): Listing | null {
  const files = new Set<string>();
  const byName = new Map<string, string[]>();
  let odd = 0;
  for (const line of text.split(/\r\n|\n|\r/, MOST)) {
    const path = PATH.exec(line.trim().toUpperCase())?.[1];
    if (path && !files.has(path)) {
      files.add(path);
      const name = path.slice(path.lastIndexOf('\\') + 1);
      byName.set(name, [...(byName.get(name) ?? []), path]);
    } else if (line.trim() && !path) odd++;
  }
  return files.size ? { files, byName, odd } : null;
}

/** Drives of which a listing shows files: of others it says nothing. */
export const listedDrives = ({ files }: Listing): ReadonlySet<string> =>
  new Set([...files].map((path) => there(path[0])));
