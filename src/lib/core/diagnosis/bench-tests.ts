import type { FaultMode } from './modes';

/** A test that one can do at the bench. */
export interface BenchTest {
  id: string;
  minutes: number;
  /** What it costs beside time, in the units of prices. */
  money: number;
  /** Chance that it harms something. */
  risk: number;
  /** It reads a machine that runs. */
  isPowered?: true;
  /** It reads something without a start: these faults show with the chance `sure`. */
  reads?: { finds: (m: FaultMode) => boolean; sure: number };
  /** It is followed by a start in which these faults are gone with the chance `sure`. */
  removes?: { cures: (m: FaultMode) => boolean; sure: number };
  /** It is followed by a start in which these are back that went out with a part before. */
  restores?: (m: FaultMode) => boolean;
  /** The suspect part goes into another machine, which it may harm. */
  isElsewhere?: true;
}

const of =
  (...components: string[]) =>
  (m: FaultMode): boolean =>
    components.includes(m.component);

export const isCard = (m: FaultMode): boolean => m.way === 'card';

/** Tests with their minutes and risks. Estimates. */
export const benchTests: readonly BenchTest[] = [
  // What the checks know to be wrong comes before any other test.
  { id: 'set-right', minutes: 3, money: 0, risk: 0, removes: { cures: (m) => m.prior >= 1, sure: 0.97 } },
  { id: 'listen', minutes: 1, money: 0, risk: 0, removes: { cures: () => false, sure: 0 } },
  { id: 'ohms', minutes: 3, money: 0, risk: 0.002, reads: { finds: of('short'), sure: 0.97 } },
  {
    id: 'volts',
    minutes: 2,
    money: 0,
    risk: 0.002,
    isPowered: true,
    reads: { finds: of('supply'), sure: 0.95 }
  },
  {
    id: 'settings',
    minutes: 3,
    money: 0,
    risk: 0,
    reads: { finds: (m) => m.cure === 'setting', sure: 0.95 }
  },
  {
    id: 'save-setup',
    minutes: 2,
    money: 0,
    risk: 0,
    removes: { cures: (m) => m.way === 'size-told', sure: 0.95 }
  },
  { id: 'cell', minutes: 1, money: 0, risk: 0, reads: { finds: of('cell'), sure: 0.97 } },
  { id: 'leak', minutes: 2, money: 0, risk: 0, reads: { finds: of('leak'), sure: 0.9 } },
  {
    id: 'reseat-memory',
    minutes: 6,
    money: 1,
    risk: 0.01,
    removes: {
      cures: (m) => ['memory-contact', 'memory-loose', 'memory-missing'].includes(m.way),
      sure: 0.85
    }
  },
  {
    id: 'reseat-cards',
    minutes: 4,
    money: 1,
    risk: 0.01,
    removes: { cures: (m) => m.way === 'display-contact', sure: 0.85 }
  },
  {
    id: 'reseat-cpu',
    minutes: 8,
    money: 1,
    risk: 0.01,
    removes: { cures: (m) => m.way === 'cpu-contact', sure: 0.8 }
  },
  {
    id: 'strip',
    minutes: 10,
    money: 0,
    risk: 0.01,
    restores: isCard,
    removes: { cures: isCard, sure: 0.97 }
  },
  { id: 'other-monitor', minutes: 3, money: 0, risk: 0, removes: { cures: of('monitor'), sure: 0.98 } },
  { id: 'other-display', minutes: 5, money: 0, risk: 0.02, removes: { cures: of('display'), sure: 0.95 } },
  { id: 'other-memory', minutes: 12, money: 0, risk: 0.02, removes: { cures: of('memory'), sure: 0.95 } },
  { id: 'other-supply', minutes: 15, money: 0, risk: 0.02, removes: { cures: of('supply'), sure: 0.95 } },
  { id: 'other-keyboard', minutes: 2, money: 0, risk: 0, removes: { cures: of('keyboard'), sure: 0.98 } },
  {
    id: 'cables',
    minutes: 4,
    money: 0,
    risk: 0.005,
    removes: { cures: (m) => m.way === 'floppy-cable' || m.way === 'disk-cable', sure: 0.85 }
  },
  {
    id: 'other-floppy',
    minutes: 8,
    money: 0,
    risk: 0.01,
    removes: { cures: (m) => m.way === 'floppy-drive', sure: 0.95 }
  },
  {
    id: 'warm-restart',
    minutes: 2,
    money: 0,
    risk: 0,
    removes: { cures: (m) => m.way === 'disk-slow', sure: 0.9 }
  },
  {
    id: 'display-elsewhere',
    minutes: 10,
    money: 0,
    risk: 0.1,
    isElsewhere: true,
    reads: { finds: (m) => m.way === 'display-card', sure: 0.9 }
  },
  {
    id: 'memory-elsewhere',
    minutes: 10,
    money: 0,
    risk: 0.1,
    isElsewhere: true,
    reads: { finds: (m) => m.way === 'memory-chip' || m.way === 'memory-high', sure: 0.9 }
  },
  { id: 'put-back', minutes: 6, money: 0, risk: 0.01, restores: () => true },
  {
    id: 'boot-floppy',
    minutes: 4,
    money: 0,
    risk: 0,
    removes: {
      cures: (m) =>
        m.component === 'medium' || ['disk-errors', 'disk-table', 'disk-geometry'].includes(m.way),
      sure: 0.9
    }
  },
  {
    id: 'read-table',
    minutes: 10,
    money: 0,
    risk: 0,
    isPowered: true,
    reads: { finds: (m) => m.way === 'disk-table', sure: 0.9 }
  }
];

export const testById: ReadonlyMap<string, BenchTest> = new Map(benchTests.map((t) => [t.id, t]));

const WITHOUT = 'without ';

/** One card out, all others in: which one it is, once the machine starts without all of them. */
const withoutCard = (item: string): BenchTest => ({
  id: WITHOUT + item,
  minutes: 3,
  money: 0,
  risk: 0.01,
  restores: isCard,
  removes: { cures: (m) => isCard(m) && m.item === item, sure: 0.97 }
});

/** The card that a test leaves out; null: it is another test. */
export const cardOutIn = (id: string): string | null =>
  id.startsWith(WITHOUT) ? id.slice(WITHOUT.length) : null;

/** A test by its name; undefined: there is none. */
export function testOf(id: string): BenchTest | undefined {
  const card = cardOutIn(id);
  return card ? withoutCard(card) : testById.get(id);
}

/** Tests for a machine: the general ones, and one for each of its cards. */
export function testsOf(modes: readonly FaultMode[]): BenchTest[] {
  const cards = modes.flatMap((m) => (isCard(m) && m.item ? [m.item] : []));
  return [...benchTests, ...(cards.length > 1 ? cards.map(withoutCard) : [])];
}

/**
 * What lies outside with the cards that were taken out: while they do, a machine that runs is no end yet.
 * @param done tests by their names, the oldest first
 */
export function outWithCards(done: readonly string[]): (m: FaultMode) => boolean {
  const last = done.findLast((id) => id === 'strip' || id === 'put-back' || cardOutIn(id) !== null);
  if (last === 'strip') return isCard;
  return (m) => last !== undefined && isCard(m) && m.item === cardOutIn(last);
}
