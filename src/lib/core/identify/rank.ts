import { there } from '../model';
import type { Part } from '../model';
import { dateCode, featuresOf, type Feature, type Value } from './features';

/** One thing that somebody looked at. */
export interface Seen {
  feature: string;
  value: Value;
}

export interface Sight {
  feature: Feature;
  seen: Value;
  /** What the document of the part says; undefined when it says nothing. */
  known: Value | undefined;
}
export interface Candidate {
  part: Part;
  /** 0 to 1, among all candidates and "none of these". */
  probability: number;
  for: Sight[];
  against: Sight[];
}
export interface Look {
  feature: Feature;
  /** Answers that the candidates would give, each with the candidates' share. */
  answers: { value: Value; share: number }[];
  /** Bits that looking is expected to bring. */
  gain: number;
}
export interface Ranking {
  candidates: Candidate[];
  /** Probability that it is none of the parts known. */
  none: number;
  next: Look[];
  /** It was not made before this: the latest date code. */
  notBefore: { year: number; week: number } | null;
}

interface Known {
  part: Part;
  features: ReturnType<typeof featuresOf>;
}

/** How a sight stands to what a part's document says. */
type Agreement = 'named' | 'close' | 'match' | 'near' | 'miss' | 'overlooked' | 'extra' | 'unknown';

/** Odds of one sight on the part itself: people overlook things more often than they see what is not there. */
const ODDS: Record<Agreement, number> = {
  named: 0.99,
  close: 0.6,
  match: 0.9,
  near: 0.15,
  miss: 0.03,
  overlooked: 0.15,
  extra: 0.06,
  unknown: 0.4
};
/**
 * Odds of the same sight on a part that is in no book and resembles this one: most of it agrees, some things
 * differ, and another maker's mark hardly ever is the same. Two or three contradictions speak for such a part
 * more than for the one that resembles it.
 */
const RELATIVE: Record<Agreement, number> = {
  named: 0.05,
  close: 0.3,
  match: 0.87,
  near: 0.2,
  miss: 0.12,
  overlooked: 0.2,
  extra: 0.15,
  unknown: 0.4
};
/** How often what lies on the bench is in no book, before anything was seen. */
const IN_NO_BOOK = 0.2;

function agreement(seen: Value, feature: Feature, known: Known): Agreement {
  const had = known.features.get(feature.id)?.value;
  if (feature.kind === 'there') {
    if (had === undefined && !documented(known.part, feature)) return 'unknown';
    const has = had === true;
    if (seen === has) return 'match';
    return seen ? 'extra' : 'overlooked';
  }
  if (had === undefined) return 'unknown';
  if (feature.kind === 'count') {
    const apart = Math.abs(Number(seen) - Number(had));
    return apart === 0 ? 'match' : apart === 1 ? 'near' : 'miss';
  }
  if (feature.id === 'etched') {
    const [a, b] = [String(seen).toLowerCase().trim(), String(had)];
    return a === b ? 'named' : a && (b.startsWith(a) || a.startsWith(b)) ? 'close' : 'miss';
  }
  return seen === had ? 'match' : 'miss';
}
const odds = (seen: Value, feature: Feature, known: Known): number => ODDS[agreement(seen, feature, known)];

/** Whether a part's document would tell of such a thing; a part without chips listed says nothing of chips. */
const documented = (part: Part, feature: Feature): boolean =>
  feature.group === 'chips'
    ? (part.look?.chips.length ?? 0) > 0
    : feature.group === 'connectors'
      ? (part.look?.connectors.length ?? 0) > 0
      : true;

/** Everything that can be looked at on parts of a kind, in the order of groups. */
export function allFeatures(parts: readonly Part[]): Feature[] {
  const out = new Map<string, Feature>();
  for (const part of parts) for (const [id, { feature }] of featuresOf(part)) out.set(id, feature);
  return [...out.values()];
}

const MOST_NEXT = 3;

/**
 * Ranks parts by what was seen, each with the evidence for and against, and says what to look at next: the
 * feature whose answer is expected to tell most.
 * @param dates date codes read off chips, YYWW
 */
