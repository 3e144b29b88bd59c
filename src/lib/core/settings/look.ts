import { isLookedAt } from '../resources';
import { type CpuFacts, byId, sure } from '../model';
import { clocksOf, ratedFactor, settingsFor } from '../boards';
import { cablesOf, type Kit, hasOwnRom } from '../kit';
import type { FactValue } from '../model';
import { displayKind, hookedMonitors, type DisplayKind, type KindOfDisplay } from '../video';
import type { Meant } from './meaning';
import type { Consequence, Reason, SlotName, Want, Wrong } from './reasons';

/** A setting with the item that it is on. */
export interface Of extends Meant {
  item: string;
}

/** `bus`: the external clock in MHz that it is to go by; null where nobody knows it. */
export interface FactRule {
  /** null: the build does not decide it. */
  want(kit: Kit, of: Of, bus: number | null): Want | null;
  wrong(kit: Kit, value: FactValue, of: Of, bus: number | null): Wrong;
}

export const exactly = (value: FactValue, ...because: Reason[]): Want => ({
  value,
  because,
  suits: (v) => v === value
});
export const left = (severity: Wrong['severity'], consequence: Consequence): Wrong => ({
  severity,
  consequence
});

/** What is soldered to a board is its first bank; the sockets count on from it. */
const SOLDERED = '0';

/**
 * Banks that hold something: what is soldered, and sockets with what goes into them. Empty where nobody entered what is
 * in the sockets.
 */
export function filledBanks(kit: Kit): string[] {
  const { banks = [], onboardKiB = 0 } = kit.memory ?? {};
  const inSockets = banks
    .filter((b) => kit.banks.get(b.id)?.some((x) => b.forms.includes(x.placed.part.module.form)))
    .map((b) => b.label ?? b.id);
  const isSoldered = onboardKiB > 0 && banks.every((b) => b.id !== SOLDERED);
  return isSoldered && inSockets.length ? [SOLDERED, ...inSockets] : inSockets;
}

/** Floppy drives that the board's own BIOS runs; a controller with a ROM of its own takes care of its drives. */
export const floppies = (kit: Kit) =>
  cablesOf(kit)
    .filter((c) => c.drive.part.drive.interface === 'floppy')
    .filter((c) => !c.controller || !hasOwnRom(kit, c.controller))
    .map((c) => c.drive);
export const seen = (kit: Kit) => (s: string) => isLookedAt(kit.build.board, s);
/** The external clock that the machine is to have: that of the CPU, as far as the board gives it. */
export function busMHz(kit: Kit): number | null {
  const cpu = kit.seatedCpu;
  const set = clocksOf(kit.board, cpu, kit.at, seen(kit)).bus;
  if (set.setting === null && set.value !== null) return set.value;
  const position = cpu && settingsFor(kit.board, cpu);
  const told = kit.facts.busClock;
  if (position && told && !Array.isArray(told)) return told.values[position[told.setting] ?? ''] ?? set.value;
  return set.value ?? cpu?.cpu?.busMHz ?? null;
}

/** The external clock at which it runs as it stands, where somebody looked; else the one that it is to have. */
export function standingMHz(kit: Kit): number | null {
  const { value, unseen } = clocksOf(kit.board, kit.seatedCpu, kit.at, seen(kit)).bus;
  return value === null || unseen ? busMHz(kit) : value;
}

export const nameOf = ({ id, label }: SlotName): SlotName => (label === undefined ? { id } : { id, label });

export interface Shown extends KindOfDisplay {
  title: string;
  /** The slot it sits in; null: it is on the board. */
  where: SlotName | null;
}
export const displayOrder: DisplayKind[] = ['own-bios', 'colour', 'mono'];
/** What the displays are to the board, the one that starts first by preference. */
export function displaysOf(kit: Kit): Shown[] {
  return kit.displays
    .filter((d) => d.isOn && d.facts.standard !== '3d-only')
    .map((d): Shown => {
      const slot = kit.m.find(d.item)?.slot;
      return {
        ...displayKind(kit, d),
        title: d.title,
        where: slot ? nameOf(slot) : null
      };
    })
    .sort((x, y) => displayOrder.indexOf(x.kind) - displayOrder.indexOf(y.kind));
}

