import { groupBy, hex, hexRange, keyOf, thingOf, type Fix, type OfferedFix, byId, there } from '../model';
import {
  claimSettings,
  claimValue,
  firstCommonPort,
  isOn,
  keptApart,
  lacksInterrupt,
  lineOf,
  lineText,
  ownerKey,
  ownerOfLine,
  linesAt,
  relate,
  sharingContext,
  standing,
  offSettings,
  unlookedAmong,
  unlookedBehind,
  unreachable,
  type Line,
  type Machine,
  type Positions,
  type Relation
} from '../resources';
import { isFixed } from '../solver';
import type { LineClash } from './facts';
import type { Case } from './finding';
import type { Rule } from './rule';
import { displaysAlike } from './video';

const subject = (line: Line) => ({ item: line.item, function: line.function });
const extent = (line: Line) => ({
  resource: line.resource,
  from: line.value,
  to: line.value + line.length - 1
});

/** Clashes that are listed one by one, and of those how many with their way out; nobody reads more of them. */
const MOST_CLASHES = 200;
const MOST_WITH_FIXES = 40;

const clashRule = { irq: 'line.irq', dma: 'line.dma', io: 'line.io', memory: 'line.memory' } as const;

/**
 * Two lines that meet and cannot share. ISA lines are driven: two devices on one do not work, even in turn, unless one
 * lets go of it.
 */
const clashes: Rule = (s) => {
  const { m, at, lines } = s;
  const context = sharingContext(m);
  const apart = keptApart(m);
  const alike = displaysAlike(s);
  // Two displays of a kind meet in every range they have: that they are two says it all.
  const isTold = (a: Line, b: Line) =>
    a.kind === 'display' &&
    b.kind === 'display' &&
    alike.some(({ items, meet }) => meet && items.includes(a.item) && items.includes(b.item));
  const meetings = pairs(lines).flatMap(([a, b]): Meeting[] => {
    if (isTold(a, b)) return [];
    const relation = relate(a, b, context);
    return relation?.verdict === 'clash' && !apart(a, b) ? [{ a, b, relation }] : [];
  });
  const all = [...groupBy(meetings, (meeting) => oneMove(m, meeting)).values()];
  const listed = all.slice(0, MOST_CLASHES).map((group, i): Case => {
    const { a, b, relation } = there(group[0]);
    const [lineA, lineB] = sidesOf(a, b).map((side) => rangeTexts(group.map((meeting) => meeting[side])));
    return {
      rule: clashRule[a.resource],
      about: [subject(a), subject(b)],
      facts: {
        a: ownerOfLine(m, a),
        b: ownerOfLine(m, b),
        lineA: there(lineA),
        lineB: there(lineB),
        how: howTheyMeet(a, b),
        assumed: unlookedBehind(m, a, b),
        placed: a.assigned ? 'a' : b.assigned ? 'b' : null,
        reason: relation.kind === 'apart' ? { kind: 'apart' } : whyNever(a, b)
      },
      fixes: [
        ...(canIdle(a, b) ? [neverTogether(a, b)] : []),
        ...(i < MOST_WITH_FIXES ? moveFixes(m, at, lines, a, b) : [])
      ],
      line: extent(a)
    };
  });
  return all.length > listed.length
    ? [
        ...listed,
        {
          rule: 'line.more',
          about: [],
          facts: { more: all.length - listed.length, listed: MOST_CLASHES }
        }
      ]
    : listed;
};

interface Meeting {
  a: Line;
  b: Line;
  relation: Relation;
}

/** Meetings of two functions that go together: ranges that rest on the same settings are moved in one go. */
function oneMove(m: Machine, { a, b, relation }: Meeting): string {
  const behind = (line: Line) => {
    const owner = m.get(line.item);
    const claim = there(byId(owner.part.functions, line.function).claims[line.index]);
    return claimSettings(m, owner, claim).map((s) => keyOf(s.item, s.setting));
  };
  const isRange = a.resource === 'io' || a.resource === 'memory';
  const what = isRange ? [howTheyMeet(a, b), ...behind(a), '', ...behind(b)] : [a.value];
  return [a.resource, ownerKey(a), ownerKey(b), relation.kind, ...what].join(' ');
}

