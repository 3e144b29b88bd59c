import {
  BOARD_ITEM,
  type Build,
  type Item,
  type Part,
  type PartSet,
  type Setting,
  type Severity,
  entryOf,
  sameJson
} from '../model';
import { actionsFor, type Action } from '../moves';
import { kitOf, type Kit } from '../kit';
import { positionOf, type Fitted } from '../resources';
import { factRules } from './facts';
import { busMHz, type Of } from './look';
import type { Consequence, Reason, Want } from './reasons';
import { isByHand, meaningsOf, type Meant } from './meaning';
import { blockState, foundState } from './record';

/** What the build asks of one setting. */
export interface Required {
  item: string;
  title: string;
  part: Part;
  setting: Setting;
  fact: Of['fact'];
  /** Positions that do, the best first. Empty: no position of the setting gives what is asked. */
  positions: string[];
  /** Where it is to stand: where the plan has it when that does, else the best. */
  position: string | null;
  /** What is asked. */
  value: Want['value'];
  because: Reason[];
}

/** Everything that follows from one fact, on whatever blocks: it is changed together. */
export interface FactGroup {
  key: string;
  fact: Of['fact'];
  /** Label of its first setting, by which a function of the board is called. */
  setting: string;
  value: Want['value'];
  because: Reason[];
  settings: Required[];
}

/** Boards and cards of a build that have something to set by hand. */
export function withSettings(kit: Kit): { item: Item; part: Part; title: string; fitted: Fitted }[] {
  const all = [kit.build.board, ...kit.build.items];
  return all.flatMap((item) => {
    const fitted = kit.m.find(item.id) ?? looseFitted(item, kit.parts);
    return fitted && fitted.part.settings.length
      ? [{ item, part: fitted.part, title: fitted.title, fitted }]
      : [];
  });
}

/** A card that sits in no slot, or a drive, still has its jumpers. */
function looseFitted(item: Item, parts: PartSet): Fitted | null {
  const part = parts.get(item.part);
  return part ? { item, part, seat: 'none', misfit: null, title: item.label ?? part.name } : null;
}

/**
 * The position of every setting that follows from the build, with the chain of reasons. Settings that choose
 * lines are not among them: those are settled by the solver.
 * @param isAsked leaves out what is not looked for
 * @param bus external clock in MHz to go by: the one that it is to have, unless asked what is right as it stands
 */
export function required(
  kit: Kit,
  isAsked: (item: Item, meant: Meant) => boolean = () => true,
  bus: number | null = busMHz(kit)
): Required[] {
  return withSettings(kit).flatMap(({ item, part, title }) =>
    meaningsOf(part).flatMap((meant): Required[] => {
      if (!isAsked(item, meant)) return [];
      const of: Of = { ...meant, item: item.id };
      const want = factRules[meant.fact].want(kit, of, bus);
      if (!want) return [];
      const { setting, values } = meant;
      const positions = setting.positions
        .filter((p) => values.has(p.id) && want.suits(entryOf(values, p.id)))
        .map((p) => p.id);
      const { rank } = want;
      if (rank) positions.sort((a, b) => rank(entryOf(values, a)) - rank(entryOf(values, b)));
      // What somebody chose or found stays when it does: the fewest moves.
      const planned = item.chosen[setting.id] ?? item.asFound[setting.id];
      const stays = planned !== undefined && positions.includes(planned);
      return [
        {
          item: item.id,
          title,
          part,
          setting,
          fact: meant.fact,
          positions,
          position: stays ? planned : (positions[0] ?? null),
          value: want.value,
          because: want.because
        }
      ];
    })
  );
}

/** The requirements by fact: one fact often sits in two blocks, which then change together. */
export function byFact(list: readonly Required[]): FactGroup[] {
  const groups = new Map<string, FactGroup>();
  for (const r of list) {
    // Memory stands in two blocks of the oldest boards: as banks, and as a total.
    const fact = r.fact === 'memory-kib' ? 'banks' : r.fact === 'vlb-wait' ? 'vlb-mhz' : r.fact;
    const key = fact === 'on-board' || r.item !== BOARD_ITEM ? `${fact} ${r.item} ${r.setting.id}` : fact;
    const { setting, value } = r;
    const group = groups.get(key) ?? { key, fact, setting: setting.label, value, because: [], settings: [] };
    group.because.push(...r.because.filter((b) => !group.because.some((known) => sameJson(known, b))));
    group.settings.push(r);
    groups.set(key, group);
  }
  return [...groups.values()];
}

