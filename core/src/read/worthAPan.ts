import type { Bank } from '../ground/centreLine.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';
import { chanceToPay, type Panned } from './chanceToPay.ts';
import { fedLogOdds, GOLD_SOURCES, type FedBy } from './fedBy.ts';
import { blankLeft, RENEWED, type Renewal } from './renewal.ts';
import { COMBINATIONS, COMMON_BASE, SIGN_TRAITS, signKind, type AnyKind } from './signKinds.ts';

/** A place that may be worth a pan. */
export interface Place {
  readonly id: string;
  readonly distance_m: number;
  readonly bank: Bank;
  /** Across the ground, positive to the left. */
  readonly across_m: number;
  /** Kinds of sign seen there, each once. */
  readonly kinds: readonly AnyKind[];
  /** What a closer look at its signs found, by trait. */
  readonly traits?: Readonly<Record<string, string>>;
  /** What the line hints at there, with the chance that it is there. */
  readonly guessed?: readonly { readonly kind: AnyKind; readonly sure: number }[];
  readonly panned: Panned | null;
  /** Chance that a flood or a storm lately left a skin or a seam there that nobody has panned. */
  readonly fresh?: number;
  /** Overburden down to what one wants to pan, m. */
  readonly cover_m: number;
  /** The person's own word on it, in log odds (-2 to 2), with the note that says why. */
  readonly own: { readonly logOdds: number; readonly note: string } | null;
}

/** One reason in the score, in log odds; positive speaks for the place. */
export interface Reason {
  /** What it rests on: a sign, a closer look at it, what fed the district, overlap or combination of signs, the trail of colors or float, pans here, pans beside it, the person's own word. */
  readonly from:
    | 'sign'
    | 'guess'
    | 'trait'
    | 'source'
    | 'overlap'
    | 'combination'
    | 'trail'
    | 'float'
    | Renewal['by']
    | 'pans'
    | 'neighbors'
    | 'own word';
  readonly logOdds: number;
  readonly says: string;
  /** How the same sign has paid here so far; null where that is not what the reason rests on. */
  readonly tally: { readonly paid: number; readonly tried: number } | null;
  /** Of a guess: how likely it is right, and what it would say were it seen, log odds. */
  readonly guess?: { readonly kind: AnyKind; readonly sure: number; readonly ifThere: number };
}

export interface Ranked {
  readonly place: Place;
  readonly logOdds: number;
  /** Chance that it pays: 1 / (1 + exp(-logOdds)). */
  readonly chance: number;
  readonly reasons: readonly Reason[];
}

export interface Ranking {
  readonly ranked: readonly Ranked[];
  /** Places whose cover is deeper than the reach: no score passes that gate. */
  readonly outOfReach: readonly Place[];
  /** Chance that a place of this ground pays when nothing else is known of it. */
  readonly baseChance: number;
}

export interface RankingRules {
  /** Grade from which ground pays, mg/L bank. */
  readonly pays_mg_L: number;
  /** How deep the tools at hand reach, m. */
  readonly reach_m: number;
  /** How much spots of this ground differ, as a share of their mean; as spots usually do when not given. */
  readonly spotCv?: number;
  /** The person's own opinion of a kind, in place of common practice: so many of so many tries. */
  readonly priors?: Readonly<Partial<Record<AnyKind, { readonly paid: number; readonly tried: number }>>>;
  /** Where colors stop up the creek, with its certainty. */
  readonly trail?: { readonly from_m: number; readonly to_m: number; readonly certainty: number } | null;
  /** What fed the district, where it is known: it decides which signs count. */
  readonly fedBy?: FedBy | null;
  /** What lays the ground anew; floods when not given. */
  readonly renewedBy?: Renewal['by'];
  /** Where the largest float lies of a run of stones that grows upstream. */
  readonly float?: { readonly largest_m: number } | null;
}

