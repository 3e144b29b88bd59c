import { actionWords, moveCardWords } from '../words';
import Papa from 'papaparse';
import { hex, type Build, type PartSet } from '../core/model';
import { moveList } from '../core/moves';
import { isLineSeen, linesAt, machine, standing } from '../core/resources';
import { planned } from '../core/settings';
import { withOwnFiles } from './commands';

/** Rows as CSV after RFC 4180; a cell that a spreadsheet would take for a formula gets an apostrophe. */
export const csv = (fields: string[], data: (string | number)[][]): string =>
  Papa.unparse({ fields, data }, { escapeFormulae: true, newline: '\r\n' }) + '\r\n';

/** Every claim of the machine as it stands, one row each: IRQ, DMA, ports and memory; `assumed` where nobody looked. */
export function claimsCsv(build: Build, parts: PartSet): string {
  const m = machine(build, parts);
  const rows = linesAt(m, standing(m)).map((line) => {
    const fitted = m.get(line.item);
    const label = fitted.part.functions.find((fn) => fn.id === line.function)?.label ?? line.function;
    const ranged = line.resource === 'io' || line.resource === 'memory';
    const digits = line.resource === 'memory' ? 5 : 3;
    return [
      fitted.slot?.label ?? fitted.slot?.id ?? '',
      fitted.title,
      label,
      line.resource,
      ranged ? hex(line.value, digits) : line.value,
      ranged ? hex(line.value + line.length - 1, digits) : '',
      ranged ? line.length : '',
      line.resource === 'dma' || line.resource === 'memory' ? line.width : '',
      line.sharing,
      isLineSeen(m, line) ? '' : 'yes'
    ];
  });
  return csv(
    ['slot', 'item', 'function', 'resource', 'from', 'to', 'length', 'bits', 'sharing', 'assumed'],
    rows
  );
}

/** What has to be done at the machine, in order, one row each. */
export function movesCsv(build: Build, parts: PartSet): string {
  const wanted = planned(build, parts);
  const { jobs, commands } = moveList(wanted, parts);
  const rows = [
    ...jobs.flatMap((job) => {
      const seat = [job.title, job.from ?? '', job.into ?? ''];
      return job.actions.length
        ? job.actions.map((action) => [...seat, action.block ?? '', action.setting, actionWords(action)])
        : [[...seat, '', '', moveCardWords]];
    }),
    ...withOwnFiles(commands, wanted, parts).map(({ where, text }) => [where, '', '', '', '', text])
  ];
  return csv(
    ['step', 'item', 'out of', 'into', 'block', 'setting', 'what to do'],
    rows.map((row, i) => [i + 1, ...row])
  );
}
