import { byId } from '../model';
import type { Kit } from '../kit';
import type { Build, Item, PartSet } from '../model';
import { checked, type Finding } from '../rules';
import { notLookedAt, withSettings } from '../settings';
import type { Effect } from './effect';
import type { Era } from './families';
import type { FaultMode } from './modes';
import { shownBy } from './shown';

/** Chance that earlier hands left at least one setting wrong. An estimate. */
const CHANGED = 0.15;
/** More settings than this are not tried: those of the board come first. */
const MOST_SETTINGS = 60;
const MOST_POSITIONS = 8;
/** Each try is a check of the whole build; a list of builds waits for them. */
const MOST_TRIES = 80;

/** A build with all that is only planned taken out: what was seen of it, and else what is usual. */
export function asItStands(build: Build): Build {
  const plain = (item: Item): Item => ({ ...item, chosen: {} });
  return { ...build, board: plain(build.board), items: build.items.map(plain) };
}

function withFound(build: Build, id: string, setting: string, position: string): Build {
  const at = (item: Item): Item =>
    item.id === id ? { ...item, asFound: { ...item.asFound, [setting]: position } } : item;
  return { ...build, board: at(build.board), items: build.items.map(at) };
}

/** A stop says more than a message, and an early one more than a late one. */
const weight = ({ stops, says, dark }: Effect): number => stops + (says ? 0.1 : 0) + (dark ? 0.5 : 0);

/**
 * Settings that nobody looked at, by what a start would show if they stood elsewhere than assumed. What shows only
 * when drivers are loaded is left out, and so is what the start hands out anew each time. Each position is tried on the
 * checks of the whole build.
 * @param build as it stands; @param known its findings as they are
 */
export function unseenModes(
  build: Build,
  parts: PartSet,
  kit: Kit,
  era: Era,
  known: readonly Finding[]
): FaultMode[] {
  const there = new Set(known.map((f) => f.id));
  const open = withSettings(kit)
    .flatMap(({ item, fitted }) =>
      [...notLookedAt(kit.m, fitted)]
        .filter(([where]) => where !== 'pnp' && where !== 'start')
        .flatMap(([, settings]) => settings.map((setting) => ({ item: item.id, setting })))
    )
    .slice(0, MOST_SETTINGS);
  const each = CHANGED / Math.max(1, open.length);
  let tries = 0;
  return open.flatMap(({ item, setting }): FaultMode[] => {
    const assumed = kit.at(item, setting.id);
    const others = setting.positions.filter((p) => p.id !== assumed).slice(0, MOST_POSITIONS);
    if ((tries += others.length) > MOST_TRIES) return [];
    const byStage = new Map<string, { n: number; position: string; finding: Finding; effect: Effect }>();
    for (const { id } of others) {
      const now = checked(withFound(build, item, setting.id, id), parts).findings;
      const worst = now
        .filter((f) => !there.has(f.id))
        .flatMap((finding) => {
          const effect = shownBy(finding, kit, era);
          return typeof effect === 'string' || effect.at === 'config' ? [] : [{ finding, effect }];
        })
        .sort((a, b) => weight(b.effect) - weight(a.effect))[0];
      if (!worst || weight(worst.effect) === 0) continue;
      const old = byStage.get(worst.effect.at);
      if (old) old.n++;
      else byStage.set(worst.effect.at, { n: 1, position: id, ...worst });
    }
    return [...byStage].map(([stage, { n, position, finding, effect }]): FaultMode => ({
      id: `setting ${item} ${setting.id} ${stage}`,
      way: 'setting',
      component: `setting ${item} ${setting.id}`,
      item,
      finding,
      unseen: {
        item,
        setting: setting.id,
        position,
        label: setting.label,
        positionLabel: byId(setting.positions, position).label
      },
      prior: (each * n) / others.length,
      effect,
      cure: 'setting'
    }));
  });
}
