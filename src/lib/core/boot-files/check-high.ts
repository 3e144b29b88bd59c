import { there } from '../model';
import { MOST_HIGH_BUFFERS, usualEnvironment } from '../boot';
import {
  FRAME_BYTES,
  conditionalRuns,
  freeRuns,
  regionBytes,
  upperPlan,
  type MemoryMap,
  type Run
} from '../boot';
import { CONFIG, type Edit, type Seen } from './finding';
import { variableOf } from './read';
import {
  dosLine,
  loadedOf,
  loadsXmsItself,
  managerOf,
  rangeText,
  rankOf,
  type Loaded,
  type ManagerLine,
  type Situation
} from './situation';

const at = (l: Loaded) => ({ file: l.at, line: l.n });
const meets = (a: Run, b: Run): boolean => a.from < b.to && b.from < a.to;

/** Extended memory: the driver, who wants it, and DOS=HIGH. */
export function checkXms(s: Situation): Seen[] {
  const loaded = loadedOf(s);
  const { high, noAuto } = dosLine(s.config);
  const itself = loadsXmsItself(s.machine.dos, noAuto);
  const xms = loaded.findIndex((l) => l.class === 'xms');
  const rank = rankOf(s.machine);
  const out: Seen[] = [];
  loaded.forEach((l, i) => {
    const wants =
      l.class === 'manager' ||
      (l.class === 'cache' && !(l.at === CONFIG && /\/A\b/i.test(l.file.args))) ||
      (l.class === 'ram-disk' && /\/E\b/i.test(l.file.args));
    if (wants && !itself && (xms < 0 || xms > i) && !/\/DOUBLE_BUFFER/i.test(l.file.args))
      out.push(
        l.class === 'manager'
          ? {
              rule: 'order.manager',
              facts: { file: l.file.base, xms: xms < 0 ? null : there(loaded[xms]).n },
              severity: 'clash',
              ...at(l)
            }
          : { rule: 'driver.no-xms', facts: { file: l.file.base }, severity: 'clash', ...at(l) }
      );
    if ((l.class === 'xms' || l.class === 'manager') && l.high)
      out.push({
        rule: 'driver.high',
        facts: { file: l.file.base },
        severity: 'clash',
        edit: {
          ...at(l),
          text: l.text.replace(/^(\s*)DEVICEHIGH\s*=?\s*(?:\/L:\S+\s+|\/S\s+|=\s*)*/i, '$1DEVICE=')
        },
        ...at(l)
      });
  });
  if (high && !itself && (xms < 0 || rank === 0)) {
    const why = rank === 0 ? 'no-memory' : 'no-xms';
    out.push({
      rule: 'dos.high',
      facts: { why },
      severity: rank === 0 ? 'note' : 'clash',
      file: CONFIG,
      line: high.n
    });
  }
  return out;
}

/** Whether a start has upper memory at all, and why not. */
function upperMemory(
  s: Situation,
  loaded: readonly Loaded[]
): null | 'no-provider' | 'no-dos-umb' | 'no-upper' {
  const manager = managerOf(loaded);
  const hasDriver = loaded.some((l) => l.class === 'upper-driver');
  // A manager that nobody knows by name may give upper memory too.
  if (!manager && !hasDriver) return 'no-provider';
  if (manager && !hasDriver && manager.mode === 'ems') return 'no-upper';
  return dosLine(s.config).umb ? null : 'no-dos-umb';
}

