import type { TriedHere } from '../../../core/resources';
import type { FactsOf } from '../../../core/rules';
import { capital, counted, sentence } from '../language';
import { obstacleWords } from '../reach';
import { the } from '../things';
import type { WordsOf } from './told';

const settings = counted('setting', 'settings');

/** What tries of a card in this slot say, and against what the catalogue says of its kind. */
function widthWords({ card, state, claim, same, other }: FactsOf['slot.width']): string {
  const narrow = 'as an 8-bit card, without IRQ 10 and up and without DMA 0 and 5 to 7';
  const on = (tried: TriedHere) => (tried.last ? `, last on ${tried.last}` : '');
  const elsewhere =
    other.works + other.not && !(same.works + same.not)
      ? ` In this slot it was tried at another clock, or at one that nobody wrote down: works ${other.works}, does not ${other.not}${on(other)}.`
      : '';
  if (same.works && same.not)
    return `${the(card)} was tried in this slot at this clock: works ${same.works}, does not ${same.not}${on(same)}. Something else decides it: another setting, another card, heat.`;
  if (same.works)
    return `${the(card)} was seen to work in this slot at this clock${on(same)}: ${narrow}.${claim === 'no' ? ' The catalogue says that such cards do not; what was tried counts.' : ''}`;
  if (same.not)
    return `${the(card)} was tried in this slot at this clock and did not work${on(same)}.${claim === 'yes' ? ' The catalogue says that such cards do; what was tried counts.' : ''}`;
  if (state === 'works') return `${the(card)} works there ${narrow}.${elsewhere}`;
  if (state === 'cannot')
    return `${the(card)} will not work there: it is a 16-bit card that does not work in an 8-bit slot.${elsewhere}`;
  return elsewhere
    ? `${the(card)} may work there, and only ${narrow}.${elsewhere}`
    : `Nobody has tried ${the(card)} in an 8-bit slot. It may not be found at all.`;
}

/** Where it is read how settings stand that are not set by hand. */
const readAt: Record<FactsOf['setting.unread']['where'], string> = {
  setup: 'the setup of the board says how they stand',
  program: "the card's own setup program says how they stand",
  pnp: 'the configuration program, or the list that the BIOS shows at the start, says how they stand',
  start: 'the list of PCI devices that the BIOS shows at the start says how they stand',
  rom: 'the label of the ROM says what it was built for',
  bay: 'look into the bay',
  open: 'nobody has noted where it is seen: look at the part and in its papers'
};

export const seats: WordsOf<
  | 'slot.kind'
  | 'slot.width'
  | 'slot.untried'
  | 'slot.taken'
  | 'slot.shared'
  | 'slot.none'
  | 'board.second'
  | 'slot.length'
  | 'slot.skirt'
  | 'part.constraint'
  | 'disk.firmware-base'
  | 'setting.unseen'
  | 'setting.unread'
  | 'setting.unknown'
  | 'evidence.guess'
  | 'evidence.conflict'
