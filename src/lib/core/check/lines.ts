import { hex, hexRange, type Finding, type Fix } from '../model';
import {
  claimSettings,
  claimValue,
  firstCommonPort,
  isOn,
  lacksInterrupt,
  lineOf,
  lineText,
  linesAt,
  relate,
  sharingContext,
  standing,
  unreachable,
  type Line,
  type Machine,
  type Positions
} from '../resources';
import { isFixed } from '../solver';
import { finding, type Rule, type Situation } from './rule';
import { capital, consequence, nameOf } from './words';

const subject = (line: Line) => ({ item: line.item, function: line.function });
const extent = (line: Line) => ({
  resource: line.resource,
  from: line.value,
  to: line.value + line.length - 1
});

/** Two lines that meet and cannot share. */
const clashes: Rule = {
  id: 'line.clash',
  why: 'ISA lines are driven: two devices on one do not work, even in turn, unless one lets go of it.',
  find({ m, at, lines }) {
    const context = sharingContext(m);
    const all = pairs(lines).flatMap(([a, b]) => {
      const relation = relate(a, b, context);
      return relation?.verdict === 'clash' ? [{ a, b, relation }] : [];
    });
    const told = all.slice(0, MOST_CLASHES).map(({ a, b, relation }, i) =>
      finding({
        rule: `line.${a.resource}`,
        severity: 'clash',
        subjects: [subject(a), subject(b)],
        title: clashTitle(a, b),
        sentence: `${capital(nameOf(m, a))} and ${nameOf(m, b)} ${doing[a.resource]}. ${consequence(a, b)}`,
        why: relation.kind === 'apart' ? 'The card does not allow these two to meet.' : whyNever(a, b),
        fixes: [
          ...(canIdle(a, b) ? [neverTogether(a, b)] : []),
          ...(i < MOST_WITH_FIXES ? moveFixes(m, at, lines, a, b) : [])
        ],
        line: extent(a)
      })
    );
    return all.length > told.length ? [...told, moreClashes(all.length - told.length)] : told;
  }
};

/** Clashes that are listed one by one, and of those how many with their way out; nobody reads more of them. */
const MOST_CLASHES = 200;
const MOST_WITH_FIXES = 40;

const moreClashes = (n: number): Finding =>
  finding({
    rule: 'line.more',
    severity: 'clash',
    subjects: [],
    title: `${n} more clashes`,
    sentence: `Only the first ${MOST_CLASHES} clashes are listed. Start from fewer cards, or resolve.`,
    why: clashes.why,
    fixes: []
  });

const doing = {
  irq: 'both pull this line',
  dma: 'both use this channel',
  io: 'answer at the same ports',
  memory: 'lie in the same memory window'
} as const;

function clashTitle(a: Line, b: Line): string {
  if (a.resource === 'irq' || a.resource === 'dma') return `${lineText(a)} is driven twice`;
  const direct = a.value < b.value + b.length && b.value < a.value + a.length;
  if (direct) return `${lineText(a)} overlaps ${lineText(b)}`;
  const [low, high] = a.value < b.value ? [a, b] : [b, a];
  return `${lineText(high)} is an alias of ${lineText(low)}`;
}

function whyNever(a: Line, b: Line): string {
  if (a.resource === 'io') {
    const port = firstCommonPort(a, b) ?? a.value;
    const mask = a.mask & b.mask;
    return mask === 0xffff
      ? `Both answer at ${hex(port)}.`
      : `Only the address lines of ${hex(mask)} are compared by both, so both answer at ${hex(port & mask)} and every address like it.`;
  }
  if (a.resource === 'memory') {
    const from = Math.max(a.value, b.value);
    const to = Math.min(a.value + a.length, b.value + b.length);
    return `Both answer in ${hexRange(from, to - from, 5)}.`;
  }
  if (a.sharing === 'level' || b.sharing === 'level')
    return 'PCI may share a line with PCI, never with an ISA card.';
  return a.value === 9 && a.printed !== b.printed
    ? 'On an AT-class board the pin of IRQ 2 is wired to IRQ 9: it is one line.'
    : 'ISA lines are driven and edge-triggered: two devices cannot use one.';
}

const canIdle = (a: Line, b: Line) =>
  a.sharing === 'idle' && b.sharing === 'idle' && !a.resident && !b.resident && a.item !== b.item;

const neverTogether = (a: Line, b: Line) => ({
  label: 'I never use both at once',
  fix: { action: 'never-together', a: subject(a), b: subject(b) } satisfies Fix
});

