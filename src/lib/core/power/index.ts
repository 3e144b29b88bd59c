import { entryOf } from '../model';
import type { Part, SupplyFacts } from '../model';
import type { Kit } from '../kit';

export const rails = ['v5', 'v12', 'v3'] as const;
export type Rail = (typeof rails)[number];

export interface Share {
  title: string;
  item: string;
  amps: number;
}
export interface RailUse {
  rail: Rail;
  /** Amperes in all, and who takes them, largest first. */
  amps: number;
  shares: Share[];
  /** Most that the supply gives; null without a supply. */
  limit: number | null;
}

export interface PowerUse {
  rails: RailUse[];
  /** Amperes on each rail in all. */
  amps: Record<Rail, number>;
  /** Amperes on +12 V while all drives spin up together. */
  start12: number;
  minus5: string[];
  plugs: { large: number; small: number };
}

const named: Record<Rail, string> = { v5: '+5 V', v12: '+12 V', v3: '+3.3 V' };
export const railName = (rail: Rail): string => named[rail];

interface Taking {
  item: string;
  title: string;
  part: Part;
  count: number;
}

/** What a machine takes from its supply, rail by rail. A monitor has its own lead. */
export function powerOf(kit: Kit): PowerUse {
  const fits = ['card', 'drive', 'memory', 'cpu', 'fpu', 'keyboard'];
  const items: Taking[] = [
    { item: kit.build.board.id, title: kit.m.board.title, part: kit.board, count: 1 },
    ...kit.build.items.map((item) => {
      const part = entryOf(kit.parts, item.part);
      return { item: item.id, title: item.label ?? part.name, part, count: item.count ?? 1 };
    })
  ].filter(({ part }) => part.kind === 'board' || fits.includes(part.kind));
  // A CPU that is soldered in is part of what its board takes.
  return sum(items, kit.supply?.part.supply ?? null);
}

function sum(items: readonly Taking[], supply: SupplyFacts | null): PowerUse {
  const useOf = (rail: Rail): RailUse => {
    const shares = items
      .map(({ item, title, part, count }) => ({
        item,
        title,
        amps: round((part.power?.[rail] ?? 0) * count)
      }))
      .filter((s) => s.amps > 0)
      .sort((a, b) => b.amps - a.amps);
    return {
      rail,
      shares,
      amps: round(shares.reduce((n, s) => n + s.amps, 0)),
      limit: supply?.rails[rail] ?? null
    };
  };
  const uses = { v5: useOf('v5'), v12: useOf('v12'), v3: useOf('v3') };
  const more = items.reduce(
    (n, { part, count }) => n + Math.max(0, (part.power?.start12 ?? 0) - (part.power?.v12 ?? 0)) * count,
    0
  );
  const drives = items.filter((i) => i.part.kind === 'drive');
  return {
    rails: rails.map((rail) => uses[rail]),
    amps: { v5: uses.v5.amps, v12: uses.v12.amps, v3: uses.v3.amps },
    start12: round(uses.v12.amps + more),
    minus5: items
      .filter((i) => i.part.power?.minus5 || i.part.board?.memory?.threeSupply)
      .map((i) => i.title),
    plugs: {
      large: drives.filter((d) => d.part.drive?.plug === 'large').length,
      small: drives.filter((d) => d.part.drive?.plug === 'small').length
    }
  };
}

const round = (amps: number) => Math.round(amps * 100) / 100;
