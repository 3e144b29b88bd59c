import { z } from 'zod';
import {
  PhotoMarks,
  type Build,
  type Notebook,
  type PartSet,
  type ShelfItem,
  type Sighting
} from '../../core/model';
import { type Problem } from '../../words';

/** Largest archive that is read, packed and unpacked, in bytes, and most files in it. */
export const MAX_ARCHIVE = 128 * 1024 * 1024;
export const MAX_UNPACKED = 384 * 1024 * 1024;
export const MAX_ENTRIES = 20_000;

/** One state in the history of a build. `parent` is the number of the state it was made from. */
export interface KeptRevision {
  n: number;
  parent: number | null;
  at: string;
  note: string;
  mark?: string;
  build: Build;
}

export interface KeptBuild {
  /** Which of the revisions is the present state. */
  head: number;
  /** When it was put in the bin, if it is there. */
  deleted?: string;
  revisions: KeptRevision[];
}

/** A photograph of a thing on the shelf, as JPEG. */
export interface KeptPhoto {
  item: string;
  name: string;
  data: Uint8Array;
  /** Numbered marks on it. */
  marks: PhotoMarks;
}

/** What an archive gives, and what of it could not be taken, each with its place and the reason. */
export interface ReadWorkshop {
  builds: KeptBuild[];
  parts: PartSet;
  shelf: ShelfItem[];
  photos: KeptPhoto[];
  sightings: Sighting[];
  notebooks: Notebook[];
  left: Problem[];
}

/** A kept document as its text: what cannot be read any more goes along as it is. */
export interface RawRevision {
  n: number;
  parent: number | null;
  at: string;
  note: string;
  mark?: string;
  document: string;
}

export interface RawBuild {
  id: string;
  head: number;
  deleted?: string;
  revisions: RawRevision[];
}

/** Everything of a workshop as it is kept. */
export interface Workshop {
  builds: RawBuild[];
  parts: PartSet;
  shelf: string[];
  photos: (Omit<KeptPhoto, 'marks'> & { marks: string })[];
  sightings: string[];
  notebooks: string[];
  /** What was left out since the archive would be too large to read again: it says so itself. */
  leftOut?: { states: number; photos: number };
}

export interface WrittenWorkshop {
  bytes: Uint8Array;
  /** Names of files under `unreadable/` in it: documents that nothing can be made of, as they were kept. */
  unreadable: string[];
}

const NAME = 'yellow-jumper/workshop';
export const Manifest = z.object({ format: z.literal(NAME), version: z.literal(1) });
export const manifest = (builds: number, left: readonly string[]) => ({
  format: NAME,
  version: 1,
  builds,
  ...(left.length ? { left } : {})
});

export const Revision = z.object({
  n: z.number().int().min(0),
  parent: z.number().int().min(0).nullable(),
  at: z.string().max(40),
  note: z.string().max(200),
  mark: z.string().max(120).optional(),
  build: z.unknown()
});
export const History = z.object({
  head: z.number().int().min(0),
  deleted: z.string().max(40).optional(),
  revisions: z.array(z.unknown()).min(1).max(100_000)
});
export const Photo = z.object({
  item: z.string().max(64),
  name: z.string().max(120),
  file: z.string().max(80),
  marks: PhotoMarks.catch([])
});
export const Shelf = z.object({
  items: z.array(z.unknown()).max(20_000),
  sightings: z.array(z.unknown()).max(5000).default([]),
  notebooks: z.array(z.unknown()).max(5000).default([]),
  photos: z.array(z.unknown()).max(20_000)
});
