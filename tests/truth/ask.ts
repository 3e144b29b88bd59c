import { partitionTypeName, tell } from '../../src/lib/words';
import {
  fpuSuits,
  oscillatorFor,
  readOffered,
  runs,
  shownMemory,
  waitStates,
  withOscillator
} from '../../src/lib/core/boards';
import { diskNumber, floppyLetter } from '../../src/lib/core/cabling';
import {
  Build,
  CpuFamily,
  Part,
  SlotBus,
  partSet,
  hasFacts,
  hex,
  type Ribbon,
  type Select
} from '../../src/lib/core/model';
import { check, type Finding } from '../../src/lib/core/rules';
import { narrowed, obstacle } from '../../src/lib/core/resources';
import { systemIn, systemLacks, systemOf } from '../../src/lib/core/software';
import {
  barriers,
  biosTakes,
  fatPlan,
  floppyDos,
  floppyRate,
  interleaveRate,
  largestPartition,
  mediaOf,
  partitionTypes,
  driveTypes,
  sectorsOf,
  translate,
  type Geometry,
  type Translation
} from '../../src/lib/core/storage';
import { chain, displayKiB, modesOf } from '../../src/lib/core/video';
import { parts } from '../support/demo';
import { board, card, machineOf, type ClaimIn } from '../support/make';
import { bootKinds } from './ask-boot';
import { startKinds } from './ask-start';

/**
 * Kinds of questions about hardware, each put to the code that the screens use. What a row asks is written in the
 * field's own words; the answer is a short text. Adding a row needs no code; adding a kind is one entry here.
 */

const fail = (text: string): never => {
  throw new Error(`not understood: "${text}"`);
};
const words = (text: string): string[] => text.trim().split(/\s+/);
const hexOf = (text: string): number => parseInt(text, 16);
const chs = (text: string): Geometry => {
  const [cylinders, heads, sectors] = text.split('/').map(Number);
  return { cylinders, heads, sectors };
};

/** `irq 5 idle`, `dma 1`, `io 220/16 mask FFFF`, `mem C8000/16 rom 16bit`. */
function claimOf(text: string): ClaimIn {
  const [resource, number, ...more] = words(text);
  const has = (word: string) => more.includes(word);
  const sharing = (['idle', 'unused', 'level'] as const).find(has);
  const common = sharing ? { sharing } : {};
  switch (resource) {
    case 'irq':
      return { ...common, resource, value: Number(number) };
    case 'dma':
      return { ...common, resource, value: Number(number), busMaster: has('master') };
    case 'io': {
      const [base, length] = number.split('/');
      const mask = more[more.indexOf('mask') + 1];
      return {
        ...common,
        resource,
        value: hexOf(base),
        length: Number(length),
        ...(has('mask') ? { mask: hexOf(mask) } : {}),
        ...(has('write') ? { access: 'write' } : has('read') ? { access: 'read' } : {})
      };
    }
    case 'mem': {
      const [base, kib] = number.split('/');
      return {
        ...common,
        resource: 'memory',
        value: hexOf(base),
        length: Number(kib) * 1024,
        width: has('16bit') ? 16 : 8,
        use: has('rom') ? 'rom' : has('frame') ? 'frame' : 'ram'
      };
    }
    default:
      return fail(text);
  }
}

