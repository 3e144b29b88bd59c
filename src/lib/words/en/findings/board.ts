import { capital, or, and } from '../language';
import { consequenceOf, reasonsOf, wantedWords } from '../settings';
import { the } from '../things';
import type { WordsOf } from './told';

const upper = (ids: readonly string[]): string[] => ids.map((id) => id.toUpperCase());

export const board: WordsOf<
  | 'keyboard.protocol'
  | 'keyboard.switch'
  | 'keyboard.plug'
  | 'battery.leak'
  | 'clock.century'
  | 'pnp.nobios'
  | 'switch'
> = {
  'keyboard.protocol': ({ keyboard, has, board: needs }) => ({
    title: `${keyboard.name} is ${and(upper(has))} only`,
    sentence: `The board needs ${or(upper(needs))}: no key works, or the machine stops at POST with a keyboard error.`,
    why: 'XT and AT keyboards have the same plug and different protocols.'
  }),
  'keyboard.switch': ({ keyboard, protocol }) => ({
    title: `${keyboard.name} has an XT/AT switch`,
    sentence: `Set it to ${protocol.toUpperCase()} before you plug it in. It is usually on the underside.`,
    why: 'XT and AT keyboards have the same plug and different protocols.'
  }),
  'keyboard.plug': ({ keyboard, board: plug }) => ({
    title: `${keyboard.name} has the other plug`,
    sentence: `The board has ${plug === 'din5' ? 'the large 5-pin DIN socket' : 'the small 6-pin mini-DIN socket'}: you need an adapter.`,
    why: 'DIN and mini-DIN keyboard plugs carry the same signals.'
  }),
  'battery.leak': ({ board: it }) => ({
    title: 'A barrel battery is on the board',
    sentence: `Take it off ${the(it)} before the next start; if it looks clean and reads 2.5 V or more, photograph the setup pages first. Clean with white vinegar, then water and alcohol, with gloves and goggles. A pack on the battery header, where there is one, keeps clock and setup: mind its voltage and polarity, and never a lithium or alkaline one where the board charges it, since that can burst.`,
    why: 'Barrel batteries leak and eat the traces of the board.'
  }),
  'clock.century': ({ board: it, year }) => ({
    title: 'The clock may lose the century',
    sentence: `The BIOS of ${the(it)} is from ${year}: from 2000 on many such machines come up with 1980 or 1900 after each power-on. Set the date with DATE once and see whether it stays; a small driver cures it.`,
    why: 'The clock chip counts two digits of the year; the BIOS keeps the century.'
  }),
  'pnp.nobios': ({ card, bios }) => ({
    title: `${card.name} waits for a configuration program`,
    sentence: `${bios} does not configure plug-and-play cards: a configuration program must run in AUTOEXEC.BAT before anything can use ${the(card)}.`,
    why: 'A plug-and-play card does not answer until something configures it.'
  }),
  switch: ({ fact, setting, position, consequence, required, because, canSay }) => {
    const [left, wanted] = [consequenceOf(consequence), wantedWords(fact, required)];
    return {
      title: `${setting} is set to ${position}`,
      sentence: canSay
        ? `${left} It should be set for ${wanted}: ${reasonsOf(because.slice(0, 1))}.`
        : `${left} No position stands for ${wanted}.`,
      why: `A switch says what is in the machine; set wrong, the board believes the switch. ${capital(reasonsOf(because))}.`
    };
  }
};