/** Before any own try the common base counts as much as two tries. */
const BASE = { paid: 2 * COMMON_BASE, tried: 2 };
/** What the neighbors showed says something of a place; it fades by 1/e over so much along the water, and across it. Common practice, no source. */
const NEIGHBOR_FADE_M = 70;
const NEIGHBOR_FADE_ACROSS_M = 20;
/** Of what the pans beside a place say, so much holds for it, however many they are. Common practice, no source. */
const NEIGHBOR_WEIGHT = 0.5;
/** Beyond these log odds, seven and two chances in ten, signs and neighbors add only so much of what they say: only a pan makes sure. Stated assumptions. */
const MOST_BY_SIGNS = 0.85;
const LEAST_BY_SIGNS = -1.4;
const BEYOND = 0.6;
/** Spots of a creek differ by about their mean. Stated assumption. */
const USUAL_SPOT_CV = 1;
/** Signs of one family after the first count this much of the one before. Common practice, no source. */
const OVERLAP = 0.5;
/** What the trail of colors and float says at full certainty. Common practice, no source: a blank above the last pay lowers, never condemns. */
const ABOVE_TRAIL = 0.8;
const FEEDS = 0.5;
const TOWARD_FLOAT = 0.25;
const FRESH_SKIN = 0.4;

const logit = (p: number): number => Math.log(p / (1 - p));
const chanceOf = (logOdds: number): number => 1 / (1 + Math.exp(-logOdds));
const paid = (p: Panned, pays_mg_L: number): boolean => p.gold_mg / p.volumeBank_L >= pays_mg_L;

/** A tally that grows as places are added and shrinks as they are taken out again. */
interface Tally {
  paid: number;
  tried: number;
}

/**
 * Ranks places by the chance that a pan there pays, as a sum of reasons in log odds.
 *
 *   score = logit(base) + sum of signs [logit(rate of kind) - logit(base)], overlaps discounted, combinations added
 *         + what the neighbors' pans said + the person's own word + what its own pans said
 *
 * Rates are beta-binomial: the kind's prior (a stated assumption, taken relative to this ground's base) plus the tries elsewhere on this ground.
 * A place's own pans enter by Bayes' rule on all the rest (`chanceToPay`), so that they say no more than they hold; an old blank keeps the share of
 * its weight that floods leave by kind of trap. No pan speaks twice: a place is not in the base and tallies it is judged by, and what lies near it
 * speaks as its neighbor and by so much less in them. All the neighbors together say at most half of what a pan there would.
 * Everything but the beta-binomial rule and Bayes' is Riffle's own model, stated above each number.
 *
 * A place panned before is ranked too: a blank lowers it, never to nothing.
 * @throws OutOfRange when `pays_mg_L` or `reach_m` is not positive
 */
