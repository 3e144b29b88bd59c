import { there } from '../model';
import { startupLines } from '../moves';
import { isLookedAt, isOn, positionOf } from '../resources';
import { usualEnvironment } from './dos';
import type { Driver } from './drivers';
import type { Expectation } from './expect';
import { CODE_PAGE, countryOf } from './layouts';
import { paragraphRange } from './map';
import { wantsDoubleBuffer } from './managers';
import type { PlannedStart } from './plan';
import { tablesOf } from './tables';
import type { Wanted } from './wanted';
import { pathOf, placeOf, type LineWhy, type Writer, type WrittenLine } from './writer';

/** What has to be looked at before a driver's line can be written. */
const lookAt = (ex: Expectation, d: Driver): string =>
  (d.class === 'packet' ? ex.network[0]?.title : ex.optical[0]?.title) ?? d.file;

/** The line of one driver, where the plan puts it. */
function driverLine(w: Writer, start: PlannedStart, wanted: Wanted, region: number): WrittenLine {
  const { driver } = wanted;
  const { dos } = w.plan;
  const args = w.fill(driver.args);
  const why: LineWhy =
    args === null
      ? { kind: 'look', card: lookAt(w.ex, driver) }
      : {
          kind: 'driver',
          driver,
          because: wanted.because,
          region: dos >= 6 && start.manager.regions.length ? region : null,
          isMeasured: wanted.isMeasured
        };
  const rest = `${pathOf(w, driver)}${args ? ` ${args}` : ''}`;
  if (args === null) return { text: `REM ${pathOf(w, driver)} ${driver.args.replace(/\{\w+\}/g, '?')}`, why };
  const isHigh = region > 0;
  // With a load that somebody measured, DOS is told to ask for so much and no more.
  const least = wanted.exactLoad !== null ? `,${wanted.exactLoad} /S` : '';
  if (driver.where === 'config') {
    const word = !isHigh ? 'DEVICE=' : dos >= 6 ? `DEVICEHIGH /L:${region}${least} =` : 'DEVICEHIGH=';
    return { text: `${word}${rest}`, why };
  }
  const low = driver.high === 'self' && !isHigh && driver.class === 'cache' ? ' /L' : '';
  const word = !isHigh
    ? ''
    : dos < 6
      ? 'LH '
      : driver.high === 'self'
        ? `LH /L:0;${region} `
        : `LH /L:${region}${least} `;
  return { text: `${word}${rest}${low}`, why };
}

function managerLines(w: Writer, { manager }: PlannedStart): WrittenLine[] {
  const { plan, folders } = w;
  if (manager.kind === 'none') return [];
  const { a20 } = w.kit.build.boot ?? {};
  const handler = a20 === undefined ? '' : ` /MACHINE:${a20}`;
  const out: WrittenLine[] = [
    { text: `DEVICE=${placeOf(w, folders.dos, 'HIMEM.SYS')}${handler}`, why: { kind: 'xms' } }
  ];
  if (!manager.upper) return [...out, { text: 'DOS=HIGH', why: { kind: 'dos-high' } }];
  const exclude = manager.upper.exclude.map(paragraphRange);
  const include = manager.upper.include.map(paragraphRange);
  const most = Math.max(256, ...w.kit.build.brief.profiles.map((p) => p.wants?.memory?.expandedKiB ?? 0));
  const words =
    manager.kind === 'noems'
      ? ['NOEMS']
      : [
          // Version 5 takes its expanded memory out of XMS, by this number.
          ...(plan.dos < 6 ? [String(most)] : []),
          'RAM',
          ...(manager.upper.frame
            ? [`FRAME=${(manager.upper.frame.from / 16).toString(16).toUpperCase()}`]
            : [])
        ];
  const text = [
    `DEVICE=${placeOf(w, folders.dos, 'EMM386.EXE')}`,
    ...words,
    ...exclude.map((x) => `X=${x}`),
    ...include.map((i) => `I=${i}`)
  ].join(' ');
  const sound16 = w.ex.sound.find((card) => card.dma16)?.title ?? null;
  out.push({ text, why: { kind: 'manager', manager: manager.kind, exclude, include, sound16 } });
  const [card] = w.ex.masters;
  if (card && wantsDoubleBuffer(w.ex, plan.dos))
    out.push({
      text: `DEVICE=${placeOf(w, folders.dos, 'SMARTDRV.EXE')} /DOUBLE_BUFFER`,
      why: { kind: 'double-buffer', card }
    });
  return [...out, { text: 'DOS=HIGH,UMB', why: { kind: 'dos-umb' } }];
}

