import {
  bestOrderByDos,
  blockedLine,
  configurations,
  fewestStarts,
  place,
  placeByDos
} from '../src/lib/core/placement';
import { readPlaceFile, readStartsFile } from '../src/lib/formats';
import { readArgs } from './args';
import { textOf } from './io';

export const PLACEMENT_USAGE = `  place FILE                    lines of CONFIG.SYS and AUTOEXEC.BAT into upper memory, exactly: order and region, what
                                stays low, the bound that proves it, and what DOS does by itself. FILE is JSON:
                                {"regions": [BYTES, …], "lines": [{"name", "stage": "config"|"autoexec", "load",
                                "stay", "after": […], "high", "movesItself"}, …]}
  starts FILE                   the fewest configurations in which every program runs: {"managers": […],
                                "optional": […], "always": […], "programs": […]}; docs/boot.md has the fields
`;

const text = (args: readonly string[]): string =>
  textOf(
    readArgs(args, {}, 1, PLACEMENT_USAGE).words[0],
    `name a file, or - for standard input\n\n${PLACEMENT_USAGE}`
  );

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
