import type { PartWith } from '../model';

/** Why a board does not go into a case: its holes, or slots that meet no openings. */
export type BoardMisfit =
  | { why: 'size'; form: string; takes: string[] }
  | { why: 'spacing'; slots: string; openings: string };

/** What keeps a board out of a case; null: nothing that is known. */
export function boardInCase(
  { form, slotSpacing }: Pick<PartWith<'board'>['board'], 'form' | 'slotSpacing'>,
  { forms, spacing }: PartWith<'chassis'>['chassis']
): BoardMisfit | null {
  if (form && !forms.includes(form)) return { why: 'size', form, takes: [...forms] };
  return slotSpacing && spacing && slotSpacing !== spacing
    ? { why: 'spacing', slots: slotSpacing, openings: spacing }
    : null;
}