/** The expanded memory card's own driver, where the start takes expanded memory from it. */
const cardLines = (w: Writer, start: PlannedStart): WrittenLine[] =>
  start.card.map((driver) => ({
    text: `DEVICE=${pathOf(w, driver)}`,
    why: {
      kind: 'driver',
      driver,
      because: { kind: 'part', name: there(w.ex.emsCards[0]) },
      region: null,
      isMeasured: false
    }
  }));

/** What takes nothing once it has run, and has to know how the card is set: it comes behind the variables. */
const isAfterSets = ({ driver }: Wanted): boolean => driver.class === 'mixer';

/** The code page is prepared and chosen before the keyboard is told of it. */
function codePageLines(w: Writer, { driver }: Wanted): WrittenLine[] {
  const { kit, folders } = w;
  if (driver.class !== 'keyboard' || !kit.build.boot?.codePage) return [];
  return [
    // By its path: PATH is not set yet.
    `${folders.commands}MODE CON CODEPAGE PREPARE=((${CODE_PAGE})${placeOf(w, folders.commands, 'EGA.CPI')})`,
    `${folders.commands}MODE CON CODEPAGE SELECT=${CODE_PAGE}`
  ].map((text) => ({ text, why: { kind: 'code-page' } }));
}

/** Driver lines of one file, in the order of the plan. */
export const planned = (w: Writer, start: PlannedStart, where: 'config' | 'autoexec'): WrittenLine[] =>
  start.configuration.placement.order.flatMap(({ name, region }) => {
    const wanted = start.wanted.find((x) => x.driver.id === name);
    return wanted?.driver.where === where && !isAfterSets(wanted)
      ? [...codePageLines(w, wanted), driverLine(w, start, wanted, region)]
      : [];
  });

/** Programs that set a card anew at each start: it forgets them when it is switched off. */
const eachStart = (w: Writer): WrittenLine[] =>
  w.kit.m.fitted.flatMap((f) =>
    f.part.blocks.flatMap((block): WrittenLine[] => {
      if (block.kind !== 'software' || !block.eachStart) return [];
      const settings = f.part.settings.filter((s) => s.block === block.id);
      const words = settings.map((s) => {
        const position = s.positions.find((p) => p.id === positionOf(f.item, s));
        return position?.state && 'value' in position.state ? position.state.value : '?';
      });
      const isSeen = settings.every((s) => isLookedAt(f.item, s.id));
      const text = `${placeOf(w, w.folders.others, block.program)} ${words.join(' ')}`;
      return isSeen && !words.includes('?')
        ? [{ text, why: { kind: 'each-start', card: f.title } }]
        : [{ text: `REM ${text}`, why: { kind: 'look', card: f.title } }];
    })
  );

export const configBlock = (w: Writer, start: PlannedStart): WrittenLine[] => [
  ...managerLines(w, start),
  ...cardLines(w, start),
  ...planned(w, start, 'config')
];