/** DEVICEHIGH and LOADHIGH that load low without a word. */
export function checkHigh(s: Situation): Seen[] {
  const loaded = loadedOf(s);
  const wanting = loaded.flatMap((l) =>
    l.high && l.class !== 'xms' && l.class !== 'manager' ? [{ ...l, high: l.high }] : []
  );
  const why = upperMemory(s, loaded);
  if (why)
    return wanting.map((l) => ({
      rule: 'high.none',
      facts: { word: l.at === CONFIG ? 'DEVICEHIGH' : 'LH', why },
      severity: 'caution',
      ...at(l)
    }));
  const { dos } = s.machine;
  const told = wanting.filter((l) => l.high.regions.length || l.high.shrinks);
  if (dos !== null && dos < 6)
    return told.map((l) => ({ rule: 'region.version', facts: { dos }, severity: 'clash', ...at(l) }));
  const regions = regionsOf(s, loaded, false);
  if (regions === null) return [];
  const withInclude = regionsOf(s, loaded, true) ?? regions;
  return told.flatMap((l): Seen[] => {
    const worst = Math.max(0, ...l.high.regions);
    return worst > regions.length
      ? [
          {
            rule: 'region.missing',
            facts: { region: worst, there: regions.length, withInclude: worst <= withInclude.length },
            severity: 'clash',
            ...at(l)
          }
        ]
      : [];
  });
}

/** Windows that count as one by what the manager's line says, in the map of the build. */
function planOf(map: MemoryMap, manager: ManagerLine, all: boolean) {
  const use = conditionalRuns(map)
    .filter((c) => all || manager.include.some((i) => i.from <= c.from && c.to <= i.to))
    .map((c) => c.why);
  const frame = manager.mode === 'noems' || manager.frame === 'none' ? null : (manager.frame ?? 'best');
  return upperPlan(map, { frame, use, leave: manager.exclude });
}

/** Bytes of each region of a start; null: nobody can say, as under a chipset driver or with unknown cards. */
export function regionsOf(s: Situation, loaded: readonly Loaded[], all: boolean): number[] | null {
  const manager = managerOf(loaded);
  if (!manager || manager.mode === 'ems' || s.machine.map.hidden.length) return null;
  const plan = planOf(s.machine.map, manager, all);
  return plan && regionBytes(plan);
}

/** The line of the memory manager against what really answers in upper memory. */
export function checkManager(s: Situation): Seen[] {
  const loaded = loadedOf(s);
  const manager = managerOf(loaded);
  if (!manager) return [];
  const { map } = s.machine;
  const line = { file: CONFIG, line: manager.loaded.n };
  const out: Seen[] = [];
  if (manager.isBoth) out.push({ rule: 'manager.both', facts: {}, severity: 'clash', ...line });
  const upper = map.pieces.filter((p) => p.from >= 0xa0000);
  if (typeof manager.frame === 'number' && manager.mode !== 'noems') {
    const frame = { from: manager.frame, to: manager.frame + FRAME_BYTES };
    if (manager.frame % 0x4000)
      out.push({
        rule: 'manager.frame-step',
        facts: { at: (manager.frame / 16).toString(16).toUpperCase() },
        severity: 'clash',
        ...line
      });
    for (const p of upper.filter((x) => meets(x, frame)))
      out.push({
        rule: 'manager.frame',
        facts: {
          range: rangeText(frame),
          owner: p.owner.thing?.name ?? p.owner.function,
          window: rangeText(p)
        },
        severity: 'clash',
        ...line
      });
  }
  for (const i of manager.include) {
    // What is excluded as well stays out: X= wins.
    const overlap = manager.exclude.find((x) => meets(x, i));
    if (overlap)
      out.push({
        rule: 'manager.overlap',
        facts: { include: rangeText(i), exclude: rangeText(overlap) },
        severity: 'caution',
        ...line
      });
    const open = freeRuns(manager.exclude, i.from, i.to);
    for (const p of upper.filter((x) => open.some((o) => meets(x, o))))
      out.push({
        rule: 'manager.include',
        facts: { range: rangeText(i), owner: p.owner.thing?.name ?? p.owner.function, use: p.use },
        severity: 'clash',
        ...line
      });
  }
  // Only the pieces in which the manager would put something: behind the display, below the BIOS.
  const windows = upper.filter((p) => p.from >= 0xc0000 && (p.use === 'ram' || p.use === 'frame'));
  for (const p of windows) {
    const open = freeRuns(manager.exclude, p.from, p.to);
    if (!open.length) continue;
    const range = rangeText({ from: Math.floor(p.from / 4096) * 4096, to: Math.ceil(p.to / 4096) * 4096 });
    const edit: Edit = { ...line, text: `${manager.loaded.text.trimEnd()} X=${range}` };
    out.push({
      rule: 'manager.exclude',
      facts: { range, owner: p.owner.thing?.name ?? p.owner.function, sure: p.sure === 'known' },
      severity: 'clash',
      edit,
      ...line
    });
  }
  const doubles = loaded.some((l) => /\/DOUBLE_BUFFER/i.test(l.file.args));
  const promises = loaded.some((l) => l.class === 'scsi-manager');
  for (const card of s.machine.masters)
    if (!doubles && !promises)
      out.push({ rule: 'manager.master', facts: { card }, severity: 'caution', ...line });
  return out;
}