/** Positions that take one of the two out of the clash without a new one, two for each at most. */
function moveFixes(m: Machine, at: Positions, lines: readonly Line[], a: Line, b: Line): Finding['fixes'] {
  return [a, b].flatMap((line) => {
    const owner = m.find(line.item)!;
    const claim = owner.part.functions.find((f) => f.id === line.function)!.claims[line.index];
    const fixes: Finding['fixes'] = [];
    for (const { item, setting } of claimSettings(m, owner, claim)) {
      const holder = m.find(item)!;
      const known = holder.part.settings.find((s) => s.id === setting)!;
      if (isFixed(holder, known)) continue;
      for (const position of known.positions) {
        if (fixes.length >= 2) break;
        if (position.id === at(item, setting)) continue;
        const moved: Positions = (i, s) => (i === item && s === setting ? position.id : at(i, s));
        const value = claimValue(m, owner, claim, moved);
        if (value === null || !quiet(m, moved, lines, item, setting)) continue;
        const fn = owner.part.functions.find((f) => f.id === line.function)!;
        fixes.push({
          label: `${capital(fn.label)} to ${lineText(lineOf(m, owner, fn, line.index, value))}`,
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
    const owner = m.find(line.item)!;
    const claim = owner.part.functions.find((f) => f.id === line.function)!.claims[line.index];
    if (!claimSettings(m, owner, claim).some((s) => s.item === item && s.setting === setting)) return true;
    return (
      unreachable(m, owner, line) === null &&
      after.every((other) => other === line || relate(line, other, context)?.verdict !== 'clash')
    );
  });
}

/** Lines shared on sufferance. */
const shares: Rule = {
  id: 'line.share',
  why: 'Two kinds of sharing work only while people keep to a habit, so they are never silent.',
  find({ m, at, lines }) {
    const context = sharingContext(m);
    return pairs(lines).flatMap(([a, b]) => {
      const relation = relate(a, b, context);
      if (!relation?.cost) return [];
      const unused = relation.kind === 'unused';
      return [
        finding({
          rule: `line.share-${relation.kind}`,
          severity: 'caution',
          subjects: [subject(a), subject(b)],
          title: `${lineText(a)} is shared`,
          sentence: unused
            ? `${capital(nameOf(m, a.sharing === 'unused' ? a : b))} must stay without its interrupt: plain printing polls, a driver that uses the line would upset ${nameOf(m, a.sharing === 'unused' ? b : a)}.`
            : `${capital(nameOf(m, a))} and ${nameOf(m, b)} work as long as they are never used at the same time.`,
          why: unused
            ? 'A printer port in plain mode leaves its interrupt unused.'
            : 'Both ports let go of the line while their software is not running, and you said they never run together.',
          fixes: moveFixes(m, at, lines, a, b).slice(0, 2),
          line: extent(a)
        })
      ];
    });
  }
};

/** Lines that the seat does not carry. */
const reach: Rule = {
  id: 'slot.reach',
  why: 'An 8-bit slot has no contacts for IRQ 10 and up, nor for DMA 0 and 5 to 7.',
  find({ m, lines }) {
    return lines.flatMap((line) => {
      const owner = m.find(line.item)!;
      const why = owner.misfit ? null : unreachable(m, owner, line);
      if (!why) return [];
      const isWindow = line.resource === 'memory';
      return [
        finding({
          rule: isWindow ? 'rom.window' : 'slot.reach',
          severity: 'clash',
          subjects: [subject(line)],
          title: `${lineText(line)} cannot work here`,
          sentence: `${capital(nameOf(m, line))} is set to ${lineText(line)}, but ${why}. It will not be found.`,
          why: capital(why) + '.',
          fixes: [],
          line: extent(line)
        })
      ];
    });
  }
};

const BLOCK = 128 * 1024;

/** PCI functions whose interrupt input stands at off. */
const noInterrupt: Rule = {
  id: 'pci.interrupt',
  why: 'A PCI function without its interrupt is not usable; only a display does without.',
  find({ m, at }) {
    return m.fitted.flatMap((f) =>
      f.part.functions
        .filter((fn) => lacksInterrupt(m, f, fn, at))
        .map((fn) =>
          finding({
            rule: 'pci.interrupt',
            severity: 'clash',
            subjects: [{ item: f.item.id, function: fn.id }],
            title: `${f.title} has no interrupt`,
            sentence: `The interrupt input of its slot is set to off, so ${fn.label} of ${f.title} will not work. Give the input a line, or move the card to another slot.`,
            why: noInterrupt.why,
            fixes: []
          })
        )
    );
  }
};

/** 8-bit and 16-bit memory in one block of 128 KiB. */
const mixedWidth: Rule = {
  id: 'rom.16bit',
  why: '16-bit memory decode on ISA looks only at address lines 17 to 23, so it works in blocks of 128 KiB.',
  find({ m, lines }) {
    const windows = lines.filter(
      (l) => l.resource === 'memory' && l.decode === 'isa' && !l.shadowed && l.value < 0x100000
    );
    return pairs(windows).flatMap(([a, b]) => {
      if (a.item === b.item || a.width === b.width) return [];
      const blocks = (l: Line) => [Math.floor(l.value / BLOCK), Math.floor((l.value + l.length - 1) / BLOCK)];
      const [a0, a1] = blocks(a);
      const [b0, b1] = blocks(b);
      if (a0 > b1 || b0 > a1) return [];
      const [narrow, wide] = a.width === 8 ? [a, b] : [b, a];
      const block = Math.max(a0, b0) * BLOCK;
      return [
        finding({
          rule: 'rom.16bit',
          severity: 'caution',
          subjects: [subject(narrow), subject(wide)],
          title: '8-bit beside 16-bit memory',
          sentence: `${capital(nameOf(m, wide))} answers as 16-bit memory for all of ${hexRange(block, BLOCK, 5)}, where ${nameOf(m, narrow)} is 8-bit: it may read as garbage. Set the 16-bit card to 8-bit memory, shadow its ROM, or move one of them out.`,
          why: mixedWidth.why,
          fixes: narrowFixes(m, wide),
          line: extent(narrow)
        })
      ];
    });
  }
};

/** Settings of a 16-bit card that make its window 8-bit: those that swap one claim for another. */
function narrowFixes(m: Machine, wide: Line): Finding['fixes'] {
  const owner = m.find(wide.item)!;
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
      return [{ label: `${setting.label}: ${position.label}`, fix }];
    });
  });
}

