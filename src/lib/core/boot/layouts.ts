import type { Layout } from '../model';

/** Country code of each layout, for COUNTRY=. */
export const countryOf: Readonly<Record<Layout, number>> = {
  BE: 32,
  CF: 2,
  DK: 45,
  FR: 33,
  GR: 49,
  IT: 39,
  LA: 3,
  NL: 31,
  NO: 47,
  PO: 351,
  SF: 41,
  SG: 41,
  SP: 34,
  SU: 358,
  SV: 46,
  UK: 44
};

/** Layouts that have a program of their own before 3.3. */
export const EARLY_LAYOUTS: readonly Layout[] = ['FR', 'GR', 'IT', 'SP', 'UK'];

/** The code page that is prepared beside the one in the display's ROM. */
export const CODE_PAGE = 850;
