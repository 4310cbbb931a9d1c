import type { Bank } from '../ground/centreLine.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';
import { COMBINATIONS, COMMON_BASE, SIGN_TRAITS, signKind, type AnyKind } from './signKinds.ts';

/** Pans taken at a place, as one measurement. */
export interface Panned {
  readonly volumeBank_L: number;
  readonly colors: number;
  /** Mean weight of a color there (of the ground's, for a blank), mg. */
  readonly color_mg: number;
  /** Milligrams of gold those pans held by count or weight. */
  readonly gold_mg: number;
  /** Did a flood pass since the last of them? */
  readonly floodSince: boolean;
}

/** A place that may be worth a pan. */
export interface Place {
  readonly id: string;
  readonly distance_m: number;
  readonly bank: Bank;
  /** Kinds of sign seen there, each once. */
  readonly kinds: readonly AnyKind[];
  /** What a closer look at its signs found, by trait. */
  readonly traits?: Readonly<Record<string, string>>;
  readonly panned: Panned | null;
  /** Overburden down to what one wants to pan, m. */
  readonly cover_m: number;
  /** The person's own word on it, in log odds (-2 to 2), with the note that says why. */
  readonly own: { readonly logOdds: number; readonly note: string } | null;
}

/** One reason in the score, in log odds; positive speaks for the place. */
export interface Reason {
  /** What it rests on: a sign, a closer look at it, overlap or combination of signs, the trail of colors or float, pans here, pans beside it, the person's own word. */
  readonly from:
    'sign' | 'trait' | 'overlap' | 'combination' | 'trail' | 'float' | 'flood' | 'pans' | 'neighbors' | 'own word';
  readonly logOdds: number;
  readonly says: string;
  /** How the same sign has paid here so far; null where that is not what the reason rests on. */
  readonly tally: { readonly paid: number; readonly tried: number } | null;
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
  /** The person's own opinion of a kind, in place of common practice: so many of so many tries. */
  readonly priors?: Readonly<Partial<Record<AnyKind, { readonly paid: number; readonly tried: number }>>>;
  /** Where colors stop up the creek, with its certainty. */
  readonly trail?: { readonly from_m: number; readonly to_m: number; readonly certainty: number } | null;
  /** A flood so lately that bars still wear its skin. */
  readonly freshFlood?: boolean;
  /** Where the largest float lies of a run of stones that grows upstream. */
  readonly float?: { readonly largest_m: number } | null;
}

/** Before any own try the common base counts as much as two tries. */
const BASE = { paid: 2 * COMMON_BASE, tried: 2 };
/** Within this, what the neighbors showed says something of a place; it fades by 1/e over `NEIGHBOR_FADE_M`. Common practice, no source. */
const NEIGHBOR_FADE_M = 70;
const NEIGHBOR_WEIGHT = 0.35;
/** Signs of one family after the first count this much of the one before. Common practice, no source. */
const OVERLAP = 0.5;
/** No number of pans makes a place certain or hopeless. */
const MOST_EVIDENCE = 3;
/** Poor ground is taken to hold this share of what pays. */
const POOR_SHARE = 0.2;
/** What the trail of colors and float says at full certainty. Common practice, no source: a blank above the last pay lowers, never condemns. */
const ABOVE_TRAIL = 0.8;
const FEEDS = 0.5;
const TOWARD_FLOAT = 0.25;
const FLOOD_SKIN = 0.4;
const SKINNED: readonly AnyKind[] = ['bar', 'inside bend'];

const logit = (p: number): number => Math.log(p / (1 - p));
const paid = (p: Panned, pays_mg_L: number): boolean => p.gold_mg / p.volumeBank_L >= pays_mg_L;

/**
 * Ranks places by the chance that a pan there pays, as a sum of reasons in log odds.
 *
 *   score = logit(base) + sum of signs [logit(rate of kind) - logit(base)], overlaps discounted, combinations added
 *         + what its own pans said + what the neighbors' pans said + the person's own word
 *
 * Rates are beta-binomial: the kind's prior (a stated assumption, taken relative to this ground's base) plus own tries here
 * (paid: grade at or above `pays_mg_L`).
 * Pans enter as the log likelihood ratio of their Poisson count under ground that just pays against ground a fifth as rich
 * (Wald 1947, Sequential Analysis), held to +-3; an old blank keeps the share of its weight that floods leave by kind of trap.
 * Everything but the beta-binomial rule and the likelihood ratio is Riffle's own model, stated above each number.
 *
 * A place panned before is ranked too: a blank lowers it, never to nothing.
 * @throws OutOfRange when `pays_mg_L` or `reach_m` is not positive
 */