function pairs(lines: readonly Line[]): [Line, Line][] {
  const out: [Line, Line][] = [];
  for (let i = 0; i < lines.length; i++)
    for (let j = i + 1; j < lines.length; j++)
      if (lines[i].resource === lines[j].resource) out.push([lines[i], lines[j]]);
  return out;
}

/** A function that the brief asks for and that is switched off. */
const wanted: Rule = {
  id: 'brief.off',
  why: 'The brief says that this must be on.',
  find({ m, at }: Situation) {
    return m.build.brief.mustBeOn.flatMap((ref) => {
      const fitted = m.find(ref.item);
      const fn = fitted?.part.functions.find((f) => f.id === ref.function);
      if (!fitted || !fn || isOn(fitted, fn, at)) return [];
      return [
        finding({
          rule: 'brief.off',
          severity: 'clash',
          subjects: [ref],
          title: `${capital(fn.label)} is switched off`,
          sentence: `${fitted.title} has its ${fn.label} switched off, and the brief wants it on.`,
          why: wanted.why,
          fixes: []
        })
      ];
    });
  }
};

const needResources = ['irq', 'dma', 'io', 'memory'] as const;

/** A program that accepts only some numbers of a function, and every such function stands elsewhere. */
const profileLines: Rule = {
  id: 'audio.profile',
  why: 'Many programs know only the first numbers of a card.',
  find({ m, lines }) {
    const owners = m.fitted.flatMap((f) =>
      f.part.functions.map((fn) => ({ item: f.item.id, title: f.title, fn }))
    );
    return m.build.brief.profiles.flatMap((profile) =>
      profile.needs.flatMap((need) => {
        const able = owners.filter((o) => o.fn.kind === need.kind);
        const meets = ({ item, fn }: (typeof able)[number]) =>
          lines.some((l) => l.item === item && l.function === fn.id) &&
          needResources.every((resource) => {
            const accepted = need[resource];
            const line = lines.find(
              (l) => l.item === item && l.function === fn.id && l.resource === resource
            );
            const same = (n: number) => n === line?.value || (resource === 'irq' && n === line?.printed);
            return accepted === undefined || accepted.some(same);
          });
        if (!able.length || able.some(meets)) return [];
        const told = needResources
          .flatMap((r) =>
            (need[r] ?? []).map((n) =>
              r === 'io' ? hex(n) : r === 'memory' ? hex(n, 5) : `${r.toUpperCase()} ${n}`
            )
          )
          .join(', ');
        return [
          finding({
            rule: `audio.profile.${profile.id}`,
            severity: need.weight === 'hard' ? 'clash' : 'note',
            subjects: able.map((o) => ({ item: o.item, function: o.fn.id })),
            title: `${profile.name} does not find ${able[0].fn.label}`,
            sentence: `${need.why ?? `It accepts ${told}.`} ${able.map((o) => o.title).join(' and ')} ${able.length > 1 ? 'stand' : 'stands'} elsewhere; it accepts ${told}.`,
            why: profileLines.why,
            fixes: []
          })
        ];
      })
    );
  }
};

export const lineRules: readonly Rule[] = [
  clashes,
  reach,
  noInterrupt,
  shares,
  mixedWidth,
  wanted,
  profileLines
];