export function worthAPan(
  places: readonly Place[],
  {
    pays_mg_L,
    reach_m,
    priors = {},
    trail = null,
    float = null,
    renewedBy = 'flood',
    spotCv = USUAL_SPOT_CV,
    fedBy = null,
  }: RankingRules,
): Ranking {
  requirePositive('pays_mg_L', pays_mg_L, 'mg/L');
  requirePositive('reach_m', reach_m, 'm');
  for (const [kind, prior] of Object.entries(priors)) {
    if (!prior) continue;
    requirePositive(`priors.${kind}.tried`, prior.tried);
    requireWithin(`priors.${kind}.paid`, prior.paid, 0.02 * prior.tried, 0.98 * prior.tried);
  }
  /** What its pans say by themselves: the chance that it pays, as if nothing else were known of it. */
  const tried: Tried[] = places
    .flatMap((p) =>
      p.panned ? [{ place: p, panned: p.panned, alone: chanceToPay(COMMON_BASE, p.panned, pays_mg_L, spotCv) }] : [],
    )
    .sort((a, b) => a.place.distance_m - b.place.distance_m);
  const all: Tally = { paid: 0, tried: 0 };
  const byKind = new Map<AnyKind, Tally & { reached: number }>();
  for (const { place, panned, alone } of tried) {
    all.paid += alone;
    all.tried++;
    for (const kind of place.kinds) {
      const sum = byKind.get(kind) ?? { paid: 0, tried: 0, reached: 0 };
      sum.paid += alone;
      sum.tried++;
      if (paid(panned, pays_mg_L)) sum.reached++;
      byKind.set(kind, sum);
    }
  }
  const mouthAtStone = float !== null && places.some((p) => isMouthAt(p, float.largest_m));
  const baseOf = (among: Tally): number =>
    Math.min(0.95, Math.max(0.05, (BASE.paid + among.paid) / (BASE.tried + among.tried)));

  const rank = (place: Place): Ranked => {
    requireWithin('distance_m', place.distance_m, 0, 1e6, 'm');
    const reasons: Reason[] = [];
    const near = nearOf(place, tried);
    // What lies near, and the place itself, is taken out of what it is judged by.
    const elsewhere: Tally = { ...all };
    const lessOf = (kind: AnyKind): Tally => {
      const sum = { paid: 0, tried: 0, ...byKind.get(kind) };
      for (const { of, weight } of near)
        if (of.place.kinds.includes(kind)) {
          sum.paid -= weight * of.alone;
          sum.tried -= weight;
        }
      return sum;
    };
    for (const { of, weight } of near) {
      elsewhere.paid -= weight * of.alone;
      elsewhere.tried -= weight;
    }
    const base = logit(baseOf(elsewhere));
    const ofKind = (kind: AnyKind): { logOdds: number; tally: Reason['tally'] } => {
      const prior = priors[kind] ?? signKind(kind).prior;
      // Common practice says how much better than the usual place a kind is, so it is carried over to this ground's own base.
      const expected = chanceOf(base + logit(prior.paid / prior.tried) - logit(COMMON_BASE));
      const others = lessOf(kind);
      const seen = byKind.get(kind);
      return {
        logOdds: logit((expected * prior.tried + others.paid) / (prior.tried + others.tried)) - base,
        tally: seen ? { paid: seen.reached, tried: seen.tried } : null,
      };
    };
    const families = new Map<string, { kind: AnyKind; logOdds: number }[]>();
    for (const kind of place.kinds) {
      const found = ofKind(kind);
      reasons.push({
        from: 'sign',
        logOdds: found.logOdds,
        says: signKind(kind).says,
        tally: found.tally,
      });
      const fed = fedLogOdds(kind, fedBy);
      if (fedBy && fed !== 0)
        reasons.push({
          from: 'source',
          logOdds: fed,
          says: `${signKind(kind).says}, ${fed > 0 ? 'and' : 'but'} ${GOLD_SOURCES[fedBy].says}`,
          tally: null,
        });
      const family = signKind(kind).family;
      families.set(family, [...(families.get(family) ?? []), { kind, logOdds: found.logOdds }]);
    }
    for (const { kind, sure } of place.guessed ?? []) {
      const [there, not] = [chanceOf(base + ofKind(kind).logOdds), chanceOf(base)];
      reasons.push({
        from: 'guess',
        logOdds: logit(sure * there + (1 - sure) * not) - base,
        says: `perhaps ${signKind(kind).says}, by the line`,
        tally: null,
        guess: { kind, sure, ifThere: ofKind(kind).logOdds },
      });
    }
    // Only what speaks for a place is discounted: two warnings of one family still warn once each.
    const overlap = [...families.values()].reduce((sum, signs) => {
      const pro = signs
        .map((s) => s.logOdds)
        .filter((l) => l > 0)
        .sort((a, b) => b - a);
      return sum + pro.reduce((lost, l, i) => lost + l * (1 - OVERLAP ** i), 0);
    }, 0);
    if (overlap > 0)
      reasons.push({ from: 'overlap', logOdds: -overlap, says: 'signs that overlap count less', tally: null });
    for (const c of COMBINATIONS)
      if (c.kinds.every((k) => place.kinds.includes(k)))
        reasons.push({ from: 'combination', logOdds: c.logOdds, says: c.says, tally: null });

    for (const trait of SIGN_TRAITS) {
      const found = trait.choices.find((c) => c.value === place.traits?.[trait.name]);
      if (found && found.logOdds !== 0 && trait.of.some((k) => place.kinds.includes(k)))
        reasons.push({
          from: 'trait',
          logOdds: found.logOdds,
          says: `${trait.asks.toLowerCase()} ${found.value}`,
          tally: null,
        });
    }
    // High water renews the inside line of bars in a thin skin, a storm the seams of a beach: worth a look until someone has.
    const { kinds: renewed, says } = RENEWED[renewedBy];
    if (place.fresh && place.kinds.some((k) => renewed.includes(k)))
      reasons.push({ from: renewedBy, logOdds: FRESH_SKIN * place.fresh, says, tally: null });
    // A place with pans of its own has said where it stands on the trail.
    if (trail && !place.panned && place.distance_m > trail.to_m)
      reasons.push({
        from: 'trail',
        logOdds: -ABOVE_TRAIL * trail.certainty,
        says: 'above where colors stop',
        tally: null,
      });
    if (
      trail &&
      place.kinds.includes('draw mouth') &&
      place.distance_m >= trail.from_m - NEIGHBOR_FADE_M / 2 &&
      place.distance_m <= trail.to_m + NEIGHBOR_FADE_M / 2
    )
      reasons.push({
        from: 'trail',
        logOdds: FEEDS * trail.certainty,
        says: 'colors stop where it joins',
        tally: null,
      });
    // Stones beside a draw's mouth may have come out of it: it comes before anything above.
    if (float && !place.panned && (mouthAtStone ? isMouthAt(place, float.largest_m) : isAbove(place, float.largest_m)))
      reasons.push({
        from: 'float',
        logOdds: TOWARD_FLOAT,
        says: mouthAtStone ? 'the largest float lies at its mouth' : 'float grows toward it',
        tally: null,
      });

    const neighbors = neighborReason(place, near);
    // The trail is made of the same pans: where both warn, the stronger speaks.
    const warns = reasons.findIndex((r) => r.from === 'trail' && r.logOdds < 0);
    const twice = warns >= 0 && neighbors !== null && neighbors.logOdds < 0;
    if (twice && neighbors.logOdds < (reasons[warns] as Reason).logOdds) reasons.splice(warns, 1);
    if (neighbors && !(twice && reasons.some((r) => r.from === 'trail' && r.logOdds < 0))) reasons.push(neighbors);
    if (place.own) {
      requireWithin('own.logOdds', place.own.logOdds, -2, 2);
      reasons.push({
        from: 'own word',
        logOdds: place.own.logOdds,
        says: place.own.note || 'your own word',
        tally: null,
      });
    }
    const bySigns = reasons.reduce((sum, r) => sum + r.logOdds, base);
    const [high, low] = [bySigns - MOST_BY_SIGNS, bySigns - LEAST_BY_SIGNS];
    if (high > 0)
      reasons.push({ from: 'overlap', logOdds: -BEYOND * high, says: 'no sign makes it sure', tally: null });
    if (low < 0) reasons.push({ from: 'overlap', logOdds: -BEYOND * low, says: 'no sign rules it out', tally: null });
    if (place.panned) {
      const before = chanceOf(reasons.reduce((sum, r) => sum + r.logOdds, base));
      reasons.push(
        ownPans(
          place,
          place.panned,
          logit(chanceToPay(before, place.panned, pays_mg_L, spotCv)) - logit(before),
          renewedBy,
        ),
      );
    }
    const logOdds = reasons.reduce((sum, r) => sum + r.logOdds, base);
    return {
      place,
      logOdds,
      chance: chanceOf(logOdds),
      reasons: reasons.sort((a, b) => b.logOdds - a.logOdds),
    };
  };
  return {
    ranked: places
      .filter((p) => p.cover_m <= reach_m)
      .map(rank)
      .sort((a, b) => rankOf(b) - rankOf(a) || b.logOdds - a.logOdds || a.place.distance_m - b.place.distance_m),
    outOfReach: places.filter((p) => p.cover_m > reach_m),
    baseChance: baseOf(all),
  };
}