export function worthAPan(
  places: readonly Place[],
  { pays_mg_L, reach_m, priors = {}, trail = null, float = null, freshFlood = false }: RankingRules,
): Ranking {
  requirePositive('pays_mg_L', pays_mg_L, 'mg/L');
  requirePositive('reach_m', reach_m, 'm');
  for (const [kind, prior] of Object.entries(priors)) {
    if (!prior) continue;
    requirePositive(`priors.${kind}.tried`, prior.tried);
    requireWithin(`priors.${kind}.paid`, prior.paid, 0.02 * prior.tried, 0.98 * prior.tried);
  }
  const tried = places.flatMap((p) => (p.panned ? [{ ...p, panned: p.panned }] : []));
  const tally = (among: typeof tried): { paid: number; tried: number } => ({
    paid: among.filter((p) => paid(p.panned, pays_mg_L)).length,
    tried: among.length,
  });
  const all = tally(tried);
  const baseChance = (BASE.paid + all.paid) / (BASE.tried + all.tried);
  const base = logit(Math.min(0.95, Math.max(0.05, baseChance)));

  const ofKind = (kind: AnyKind, but: string): { logOdds: number; tally: { paid: number; tried: number } } => {
    const seen = tally(tried.filter((p) => p.kinds.includes(kind)));
    // A place does not vote for itself: its own pans are a reason of their own.
    const prior = priors[kind] ?? signKind(kind).prior;
    // Common practice says how much better than the usual place a kind is, so it is carried over to this ground's own base.
    const expected = 1 / (1 + Math.exp(-(base + logit(prior.paid / prior.tried) - logit(COMMON_BASE))));
    const others = tally(tried.filter((p) => p.id !== but && p.kinds.includes(kind)));
    return {
      logOdds: logit((expected * prior.tried + others.paid) / (prior.tried + others.tried)) - base,
      tally: seen,
    };
  };

  const rank = (place: Place): Ranked => {
    requireWithin('distance_m', place.distance_m, 0, 1e6, 'm');
    const reasons: Reason[] = [];
    const families = new Map<string, { kind: AnyKind; logOdds: number }[]>();
    for (const kind of place.kinds) {
      const found = ofKind(kind, place.id);
      reasons.push({
        from: 'sign',
        logOdds: found.logOdds,
        says: signKind(kind).says,
        tally: found.tally.tried > 0 ? found.tally : null,
      });
      const family = signKind(kind).family;
      families.set(family, [...(families.get(family) ?? []), { kind, logOdds: found.logOdds }]);
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
    // High water renews the inside line of bars in a thin skin: worth skimming until someone has.
    if (freshFlood && place.kinds.some((k) => SKINNED.includes(k)) && (!place.panned || place.panned.floodSince))
      reasons.push({ from: 'flood', logOdds: FLOOD_SKIN, says: 'a fresh flood skin to skim', tally: null });
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
    if (
      float &&
      !place.panned &&
      place.distance_m >= float.largest_m - NEIGHBOR_FADE_M / 2 &&
      place.distance_m <= float.largest_m + 2 * NEIGHBOR_FADE_M
    )
      reasons.push({ from: 'float', logOdds: TOWARD_FLOAT, says: 'float grows toward it', tally: null });

    if (place.panned) reasons.push(...ownPans(place, place.panned, pays_mg_L));
    const neighbors = neighborReason(place, tried, pays_mg_L);
    if (neighbors) reasons.push(neighbors);
    if (place.own) {
      requireWithin('own.logOdds', place.own.logOdds, -2, 2);
      reasons.push({
        from: 'own word',
        logOdds: place.own.logOdds,
        says: place.own.note || 'your own word',
        tally: null,
      });
    }
    const logOdds = reasons.reduce((sum, r) => sum + r.logOdds, base);
    return {
      place,
      logOdds,
      chance: 1 / (1 + Math.exp(-logOdds)),
      reasons: reasons.sort((a, b) => b.logOdds - a.logOdds),
    };
  };
  return {
    ranked: places
      .filter((p) => p.cover_m <= reach_m)
      .map(rank)
      .sort((a, b) => b.logOdds - a.logOdds || a.place.distance_m - b.place.distance_m),
    outOfReach: places.filter((p) => p.cover_m > reach_m),
    baseChance,
  };
}

/** Log likelihood ratio of a count: ground that just pays against poor ground. */
function evidence(p: Panned, pays_mg_L: number): number {
  const expected = (pays_mg_L / p.color_mg) * p.volumeBank_L;
  const ratio = p.colors * Math.log(1 / POOR_SHARE) - expected * (1 - POOR_SHARE);
  return Math.min(MOST_EVIDENCE, Math.max(-MOST_EVIDENCE, ratio));
}

function ownPans(place: Place, p: Panned, pays_mg_L: number): Reason[] {
  const logOdds = evidence(p, pays_mg_L);
  if (logOdds >= 0 || p.colors > 0)
    return [{ from: 'pans', logOdds, says: `${p.colors} color${p.colors === 1 ? '' : 's'} panned here`, tally: null }];
  const left = p.floodSince
    ? Math.max(...(place.kinds.length > 0 ? place.kinds.map((k) => signKind(k).blankAfterFlood) : [0.6]))
    : 1;
  return [
    {
      from: 'pans',
      logOdds: logOdds * left,
      says: left < 1 ? 'blank, but a flood since' : 'panned blank',
      tally: null,
    },
  ];
}

function neighborReason(
  place: Place,
  tried: readonly (Place & { panned: Panned })[],
  pays_mg_L: number,
): Reason | null {
  const near = tried.flatMap((p) => {
    const far_m = Math.abs(p.distance_m - place.distance_m);
    return p.id === place.id || far_m > 3 * NEIGHBOR_FADE_M
      ? []
      : [
          {
            side: Math.sign(p.distance_m - place.distance_m),
            logOdds: NEIGHBOR_WEIGHT * Math.exp(-far_m / NEIGHBOR_FADE_M) * evidence(p.panned, pays_mg_L),
          },
        ];
  });
  const logOdds = near.reduce((sum, n) => sum + n.logOdds, 0);
  if (Math.abs(logOdds) < 0.1) return null;
  const bothSides = [1, -1].every((side) => near.some((n) => n.side === side && n.logOdds > 0.05));
  return {
    from: 'neighbors',
    logOdds,
    says: logOdds < 0 ? 'poor pans beside it' : bothSides ? 'colors on both sides' : 'colors beside it',
    tally: null,
  };
}
