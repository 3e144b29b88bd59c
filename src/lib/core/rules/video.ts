import { thingOf, type OfferedFix, type Thing, there } from '../model';
import { isLookedAt, isPciDisplay, offSettings, unlookedAmong } from '../resources';
import { systemOf } from '../software';
import { displayKind, hookedMonitors, unlookedSwitch, withSwitch, type Hooked } from '../video';
import type { Case } from './finding';
import { setFix, waitingFor, type Rule, type Situation } from './rule';

const standard = (h: Hooked) => h.checks.filter((c) => c.mode.standards || c.mode.id === 'mono-graphics');
const cardOf = (s: Situation, item: string): Thing => thingOf(s.m.get(item));
const shownOn = (s: Situation) => s.kit.displays.filter((d) => d.isOn && d.facts.standard !== '3d-only');

const dangerIn = (h: Hooked | undefined) => h && standard(h).find((c) => c.verdict === 'danger');

/** A monitor as it would be with the switch of its card in a position. */
function hookedWith(s: Situation, h: Hooked, item: string, setting: string, position: string) {
  const kit = {
    ...s.kit,
    at: (i: string, x: string) => (i === item && x === setting ? position : s.at(i, x))
  };
  return hookedMonitors({ ...kit, displays: s.kit.displays }).find((x) => x.monitor === h.monitor);
}

/** Of a switch for the monitor that nobody looked at: its label, and what it does at its most dangerous. */
function unlookedDanger(s: Situation, h: Hooked) {
  const told = h.display?.facts.monitorSwitch;
  const label = h.display && unlookedSwitch(s.kit, h.display);
  if (!h.display || !told || !label) return undefined;
  const { item } = h.display;
  const found = Object.keys(told.values)
    .map((position) => dangerIn(hookedWith(s, h, item, told.setting, position)))
    .find((bad) => bad !== undefined);
  return found && { label, bad: found };
}

/**
 * DE-9 plugs fit each other; a fixed-frequency monitor fed with other timing can be damaged within seconds. Where nobody
 * looked at the switch that chooses the timing, its usual position is no comfort.
 */
const danger: Rule = (s) =>
  hookedMonitors(s.kit).flatMap((h): Case[] => {
    const open = unlookedDanger(s, h);
    const bad = open?.bad ?? dangerIn(h);
    if (!bad || !h.display) return [];
    return [
      {
        rule: 'video.danger',
        about: [h.monitor.item.id, h.display.item],
        facts: {
          monitor: thingOf(h.monitor),
          card: cardOf(s, h.display.item),
          horizontal: bad.mode.horizontal,
          ranges: h.monitor.part.monitor.horizontal.map(({ low, high }) => ({ low, high })),
          unlooked: open?.label ?? null
        },
        fixes: switchFixes(s, h)
      }
    ];
  });

/** Monitor-switch positions of the card under which nothing can be damaged and something is shown. */
function switchFixes(s: Situation, h: Hooked): OfferedFix[] {
  const { display } = h;
  const told = display?.facts.monitorSwitch;
  if (!display || !told) return [];
  return Object.keys(told.values)
    .filter((position) => {
      const after = hookedWith(s, h, display.item, told.setting, position);
      return after?.checks.some((c) => c.verdict === 'shown') && !dangerIn(after);
    })
    .slice(0, 2)
    .map((position) => setFix(s, display.item, told.setting, position));
}

/** A card with a picture of its own that has no slot yet. */
const waitingDisplay = (s: Situation): Thing | null =>
  waitingFor(s, (card) => card.video !== undefined && card.video.standard !== '3d-only');

/** Whether some picture of the card reaches the monitor. */
const showsSome = (h: Hooked): boolean => h.checks.some((c) => c.verdict === 'shown');

/** A monitor accepts a signal when plug, kind and both frequencies are in its ranges. */
const signal: Rule = (s) =>
  hookedMonitors(s.kit).flatMap((h): Case[] => {
    const monitor = thingOf(h.monitor);
    if (!h.display)
      return s.kit.displays.length
        ? []
        : [
            {
              rule: 'video.signal',
              about: [h.monitor.item.id],
              facts: { monitor, card: null, why: 'no-card', waiting: waitingDisplay(s) }
            }
          ];
    const shows = showsSome(h);
    const card = cardOf(s, h.display.item);
    const about = [h.monitor.item.id, h.display.item];
    if (!shows && !dangerIn(h))
      return [
        {
          rule: 'video.signal',
          about,
          facts: {
            monitor,
            card,
            why: h.checks.every((c) => c.verdict === 'no-plug') ? 'plug' : 'frequencies'
          }
        }
      ];
    const lost = h.checks.filter(
      (c) => !c.mode.standards && c.verdict !== 'shown' && c.mode.id !== 'mono-graphics'
    );
    return shows && lost.length && !isBuiltIn(h)
      ? [
          {
            rule: 'video.modes',
            about,
            facts: {
              monitor,
              card,
              modes: lost.map((c) => c.mode.label),
              fixed: Boolean(h.monitor.part.monitor.fixed)
            }
          }
        ]
      : [];
  });

/** A panel or tube that was made for its display: modes beyond it are for a monitor outside. */
const isBuiltIn = ({ monitor, display }: Hooked): boolean => display?.item === monitor.item.id;

