import { forbidden, type Finding, type Part } from '../model';
import { isOn, seatOf, type Fitted, type Machine } from '../resources';
import { isFixed } from '../solver';
import { finding, type Rule } from './rule';
import { capital } from './words';

/** A move to a free slot in which a card works. */
function freeSlot(m: Machine, part: Part, item: string): Finding['fixes'] {
  const slots = m.board.part.board!.slots;
  const free = slots.filter(
    (slot) =>
      seatOf(part, slot).misfit === null &&
      (slot.lengthMm ?? Infinity) >= (part.card?.lengthMm ?? 0) &&
      !m.fitted.some(
        (f) => f.slot && (f.slot.id === slot.id || (slot.bracket && f.slot.bracket === slot.bracket))
      )
  );
  return free.slice(0, 2).map((slot) => ({
    label: `Move to slot ${slot.label ?? slot.id}`,
    fix: { action: 'move-slot', item, slot: slot.id }
  }));
}

const slotKind: Rule = {
  id: 'slot.kind',
  why: 'A card works only in a slot that carries its bus.',
  find({ m, at }) {
    // A card that has everything switched off asks nothing of its slot.
    const inUse = (f: Fitted) =>
      f.part.functions.length === 0 || f.part.functions.some((fn) => isOn(f, fn, at));
    return m.fitted
      .filter((f) => f.misfit !== null && f.slot && inUse(f))
      .map((f) =>
        finding({
          rule: f.slot!.bus === 'isa8' ? 'slot.width' : 'slot.kind',
          severity: f.slot!.bus === 'memory-board' ? 'stop' : 'clash',
          subjects: [{ item: f.item.id, slot: f.slot!.id }],
          title: `${f.title} does not belong in slot ${f.slot!.id}`,
          sentence:
            f.slot!.bus === 'memory-board'
              ? `Do not power on: ${f.misfit}.`
              : `${f.title} will not work: ${f.misfit}.`,
          why: `${capital(f.misfit!)}.`,
          fixes: freeSlot(m, f.part, f.item.id)
        })
      );
  }
};

const slotUntried: Rule = {
  id: 'slot.width',
  why: 'Whether a 16-bit card works in an 8-bit slot is a fact of the model that has to be tried.',
  find({ m }) {
    return m.fitted
      .filter((f) => f.slot?.bus === 'isa8' && f.part.card?.bus === 'isa16' && f.part.card.fallback8 !== 'no')
      .map((f) => {
        const tried = f.part.card!.fallback8 === 'yes';
        return finding({
          rule: 'slot.width',
          severity: tried ? 'note' : 'caution',
          subjects: [{ item: f.item.id, slot: f.slot!.id }],
          title: `${f.title} sits in an 8-bit slot`,
          sentence: tried
            ? `${f.title} works there at 8 bits, without IRQ 10 and up and without DMA 0 and 5 to 7.`
            : `Nobody has tried ${f.title} in an 8-bit slot. It may not be found at all.`,
          why: slotUntried.why,
          fixes: []
        });
      });
  }
};

const slotTaken: Rule = {
  id: 'slot.taken',
  why: 'One slot holds one card, and two slots may share one bracket.',
  find({ m }) {
    const seated = m.fitted.filter((f) => f.slot);
    return seated.flatMap((a, i) =>
      seated.slice(i + 1).flatMap((b) => {
        const same = a.slot!.id === b.slot!.id;
        const bracket = !same && a.slot!.bracket !== undefined && a.slot!.bracket === b.slot!.bracket;
        if (!same && !bracket) return [];
        return [
          finding({
            rule: same ? 'slot.taken' : 'slot.shared',
            severity: 'clash',
            subjects: [
              { item: a.item.id, slot: a.slot!.id },
              { item: b.item.id, slot: b.slot!.id }
            ],
            title: same
              ? `Slot ${a.slot!.id} is taken twice`
              : `Slots ${a.slot!.id} and ${b.slot!.id} share a bracket`,
            sentence: `${a.title} and ${b.title} cannot both be seated. Move one of them.`,
            why: slotTaken.why,
            fixes: []
          })
        ];
      })
    );
  }
};