export function rank(parts: readonly Part[], seen: readonly Seen[], dates: readonly string[] = []): Ranking {
  const known = parts.map((part): Known => ({ part, features: featuresOf(part) }));
  const features = new Map(allFeatures(parts).map((f) => [f.id, f]));
  const looked = seen.flatMap((s) => {
    const feature = features.get(s.feature);
    return feature ? [{ feature, value: s.value }] : [];
  });
  const codes = dates.map(dateCode).filter((d): d is NonNullable<typeof d> => d !== null);
  const latest = [...codes].sort((a, b) => b.year - a.year || b.week - a.week)[0] ?? null;
  const explained = (table: Record<Agreement, number>, k: Known) =>
    looked.reduce((w, s) => w * table[agreement(s.value, s.feature, k)], 1);
  const weights = known.map((k) => explained(ODDS, k) * dateOdds(k.part, latest?.year ?? null));
  // A part in no book may resemble any of those known, and be sold later.
  const noneWeight =
    (IN_NO_BOOK / (1 - IN_NO_BOOK)) * (known.reduce((sum, k) => sum + explained(RELATIVE, k), 0) || 1);
  const total = weights.reduce((a, b) => a + b, noneWeight);
  const candidates = known
    .map((k, i): Candidate => {
      const sights = looked.map(({ feature, value }): Sight & { fits: boolean } => ({
        feature,
        seen: value,
        known:
          k.features.get(feature.id)?.value ??
          (feature.kind === 'there' && documented(k.part, feature) ? false : undefined),
        fits: ['named', 'close', 'match', 'unknown'].includes(agreement(value, feature, k))
      }));
      return {
        part: k.part,
        probability: there(weights[i]) / total,
        for: sights.filter((s) => s.fits && s.known !== undefined),
        against: sights.filter((s) => !s.fits)
      };
    })
    .sort((a, b) => b.probability - a.probability || (a.part.id < b.part.id ? -1 : 1));
  return {
    candidates,
    none: noneWeight / total,
    next: nextLooks(known, weights, total, features, new Set(looked.map((l) => l.feature.id))),
    notBefore: latest
  };
}

/** A chip made after the last sale of a part is a repair or another part. */
const dateOdds = (part: Part, year: number | null): number =>
  year === null || !part.sold ? 1 : part.sold.to !== undefined && part.sold.to + 1 < year ? 0.05 : 1;

const entropy = (shares: readonly number[]): number =>
  shares.reduce((h, p) => (p > 0 ? h - p * Math.log2(p) : h), 0);

function nextLooks(
  known: readonly Known[],
  weights: readonly number[],
  total: number,
  features: ReadonlyMap<string, Feature>,
  looked: ReadonlySet<string>
): Look[] {
  const top = known
    .map((k, i) => ({ k, p: there(weights[i]) / total }))
    .filter((x) => x.p > 0.002)
    .sort((a, b) => b.p - a.p)
    .slice(0, 40);
  const sum = top.reduce((n, x) => n + x.p, 0);
  if (top.length < 2 || sum === 0) return [];
  const before = entropy(top.map((x) => x.p / sum));
  const looks: Look[] = [];
  for (const feature of features.values()) {
    if (looked.has(feature.id)) continue;
    const answers = answersTo(
      feature,
      top.map((x) => x.k)
    );
    if (answers.length < 2) continue;
    let after = 0;
    const shares = answers.map((value) => {
      const joint = top.map((x) => (x.p / sum) * odds(value, feature, x.k));
      return { value, joint, mass: joint.reduce((a, b) => a + b, 0) };
    });
    const all = shares.reduce((n, s) => n + s.mass, 0);
    for (const s of shares) if (s.mass > 0) after += (s.mass / all) * entropy(s.joint.map((j) => j / s.mass));
    looks.push({
      feature,
      gain: before - after,
      answers: shares.map((s) => ({ value: s.value, share: s.mass / all })).sort((a, b) => b.share - a.share)
    });
  }
  return looks
    .filter((l) => l.gain > 0.01)
    .sort((a, b) => b.gain - a.gain || (a.feature.id < b.feature.id ? -1 : 1))
    .slice(0, MOST_NEXT);
}

function answersTo(feature: Feature, known: readonly Known[]): Value[] {
  if (feature.kind === 'there') return [true, false];
  return [
    ...new Set(known.map((k) => k.features.get(feature.id)?.value).filter((v): v is Value => v !== undefined))
  ];
}
