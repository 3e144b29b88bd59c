import type { Found, SoundCard } from '../boot';
import { BATCH, CONFIG, type Seen } from './finding';
import { variableOf } from './read';
import { deviceName, loadedOf, rankOf, type Loaded, type Situation } from './situation';

const at = (l: Loaded) => ({ file: l.at, line: l.n });

/** CPU class by class of driver: what never runs below it. */
const leastRank: Readonly<Record<string, { rank: number; needs: string }>> = {
  xms: { rank: 1, needs: '286' },
  manager: { rank: 2, needs: '386' }
};

/** Drivers of a class of which one start has only one. */
const single: readonly string[] = ['xms', 'manager', 'mouse', 'cache', 'keyboard', 'version-table', 'ansi'];

/** Drivers against the CPU, each other, and what is fitted. */
export function checkDrivers(s: Situation): Seen[] {
  const loaded = loadedOf(s);
  const rank = rankOf(s.machine);
  const { cpu } = s.machine;
  const out: Seen[] = [];
  const first = new Map<string, Loaded>();
  for (const l of loaded) {
    const least = l.class ? leastRank[l.class] : undefined;
    if (least && cpu && rank !== null && rank < least.rank)
      out.push({
        rule: 'driver.cpu',
        facts: { file: l.file.base, needs: least.needs, has: cpu },
        severity: 'clash',
        ...at(l)
      });
    if (l.class && single.includes(l.class) && !/\/DOUBLE_BUFFER/i.test(l.file.args)) {
      const before = first.get(l.class);
      // One cache may be flushed or asked by a second call of the same program.
      if (before && !l.maybe && !before.maybe && !(l.class === 'cache' && before.at === l.at))
        out.push({
          rule: 'driver.twice',
          facts: { what: l.class, first: before.n },
          severity: 'caution',
          ...at(l)
        });
      else first.set(l.class, l);
    }
    const what =
      l.class === 'cd-driver' && !s.machine.optical.length
        ? 'optical'
        : l.class === 'ems-card' && !s.machine.emsCards.length
          ? 'ems'
          : l.class === 'packet' && !s.machine.network.length
            ? 'network'
            : l.class === 'mouse' && !s.machine.hasMouse && !s.machine.serials
              ? 'mouse'
              : null;
    if (what)
      out.push({ rule: 'driver.no-part', facts: { file: l.file.base, what }, severity: 'caution', ...at(l) });
  }
  return out;
}

/** The chain of a CD-ROM: driver, name, redirector, letter, and the cache after it. */
export function checkCd(s: Situation): Seen[] {
  const loaded = loadedOf(s);
  const drivers = loaded.filter((l) => l.class === 'cd-driver');
  const redirectors = loaded.filter((l) => l.class === 'cd-redirector');
  const names = drivers.flatMap((d) => deviceName(d.file.args) ?? []);
  const out: Seen[] = [];
  drivers.forEach((d, i) => {
    const name = deviceName(d.file.args);
    const before = drivers.slice(0, i).find((x) => deviceName(x.file.args) === name);
    if (before && name !== null)
      out.push({ rule: 'cd.twice', facts: { name, first: before.n }, severity: 'clash', ...at(d) });
  });
  const lastLine = s.config.find((l) => l.kind === 'directive' && l.word.startsWith('LASTDRIVE'));
  const last = (lastLine?.value.trim()[0] ?? 'E').toUpperCase();
  for (const r of redirectors) {
    const name = deviceName(r.file.args);
    if (!drivers.length)
      out.push({ rule: 'cd.no-driver', facts: { name }, severity: r.maybe ? 'caution' : 'clash', ...at(r) });
    else if (name !== null && names.length && !names.includes(name)) {
      const only = names.length === 1 ? names[0] : null;
      out.push({
        rule: 'cd.name',
        facts: { name, known: names },
        severity: 'clash',
        edit: only === null ? null : { ...at(r), text: r.text.replace(/(\/D:)[^\s/]+/i, `$1${only}`) },
        ...at(r)
      });
    }
    const letter = /\/L:([A-Z])/i.exec(r.file.args)?.[1]?.toUpperCase();
    if (letter && letter > last)
      out.push({
        rule: 'cd.letter',
        facts: { letter, last, isUsual: !lastLine },
        severity: 'clash',
        edit: lastLine
          ? { file: CONFIG, line: lastLine.n, text: lastLine.text.replace(/(=\s*)[A-Z]/i, `$1${letter}`) }
          : { file: CONFIG, line: s.config[0]?.n ?? 1, text: `LASTDRIVE=${letter}`, isNew: true },
        ...at(r)
      });
  }
  const cache = loaded.find((l) => l.class === 'cache' && l.at === BATCH);
  const late = cache && redirectors.find((r) => r.n > cache.n);
  if (cache && late && (s.machine.dos ?? 0) >= 6.2)
    out.push({ rule: 'cache.order', facts: { redirector: late.n }, severity: 'note', ...at(cache) });
  return out;
}