/** A VGA that finds no identification pins may start in monochrome. */
const flat: Rule = (s) =>
  hookedMonitors(s.kit)
    .filter((h) => h.monitor.part.monitor.flat && h.display?.facts.standard === 'vga' && !isBuiltIn(h))
    .filter(showsSome)
    .map((h): Case => ({
      rule: 'video.flat',
      about: [h.monitor.item.id],
      facts: { monitor: thingOf(h.monitor) }
    }));

/** An analogue monitor without colour shows every picture of a VGA in grey values. */
const grey: Rule = (s) =>
  hookedMonitors(s.kit)
    .filter((h) => !h.monitor.part.monitor.colour && h.display?.facts.standard === 'vga')
    .filter(showsSome)
    .map((h): Case => ({
      rule: 'video.grey',
      about: [h.monitor.item.id],
      facts: { monitor: thingOf(h.monitor) }
    }));

/** A switch tells the board which display starts. */
const boardSwitch: Rule = (s) => {
  const told = s.kit.facts.displaySwitch;
  const on = shownOn(s);
  if (!told || !on.length) return [];
  const position = s.at('board', told.setting);
  const set = position === undefined ? undefined : told.values[position];
  if (set === undefined || set === 'any') return [];
  const shown = on.map((d) => displayKind(s.kit, d));
  const kinds = new Set(shown.map((d) => d.kind));
  // An AT-class switch knows colour and monochrome only: a card with its own BIOS counts as colour.
  const offered = new Set(Object.values(told.values));
  const wanted = [...kinds].map((k) => (k === 'own-bios' && !offered.has('own-bios') ? 'colour' : k));
  if (wanted.includes(set)) return [];
  // With its own BIOS the card takes over on AT class whatever the jumper says.
  const harmless = s.kit.facts.class === 'at' && kinds.has('own-bios');
  const right = Object.entries(told.values).find(([, v]) => v === wanted[0]);
  const assumed = !isLookedAt(s.kit.build.board, told.setting);
  const { unlooked } = there(shown[0]);
  return [
    {
      rule: 'video.switch',
      severity: harmless ? 'note' : assumed || unlooked !== null ? 'caution' : 'clash',
      about: [{ item: 'board', setting: told.setting }, ...on.map((d) => d.item)],
      facts: {
        set,
        card: cardOf(s, there(on[0]).item),
        is: there(wanted[0]),
        harmless,
        complains: s.kit.facts.class === 'at',
        assumed,
        unlooked
      },
      fixes: right ? [setFix(s, 'board', told.setting, right[0])] : []
    }
  ];
};

/** Windows 98 drives a second PCI or AGP display; no system before it does. */
const drivesSeveral = (s: Situation): boolean => (systemOf(s.kit.build.brief.os).windows ?? 0) >= 4.1;

/** Settings that choose what some displays are, or switch them off, and that nobody looked at, by their labels. */
const unlookedIn = (s: Situation, items: readonly string[]): string[] =>
  s.kit.displays
    .filter((d) => items.includes(d.item))
    .flatMap((d) => {
      const shows = s.m.find(d.item)?.part.functions.filter((fn) => fn.kind === 'display') ?? [];
      const off = unlookedAmong(
        s.m,
        shows.flatMap((fn) => offSettings(d.item, fn))
      );
      return [unlookedSwitch(s.kit, d) ?? [], off.map(({ setting, of }) => `${setting} of ${of}`)].flat();
    });

/** Displays of a kind of standard, where there are two or more; `meet`: their ranges do, since not all sit on PCI or AGP. */
export function displaysAlike(s: Situation): { kind: 'mono' | 'colour'; items: string[]; meet: boolean }[] {
  const on = shownOn(s);
  const sort = (d: (typeof on)[number]) => (withSwitch(s.kit, d).standard === 'mono' ? 'mono' : 'colour');
  return (['mono', 'colour'] as const)
    .map((kind) => ({ kind, items: on.filter((d) => sort(d) === kind).map((d) => d.item) }))
    .filter(({ items }) => items.length > 1)
    .map((alike) => ({ ...alike, meet: !alike.items.every((item) => isPciDisplay(s.m, s.m.get(item))) }));
}

/** Monochrome beside colour is legal; two on one range are not. Of PCI and AGP displays the BIOS switches one on. */
const two: Rule = (s) =>
  displaysAlike(s).map(({ kind, items: about, meet }): Case => {
    const cards = about.map((item) => cardOf(s, item));
    return meet
      ? { rule: 'video.two', about, facts: { kind, cards, unlooked: unlookedIn(s, about) } }
      : {
          rule: 'video.second',
          about,
          facts: { cards, driven: drivesSeveral(s), unlooked: unlookedIn(s, about) }
        };
  });

/** A 3D-only card shows nothing by itself. */
const only3d: Rule = (s) => {
  const only = s.kit.displays.filter((d) => d.facts.standard === '3d-only');
  if (!only.length || s.kit.displays.some((d) => d.facts.standard === 'vga' && d.isOn)) return [];
  return only.map((d): Case => ({
    rule: 'video.pass',
    about: [d.item],
    facts: { card: cardOf(s, d.item) }
  }));
};

export const videoRules: readonly Rule[] = [danger, signal, boardSwitch, two, only3d, flat, grey];