/** Lines as printed, in order; ranges that follow on one another are one: 378h, 379h and 37Ah are 378h–37Ah. */
function rangeTexts(lines: readonly Line[]): string[] {
  const out: Line[] = [];
  for (const line of lines.toSorted((a, b) => a.value - b.value)) {
    const last = out.at(-1);
    const end = last ? last.value + last.length : -1;
    if (last && line.resource !== 'irq' && line.resource !== 'dma' && line.value <= end)
      out[out.length - 1] = { ...last, length: Math.max(end, line.value + line.length) - last.value };
    else if (last?.value !== line.value) out.push(line);
  }
  return out.map(lineText);
}

/** The two sides of a meeting in the order in which they are told: an alias from its higher end. */
const sidesOf = (a: Line, b: Line): readonly ('a' | 'b')[] =>
  howTheyMeet(a, b) === 'alias' && a.value < b.value ? ['b', 'a'] : ['a', 'b'];

function howTheyMeet(a: Line, b: Line): LineClash['how'] {
  if (a.resource === 'irq' || a.resource === 'dma') return 'driven-twice';
  return a.value < b.value + b.length && b.value < a.value + a.length ? 'overlap' : 'alias';
}

function whyNever(a: Line, b: Line): LineClash['reason'] {
  if (a.resource === 'io') {
    const port = firstCommonPort(a, b) ?? a.value;
    const mask = a.mask & b.mask;
    return mask === 0xffff
      ? { kind: 'port', port: hex(port), mask: null }
      : { kind: 'port', port: hex(port & mask), mask: hex(mask) };
  }
  if (a.resource === 'memory') {
    const from = Math.max(a.value, b.value);
    const to = Math.min(a.value + a.length, b.value + b.length);
    return { kind: 'window', range: hexRange(from, to - from, 5) };
  }
  if (a.sharing === 'level' || b.sharing === 'level') return { kind: 'pci-isa' };
  return { kind: a.value === 9 && a.printed !== b.printed ? 'irq-2-9' : 'edge' };
}

const canIdle = (a: Line, b: Line) =>
  a.sharing === 'idle' && b.sharing === 'idle' && !a.resident && !b.resident && a.item !== b.item;

const neverTogether = (a: Line, b: Line): OfferedFix => ({
  label: { kind: 'never-together' },
  fix: { action: 'never-together', a: subject(a), b: subject(b) }
});

/** Positions that take one of the two out of the clash without a new one, two for each at most. */
function moveFixes(m: Machine, at: Positions, lines: readonly Line[], a: Line, b: Line): OfferedFix[] {
  return [a, b].flatMap((line) => {
    const owner = m.get(line.item);
    const claim = there(byId(owner.part.functions, line.function).claims[line.index]);
    const fixes: OfferedFix[] = [];
    for (const { item, setting } of claimSettings(m, owner, claim)) {
      const holder = m.get(item);
      const known = byId(holder.part.settings, setting);
      if (isFixed(holder, known)) continue;
      for (const position of known.positions) {
        if (fixes.length >= 2) break;
        if (position.id === at(item, setting)) continue;
        const moved: Positions = (i, s) => (i === item && s === setting ? position.id : at(i, s));
        const value = claimValue(m, owner, claim, moved);
        if (value === null || !quiet(m, moved, lines, item, setting)) continue;
        const fn = byId(owner.part.functions, line.function);
        fixes.push({
          label: {
            kind: 'line',
            function: fn.label,
            line: lineText(lineOf(m, owner, fn, line.index, value))
          },
          fix: { action: 'set', item, setting, position: position.id }
        });
      }
    }
    return fixes;
  });
}

