import { z } from 'zod';
import { finds } from './flaw';
import { Id, Label, Name } from './base';
import { Block, Evidence, State } from './part';

/** What is told: a fact of the machine by its id, or anything in words. */
const Subject = z.string().trim().min(1, finds('what-it-decides')).max(40);
const Value = z.string().trim().min(1, finds('what-it-means')).max(60);

/** One row of a document: a state of a block and what it is said to mean. */
export const FragmentRow = z.strictObject({ block: Id, state: State, subject: Subject, value: Value });

/** A document that tells only part of it: the silkscreen, a page of a manual, a listing. */
export const Fragment = z.strictObject({
  id: Id,
  source: Evidence.shape.source,
  title: Label,
  rows: z.array(FragmentRow).max(300).default([])
});

/** What happened in a try. */
export const Outcome = z.enum(['ran', 'slow', 'froze', 'dead', 'not-noted']);

/** One start: how the blocks stood, what was seen, what happened. */
export const BoardTry = z.strictObject({
  at: z.iso.datetime().optional(),
  states: z.record(Id, State),
  saw: z.record(Subject, Value).default({}),
  happened: Outcome.default('not-noted'),
  note: z.string().max(400).optional()
});

/** What is being found out about a board or card that is documented in part. */
export const Notebook = z.strictObject({
  id: Id,
  name: Name,
  /** Part of the catalogue that it looks like, from which an export starts. */
  like: Id.optional(),
  blocks: z.array(Block).max(16).default([]),
  /** Facts that its blocks may decide. */
  subjects: z.array(Subject).max(24).default([]),
  fragments: z.array(Fragment).max(24).default([]),
  tries: z.array(BoardTry).max(200).default([]),
  notes: z.string().max(4000).optional()
});

export type FragmentRow = z.output<typeof FragmentRow>;
export type Fragment = z.output<typeof Fragment>;
export type BoardTry = z.output<typeof BoardTry>;
export type Outcome = z.output<typeof Outcome>;
export type Notebook = z.output<typeof Notebook>;
