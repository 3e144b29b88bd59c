import {
  bestOrderByDos,
  blockedLine,
  configurations,
  fewestStarts,
  place,
  placeByDos
} from '../src/lib/core/placement';
import { readPlaceFile, readStartsFile } from '../src/lib/formats';
import { commandRefusals as refusals, placementUsage } from '../src/lib/words/command-line';
import { readArgs } from './args';
import { textOf } from './io';

const text = (args: readonly string[]): string =>
  textOf(readArgs(args, {}, 1, placementUsage).words[0], `${refusals.nameFile}\n\n${placementUsage}`);

/** Where every line goes, with the proof, and what DOS would do by itself. */
export function placeReport(source: string): object {
  const { regions, lines, nodes } = readPlaceFile(source);
  const found = place(lines, regions, nodes);
  if (found.status === 'no-order') return { ...found, blocked: blockedLine(lines) };
  return {
    ...found,
    resident: lines.reduce((s, l) => s + l.stay, 0),
    room: regions.reduce((a, b) => a + b, 0),
    byDos: {
      asWritten: placeByDos(lines, regions).low,
      bestOrder: bestOrderByDos(lines, regions)?.low ?? null
    }
  };
}

/** The fewest configurations, with what each serves and why there can be no fewer. */
export function startsReport(source: string): object {
  const { managers, optional, always, programs } = readStartsFile(source);
  const {
    configurations: all,
    chosen,
    ...rest
  } = fewestStarts(configurations(managers, optional, always), programs);
  const short = ({ placement, ...c }: (typeof all)[number]) => ({
    ...c,
    baseKiB: Math.round(c.baseKiB * 10) / 10,
    low: placement.low,
    order: placement.order
  });
  return {
    fewest: chosen.length,
    ...rest,
    chosen: chosen.map(short),
    configurations: all.map((c) => ({ id: c.id, baseKiB: Math.round(c.baseKiB * 10) / 10, serves: c.serves }))
  };
}

export const placementCommands: Record<string, (args: readonly string[]) => object> = {
  place: (args) => placeReport(text(args)),
  starts: (args) => startsReport(text(args))
};