/** BUFFERS over what fits beside the kernel in the high area: then all of them lie low. */
export function checkBuffers(s: Situation): Seen[] {
  if (!dosLine(s.config).high) return [];
  return s.config.flatMap((l): Seen[] => {
    const n = l.kind === 'directive' && l.word === 'BUFFERS' ? parseInt(l.value, 10) : 0;
    return n > MOST_HIGH_BUFFERS
      ? [
          {
            rule: 'buffers.high',
            facts: { buffers: n, most: MOST_HIGH_BUFFERS },
            severity: 'caution',
            edit: { file: CONFIG, line: l.n, text: l.text.replace(/\d+/, '20') },
            file: CONFIG,
            line: l.n
          }
        ]
      : [];
  });
}

/** Variables of a start against the room that COMMAND.COM has for them. */
export function checkEnvironment(s: Situation): Seen[] {
  const { dos } = s.machine;
  const values = new Map<string, string>([['COMSPEC', 'C:\\COMMAND.COM']]);
  let last = 0;
  const put = (name: string, value: string) => {
    const key = name.trim().toUpperCase();
    if (value === '') values.delete(key);
    else {
      const known = (v: string) => values.get(v.toUpperCase()) ?? '';
      values.set(
        key,
        value.replace(/%([^%]+)%/g, (_, v: string) => known(v))
      );
    }
  };
  for (const l of s.config) {
    const m = l.kind === 'directive' && l.word === 'SET' ? /^([^=]+)=(.*)$/.exec(l.value) : null;
    if (m) put(there(m[1]), there(m[2]));
  }
  for (const { line } of s.batch) {
    const v = variableOf(line);
    if (!v) continue;
    put(v.name, v.value.trimEnd());
    last = line.n;
  }
  const needs = [...values].reduce((sum, [k, v]) => sum + k.length + 1 + v.length + 1, 1);
  const shell = s.config.find((l) => l.kind === 'directive' && l.word === 'SHELL');
  const said = /\/E:(\d+)/i.exec(shell?.value ?? '')?.[1];
  // 3.0 and 3.1 count in paragraphs of 16 bytes.
  const has =
    said === undefined ? usualEnvironment(dos ?? 5) : Number(said) * (dos !== null && dos < 3.2 ? 16 : 1);
  if (needs <= has) return [];
  const wanted = Math.ceil((needs + 128) / 16) * 16;
  const edit =
    shell && said !== undefined && (dos ?? 5) >= 3.2
      ? ({ file: CONFIG, line: shell.n, text: shell.text.replace(/\/E:\d+/i, `/E:${wanted}`) } satisfies Edit)
      : null;
  return [
    {
      rule: 'environment.full',
      facts: { needs, has, isUsual: said === undefined },
      severity: 'clash',
      edit,
      ...(edit ? { file: edit.file, line: edit.line } : { file: 'AUTOEXEC.BAT' as const, line: last })
    }
  ];
}
