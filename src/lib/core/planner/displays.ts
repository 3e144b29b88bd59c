import {
  pictures as everyPicture,
  type Brief,
  type MonitorFacts,
  type Part,
  type PartOf,
  type PartWith,
  type Picture,
  type VideoFacts
} from '../model';
import { showsColour } from '../rules';
import { chain, gives } from '../video';
import { masksOf, narrowed, withFixed, type Option } from './options';
import type { Pool } from './pool';

const pictured = new WeakMap<VideoFacts, WeakMap<MonitorFacts, Picture[] | null>>();

/** Pictures that a card shows on a monitor; null when it shows none. Facts of parts do not change. */
function picturesOn(card: VideoFacts, monitor: MonitorFacts): Picture[] | null {
  const known = pictured.get(card) ?? new WeakMap<MonitorFacts, Picture[] | null>();
  pictured.set(card, known);
  const before = known.get(monitor);
  if (before !== undefined) return before;
  const shown = chain(card, monitor)
    .filter((c) => c.verdict === 'shown')
    .map((c) => c.mode);
  const pictures = shown.length ? everyPicture.filter((p) => gives(card, shown, p)) : null;
  known.set(monitor, pictures);
  return pictures;
}

export interface DisplayOption extends Option {
  /** Null: the display of the board. */
  card: Part | null;
}

/** Every card with every monitor that shows something of it; `null` stands for the board's own display. */
export function displays(pool: Pool, brief: Brief, own: PartWith<'video'> | null): DisplayOption[] {
  const cards = own
    ? [own]
    : pool
        .of('card')
        .filter((p): p is PartOf<'card'> & PartWith<'video'> =>
          Boolean(p.video && p.video.standard !== '3d-only')
        );
  const extra = brief.profiles.some((p) => p.wants?.display?.includes('3d'))
    ? pool.of('card').filter((p) => p.video?.standard === '3d-only')
    : [];
  const options: DisplayOption[] = [];
  const inColour = (brief.wishes ?? []).some((w) => w.kind === 'colour');
  for (const card of cards)
    for (const monitor of pool.of('monitor')) {
      if (inColour && !(monitor.monitor.colour && showsColour(card.video))) continue;
      const pictures = picturesOn(card.video, monitor.monitor);
      if (!pictures) continue;
      const make = (add: Part[], more: Picture[]) => {
        const parts = [...(own ? [] : [card]), ...add, monitor].map((part) => ({ part, count: 1 }));
        const all = new Set([...pictures, ...more]);
        options.push({
          card: own ? null : card,
          parts,
          ...masksOf(brief.profiles, { pictures: all, coloured: monitor.monitor.colour ? all : new Set() }, [
            'display'
          ]),
          weight: parts.reduce((n, p) => n + pool.weigh(p.part), 0)
        });
      };
      make([], []);
      if (card.video.standard === 'vga') for (const only3d of extra) make([only3d], ['3d']);
    }
  const kept = withFixed(pool, options, (p) => (!own && !!p.video) || p.kind === 'monitor');
  return narrowed(
    pool,
    kept,
    (o) => `${o.card?.card?.bus} ${o.parts.map((p) => p.part.card?.bus ?? '').join()} ${o.mask} ${o.soft}`
  );
}
