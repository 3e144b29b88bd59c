import type { Ability, FunctionKind, Picture, Profile, Wants } from '../model';
import { families, runs } from '../boards';
import { pictureKiB } from '../video';
import type { Offer } from './offer';

/** The part of a machine that a want is about: what a planner decides at one time. */
export type Area = 'cpu' | 'memory' | 'display' | 'audio' | 'storage' | 'ports' | 'system';

export interface Unmet {
  rule: string;
  area: Area;
  /** It will not run, or only not as meant. */
  hard: boolean;
  sentence: string;
}

interface Test {
  rule: string;
  area: Area;
  /** A sentence, hard or soft, when the want is not met; nothing when it is or when nobody entered it yet. */
  find(wants: Wants, offer: Offer): { sentence: string; hard: boolean } | null;
}

const hard = (sentence: string) => ({ sentence, hard: true });
const soft = (sentence: string) => ({ sentence, hard: false });
const abilityName: Record<Ability, string> = {
  fm: 'FM music',
  'stereo-fm': 'stereo FM',
  digital8: '8-bit digital sound',
  digital16: '16-bit digital sound',
  codec: 'codec sound',
  'midi-port': 'a MIDI interface',
  wavetable: 'a wavetable',
  'cd-audio': 'CD audio',
  speech: 'speech',
  tones: 'the three-voice card'
};
const list = (words: readonly string[]) => words.join(' or ');

const standIns: Partial<Record<FunctionKind, readonly FunctionKind[]>> = {
  mouse: ['mouse', 'serial'],
  modem: ['modem', 'serial']
};
/** Functions that serve for one that a program names: a mouse or a modem also hangs on a serial port. */
export const serving = (named: FunctionKind): readonly FunctionKind[] => standIns[named] ?? [named];

/** The pictures that a program offers, when none of them can be shown. */
const lacked = (display: Wants['display'], offer: Offer): readonly Picture[] | null =>
  display?.length && offer.pictures && !display.some((p) => offer.pictures!.has(p)) ? display : null;