/** From this chance on a place pays as good as surely: such places come first, the richest of them before the others. */
const SURE = 0.9;
const rankOf = ({ chance, place: { panned } }: Ranked): number =>
  chance >= SURE && panned ? panned.gold_mg / panned.volumeBank_L : 0;
const isMouthAt = (p: Place, stone_m: number): boolean =>
  p.kinds.includes('draw mouth') && Math.abs(p.distance_m - stone_m) <= NEIGHBOR_FADE_M;
const isAbove = (p: Place, stone_m: number): boolean =>
  p.distance_m >= stone_m - NEIGHBOR_FADE_M / 2 && p.distance_m <= stone_m + 2 * NEIGHBOR_FADE_M;

/** A place with pans, and what they say by themselves. */
interface Tried {
  readonly place: Place;
  readonly panned: Panned;
  readonly alone: number;
}
interface Near {
  readonly of: Tried;
  /** 1 for the place itself, less the farther. */
  readonly weight: number;
}

/** Panned places about a place, each with how much it says of it. `tried` is in order of distance. */
function nearOf(place: Place, tried: readonly Tried[]): Near[] {
  const reach_m = 3 * NEIGHBOR_FADE_M;
  let low = 0;
  for (let high = tried.length; low < high;) {
    const middle = (low + high) >> 1;
    if ((tried[middle] as Tried).place.distance_m < place.distance_m - reach_m) low = middle + 1;
    else high = middle;
  }
  const near: Near[] = [];
  for (let i = low; i < tried.length; i++) {
    const of = tried[i] as Tried;
    const along_m = of.place.distance_m - place.distance_m;
    if (along_m > reach_m) break;
    const weight =
      of.place.id === place.id
        ? 1
        : Math.exp(
            -Math.hypot(along_m / NEIGHBOR_FADE_M, (of.place.across_m - place.across_m) / NEIGHBOR_FADE_ACROSS_M),
          );
    if (weight > 0.03) near.push({ of, weight });
  }
  return near;
}