/** What a machine finds under a rule, as `rule of board setting=position + part@slot*count#bank for system`. */
function foundIn(asked: string): Finding[] {
  const [, rule, machine, os] = /^(\S+) of (.+?)(?: for (.+))?$/.exec(asked) ?? fail(asked);
  const [first, ...others] = machine.split(' + ').map((text) => {
    const [name, ...settings] = words(text);
    const [, part, slot, count, place] =
      /^([\w.-]+)(?:@([\w.]+))?(?:\*(\d+))?(?:#(\w+))?$/.exec(name) ?? fail(name);
    const asFound = Object.fromEntries(settings.map((s) => s.split('=')));
    catalogueCard(part);
    return {
      part,
      asFound,
      ...(slot ? { slot } : {}),
      ...(count ? { count: Number(count) } : {}),
      ...(place ? { place } : {})
    };
  });
  const build = Build.parse({
    id: 'm',
    name: 'M',
    brief: os ? { os } : {},
    board: { id: 'board', part: first.part, asFound: first.asFound },
    items: others.map((item, i) => ({ id: `i${i}`, ...item }))
  });
  return check(build, parts).filter((f) => f.rule === rule);
}

/** What a check says of two cards, or of one: the worst that concerns their lines. */
function linesOf(text: string): string {
  const [where, ...claims] = text.split(/[;+]/).map((s) => s.trim());
  const [cls, ...slots] = words(where);
  const { build, parts: own } = machineOf(
    board(
      cls as 'at',
      claims.map((_, i) => slots[i] ?? slots[0] ?? (cls === 'xt' ? 'isa8' : 'isa16'))
    ),
    claims.map((c, i) =>
      card(`card${i}`, [claimOf(c)], { bus: cls === 'xt' ? 'isa8' : (slots[i] ?? slots[0] ?? 'isa16') })
    )
  );
  const rules = check(build, own).map((f) => f.rule);
  if (rules.some((r) => r === 'slot.reach' || r === 'rom.window')) return 'not reached';
  if (rules.some((r) => ['line.irq', 'line.dma', 'line.io', 'line.memory'].includes(r))) return 'clash';
  if (rules.includes('rom.16bit')) return 'caution';
  return rules.some((r) => r.startsWith('line.share')) ? 'shared with care' : 'fine';
}

const catalogueCard = (id: string): Part => parts.get(id) ?? fail(id);

export const questions: Record<string, (asked: string) => string> = {
  /** `xt; irq 5 + irq 5` */
  lines: linesOf,
  /** `isa16 in isa8`, `isa8 skirt in isa16`, `isa16 250 mm in isa16 230 mm` */
  seat: (asked) => {
    const [, a, rest, b, room] =
      /^(\S+)((?: skirt| \d+ mm| untried| works| never)*) in (\S+)(?: (\d+) mm)?$/.exec(asked) ?? fail(asked);
    const length = /(\d+) mm/.exec(rest)?.[1];
    const part = {
      card: {
        bus: SlotBus.parse(a),
        fallback8: rest.includes('works') ? 'yes' : rest.includes('never') ? 'no' : 'untried',
        ...(rest.includes('skirt') ? { skirt: true } : {}),
        ...(length ? { lengthMm: Number(length) } : {})
      }
    } as Part;
    const slot = { id: '1', bus: SlotBus.parse(b), ...(room ? { lengthMm: Number(room) } : {}) };
    return obstacle(part, slot) ? 'no' : narrowed(part, slot) === 'untried' ? 'untried' : 'yes';
  },
  /** `lba 4000/16/63` → cylinders/heads/sectors of INT 13h */
  translate: (asked) => {
    const [kind, geometry] = words(asked);
    const { geometry: g } = translate(chs(geometry), kind as Translation);
    return `${g.cylinders}/${g.heads}/${g.sectors}`;
  },
  /** `1024/16/63` → sectors */
  sectors: (asked) => String(sectorsOf(chs(asked))),
  /** `none 2100/16/63 dos 6.22` → nearest barrier */
  barrier: (asked) => {
    const [kind, geometry, , dos] = words(asked);
    const found = barriers({
      physical: chs(geometry),
      translation: kind as Translation,
      dos: dos ? Number(dos) : null
    });
    return found[0]?.id ?? 'none';
  },
  /** `511 MiB dos 6.22` → kind and cluster */
  fat: (asked) => {
    const [mib, , , dos] = words(asked);
    try {
      const plan = fatPlan(Number(mib) * 2048, Number(dos));
      return `${plan.kind} ${plan.clusterBytes / 1024}K`;
    } catch {
      return 'impossible';
    }
  },
  /** `dos 3.3` → sectors of its largest partition */
  'largest partition': (asked) => String(largestPartition(Number(words(asked)[1]))),
  /** `type 2` → cylinders/heads/sectors of the AT table */
  'drive type': (asked) => {
    const t = driveTypes.find((d) => d.type === Number(asked)) ?? fail(asked);
    return `${t.cylinders}/${t.heads}/${t.sectors}`;
  },
  /** `0B` → what the partition type is called */
  'partition type': (asked) => (hexOf(asked) in partitionTypes ? partitionTypeName(hexOf(asked)) : 'unknown'),
  /** `3600 rpm 17 sectors 1` → bytes a second */
  interleave: (asked) => {
    const [rpm, , sectors, , step] = words(asked);
    return String(Math.round(interleaveRate(Number(rpm), Number(sectors), Number(step))));
  },
  /** `1440` or `720 in 1200` → kbit/s */
  'floppy rate': (asked) => {
    const [kib, , drive] = words(asked).map(Number);
    return String(floppyRate(kib, Number.isNaN(drive) || drive === undefined ? kib : drive));
  },
  'floppy dos': (asked) => String(floppyDos(Number(asked))),
  /** `1200 writes 360`, `1440 reads 720` */
  floppy: (asked) => {
    const [drive, verb, kib] = words(asked);
    const media = mediaOf(Number(drive));
    return (verb === 'reads' ? media.reads : media.writes).includes(Number(kib)) ? 'yes' : 'no';
  },
  /** `bios 1200 drive 1440` */
  'bios takes': (asked) => {
    const [, bios, , drive] = words(asked);
    return biosTakes(Number(bios), Number(drive));
  },
  /** `floppy-twist behind second` → letter */
  'floppy letter': (asked) => {
    const [ribbon, place, select] = words(asked);
    return floppyLetter(ribbon as Ribbon, place === 'behind', select as Select) ?? 'none';
  },
  'disk number': (asked) => {
    const [ribbon, place, select] = words(asked);
    return String(diskNumber(ribbon as Ribbon, place === 'behind', select as Select) ?? 'none');
  },
  /** `4096 KiB remap no shadow 384` → KiB that POST counts */
  'memory count': (asked) => {
    const [total, , , remap, , shadow] = words(asked);
    return String(shownMemory(Number(total), { remap: remap as 'yes', shadowKiB: Number(shadow) }).count);
  },
  /** `simm72x2 dimm168x1: - 32M` → what stands against it: banks by form and sockets, and what fills each */
  'banks filled': (asked) => {
    const [sockets, fills] = asked.split(':').map(words);
    const forms = sockets.map((text) => text.split('x'));
    const modules = fills.map((text, i) => ({
      id: `module-${i}`,
      kind: 'memory',
      maker: 'test',
      name: `Module ${i}`,
      module: {
        form: forms[i][0] as 'simm72',
        kib: parseInt(text, 10) * 1024 || 1024,
        ns: 60,
        type: forms[i][0] === 'dimm168' ? ('sdram' as const) : ('fpm' as const)
      }
    }));
    const memory = {
      banks: forms.map(([form, count], i) => ({
        id: String(i),
        forms: [form as 'simm72'],
        sockets: Number(count)
      })),
      maxKiB: 1_048_576,
      ns: 70,
      types: ['fpm' as const, 'sdram' as const]
    };
    const own = [board('at', ['isa16'], { board: { class: 'at', slots: [], memory } }), ...modules].map((p) =>
      Part.parse(p)
    );
    const build = Build.parse({
      id: 'banks',
      name: 'Banks',
      board: { id: 'board', part: 'mainboard' },
      items: fills.flatMap((text, i) =>
        text === '-'
          ? []
          : [{ id: `m${i}`, part: `module-${i}`, place: String(i), count: Number(forms[i][1]) }]
      )
    });
    const rules = check(build, partSet(own)).map((f) => f.rule);
    if (rules.includes('memory.apart')) return 'kept apart';
    return rules.includes('memory.first') ? 'first bank empty' : 'fine';
  },
  /** `286 12 MHz 100 ns` */
  'wait states': (asked) => {
    const [cpu, mhz, , ns] = words(asked);
    return String(waitStates(CpuFamily.parse(cpu), Number(mhz), Number(ns)).needed ?? 'by its table');
  },
  /** `8088 4.77` → MHz on the oscillator */
  oscillator: (asked) => {
    const [cpu, mhz] = words(asked);
    return String(Math.round(oscillatorFor(CpuFamily.parse(cpu), Number(mhz)).mhz * 100) / 100);
  },
  /** `286 40` → MHz of the bus of a board that has this oscillator in its socket */
  'oscillator exchanged': (asked) => {
    const [cpu, mhz] = words(asked);
    const plain = Part.parse(board('at', ['isa16']));
    if (!hasFacts(plain, 'board')) return 'no board';
    const clocked = withOscillator(plain, Number(mhz), cpu === 'unknown' ? null : CpuFamily.parse(cpu));
    const { value } = readOffered(
      clocked.board.busClock,
      () => undefined,
      () => false
    );
    return String(value ?? 'unknown');
  },
  /** `387dx with 386dx` */
  fpu: (asked) => {
    const [fpu, , cpu] = words(asked);
    return fpuSuits(fpu as '287', CpuFamily.parse(cpu)) ? 'yes' : 'no';
  },
  /** `386dx runs 286` */
  runs: (asked) => {
    const [cpu, , code] = words(asked);
    return runs(CpuFamily.parse(cpu), CpuFamily.parse(code)) ? 'yes' : 'no';
  },
  /** `Windows 98 on 386dx 4096 KiB 120 MiB` → what it lacks */
  system: (asked) => {
    const [, name, cpu, kib, disk] = /^(.+) on (\S+) (\d+) KiB(?: (\d+) MiB)?$/.exec(asked) ?? fail(asked);
    const system = systemIn(name) ?? fail(name);
    const total = Number(kib);
    const lacks = systemLacks(system, {
      cpu: CpuFamily.parse(cpu),
      totalKiB: total,
      extendedKiB: Math.max(0, total - 1024),
      diskMiB: disk ? Number(disk) : null
    });
    return lacks.join(', ') || 'nothing';
  },
  /** `Windows 95` → DOS under it */
  'dos of': (asked) => String(systemOf(asked).dos ?? 'none'),
  /** `oddmere-e256 on glimmerby-e14: ega-350` → verdict */
  picture: (asked) => {
    const [, cardId, monitorId, mode] = /^(\S+) on (\S+): (\S+)$/.exec(asked) ?? fail(asked);
    const found = chain(catalogueCard(cardId).video!, catalogueCard(monitorId).monitor!).find(
      (c) => c.mode.id === mode
    );
    return found?.verdict ?? 'not sent';
  },
  /** `oddmere-e64 ega-350` → whether a card has a mode */
  mode: (asked) => {
    const [cardId, mode] = words(asked);
    return modesOf(catalogueCard(cardId).video!).some((m) => m.id === mode) ? 'yes' : 'no';
  },
  /** `640 x 480 x 8` → KiB */
  'video memory': (asked) => {
    const [w, h, bits] = asked.split('x').map(Number);
    return String(Math.ceil(displayKiB(w, h, bits)));
  },
  /**
   * `os.cpu of varnoc-d33 + ashgill-386dx-33 + brim-v16@2 monitor=mono for Windows 98`: how bad a machine of the
   * catalogue finds it. Settings of the board stand behind it, those of a part behind the part.
   */
  finding: (asked) => foundIn(asked)[0]?.severity ?? 'none',
  /** `may be used twice in line.irq of …`: whether what is said of it has these words. */
  said: (asked) => {
    const [, phrase, of] = /^(.+) in (\S+ of .+)$/.exec(asked) ?? fail(asked);
    const told = foundIn(of).map(tell);
    if (!told.length) fail(asked);
    return told.some((t) => `${t.title} ${t.sentence}`.includes(phrase)) ? 'yes' : 'no';
  },
  /** `544` → as printed */
  hex: (asked) => hex(Number(asked)),
  ...startKinds,
  ...bootKinds
};