/** What a program can ask, one entry each. */
const tests: readonly Test[] = [
  {
    rule: 'software.cpu',
    area: 'cpu',
    find: ({ cpu }, offer) =>
      cpu && offer.cpu && !runs(offer.cpu, cpu)
        ? hard(`It is written for a ${cpu} or later, and this is a ${offer.cpu}: it stops at once or hangs.`)
        : null
  },
  {
    rule: 'software.slow',
    area: 'cpu',
    find: ({ speed }, offer) =>
      speed?.from !== undefined && offer.speed !== null && offer.speed < speed.from
        ? offer.speed < speed.from * 0.6
          ? hard(`Too slow: speed index ${offer.speed}, it wants ${speed.from} or more.`)
          : soft(`It will crawl: speed index ${offer.speed}, it wants ${speed.from} or more.`)
        : null
  },
  {
    rule: 'software.fast',
    area: 'cpu',
    find: ({ speed }, offer) =>
      speed?.to !== undefined && offer.speed !== null && offer.speed > speed.to
        ? offer.speed > speed.to * 2
          ? hard(`Too fast to play: speed index ${offer.speed}, made for at most ${speed.to}.`)
          : soft(`It will run too fast: speed index ${offer.speed}, made for at most ${speed.to}.`)
        : null
  },
  {
    rule: 'software.fpu',
    area: 'cpu',
    find: ({ fpu }, offer) =>
      fpu && offer.cpu && !offer.fpu
        ? fpu === 'needed'
          ? hard('It refuses to start without a floating-point unit.')
          : soft('It calculates slowly without a floating-point unit.')
        : null
  },
  {
    rule: 'software.base',
    area: 'memory',
    find: ({ memory }, offer) =>
      memory?.baseKiB !== undefined && offer.memory && offer.memory.base < memory.baseKiB
        ? hard(
            `It wants ${memory.baseKiB} KiB free below 640; about ${offer.memory.base} KiB will be, an estimate before drivers.`
          )
        : null
  },
  {
    rule: 'software.extended',
    area: 'memory',
    find: ({ memory }, offer) =>
      memory?.extendedKiB !== undefined && offer.memory && offer.memory.extended < memory.extendedKiB
        ? hard(
            `It wants ${memory.extendedKiB} KiB above 1 MiB, and ${offer.memory.extended} KiB will be there after what the ROM copies take.`
          )
        : null
  },
  {
    rule: 'software.expanded',
    area: 'memory',
    find: ({ memory }, offer) => {
      if (memory?.expandedKiB === undefined || !offer.memory) return null;
      const isDriver = offer.cpu !== null && families[offer.cpu].rank >= 2;
      const spare = isDriver ? offer.memory.expanded - (memory.extendedKiB ?? 0) : offer.memory.expanded;
      return spare >= memory.expandedKiB
        ? null
        : hard(
            `It wants ${memory.expandedKiB} KiB of expanded memory, and there are ${Math.max(0, spare)}: an EMS board, or on a 386 more memory and a driver.`
          );
    }
  },
  {
    rule: 'video.memory',
    area: 'display',
    find: ({ display }, offer) => {
      const [roomy] = lacked(display, offer)?.filter((p) => offer.roomier?.().has(p)) ?? [];
      const kib = roomy && pictureKiB(roomy);
      return kib
        ? hard(
            `It shows ${roomy}, which takes ${kib} KiB of video memory, and the card has ${offer.videoKiB} KiB.`
          )
        : null;
    }
  },
  {
    rule: 'software.display',
    area: 'display',
    find: ({ display }, offer) => {
      const missing = lacked(display, offer);
      return missing && !missing.some((p) => pictureKiB(p) && offer.roomier?.().has(p))
        ? hard(`It shows ${list(missing)}, and this card and monitor show none of it.`)
        : null;
    }
  },
  {
    rule: 'software.audio',
    area: 'audio',
    find: ({ audio, audioNeeded }, offer) =>
      audio?.length && !audio.some((a) => offer.abilities.has(a))
        ? (audioNeeded ? hard : soft)(
            `It knows ${list(audio.map((a) => abilityName[a]))}, and there is none.`
          )
        : null
  },
  {
    rule: 'software.disk',
    area: 'storage',
    find: ({ diskMiB }, offer) =>
      diskMiB !== undefined && (offer.diskMiB ?? 0) < diskMiB
        ? hard(
            offer.diskMiB === null
              ? `It wants ${diskMiB} MiB of hard disk, and there is none.`
              : `It wants ${diskMiB} MiB of disk, and the largest has ${offer.diskMiB}.`
          )
        : null
  },
  {
    rule: 'software.cdrom',
    area: 'storage',
    find: ({ cdrom }, offer) =>
      cdrom && !offer.cdrom ? hard('It comes on a CD-ROM, and there is no drive.') : null
  },
  {
    rule: 'software.floppy',
    area: 'storage',
    find: ({ floppyKiB }, offer) =>
      floppyKiB !== undefined && offer.floppies.length > 0 && !offer.floppies.includes(floppyKiB)
        ? soft(`It comes on floppies of ${floppyKiB} KiB, which these drives do not read.`)
        : null
  },
  {
    rule: 'software.ports',
    area: 'ports',
    find: ({ functions }, offer) => {
      const missing = (functions ?? []).filter((f) => !serving(f).some((g) => offer.functions.has(g)));
      return missing.length
        ? (missing.every((f) => f === 'game' || f === 'parallel' || f === 'mouse') ? soft : hard)(
            `It uses ${missing.join(', ')}, and there is none.`
          )
        : null;
    }
  },
  {
    rule: 'software.dos',
    area: 'system',
    find: ({ dos }, offer) =>
      dos !== undefined && offer.dos !== null && offer.dos < dos
        ? hard(`It wants DOS ${dos} or later, and the brief says DOS ${offer.dos}.`)
        : null
  },
  {
    rule: 'software.windows',
    area: 'system',
    find: ({ windows }, offer) =>
      windows !== undefined && offer.dos !== null && (offer.windows ?? 0) < windows
        ? hard(`It wants Windows ${windows >= 4 ? '95 or later' : windows}, and the brief has none such.`)
        : null
  }
];

/** What a machine lacks for a program, hard ones first. Empty: it runs as meant. */
export function unmet(profile: Profile, offer: Offer, areas?: readonly Area[]): Unmet[] {
  const wants = profile.wants ?? {};
  return tests
    .filter((t) => !areas || areas.includes(t.area))
    .flatMap((t) => {
      const found = t.find(wants, offer);
      return found ? [{ rule: t.rule, area: t.area, ...found }] : [];
    })
    .sort((a, b) => Number(b.hard) - Number(a.hard));
}

/** Whether a program runs on what is offered. */
export const isMet = (profile: Profile, offer: Offer): boolean => unmet(profile, offer).every((u) => !u.hard);