/** KEYB and COUNTRY that do not say where their file is find it only in the root of the start disk. */
export function checkCountry(s: Situation): Seen[] {
  const out: Seen[] = [];
  for (const l of s.config)
    if (
      l.kind === 'directive' &&
      l.word === 'COUNTRY' &&
      !l.value.split(',')[2]?.trim() &&
      /\d/.test(l.value)
    )
      out.push({
        rule: 'country.path',
        facts: { word: 'COUNTRY' },
        severity: 'note',
        file: CONFIG,
        line: l.n
      });
  for (const l of loadedOf(s))
    if (l.file.base === 'KEYB' && l.file.args && !l.file.args.split(',')[2]?.trim())
      out.push({ rule: 'country.path', facts: { word: 'KEYB' }, severity: 'note', ...at(l) });
  return out;
}

const hex = (n: number): string => n.toString(16).toUpperCase();

/** Letters of BLASTER with what each stands for on a card, and how its number is written. */
const blasterKeys: readonly {
  key: string;
  of: (c: SoundCard) => Found | null;
  said: (n: number) => string;
}[] = [
  { key: 'A', of: (c) => c.port, said: hex },
  { key: 'I', of: (c) => c.irq, said: String },
  { key: 'D', of: (c) => c.dma, said: String },
  { key: 'H', of: (c) => c.dma16, said: String },
  { key: 'P', of: (c) => c.midi, said: hex }
];
/** Without these a program does not find the card. */
const needed: readonly string[] = ['A', 'I', 'D'];

/** On an AT the second line of the cascade answers for the first. */
const sameIrq = (a: string, b: string, isAt: boolean): boolean =>
  a === b || (isAt && ['2', '9'].includes(a) && ['2', '9'].includes(b));

/** How many letters of a BLASTER line a card differs in. */
function differing(card: SoundCard, said: ReadonlyMap<string, string>): number {
  return blasterKeys.filter(({ key, of, said: text }) => {
    const found = of(card);
    const typed = said.get(key);
    return found !== null && typed !== undefined && text(found.value) !== typed;
  }).length;
}

