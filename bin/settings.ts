import { errorWords } from '../src/lib/words/errors';
import {
  consequenceOf,
  reasonOf,
  decodedSentence,
  readingWords,
  actionWords,
  commonMemoryWords
} from '../src/lib/words';
import { fillingsFor, fillingsShowing, readSize } from '../src/lib/core/boards';
import {
  FactId,
  type Build,
  type FactValue,
  type Part,
  type PartSet,
  type State,
  hasFacts
} from '../src/lib/core/model';
import { middlePrice } from '../src/lib/core/planner';
import {
  EncodeError,
  NotationError,
  decode,
  differences,
  encode,
  encodeFacts,
  factsTold,
  handBlocks,
  readRow,
  writeRow
} from '../src/lib/core/settings';
import { readCatalogue } from '../src/lib/server/catalogue';
import { commandRefusals, settingRefusals as refusals, settingsUsage } from '../src/lib/words/command-line';
import { TEXT, readArgs } from './args';
import { Usage } from './io';

/** Commands about settings, each with what it prints as JSON. */
export const settingCommands: Record<string, (args: readonly string[]) => object> = {
  decode: (args) => {
    const [id, ...told] = readArgs(args, {}, Infinity, settingsUsage).words;
    const part = partOf(id);
    const states: Record<string, State> = {};
    for (const [name, row] of told.map((t) => pair(t, refusals.row))) {
      const block = handBlocks(part).find((b) => b.id === name.toLowerCase() || b.label === name);
      if (!block) throw new Usage(`${refusals.block(part.name, name, blockNames(part))}\n`);
      states[block.id] = asked(() => readRow(row, block));
    }
    if (!told.length) throw new Usage(`${refusals.what(part.name, blockNames(part))}\n`);
    const readings = decode(part, states);
    return {
      part: part.id,
      says: decodedSentence(readings),
      facts: factsTold(part, readings),
      settings: readings.map((reading) => ({
        setting: reading.setting.id,
        label: reading.setting.label,
        position: reading.position,
        possible: reading.possible,
        words: readingWords(reading)
      }))
    };
  },
  encode: (args) => {
    const [id, ...told] = readArgs(args, {}, Infinity, settingsUsage).words;
    const part = partOf(id);
    let positions: Record<string, string> = {};
    for (const [what, value] of told.map((t) => pair(t, refusals.value))) {
      const isSetting = part.settings.some((s) => s.id === what && s.positions.some((p) => p.id === value));
      const fact = FactId.safeParse(what);
      const says = isSetting || !fact.success ? { [what]: value } : factPositions(part, fact.data, value);
      positions = { ...positions, ...says };
    }
    if (!told.length) throw new Usage(`${refusals.encode}\n\n${settingsUsage}`);
    const states = asked(() => encode(part, positions));
    return {
      part: part.id,
      positions,
      rows: Object.fromEntries(
        part.blocks.flatMap((b) => (states[b.id] ? [[b.label ?? b.id, writeRow(b, states[b.id])]] : []))
      )
    };
  },
  memory: (args) => {
    const { words, told } = readArgs(args, { target: TEXT, count: TEXT }, 1, settingsUsage);
    const part = partOf(words[0]);
    const facts = part.board?.memory;
    if (!facts) throw new Usage(`${refusals.noMemory(part.name)}\n`);
    const { target, count } = told;
    if ((target === undefined) === (count === undefined))
      throw new Usage(`${refusals.memory}\n\n${settingsUsage}`);
    const size = readSize(target ?? count ?? '');
    if (!size) throw new Usage(`${refusals.size(target ?? count ?? '')}\n`);
    // What is to be reached is one number; what was counted may be a range.
    if (target !== undefined && size.least !== size.most) throw new Usage(`${refusals.oneSize(target)}\n`);
    // JSON has no infinity: null is a count without an upper end.
    if (count !== undefined) {
      const { explanations, common } = fillingsShowing(facts, size);
      return { part: part.id, count: size, explanations, common: common.map(commonMemoryWords) };
    }
    const { fillings, whole, under } = fillingsFor(
      facts,
      [...catalogue().values()].filter((p) => hasFacts(p, 'module')),
      { targetKiB: size.least, stock: new Map(), from: 'any', price: middlePrice }
    );
    return {
      part: part.id,
      target: size.least,
      whole,
      ...(under ? { under: { kib: under.kib, counts: under.shown.count } } : {}),
      fillings: fillings.map((f) => ({
        kib: f.kib,
        counts: f.shown.count,
        cost: Math.round(f.cost),
        banks: f.banks.map((b) => ({ bank: b.bank, module: b.part.id, count: b.count }))
      }))
    };
  }
};

/** Where the settings of a build differ from where they should be, worst first. */
export const movesReport = (build: Build, parts: PartSet): object => ({
  moves: differences(build, parts).map((d) => ({
    item: d.item,
    setting: d.setting.id,
    severity: d.severity,
    found: d.found ?? null,
    wanted: d.wanted,
    because: d.because.map(reasonOf),
    ifLeft: consequenceOf(d.ifLeft),
    actions: d.actions.map(actionWords)
  }))
});

let known: Map<string, Part> | null = null;
const catalogue = (): Map<string, Part> => (known ??= new Map(readCatalogue().map((p) => [p.id, p])));

function partOf(id: string | undefined): Part {
  const part = id === undefined ? undefined : catalogue().get(id);
  if (!part) throw new Usage(id === undefined ? settingsUsage : `${refusals.part(id)}\n`);
  return part;
}

const blockNames = (part: Part): string =>
  handBlocks(part)
    .map((b) => b.label ?? b.id)
    .join(', ');

function pair(text: string, example: string): [string, string] {
  const at = text.indexOf('=');
  if (at < 1) throw new Usage(`${refusals.pair(text, example)}\n`);
  return [text.slice(0, at), text.slice(at + 1)];
}

function factPositions(part: Part, fact: FactId, value: string): Record<string, string> {
  const plain: FactValue = /^\d+(\.\d+)?$/.test(value) ? Number(value) : value;
  return asked(() => encodeFacts(part, { [fact]: plain }));
}

/** What a person typed wrong is told in one line. */
function asked<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof NotationError || error instanceof EncodeError)
      throw new Usage(`${commandRefusals.badInput}\n  ${errorWords(error)}\n`);
    throw error;
  }
}
