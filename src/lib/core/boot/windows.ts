import { clocksOf, families } from '../boards';
import { totalKiB, type Kit } from '../kit';
import { isPnp, linesAt } from '../resources';
import { systemOf } from '../software';
import type { Span } from './dos';
import { expectationOf } from './expect';
import { paragraphRange } from './map';

/** Lines of SYSTEM.INI that follow from lines and memory, for Windows 3.x in enhanced mode. */
export function systemIni(kit: Kit): string[] {
  const { windows } = systemOf(kit.build.brief.os);
  if (windows === null || windows < 3 || windows >= 4) return [];
  const ex = expectationOf(kit);
  const exclude = ex.map.pieces.filter((p) => p.from >= 0xc0000 && (p.use === 'ram' || p.use === 'frame'));
  const usual: readonly { port: number; irq: number }[] = [
    { port: 0x3f8, irq: 4 },
    { port: 0x2f8, irq: 3 },
    { port: 0x3e8, irq: 4 },
    { port: 0x2e8, irq: 3 }
  ];
  const lines = linesAt(kit.m, kit.at).filter((l) => l.kind === 'serial' || l.kind === 'modem');
  const coms = usual.flatMap(({ port, irq }, i) => {
    const base = lines.find((l) => l.resource === 'io' && l.value === port);
    const line =
      base && lines.find((l) => l.resource === 'irq' && l.item === base.item && l.function === base.function);
    return line && line.value !== irq ? [`COM${i + 1}Irq=${line.value}`] : [];
  });
  const isMaster = ex.masters.length > 0;
  const out = [
    ...exclude.map(
      (p) =>
        `EMMEXCLUDE=${paragraphRange({ from: Math.floor(p.from / 0x4000) * 0x4000, to: Math.ceil(p.to / 0x4000) * 0x4000 })}`
    ),
    ...coms,
    ...(isMaster ? ['VirtualHDIrq=off'] : [])
  ];
  return out.length ? ['[386Enh]', ...out] : [];
}

/** A step of installing Windows, in the order in which drivers go in. */
export interface InstallStep {
  what:
    | 'reserve'
    | 'folder'
    | 'setup'
    | 'chipset'
    | 'agp'
    | 'display'
    | 'monitor'
    | 'three-d'
    | 'sound'
    | 'network'
    | 'modem'
    | 'usb'
    | 'scanner'
    | 'leftovers';
  /** What it is for; null: the machine as a whole. */
  part: string | null;
  restarts: Span;
}

/** Order of installation with restarts, of a build that is to run Windows; empty without one. */
export function installOrder(kit: Kit): InstallStep[] {
  const { windows } = systemOf(kit.build.brief.os);
  if (windows === null || windows < 3) return [];
  const is9x = windows >= 4;
  const on = kit.m.fitted.filter((f) => f.slot || f.item.id === kit.m.board.item.id);
  const withKind = (kind: string) => on.find((f) => f.part.functions.some((fn) => fn.kind === kind));
  const step = (what: InstallStep['what'], part: string | null, restarts: Span): InstallStep => ({
    what,
    part,
    restarts
  });
  const of = (what: InstallStep['what'], kind: string, restarts: Span): InstallStep[] => {
    const found = withKind(kind);
    return found ? [step(what, found.title, restarts)] : [];
  };
  const hasPci = kit.facts.slots.some((s) => s.bus === 'pci');
  const agp = on.find((f) => f.part.card?.bus === 'agp');
  const three = on.find((f) => f.part.video?.accelerated === '3d' || f.part.video?.standard === '3d-only');
  const legacy = on.some((f) => f.part.card && ['isa8', 'isa16'].includes(f.part.card.bus) && !isPnp(f.part));
  return [
    ...(is9x && hasPci && legacy ? [step('reserve', null, [0, 0])] : []),
    step('folder', null, [0, 0]),
    step('setup', null, is9x ? [3, 4] : [0, 1]),
    ...(is9x && hasPci ? [step('chipset', kit.m.board.title, [1, 2])] : []),
    ...(is9x && agp ? [step('agp', agp.title, [0, 1])] : []),
    ...of('display', 'display', [1, 1]),
    ...(is9x && kit.monitors[0] ? [step('monitor', kit.monitors[0].title, [0, 0])] : []),
    ...(is9x && three ? [step('three-d', three.title, [1, 1])] : []),
    ...of('sound', 'audio', is9x ? [1, 2] : [0, 1]),
    ...of('network', 'network', [1, 2]),
    ...of('modem', 'modem', [1, 1]),
    ...(is9x ? of('usb', 'usb', [1, 1]) : []),
    ...of('scanner', 'scanner', [1, 1]),
    ...(is9x ? [step('leftovers', null, [1, 1])] : [])
  ];
}

/** Steps for which a driver of the part must lie ready before the disk is wiped. */
export const needsDriver = (step: InstallStep): boolean =>
  step.part !== null && step.what !== 'monitor' && step.what !== 'usb';

/** What is too much for a version of Windows, or too fast. */
export type WindowsLimit =
  | { what: 'cache'; kib: number }
  | { what: 'pages'; kib: number }
  | { what: 'too-much'; kib: number }
  | { what: 'sees'; kib: number; most: number }
  | { what: 'fast'; mhz: number }
  | { what: 'disk-32'; mib: number }
  | { what: 'disk-48'; mib: number };

const MIB = 1024;

/** Limits of the build's Windows that this machine meets. */
export function windowsLimits(kit: Kit): WindowsLimit[] {
  const { windows } = systemOf(kit.build.brief.os);
  if (windows === null) return [];
  const kib = totalKiB(kit);
  const { core } = clocksOf(kit.board, kit.seatedCpu, kit.at, () => true);
  const family = kit.seatedCpu?.cpu.family;
  const mib = Math.max(
    0,
    ...kit.drives
      .filter((d) => ['hard', 'flash'].includes(d.part.drive?.medium ?? ''))
      .map((d) => Math.floor((d.part.drive?.sectors ?? 0) / 2048))
  );
  const is9x = windows >= 4;
  const rank = family ? families[family].rank : 0;
  return [
    ...(is9x && kib > 512 * MIB ? [{ what: 'cache' as const, kib }] : []),
    ...(is9x && kib > 1024 * MIB ? [{ what: 'pages' as const, kib }] : []),
    ...(is9x && kib > 1536 * MIB ? [{ what: 'too-much' as const, kib }] : []),
    ...(!is9x && kib > 64 * MIB ? [{ what: 'sees' as const, kib, most: 64 * MIB }] : []),
    ...(windows === 4 && rank >= 4 && core && core >= 350 ? [{ what: 'fast' as const, mhz: core }] : []),
    ...(windows === 4 && mib > 32_000 ? [{ what: 'disk-32' as const, mib }] : []),
    ...(is9x && mib > 131_072 ? [{ what: 'disk-48' as const, mib }] : [])
  ];
}