> = {
  'slot.kind': ({ card, slot, why, isOut }) => ({
    title: `${card.name} does not belong in slot ${slot}`,
    sentence:
      why.why === 'memory-board'
        ? `Do not power on: ${obstacleWords(why)}.`
        : `${the(card)} will not work there: ${obstacleWords(why)}.${isOut ? ' Its lines are not checked until it has a slot that takes it.' : ''}`,
    why: sentence(obstacleWords(why))
  }),
  'slot.width': (f) => ({
    title:
      f.state === 'cannot'
        ? `${f.card.name} ${f.same.not ? 'did not work' : 'does not belong'} in slot ${f.slot}`
        : `${f.card.name} is in an 8-bit slot`,
    sentence: widthWords(f),
    why: 'Whether a 16-bit card works in an 8-bit slot depends on the card and has to be tried.'
  }),
  'slot.untried': ({ card, slot, why }) =>
    why === 'select'
      ? {
          title: `${card.name} may not be found in slot ${slot}`,
          sentence: `This slot hears only cards that drive the card-selected line. Nobody has tried ${the(card)} in it: use another slot, or test it there alone.`,
          why: 'The short slot next to the supply of the first eight-slot XT boards sits behind a buffer of its own, which the card has to open.'
        }
      : {
          title: `${card.name} is a bus master in slot ${slot}`,
          sentence: `Nobody has written down which local-bus slots of this board let a card take the bus over. If ${the(card)} is not found or hangs, try it in another one.`,
          why: 'Often only one or two of the local-bus slots allow bus masters.'
        },
  'slot.taken': ({ a, b, slot }) => ({
    title: `Slot ${slot} holds two cards`,
    sentence: `${the(a)} and ${the(b)} cannot both be in it. Move one of them.`,
    why: 'One slot holds one card.'
  }),
  'slot.shared': ({ a, b, slotA, slotB, why }) => ({
    title:
      why === 'bracket'
        ? `Slots ${slotA} and ${slotB} share a bracket`
        : `A card of type III fills slots ${slotA} and ${slotB}`,
    sentence: `${the(a)} and ${the(b)} cannot both be fitted. Move one of them.`,
    why:
      why === 'bracket'
        ? 'Two slots that share one opening in the case hold one card between them.'
        : 'A PC card of type III is 10.5 mm thick: it takes the room of two.'
  }),
  'slot.none': ({ card, free }) => ({
    title: `${card.name} is in no slot`,
    sentence: free
      ? `${the(card)} is left out of the check until it has a slot.`
      : `No free slot takes ${the(card)}. It is left out of the check; take another card out, or leave this one out.`,
    why: 'A card that is in no slot uses nothing, so nothing about it is checked.'
  }),
  'board.second': ({ board }) => ({
    title: `${board.name} is a second system board`,
    sentence: `${the(board)} is left out of the check. Take it out of the build, or make a build of its own with it.`,
    why: 'A machine has one system board.'
  }),
  'slot.length': ({ card, slot, cardMm, roomMm, by }) => ({
    title: by === 'cage' ? `${card.name} does not fit the case` : `${card.name} is too long for slot ${slot}`,
    sentence:
      by === 'cage'
        ? `${the(card)} is ${cardMm} mm long, and the drive cage leaves ${roomMm} mm.`
        : `${the(card)} is ${cardMm} mm long, and something on the board is in the way after ${roomMm} mm.`,
    why: 'A card must end before the cooler, the memory modules and the drive cage.'
  }),
  'slot.skirt': ({ card }) => ({
    title: `${card.name} does not go down into the slot`,
    sentence: `The lower edge of ${the(card)} hits the 16-bit part of the slot, so the card cannot be pushed home. Use an 8-bit slot.`,
    why: 'Some 8-bit cards reach down where a 16-bit slot has its second connector.'
  }),
  'part.constraint': ({ card, why }) => ({
    title: `${card.name} does not allow this combination`,
    sentence: `${sentence(why)} As it is set it will not work, or only in part.`,
    why: 'Some combinations of settings do not work.'
  }),
  'disk.firmware-base': ({ card, why }) => ({
    title: `${card.name} does not allow this combination`,
    sentence: `${sentence(why)} The card will not be found as it is set.`,
    why: 'A disk ROM looks for its controller only at the ports it was built for.'
  }),
  'setting.unseen': ({ part, settings: names }) => ({
    title: `${part.name}: ${settings(names.length)} not looked at`,
    sentence: `Assumed to be at the default: ${names.join(', ')}. Look before you rely on it.`,
    why: 'A position that nobody looked at is assumed to be the default.'
  }),
  'setting.unread': ({ part, settings: names, where }) => ({
    title: `${part.name}: ${settings(names.length)} not read`,
    sentence: `Taken to stand as usual: ${names.join(', ')}. ${capital(readAt[where])}; record it as found before you rely on it.`,
    why: 'What a program or the BIOS has set cannot be seen on the card. Until somebody has read it, where it stands is an assumption.'
  }),
  'setting.unknown': ({ part, setting, decides }) => ({
    title: `${setting} of ${part.name} is unknown`,
    sentence: decides.length
      ? `It decides where ${decides.join(', ')} ends up. Record how it is set, and test it before you trust the lines shown here.`
      : 'It may switch something on or move it. Record how it is set, and leave it there.',
    why: 'Nobody knows what this setting does, so it is never moved and nothing that depends on it is certain.'
  }),
  'evidence.guess': ({ part, setting }) => ({
    title: `${setting} is a guess`,
    sentence: `What ${setting} of ${the(part)} does was never confirmed. Test it alone, one change per power-on.`,
    why: 'A setting whose meaning is a guess may do something else.'
  }),
  'evidence.conflict': ({ what, sources }) => {
    const name =
      'setting' in what
        ? [what.setting, what.position].filter(Boolean).join(', ')
        : `the ${what.resource} of ${what.function}`;
    return {
      title: `Sources disagree about ${name}`,
      sentence: `${sources.map((s) => `${s.source}: ${s.says}`).join('; ')}. Test the safer one first, and mark the one that proved right.`,
      why: 'Where two sources disagree both are kept until a test has settled it.'
    };
  }
};
