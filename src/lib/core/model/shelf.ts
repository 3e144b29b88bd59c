import { z } from 'zod';
import { finds } from './flaw';
import { Id, Label, line } from './base';
import { DiskRecord } from './medium';
import { Evidence, type Part } from './part';

const Day = z.string().regex(/^\d{4}(-\d{2}(-\d{2})?)?$/, finds('no-day'));
const Words = z.string().max(2000);

export const Condition = z.enum(['untested', 'works', 'partly', 'faulty', 'parts-only']);

/** A try in a machine: where it sat, at which clock, and what became of it. */
export const Trial = z.strictObject({
  date: Day.optional(),
  /** A build of the application, or any machine by name. */
  build: Id.optional(),
  machine: Label.optional(),
  /** Board, where the machine is no build. */
  board: Id.optional(),
  slot: z.string().max(20).optional(),
  clockMHz: z.number().positive().max(2000).optional(),
  result: z.enum(['works', 'partly', 'does-not']),
  note: Words.optional()
});

/** Lent to somebody or to another place; `back` is when it came home. */
export const Loan = z.strictObject({ to: Label, since: Day.optional(), back: Day.optional() });

/** One physical thing on the shelf: a part, and everything about this very specimen. */
export const ShelfItem = z.strictObject({
  id: Id,
  part: Id,
  label: line(120).optional(),
  condition: Condition.default('untested'),
  /** Positions as they were found on it. */
  asFound: z.record(Id, Id).default({}),
  /** Where it lies. */
  place: line(120).optional(),
  cost: z.number().min(0).max(1_000_000).optional(),
  bought: Day.optional(),
  notes: Words.optional(),
  trials: z.array(Trial).max(200).default([]),
  /** A disk or card as a medium: how it was made, and every machine and setup it was tried in. */
  medium: DiskRecord.optional(),
  loans: z.array(Loan).max(100).default([]),
  evidence: z.array(Evidence).max(50).default([])
});

export type ShelfItem = z.output<typeof ShelfItem>;
export type Condition = z.output<typeof Condition>;
export type Trial = z.output<typeof Trial>;
export type Loan = z.output<typeof Loan>;

/** To whom it is lent now; null when it is at home. */
export const lentTo = (item: Pick<ShelfItem, 'loans'>): string | null =>
  item.loans.findLast((loan) => loan.back === undefined)?.to ?? null;

/** How often something worked in an 8-bit slot and how often not, of the tries that name board and slot. */
export function triedIn8Bit(
  trials: readonly Trial[],
  parts: ReadonlyMap<string, Part>
): { works: number; not: number } {
  const there = trials.filter(({ board, slot }) => {
    const slots = parts.get(board ?? '')?.board?.slots ?? [];
    return slots.some((s) => (s.id === slot || s.label === slot) && s.bus === 'isa8');
  });
  const of = (result: Trial['result']) => there.filter((t) => t.result === result).length;
  return { works: of('works'), not: of('does-not') };
}

/** Numbered marks on a photograph: what plug that was, which way round. In percent of its size. */
export const PhotoMarks = z
  .array(
    z.strictObject({
      x: z.number().min(0).max(100),
      y: z.number().min(0).max(100),
      text: z.string().trim().min(1, finds('what-it-is')).max(200),
      /** The block, pin, slot or cable of the part that it stands on, as `markPlaces` names it. */
      on: z.string().max(120).optional()
    })
  )
  .max(60);
export type PhotoMarks = z.output<typeof PhotoMarks>;

/** A thing on the shelf as lists show it. */
export interface ShelfView {
  item: ShelfItem;
  version: number;
  title: string;
  maker: string;
  kind: Part['kind'];
  summary: string;
  /** Builds in which this very specimen sits. */
  usedIn: { build: string; name: string; borrowed: boolean }[];
  lentTo: string | null;
  tried8: ReturnType<typeof triedIn8Bit>;
  photos: { id: string; name: string; width: number; height: number; marks: PhotoMarks }[];
}

/** What somebody saw on a board or card that is not known yet. */
export const Sighting = z.strictObject({
  id: Id,
  name: z.string().trim().min(1, finds('no-name')).max(120),
  kind: z.enum(['board', 'card']),
  seen: z
    .array(
      z.strictObject({
        feature: z.string().max(120),
        value: z.union([z.boolean(), z.number().int().min(0).max(200), z.string().max(120)])
      })
    )
    .max(200)
    .default([]),
  /** Date codes off chips, YYWW. */
  dates: z.array(z.string().max(10)).max(40).default([]),
  notes: Words.optional()
});
export type Sighting = z.output<typeof Sighting>;