/** The build with every required position chosen, unless the user locked the setting elsewhere. */
export function settle(build: Build, list: readonly Required[]): Build {
  const change = (item: Item): Item => {
    const chosen = { ...item.chosen };
    for (const r of list)
      if (r.item === item.id && r.position !== null && !item.locked.includes(r.setting.id))
        if (positionOf(item, r.setting) !== r.position || item.asFound[r.setting.id] === undefined)
          chosen[r.setting.id] = r.position;
    return { ...item, chosen };
  };
  return { ...build, board: change(build.board), items: build.items.map(change) };
}

/** How one setting stands against what it should be. */
export interface Difference {
  item: string;
  title: string;
  part: Part;
  setting: Setting;
  /** As found; undefined: nobody looked, or it is in no row of the table. */
  found: string | undefined;
  wanted: string;
  /** Why it is wanted there: reasons of the build, or that the lines were planned so. */
  because: Reason[];
  /** `unseen` is a setting that nobody recorded. */
  severity: Severity | 'unseen';
  /** What the machine does if it is left so. */
  ifLeft: Consequence;
  actions: Action[];
}

const order = ['stop', 'clash', 'unseen', 'caution', 'note'] as const;

/**
 * Where the settings as found differ from where they should be: what the build asks, and what was planned for
 * the lines. Worst first; within one severity in the order of the machine.
 */
export function differences(build: Build, parts: PartSet, kit: Kit = kitOf(build, parts)): Difference[] {
  const asked = required(kit);
  const out = withSettings(kit).flatMap(({ item, part, title, fitted }) =>
    part.settings
      .filter((setting) => setting.known && isByHand(part, setting))
      .flatMap((setting): Difference[] => {
        const told = asked.filter(
          (r) => r.item === item.id && r.setting.id === setting.id && r.position !== null
        );
        const locked = item.locked.includes(setting.id);
        const wanted = (locked ? undefined : told[0]?.position) ?? positionOf(item, setting);
        const found = item.asFound[setting.id];
        if (wanted === undefined || found === wanted) return [];
        // Another position that does as well is no difference, unless somebody chose this one.
        if (
          found !== undefined &&
          item.chosen[setting.id] === undefined &&
          told[0]?.positions.includes(found)
        )
          return [];
        // Nobody asks for it and nobody chose it: the default is only where it would stand.
        const isFree = told.length === 0 && item.chosen[setting.id] === undefined;
        if (isFree) return [];
        const { severity, consequence } = leftSo(kit, told[0], found);
        const position = (id: string | undefined) => setting.positions.find((p) => p.id === id);
        return [
          {
            item: item.id,
            title,
            part,
            setting,
            found,
            wanted,
            because: told[0]?.because ?? [{ is: locked ? 'locked-by-hand' : 'planned-for-lines' }],
            severity,
            ifLeft: consequence,
            actions: actionsFor(fitted, setting, position(found), position(wanted)!)
          }
        ];
      })
  );
  return out.sort((a, b) => order.indexOf(a.severity) - order.indexOf(b.severity));
}

function leftSo(
  kit: Kit,
  told: Required | undefined,
  found: string | undefined
): { severity: Difference['severity']; consequence: Consequence } {
  const meant =
    told && meaningsOf(told.part).find((m) => m.setting.id === told.setting.id && m.fact === told.fact);
  if (found === undefined)
    return told?.fact === 'volts'
      ? { severity: 'stop', consequence: { is: 'volts-not-looked' } }
      : { severity: 'unseen', consequence: { is: 'not-looked' } };
  const value = meant?.values.get(found);
  if (told && meant && value !== undefined)
    return factRules[told.fact].wrong(
      withFound(kit, told, found),
      value,
      { ...meant, item: told.item },
      busMHz(kit)
    );
  return { severity: 'clash', consequence: { is: 'other-lines' } };
}

/** The machine as it is while this setting is left as found. */
function withFound(kit: Kit, { item, setting }: Required, found: string): Kit {
  return { ...kit, at: (i, s) => (i === item && s === setting.id ? found : kit.at(i, s)) };
}

/** One lever or cap of a block: as found and as wanted. */
export interface BlockView {
  block: Part['blocks'][number];
  settings: Setting[];
  /** What is known of it as found, and where it is to stand; null while nothing is known. */
  found: ReturnType<typeof foundState>;
  wanted: ReturnType<typeof foundState>;
}

/** The blocks of a part with both states, for drawing. */
export function blockViews(item: Item, part: Part, wanted: Readonly<Record<string, string>>): BlockView[] {
  return part.blocks.map((block) => ({
    block,
    settings: part.settings.filter((s) => s.block === block.id),
    found: foundState(part, item, block.id),
    wanted: blockState(part, block.id, wanted)
  }));
}