/** SET BLASTER against the cards as they are set. */
export function checkBlaster(s: Situation): Seen[] {
  const { sound } = s.machine;
  const lines = s.batch.flatMap(({ line }) => {
    const set = variableOf(line);
    return set?.name.trim().toUpperCase() === 'BLASTER' ? [{ line, ...set }] : [];
  });
  const digital = sound.filter((c) => c.port && c.dma);
  if (!lines.length) {
    return digital.slice(0, 1).map((c) => ({
      rule: 'blaster.missing',
      facts: { card: c.title },
      severity: 'caution',
      file: BATCH,
      line: 0
    }));
  }
  return lines.flatMap(({ line, name, value }): Seen[] => {
    const where = { file: BATCH, line: line.n };
    const out: Seen[] = [];
    if (value.trim() === '') return [];
    if (name !== name.trim() || value !== value.trimStart())
      out.push({
        rule: 'blaster.form',
        facts: { why: 'blank' },
        severity: 'clash',
        edit: { ...where, text: `SET BLASTER=${value.trim()}` },
        ...where
      });
    else if (/[a-z]/.test(value) || /[a-z]/.test(name))
      out.push({
        rule: 'blaster.form',
        facts: { why: 'lower' },
        severity: 'caution',
        edit: { ...where, text: `SET BLASTER=${value.trim().toUpperCase()}` },
        ...where
      });
    if (!sound.length) return [...out, { rule: 'blaster.no-card', facts: {}, severity: 'caution', ...where }];
    const said = new Map(
      value
        .trim()
        .toUpperCase()
        .split(/\s+/)
        .map((w) => [w.slice(0, 1), w.slice(1)] as const)
    );
    const [card] = [...(digital.length ? digital : sound)].sort(
      (a, b) => differing(a, said) - differing(b, said)
    );
    if (!card) return out;
    const mended = (key: string, text: string) =>
      line.text.replace(new RegExp(`(BLASTER\\s*=(?:.*\\s)?${key})[\\dA-F]+`, 'i'), `$1${text}`);
    for (const { key, of, said: written } of blasterKeys) {
      const found = of(card);
      const typed = said.get(key);
      if (found === null) {
        if (typed !== undefined)
          out.push({
            rule: 'blaster.extra',
            facts: { key, card: card.title },
            severity: 'caution',
            ...where
          });
        continue;
      }
      const is = written(found.value);
      if (typed === undefined) {
        if (needed.includes(key))
          out.push({
            rule: 'blaster.short',
            facts: { key, card: card.title, is },
            severity: 'clash',
            ...where
          });
      } else if (key === 'I' ? !sameIrq(typed, is, s.machine.isAt) : typed !== is)
        out.push({
          rule: 'blaster.differs',
          facts: { key, says: typed, card: card.title, is, sure: found.isSeen },
          severity: found.isSeen ? 'clash' : 'caution',
          // The file is not bent to a position that nobody looked at.
          edit: found.isSeen ? { ...where, text: mended(key, is) } : null,
          ...where
        });
    }
    const type = said.get('T');
    if (type !== undefined && card.type !== null && type !== card.type)
      out.push({
        rule: 'blaster.differs',
        facts: { key: 'T', says: type, card: card.title, is: card.type, sure: false },
        severity: 'note',
        ...where
      });
    return out;
  });
}

/** Software interrupts that a packet driver may use: 67h is that of expanded memory, 70h to 77h are lines. */
const isVector = (v: number): boolean => (v >= 0x60 && v <= 0x66) || (v >= 0x78 && v <= 0x80);

/** A packet driver's vector, line and port against the network card. */
export function checkPacket(s: Situation): Seen[] {
  return loadedOf(s)
    .filter((l) => l.class === 'packet')
    .flatMap((l): Seen[] => {
      const numbers = [...l.file.args.matchAll(/(?:^|\s)(?:-i\s*)?(0x[\da-f]+|\d+)(?=\s|$)/gi)].map(
        (m) => m[1]
      );
      const [vector, irq, port] = numbers;
      const out: Seen[] = [];
      if (vector !== undefined && !isVector(Number(vector)))
        out.push({ rule: 'packet.vector', facts: { vector }, severity: 'clash', ...at(l) });
      const [card] = s.machine.network;
      if (!card) return out;
      const compare = (what: 'irq' | 'port', typed: string | undefined, found: Found | null): void => {
        if (typed === undefined || found === null || Number(typed) === found.value) return;
        if (what === 'irq' && sameIrq(String(Number(typed)), String(found.value), s.machine.isAt)) return;
        out.push({
          rule: 'packet.differs',
          facts: {
            what,
            says: typed,
            card: card.title,
            is: what === 'port' ? `${hex(found.value)}h` : String(found.value),
            sure: found.isSeen
          },
          severity: found.isSeen ? 'clash' : 'caution',
          edit: found.isSeen
            ? {
                ...at(l),
                text: l.text.replace(
                  new RegExp(`(\\s)${typed}(?=\\s|$)(?!.*\\s${typed}(?=\\s|$))`, 'i'),
                  `$1${what === 'port' ? `0x${found.value.toString(16)}` : found.value}`
                )
              }
            : null,
          ...at(l)
        });
      };
      compare('irq', irq, card.irq);
      compare('port', port, card.port);
      return out;
    });
}