/** A setting that the CPU decides: the position that `settingsFor` gives. */
export const byCpu =
  (why: (cpu: CpuFacts) => Reason) =>
  (kit: Kit, of: Of): Want | null => {
    if (!kit.seatedCpu) return null;
    const { name, cpu } = kit.seatedCpu;
    const position = settingsFor(kit.board, kit.seatedCpu)?.[of.setting.id];
    const value = position === undefined ? undefined : of.values.get(position);
    if (value === undefined) return null;
    const { busMHz, coreMHz } = cpu;
    return exactly(
      value,
      { is: 'cpu-rating', cpu: name, busMHz, factor: ratedFactor(cpu), coreMHz },
      why(cpu)
    );
  };

export const keyboardOf = (kit: Kit): 'xt' | 'at' | null => {
  const protocols = kit.keyboard?.part.keyboard?.protocols ?? [];
  const both = protocols.filter((p) => kit.facts.keyboard?.protocols.includes(p));
  return both.find((p) => p === 'at') ?? both[0] ?? null;
};

/** Kinds of function of which a machine has one at one place. */
export const rivals = (kit: Kit, of: Of) => {
  const fn = byId(kit.board.functions, sure(of.fn, 'block function'));
  const single = fn.kind === 'display' || fn.kind === 'floppy' || fn.kind === 'hard-disk';
  const cards = single
    ? kit.m.fitted.filter(
        (f) =>
          f.part.card && f.part.functions.some((x) => x.kind === fn.kind && !isOffOn(kit, f.item.id, x.id))
      )
    : [];
  return { fn, cards };
};
export const isOffOn = (kit: Kit, item: string, fn: string): boolean =>
  kit.controllers.some((c) => c.item === item && c.fn.id === fn && !c.isOn);

export const isUsed = (kit: Kit, item: string, fn: string): boolean =>
  kit.build.brief.mustBeOn.some((r) => r.item === item && r.function === fn) ||
  cablesOf(kit).some((c) => c.told && c.controller?.item === item && c.controller.fn.id === fn);

export const cautious = (value: FactValue, want: number, low: Wrong, high: Wrong): Wrong =>
  Number(value) > want ? { ...high, more: true } : { ...low, more: false };

export function hookedAt(kit: Kit, of: Of, value: FactValue) {
  const position = [...of.values].find(([, v]) => v === value)?.[0];
  const at: Kit['at'] = (item, s) => (item === of.item && s === of.setting.id ? position : kit.at(item, s));
  return hookedMonitors({ ...kit, at }).find((h) => h.display?.item === of.item);
}

/** The monitor kinds of a card under which the connected monitor shows most and nothing is damaged. */
export function monitorWant(kit: Kit, of: Of): Want | null {
  const monitor = hookedMonitors(kit).find((h) => h.display?.item === of.item)?.monitor;
  if (!monitor) return null;
  const shown = new Map<FactValue, number>();
  for (const value of new Set(of.values.values())) {
    const checks = hookedAt(kit, of, value)?.checks ?? [];
    const isDanger = checks.some((c) => c.verdict === 'danger' && c.mode.standards);
    const count = checks.filter((c) => c.verdict === 'shown').length;
    if (count && !isDanger) shown.set(value, count);
  }
  const best = Math.max(0, ...shown.values());
  if (!best) return null;
  const good = [...shown].filter(([, n]) => n === best).map(([v]) => v);
  return {
    value: { either: good },
    because: [{ is: 'monitor-connected', title: monitor.title }, { is: 'monitor-kind-is-safe' }],
    suits: (v) => good.includes(v)
  };
}
