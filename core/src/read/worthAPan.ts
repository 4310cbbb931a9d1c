import { requirePositive, requireWithin } from '../outOfRange.ts';
import { chanceToPay, type Panned } from './chanceToPay.ts';
import type { FedBy } from './fedBy.ts';
import { chanceOf, logit } from './logOdds.ts';
import { nearOf, neighborReason, ownPans, type Near, type Tried } from './panReasons.ts';
import type { Place, Reason } from './place.ts';
import type { Renewal } from './renewal.ts';
import { COMMON_BASE, signKind, type AnyKind } from './signKinds.ts';
import {
  floatReasons,
  freshReasons,
  guessReasons,
  isMouthAt,
  seenReasons,
  togetherReasons,
  trailReasons,
  type KindSays,
  type TrailEnd,
} from './signReasons.ts';

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
  readonly trail?: TrailEnd | null;
  /** What fed the district, where it is known: it decides which signs count. */
  readonly fedBy?: FedBy | null;
  /** What lays the ground anew; floods when not given. */
  readonly renewedBy?: Renewal['by'];
  /** Where the largest float lies of a run of stones that grows upstream. */
  readonly float?: { readonly largest_m: number } | null;
}

/** Before any own try the common base counts as much as two tries. */
const BASE = { paid: 2 * COMMON_BASE, tried: 2 };
/** Beyond these log odds, seven and two chances in ten, signs and neighbors add only so much of what they say: only a pan makes sure. Stated assumptions. */
const MOST_BY_SIGNS = 0.85;
const LEAST_BY_SIGNS = -1.4;
const BEYOND = 0.6;
/** Spots of a creek differ by about their mean. Stated assumption. */
const USUAL_SPOT_CV = 1;

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
  const tallies = tally(tried, pays_mg_L);
  const mouthAtStone = float !== null && places.some((p) => isMouthAt(p, float.largest_m));

  const rank = (place: Place): Ranked => {
    requireWithin('distance_m', place.distance_m, 0, 1e6, 'm');
    if (place.own) requireWithin('own.logOdds', place.own.logOdds, -2, 2);
    const near = nearOf(place, tried);
    const { base, kindSays } = judgedBy(tallies, near, priors);
    const sumOf = (reasons: readonly Reason[]): number => reasons.reduce((sum, r) => sum + r.logOdds, base);
    const bySigns = [
      ...seenReasons(place, kindSays, fedBy),
      ...guessReasons(place, base, kindSays),
      ...togetherReasons(place, kindSays),
      ...freshReasons(place, renewedBy),
      ...warnedOnce(trailReasons(place, trail), neighborReason(place, near)),
      ...floatReasons(place, float?.largest_m ?? null, mouthAtStone),
      ...(place.own
        ? [
            {
              from: 'own word' as const,
              logOdds: place.own.logOdds,
              says: place.own.note || 'your own word',
              tally: null,
            },
          ]
        : []),
    ];
    const reasons = [...bySigns, ...neverSure(sumOf(bySigns))];
    if (place.panned) {
      const before = chanceOf(sumOf(reasons));
      const says = logit(chanceToPay(before, place.panned, pays_mg_L, spotCv)) - logit(before);
      reasons.push(ownPans(place, place.panned, says, renewedBy));
    }
    const logOdds = sumOf(reasons);
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
    baseChance: baseOf(tallies.all),
  };
}

/** How this ground's tried places paid: all of them, and by kind of sign. */
interface Tallies {
  readonly all: Tally;
  readonly byKind: ReadonlyMap<AnyKind, Tally & { readonly reached: number }>;
}
function tally(tried: readonly Tried[], pays_mg_L: number): Tallies {
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
  return { all, byKind };
}
const baseOf = (among: Tally): number =>
  Math.min(0.95, Math.max(0.05, (BASE.paid + among.paid) / (BASE.tried + among.tried)));

/** What a place is judged by, in log odds: the ground's base and what each kind says beside it, with what lies near (the place itself too) taken out. */
function judgedBy(
  { all, byKind }: Tallies,
  near: readonly Near[],
  priors: NonNullable<RankingRules['priors']>,
): { readonly base: number; readonly kindSays: KindSays } {
  const without = (among: Tally, isOf: (place: Place) => boolean): Tally => {
    const rest = { paid: among.paid, tried: among.tried };
    for (const { of, weight } of near)
      if (isOf(of.place)) {
        rest.paid -= weight * of.alone;
        rest.tried -= weight;
      }
    return rest;
  };
  const base = logit(baseOf(without(all, () => true)));
  const saying = (kind: AnyKind): ReturnType<KindSays> => {
    const prior = priors[kind] ?? signKind(kind).prior;
    // Common practice says how much better than the usual place a kind is, so it is carried over to this ground's own base.
    const expected = chanceOf(base + logit(prior.paid / prior.tried) - logit(COMMON_BASE));
    const seen = byKind.get(kind);
    const others = without(seen ?? { paid: 0, tried: 0 }, (place) => place.kinds.includes(kind));
    return {
      logOdds: logit((expected * prior.tried + others.paid) / (prior.tried + others.tried)) - base,
      tally: seen ? { paid: seen.reached, tried: seen.tried } : null,
    };
  };
  // Each is asked for alone and together with others.
  const said = new Map<AnyKind, ReturnType<KindSays>>();
  const kindSays: KindSays = (kind) => {
    const says = said.get(kind) ?? saying(kind);
    said.set(kind, says);
    return says;
  };
  return { base, kindSays };
}

/** The trail is made of the same pans as the neighbors: where both warn, the stronger speaks. */
function warnedOnce(trail: readonly Reason[], neighbors: Reason | null): Reason[] {
  const warning = trail.find((r) => r.logOdds < 0);
  if (!neighbors) return [...trail];
  if (!warning || neighbors.logOdds >= 0) return [...trail, neighbors];
  return neighbors.logOdds < warning.logOdds ? [...trail.filter((r) => r !== warning), neighbors] : [...trail];
}

/** Signs and neighbors alone make no place sure, and rule none out. */
function neverSure(logOdds: number): Reason[] {
  const [high, low] = [logOdds - MOST_BY_SIGNS, logOdds - LEAST_BY_SIGNS];
  if (high > 0) return [{ from: 'overlap', logOdds: -BEYOND * high, says: 'no sign makes it sure', tally: null }];
  if (low < 0) return [{ from: 'overlap', logOdds: -BEYOND * low, says: 'no sign rules it out', tally: null }];
  return [];
}

/** From this chance on a place pays as good as surely: such places come first, the richest of them before the others. */
const SURE = 0.9;
const rankOf = ({ chance, place: { panned } }: Ranked): number =>
  chance >= SURE && panned ? panned.gold_mg / panned.volumeBank_L : 0;
