import {
  holdsNow,
  layoutsOf,
  moduleBays,
  moduleFunctions,
  together,
  type Layout,
  type ModuleBay,
  type Placed
} from '../kit';
import { thingOf } from '../model';
import { isOn } from '../resources';
import type { Case } from './finding';
import { setFix, type Rule, type Situation } from './rule';

/** Bays of portables: what is out of the machine now, and what it has to do without. */

/** A drive that nothing runs because its module is in no bay now; null: that is not the reason. */
export function driveOut(s: Situation, drive: Placed): Case | null {
  const board = s.m.board.part;
  const needs = drive.part.drive?.interface;
  const fn = moduleFunctions(board).find(
    (f) => needs !== undefined && f.speaks?.includes(needs) && !isOn(s.m.board, f, s.at)
  );
  if (!fn) return null;
  const bays = moduleBays(s.kit);
  const [layout] = together(board, [fn.id], holdsNow(bays)).layouts;
  const [bay] = layout ? bays.filter((b) => differs(layout, b)) : [];
  if (!layout || !bay) return null;
  const position = layout.holds[bay.setting.id];
  return {
    rule: 'bay.out',
    about: [drive.item.id, { item: 'board', setting: bay.setting.id }],
    facts: { drive: thingOf(drive), bay: bay.setting.label, holds: bay.module, isSeen: bay.isSeen },
    fixes: position === undefined ? [] : [setFix(s, 'board', bay.setting.id, position)]
  };
}

/** A portable without a battery in any of its bays goes off with the mains. */
export const noBattery: Rule = ({ kit, at }) => {
  const { board } = kit.m;
  const batteries = moduleFunctions(board.part).filter((fn) => fn.kind === 'battery');
  if (!batteries.length || batteries.some((fn) => isOn(board, fn, at))) return [];
  const bays = moduleBays(kit);
  const charged = layoutsOf(board.part).filter((l) => batteries.some((fn) => l.there.includes(fn.id)));
  // Bays in which changing the module alone brings a battery in.
  const open = bays.filter((bay) => charged.some((l) => bays.every((b) => differs(l, b) === (b === bay))));
  return [
    {
      rule: 'bay.no-battery',
      about: ['board'],
      facts: {
        machine: thingOf(board),
        bays: open.map((b) => b.setting.label),
        isSeen: bays.every((b) => b.isSeen)
      }
    }
  ];
};

const differs = (layout: Layout, bay: ModuleBay): boolean => layout.holds[bay.setting.id] !== bay.holds;