/** Whether no line that rests on a setting clashes or is out of reach once it is moved. */
function quiet(m: Machine, moved: Positions, lines: readonly Line[], item: string, setting: string): boolean {
  // A setting of the board may also route the lines of its slots; no other item feels a card's setting.
  const touched = m.fitted.filter(
    (f) => f.item.id === item || (item === m.board.item.id && f.slot?.routing !== undefined)
  );
  const own = linesAt(m, moved, touched);
  const rest = lines.filter((line) => !touched.some((f) => f.item.id === line.item));
  const after = [...rest, ...own];
  const context = sharingContext(m);
  return own.every((line) => {
    const owner = m.get(line.item);
    const claim = there(byId(owner.part.functions, line.function).claims[line.index]);
    if (!claimSettings(m, owner, claim).some((s) => s.item === item && s.setting === setting)) return true;
    return (
      unreachable(m, owner, line) === null &&
      after.every((other) => other === line || relate(line, other, context)?.verdict !== 'clash')
    );
  });
}

/** Two kinds of sharing work only while people keep to a habit, so they are never silent. */
const shares: Rule = ({ m, at, lines }) => {
  const context = sharingContext(m);
  const apart = keptApart(m);
  return pairs(lines).flatMap(([a, b]): Case[] => {
    const relation = relate(a, b, context);
    if (!relation?.cost || apart(a, b)) return [];
    const common = {
      about: [subject(a), subject(b)],
      fixes: moveFixes(m, at, lines, a, b).slice(0, 2),
      line: extent(a)
    };
    const assumed = unlookedBehind(m, a, b);
    if (relation.kind !== 'unused')
      return [
        {
          rule: 'line.share-idle',
          ...common,
          facts: { line: lineText(a), a: ownerOfLine(m, a), b: ownerOfLine(m, b), assumed }
        }
      ];
    const [quietOne, other] = a.sharing === 'unused' ? [a, b] : [b, a];
    return [
      {
        rule: 'line.share-unused',
        ...common,
        facts: {
          line: lineText(a),
          quiet: ownerOfLine(m, quietOne),
          other: ownerOfLine(m, other),
          assumed
        }
      }
    ];
  });
};

/** Lines that the seat does not carry. */
const reach: Rule = ({ m, lines }) =>
  lines.flatMap((line): Case[] => {
    const owner = m.get(line.item);
    const why = owner.misfit ? null : unreachable(m, owner, line);
    return why
      ? [
          {
            rule: line.resource === 'memory' ? 'rom.window' : 'slot.reach',
            about: [subject(line)],
            facts: {
              owner: ownerOfLine(m, line),
              line: lineText(line),
              why,
              assumed: unlookedBehind(m, line)
            },
            line: extent(line)
          }
        ]
      : [];
  });

const BLOCK = 128 * 1024;

/** A PCI function without its interrupt is not usable; only a display does without. */
const noInterrupt: Rule = ({ m, at }) =>
  m.fitted.flatMap((f) =>
    f.part.functions
      .filter((fn) => lacksInterrupt(m, f, fn, at))
      .map((fn): Case => ({
        rule: 'pci.interrupt',
        about: [{ item: f.item.id, function: fn.id }],
        facts: { card: thingOf(f), function: fn.label }
      }))
  );