function ownPans(place: Place, p: Panned, logOdds: number, renewedBy: Renewal['by']): Reason {
  if (logOdds >= 0 || p.colors > 0)
    return { from: 'pans', logOdds, says: `${p.colors} color${p.colors === 1 ? '' : 's'} panned here`, tally: null };
  const left = 1 - p.laidAnew * (1 - blankLeft(renewedBy, place.kinds));
  return {
    from: 'pans',
    logOdds: logOdds * left,
    says: left < 0.95 ? `blank, but a ${renewedBy} since` : 'panned blank',
    tally: null,
  };
}

/** The pans beside a place as one evidence: their mean by nearness, and the more the nearer they are, never more than half of it. */
function neighborReason(place: Place, near: readonly Near[]): Reason | null {
  const others = near
    .filter((n) => n.of.place.id !== place.id)
    .map((n) => ({
      weight: n.weight,
      says: logit(n.of.alone) - logit(COMMON_BASE),
      side: Math.sign(n.of.place.distance_m - place.distance_m),
    }));
  const weight = others.reduce((sum, n) => sum + n.weight, 0);
  if (weight === 0) return null;
  const logOdds = (NEIGHBOR_WEIGHT * others.reduce((sum, n) => sum + n.weight * n.says, 0)) / Math.max(1, weight);
  if (Math.abs(logOdds) < 0.1) return null;
  const bothSides = [1, -1].every((side) => others.some((n) => n.side === side && n.says > 0 && n.weight > 0.1));
  return {
    from: 'neighbors',
    logOdds,
    says: logOdds < 0 ? 'poor pans beside it' : bothSides ? 'colors on both sides' : 'colors beside it',
    tally: null,
  };
}
