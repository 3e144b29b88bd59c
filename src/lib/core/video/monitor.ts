import type { MonitorFacts, Plug, Signal, VideoFacts } from '../model';
import type { Display, Kit, PlacedMonitor } from '../kit';
import { unlookedAmong } from '../resources';
import { modesOf, type Mode } from './modes';

export type Verdict =
  /** The picture appears. */
  | 'shown'
  /** The plug does not fit, or the signal is of another kind. */
  | 'no-plug'
  /** The plug fits and the frequencies are not in the monitor's ranges. */
  | 'no-sync'
  /** The same, and the monitor is made for one signal only: it can be damaged. */
  | 'danger';

export interface ModeCheck {
  mode: Mode;
  verdict: Verdict;
}

const inside = (value: number, low: number, high: number) => value >= low * 0.995 && value <= high * 1.005;

/** What becomes of one mode of a card on a monitor. Both frequencies must be in its ranges. */
export function modeOn(card: VideoFacts, monitor: MonitorFacts, mode: Mode): Verdict {
  const plugs = card.outputs.filter((o) => o.signals.some((s) => sends(s, mode)));
  const inputs = monitor.inputs.filter((i) => plugs.some((p) => p.plug === i.plug));
  if (!inputs.length) return 'no-plug';
  const follows =
    monitor.horizontal.some((r) => inside(mode.horizontal, r.low, r.high)) &&
    inside(mode.vertical, monitor.vertical.low, monitor.vertical.high);
  // A composite socket carries the colour adapter's timing.
  const understood = inputs.some((i) => i.signals.some((s) => understands(s, mode, i.plug)));
  if (follows && understood) return 'shown';
  return monitor.fixed && !follows ? 'danger' : 'no-sync';
}

const sends = (signal: Signal, mode: Mode): boolean =>
  signal === mode.signal ||
  (signal === 'composite' && mode.signal === 'rgbi') ||
  (signal === 'ega' && mode.signal === 'rgbi');

const understands = (signal: Signal, mode: Mode, plug: Plug): boolean =>
  signal === mode.signal ||
  (plug === 'composite' && mode.signal === 'rgbi') ||
  (signal === 'ega' && mode.signal === 'rgbi');

/** Every mode of a card on a monitor. */
export const chain = (card: VideoFacts, monitor: MonitorFacts): ModeCheck[] =>
  modesOf(card).map((mode) => ({ mode, verdict: modeOn(card, monitor, mode) }));

/** A monitor with the card that it hangs on. */
export interface Hooked {
  monitor: PlacedMonitor;
  display: Display | null;
  checks: ModeCheck[];
}

/** The switch of a card that chooses its timing, by its label, where nobody looked at it; else null. */
export function unlookedSwitch({ m }: Pick<Kit, 'm'>, { item, facts }: Display): string | null {
  const { setting } = facts.monitorSwitch ?? {};
  return setting === undefined ? null : (unlookedAmong(m, [{ item, setting }])[0]?.setting ?? null);
}

/** Which card each monitor hangs on: as its cable says, else the first display that shows something on it. */
export function hookedMonitors(kit: Kit): Hooked[] {
  const taken = new Set<Display>();
  return kit.monitors.map((monitor) => {
    const facts = monitor.part.monitor;
    const told = monitor.item.cable?.to;
    const on = kit.displays.filter((d) => d.isOn);
    const free = on.filter((d) => !taken.has(d) && d.facts.standard !== '3d-only');
    const display =
      told !== undefined
        ? (kit.displays.find((d) => d.item === told) ?? null)
        : (free.find((d) => chain(d.facts, facts).some((c) => c.verdict === 'shown')) ?? free[0] ?? null);
    if (display) taken.add(display);
    return { monitor, display, checks: display ? chain(withSwitch(kit, display), facts) : [] };
  });
}

/** What a display is to the switch of a board that says which one starts. */
export type DisplayKind = 'mono' | 'colour' | 'own-bios';
export interface KindOfDisplay {
  kind: DisplayKind;
  /** Label of the switch on the card that chooses it, where nobody looked: then it is the usual kind. */
  unlooked: string | null;
}

/** An EGA has a BIOS of its own whatever monitor it is set for; of the first two standards the setting decides. */
export function displayKind(kit: Kit, display: Display): KindOfDisplay {
  const { standard } = display.facts;
  if (standard !== 'mono' && standard !== 'cga') return { kind: 'own-bios', unlooked: null };
  const kind = withSwitch(kit, display).standard === 'mono' ? 'mono' : 'colour';
  return { kind, unlooked: unlookedSwitch(kit, display) };
}

/** A card whose monitor switch says one standard sends only that. */
export function withSwitch(kit: Kit, display: Display): VideoFacts {
  const { monitorSwitch } = display.facts;
  if (!monitorSwitch) return display.facts;
  const position = kit.at(display.item, monitorSwitch.setting);
  const set = position === undefined ? undefined : monitorSwitch.values[position];
  if (set === undefined) return display.facts;
  const sent: Record<typeof set, Signal[]> = {
    mono: ['mono'],
    colour: ['rgbi', 'composite'],
    'enhanced-200': ['rgbi'],
    'enhanced-350': ['ega', 'rgbi']
  };
  const standard = set === 'mono' ? 'mono' : display.facts.standard === 'ega' ? 'ega' : 'cga';
  return {
    ...display.facts,
    standard,
    monoGraphics: display.facts.monoGraphics && set === 'mono',
    outputs: display.facts.outputs
      .map((o) => ({ ...o, signals: o.signals.filter((s) => sent[set].includes(s)) }))
      .filter((o) => o.signals.length)
  };
}