/** 16-bit memory decode on ISA looks only at address lines 17 to 23, so it works in blocks of 128 KiB. */
const mixedWidth: Rule = ({ m, lines }) => {
  const windows = lines.filter(
    (l) => l.resource === 'memory' && l.decode === 'isa' && !l.shadowed && l.value < 0x100000
  );
  const told = new Set<string>();
  return pairs(windows).flatMap(([a, b]): Case[] => {
    if (a.item === b.item || a.width === b.width) return [];
    const blocks = (l: Line): [number, number] => [
      Math.floor(l.value / BLOCK),
      Math.floor((l.value + l.length - 1) / BLOCK)
    ];
    const [a0, a1] = blocks(a);
    const [b0, b1] = blocks(b);
    if (a0 > b1 || b0 > a1) return [];
    const [narrow, wide] = a.width === 8 ? [a, b] : [b, a];
    const block = Math.max(a0, b0) * BLOCK;
    // A card with several windows in one block is told of once.
    const key = `${block} ${narrow.item}/${narrow.function} ${wide.item}/${wide.function}`;
    if (told.has(key)) return [];
    told.add(key);
    return [
      {
        rule: 'rom.16bit',
        about: [subject(narrow), subject(wide)],
        facts: {
          wide: ownerOfLine(m, wide),
          narrow: ownerOfLine(m, narrow),
          block: hexRange(block, BLOCK, 5),
          assumed: unlookedBehind(m, narrow, wide)
        },
        fixes: narrowFixes(m, wide),
        line: extent(narrow)
      }
    ];
  });
};

/** Settings of a 16-bit card that make its window 8-bit: those that swap one claim for another. */
function narrowFixes(m: Machine, wide: Line): OfferedFix[] {
  const owner = m.get(wide.item);
  const at = standing(m);
  return owner.part.settings.flatMap((setting) => {
    if (isFixed(owner, setting)) return [];
    return setting.positions.flatMap((position) => {
      if (position.id === at(wide.item, setting.id)) return [];
      const moved: Positions = (i, s) => (i === wide.item && s === setting.id ? position.id : at(i, s));
      const after = linesAt(m, moved).filter((l) => l.item === wide.item && l.resource === 'memory');
      const covered = after.some((l) => l.value === wide.value && l.width === 8);
      if (!covered || after.some((l) => l.width === 16 && l.value === wide.value)) return [];
      const fix: Fix = { action: 'set', item: wide.item, setting: setting.id, position: position.id };
      return [{ label: { kind: 'position', setting: setting.label, position: position.label }, fix }];
    });
  });
}

function pairs(lines: readonly Line[]): [Line, Line][] {
  const out: [Line, Line][] = [];
  for (let i = 0; i < lines.length; i++)
    for (let j = i + 1; j < lines.length; j++)
      if (there(lines[i]).resource === there(lines[j]).resource) out.push([there(lines[i]), there(lines[j])]);
  return out;
}

/** BIOSes of this year and later route the power management of the board to IRQ 9. */
const POWER_MANAGEMENT = 1998;

/** On boards with ACPI the system takes IRQ 9 as soon as Windows uses it; an ISA card there is not seen any more. */
const acpi: Rule = ({ m, kit, lines }) => {
  const bios = kit.firmware;
  if (!bios?.firmware || bios.firmware.year < POWER_MANAGEMENT) return [];
  return lines
    .filter((l) => l.resource === 'irq' && l.value === 9 && l.sharing !== 'level' && m.find(l.item)?.slot)
    .map((l): Case => ({
      rule: 'acpi.irq9',
      about: [subject(l)],
      facts: { bios: bios.name, owner: ownerOfLine(m, l), assumed: unlookedBehind(m, l) },
      line: extent(l)
    }));
};

/** A function that the brief asks for and that is switched off. */
const wanted: Rule = ({ m, at }) =>
  m.build.brief.mustBeOn.flatMap((ref): Case[] => {
    const fitted = m.find(ref.item);
    const fn = fitted?.part.functions.find((f) => f.id === ref.function);
    if (!fitted || !fn || isOn(fitted, fn, at)) return [];
    const assumed = unlookedAmong(m, offSettings(ref.item, fn));
    return [
      { rule: 'brief.off', about: [ref], facts: { card: thingOf(fitted), function: fn.label, assumed } }
    ];
  });

export const lineRules: readonly Rule[] = [clashes, reach, noInterrupt, shares, mixedWidth, acpi, wanted];