/** SET lines that follow from cards, as far as somebody looked at the cards. */
function soundLines({ kit }: Writer): WrittenLine[] {
  return kit.m.fitted.flatMap((f) => {
    const one = { ...kit.m, fitted: [f] };
    return startupLines(one, kit.at)
      .filter((l) => l.where === 'AUTOEXEC.BAT')
      .map(({ text, assumed }): WrittenLine =>
        !assumed.length && !text.includes('?')
          ? { text, why: { kind: 'sound', card: f.title } }
          : { text: `REM ${text}`, why: { kind: 'look', card: f.title } }
      );
  });
}

/** What every start has at the end of AUTOEXEC.BAT. */
export function tail(w: Writer): WrittenLine[] {
  const { plan, folders, kit } = w;
  const path =
    plan.dos >= 7
      ? `${folders.drive}\\WINDOWS;${folders.drive}\\WINDOWS\\COMMAND`
      : folders.dos.replace(/\\$/, '') || folders.drive;
  const hasClock =
    kit.m.class === 'at' ||
    kit.m.fitted.some((f) => f.part.functions.some((fn) => fn.kind === 'clock' && isOn(f, fn, kit.at)));
  return [
    // With an AUTOEXEC.BAT DOS does not ask for date and time by itself.
    ...(hasClock
      ? []
      : [
          { text: 'DATE', why: { kind: 'date' } as const },
          { text: 'TIME', why: { kind: 'date' } as const }
        ]),
    ...soundLines(w),
    ...eachStart(w),
    ...plan.wanted.filter(isAfterSets).map((x): WrittenLine => ({
      text: pathOf(w, x.driver),
      why: { kind: 'driver', driver: x.driver, because: x.because, region: null, isMeasured: x.isMeasured }
    })),
    { text: `PATH ${path === 'A:' ? 'A:\\' : path}`, why: { kind: 'path' } },
    { text: 'PROMPT $P$G', why: { kind: 'prompt' } }
  ];
}

/** Lines that every start has in CONFIG.SYS. */
export function common(w: Writer, ends: readonly WrittenLine[]): WrittenLine[] {
  const { plan, kit, folders } = w;
  const { dos } = plan;
  const isHigh = plan.starts.some((s) => s.manager.kind !== 'none');
  const { files, buffers, lastDrive, stacks } = tablesOf(kit, dos, plan.wanted);
  const out: WrittenLine[] = [
    { text: `FILES=${files}`, why: { kind: 'files' } },
    { text: `BUFFERS=${buffers}`, why: { kind: 'buffers', isHigh } }
  ];
  if (lastDrive)
    out.push({
      text: `LASTDRIVE=${lastDrive.letter}`,
      why: { kind: 'lastdrive', isShared: lastDrive.isShared }
    });
  const { layout, codePage } = kit.build.boot ?? {};
  if (layout && dos >= 3) {
    const country = String(countryOf[layout]).padStart(3, '0');
    const rest =
      dos >= 3.3 ? `,${codePage ? CODE_PAGE : ''},${placeOf(w, folders.commands, 'COUNTRY.SYS')}` : '';
    out.push({ text: `COUNTRY=${country}${rest}`, why: { kind: 'country' } });
  }
  if (stacks) out.push({ text: `STACKS=${stacks.join()}`, why: { kind: 'stacks' } });
  const sets = ends.filter((l) => /^(SET|PATH|PROMPT)\b/.test(l.text));
  const needs = sets.reduce(
    (n, l) => n + l.text.replace(/^SET\s+/, '').length + 1,
    `COMSPEC=${folders.shell}COMMAND.COM`.length + 2
  );
  const usual = usualEnvironment(dos);
  const isTight = needs + 64 > usual;
  if (dos >= 3.2 && (isTight || folders.shell !== `${folders.drive}\\`)) {
    const room = isTight ? ` /E:${Math.ceil((needs + 128) / 16) * 16}` : '';
    out.push({
      text: `SHELL=${folders.shell}COMMAND.COM ${folders.shell}${room} /P`,
      why: { kind: 'shell', needs, usual, isTight }
    });
  }
  return out;
}