const unseated: Rule = {
  id: 'slot.none',
  why: 'A card that sits in no slot takes no lines.',
  find({ m, parts }) {
    return m.build.items
      .filter((item) => parts.get(item.part)?.card && !m.find(item.id))
      .map((item) =>
        finding({
          rule: 'slot.none',
          severity: 'caution',
          subjects: [{ item: item.id }],
          title: `${item.label ?? parts.get(item.part)!.name} is not seated`,
          sentence: 'It is left out of the check until it has a slot.',
          why: unseated.why,
          fixes: freeSlot(m, parts.get(item.part)!, item.id)
        })
      );
  }
};

const combination: Rule = {
  id: 'part.constraint',
  why: 'Some combinations of settings are not made to work.',
  find({ m, at }) {
    return m.fitted.flatMap((f) => {
      const chosen: Record<string, string> = {};
      for (const s of f.part.settings) {
        const position = at(f.item.id, s.id);
        if (position !== undefined) chosen[s.id] = position;
      }
      return f.part.constraints
        .filter((constraint) => forbidden({ ...f.part, constraints: [constraint] }, chosen))
        .map((constraint) => {
          const settings =
            'allow' in constraint
              ? constraint.allow.settings
              : 'forbid' in constraint
                ? Object.keys(constraint.forbid)
                : [];
          return finding({
            rule: hasDiskRom(f.part) ? 'disk.firmware-base' : 'part.constraint',
            severity: 'clash',
            subjects: settings.map((setting) => ({ item: f.item.id, setting })),
            title: `${f.title} does not allow this`,
            sentence: `${capital(constraint.why.replace(/\.$/, ''))}. The card will not be found as it is set.`,
            why: combination.why,
            fixes: []
          });
        });
    });
  }
};

/** A card of drives with a ROM: what it does not allow is a base that the ROM was not built for. */
const hasDiskRom = ({ functions }: Part): boolean =>
  functions.some((f) => f.speaks) && functions.some((f) => f.claims.some((c) => c.resource === 'memory'));

const notRecorded: Rule = {
  id: 'setting.unseen',
  why: 'A position that nobody looked at is taken to be the default.',
  find({ m }) {
    return m.fitted.flatMap((f) => {
      const physical = new Map(f.part.blocks.map((b) => [b.id, b.kind]));
      const unseen = f.part.settings.filter((s) => {
        const kind = s.block === undefined ? undefined : physical.get(s.block);
        const onCard = kind === 'header' || kind === 'dip' || kind === 'rotary' || kind === 'solder';
        const isSeen = s.id in f.item.asFound || s.id in f.item.chosen;
        return onCard && s.known && !isSeen && !isFixed(f, s);
      });
      if (!unseen.length) return [];
      return [
        finding({
          rule: 'setting.unseen',
          severity: 'note',
          subjects: unseen.map((s) => ({ item: f.item.id, setting: s.id })),
          title: `${f.title}: ${unseen.length} setting${unseen.length > 1 ? 's' : ''} not looked at`,
          sentence: `Taken to be at the default: ${unseen.map((s) => s.label).join(', ')}. Look before you trust a move.`,
          why: notRecorded.why,
          fixes: []
        })
      ];
    });
  }
};

const guessed: Rule = {
  id: 'evidence.guess',
  why: 'A setting whose meaning is a guess may do something else.',
  find({ m, at }) {
    return m.fitted.flatMap((f) =>
      f.part.settings
        .filter((s) => s.known && s.evidence?.length && s.evidence.every((e) => e.source === 'guess'))
        .filter((s) => at(f.item.id, s.id) !== s.default)
        .map((s) =>
          finding({
            rule: 'evidence.guess',
            severity: 'caution',
            subjects: [{ item: f.item.id, setting: s.id }],
            title: `${s.label} rests on a guess`,
            sentence: `${f.title}: what ${s.label} does was never confirmed. Try it alone, one change per start.`,
            why: guessed.why,
            fixes: []
          })
        )
    );
  }
};

export const fitRules: readonly Rule[] = [
  slotKind,
  slotTaken,
  slotUntried,
  unseated,
  combination,
  guessed,
  notRecorded
];
