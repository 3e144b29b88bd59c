import type { Kit } from '../kit';
import { linesAt } from '../resources';
import { systemOf } from '../software';
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
