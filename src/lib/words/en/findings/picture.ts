import { and, counted, sentence } from '../language';
import { the } from '../things';
import { ifUsual, type WordsOf } from './told';

const signalWhy = 'A monitor shows a signal when the plug, the kind of signal and both frequencies suit it.';

const switchWhy = 'A switch says which display to start with; the BIOS beeps when that one is not there.';

export const picture: WordsOf<
  | 'video.danger'
  | 'video.signal'
  | 'video.modes'
  | 'video.flat'
  | 'video.grey'
  | 'video.switch'
  | 'video.two'
  | 'video.second'
  | 'video.pass'
> = {
  'video.danger': ({ monitor, card, horizontal, ranges, unlooked }) => ({
    title: `${monitor.name} can be damaged`,
    sentence: `${
      unlooked
        ? `Do not connect it before you have looked at ${unlooked} of ${the(card)} and recorded it: the plug fits, and set for another monitor the card sends ${horizontal} kHz, where this one`
        : `Do not connect it: the plug fits, but ${the(card)} sends ${horizontal} kHz and the monitor`
    } is made for ${ranges.map((r) => `${r.low} to ${r.high}`).join(', ')} kHz only. Switch off at once if it whines or the picture rolls.`,
    why: 'All DE-9 plugs fit each other; a fixed-frequency monitor fed with other timing can be damaged within seconds.'
  }),
  'video.signal': (f) => ({
    title: f.card
      ? `${f.monitor.name} shows nothing from ${f.card.name}`
      : `Nothing drives ${f.monitor.name}`,
    sentence:
      f.why === 'no-card'
        ? f.waiting
          ? `${the(f.waiting)} is in no slot that takes it. Choose one for it; then whether they go together is checked.`
          : 'There is no video card in the machine.'
        : f.why === 'plug'
          ? `${the(f.card)} and the monitor have different plugs.`
          : `The plug fits, but none of the frequencies of ${the(f.card)} are in the monitor’s range.`,
    why: signalWhy
  }),
  'video.modes': ({ monitor, card, modes, fixed }) => ({
    title: `${counted('mode', 'modes')(modes.length)} of ${card.name} that ${monitor.name} cannot show`,
    sentence: `Do not choose ${modes.join(', ')}: the picture rolls or stays dark${fixed ? ', and a fixed-frequency monitor can be damaged' : ''}.`,
    why: signalWhy
  }),
  'video.flat': ({ monitor }) => ({
    title: `${monitor.name} may come up in grey`,
    sentence:
      'If colours are missing, the card found no identification pins: use its utility, or wire the pin.',
    why: 'A VGA card that finds no identification pins may start in monochrome.'
  }),
  'video.grey': ({ monitor }) => ({
    title: `${monitor.name} shows grey only`,
    sentence: `Everything works on ${the(monitor)}, in shades of grey: some programs are hard to read or to play without colour.`,
    why: 'A monochrome analogue monitor shows colours as grey values.'
  }),
  'video.switch': ({ set, card, is, harmless, complains, assumed, unlooked }) => {
    const kind = (k: string) =>
      k === 'mono' ? 'a monochrome card' : k === 'colour' ? 'a colour card' : 'a card with its own BIOS';
    const beeps = 'one long, two short beeps (eight short with another BIOS)';
    const dark = complains
      ? `expect a complaint about the display type, or a dark screen and ${beeps}`
      : `expect a dark screen and ${beeps}`;
    if (unlooked)
      return {
        title: assumed ? 'Display switch not looked at' : `Display switch set for ${kind(set)}`,
        sentence: `${the(card)} is usually ${kind(is)}, but nobody looked at ${unlooked} on it. Where the two differ, ${dark}.`,
        why: switchWhy
      };
    if (assumed)
      return {
        title: 'Display switch not looked at',
        sentence: `It should be set for ${kind(is)}, which ${the(card)} is. ${
          harmless ? 'Its BIOS takes over otherwise, but some setups complain.' : `Set otherwise, ${dark}.`
        }`,
        why: switchWhy
      };
    return {
      title: `Display switch set for ${kind(set)}`,
      sentence: harmless
        ? `The BIOS of ${the(card)} takes over; set the jumper anyway, since some setups complain.`
        : `${sentence(dark)} ${the(card)} is ${kind(is)}.`,
      why: switchWhy
    };
  },
  'video.two': ({ kind, cards, unlooked }) => ({
    title: `${unlooked.length ? 'Perhaps two' : 'Two'} ${kind === 'mono' ? 'monochrome' : 'colour'} displays`,
    sentence: `${and(cards.map(the))} answer at the same addresses. Keep one of them; a monochrome card beside a colour card is fine.${ifUsual(unlooked)}`,
    why: 'One monochrome and one colour display can be used together; two of the same kind cannot.'
  }),
  'video.second': ({ cards, driven, unlooked }) => ({
    title: `${unlooked.length ? 'Perhaps two' : 'Two'} displays, ${driven ? 'driven by Windows 98' : 'one of them dark'}`,
    sentence: `${
      driven
        ? `Before Windows starts only one of ${and(cards.map(the))} shows a picture: the one the BIOS finds first. DOS programs use that one only.`
        : `Only one of ${and(cards.map(the))} shows a picture: the one the BIOS finds first. DOS and Windows before 98 use that one only.`
    }${ifUsual(unlooked)}`,
    why: 'The BIOS switches the VGA ranges on for one PCI or AGP display, so two do not meet; Windows 98 can drive both.'
  }),
  'video.pass': ({ card }) => ({
    title: `${card.name} needs another video card`,
    sentence: `${the(card)} passes the picture of a VGA card through; alone the screen stays dark.`,
    why: 'A 3D-only card shows nothing by itself.'
  })
};
