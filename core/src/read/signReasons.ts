import { fedLogOdds, GOLD_SOURCES, type FedBy } from './fedBy.ts';
import { chanceOf, logit } from './logOdds.ts';
import { NEIGHBOR_FADE_M } from './panReasons.ts';
import type { Place, Reason } from './place.ts';
import { RENEWED, type Renewal } from './renewal.ts';
import { COMBINATIONS, SIGN_TRAITS, signKind, type AnyKind } from './signKinds.ts';

/** What a kind of sign says on this ground, beside its base, with how it has paid here so far. */
export type KindSays = (kind: AnyKind) => Pick<Reason, 'logOdds' | 'tally'>;

/** Where colors stop up the creek, with its certainty. */
export interface TrailEnd {
  readonly from_m: number;
  readonly to_m: number;
  readonly certainty: number;
}

/** Signs of one family after the first count this much of the one before. Common practice, no source. */
const OVERLAP = 0.5;
/** What the trail of colors and float says at full certainty. Common practice, no source: a blank above the last pay lowers, never condemns. */
const ABOVE_TRAIL = 0.8;
const FEEDS = 0.5;
const TOWARD_FLOAT = 0.25;
const FRESH_SKIN = 0.4;

/** What was seen at a place: each sign, by what fed the district too, and what a closer look at it found. */
export const seenReasons = (place: Place, kindSays: KindSays, fedBy: FedBy | null): Reason[] => [
  ...place.kinds.flatMap((kind) => {
    const { says } = signKind(kind);
    const fed = fedLogOdds(kind, fedBy);
    const sign: Reason = { from: 'sign', says, ...kindSays(kind) };
    if (!fedBy || fed === 0) return [sign];
    const because = `${says}, ${fed > 0 ? 'and' : 'but'} ${GOLD_SOURCES[fedBy].says}`;
    return [sign, { from: 'source' as const, logOdds: fed, says: because, tally: null }];
  }),
  ...SIGN_TRAITS.flatMap(({ name, asks, of, choices }): Reason[] => {
    const found = choices.find((c) => c.value === place.traits?.[name]);
    if (!found || found.logOdds === 0 || !of.some((k) => place.kinds.includes(k))) return [];
    return [{ from: 'trait', logOdds: found.logOdds, says: `${asks.toLowerCase()} ${found.value}`, tally: null }];
  }),
];

/** What the line hints at there, by how likely it is right. */
export const guessReasons = (place: Place, base: number, kindSays: KindSays): Reason[] =>
  (place.guessed ?? []).map(({ kind, sure }) => {
    const ifThere = kindSays(kind).logOdds;
    return {
      from: 'guess',
      logOdds: logit(sure * chanceOf(base + ifThere) + (1 - sure) * chanceOf(base)) - base,
      says: `perhaps ${signKind(kind).says}, by the line`,
      tally: null,
      guess: { kind, sure, ifThere },
    };
  });

/** Signs taken together: those of one family say less than their sum, some pairs more. */
export function togetherReasons({ kinds }: Place, kindSays: KindSays): Reason[] {
  const families = new Set(kinds.map((kind) => signKind(kind).family));
  // Only what speaks for a place is discounted: two warnings of one family still warn once each.
  const overlap = [...families].reduce((sum, family) => {
    const pro = kinds
      .filter((kind) => signKind(kind).family === family)
      .map((kind) => kindSays(kind).logOdds)
      .filter((l) => l > 0)
      .sort((a, b) => b - a);
    return sum + pro.reduce((lost, l, i) => lost + l * (1 - OVERLAP ** i), 0);
  }, 0);
  return [
    ...(overlap > 0
      ? [{ from: 'overlap' as const, logOdds: -overlap, says: 'signs that overlap count less', tally: null }]
      : []),
    ...COMBINATIONS.filter((c) => c.kinds.every((k) => kinds.includes(k))).map(({ logOdds, says }): Reason => ({
      from: 'combination',
      logOdds,
      says,
      tally: null,
    })),
  ];
}

/** High water renews the inside line of bars in a thin skin, a storm the seams of a beach: worth a look until someone has. */
export function freshReasons(place: Place, renewedBy: Renewal['by']): Reason[] {
  const { kinds, says } = RENEWED[renewedBy];
  if (!place.fresh || !place.kinds.some((k) => kinds.includes(k))) return [];
  return [{ from: renewedBy, logOdds: FRESH_SKIN * place.fresh, says, tally: null }];
}

/** Where colors stop: what lies above has less, what joins there may feed it. */
export function trailReasons(place: Place, trail: TrailEnd | null): Reason[] {
  if (!trail) return [];
  const { distance_m } = place;
  const { from_m, to_m, certainty } = trail;
  // A place with pans of its own has said where it stands on the trail.
  const isAbove = !place.panned && distance_m > to_m;
  const joins =
    place.kinds.includes('draw mouth') &&
    distance_m >= from_m - NEIGHBOR_FADE_M / 2 &&
    distance_m <= to_m + NEIGHBOR_FADE_M / 2;
  return [
    ...(isAbove
      ? [{ from: 'trail' as const, logOdds: -ABOVE_TRAIL * certainty, says: 'above where colors stop', tally: null }]
      : []),
    ...(joins
      ? [{ from: 'trail' as const, logOdds: FEEDS * certainty, says: 'colors stop where it joins', tally: null }]
      : []),
  ];
}

/** A draw that joins beside the largest stone: the stones may have come out of it, so it comes before anything above. */
export const isMouthAt = ({ kinds, distance_m }: Place, stone_m: number): boolean =>
  kinds.includes('draw mouth') && Math.abs(distance_m - stone_m) <= NEIGHBOR_FADE_M;

/** Where the stones of a run that grows upstream point. `atMouths`: a draw joins beside the largest. */
export function floatReasons(place: Place, largest_m: number | null, atMouths: boolean): Reason[] {
  if (largest_m === null || place.panned) return [];
  const { distance_m } = place;
  const isAbove = distance_m >= largest_m - NEIGHBOR_FADE_M / 2 && distance_m <= largest_m + 2 * NEIGHBOR_FADE_M;
  if (!(atMouths ? isMouthAt(place, largest_m) : isAbove)) return [];
  const says = atMouths ? 'the largest float lies at its mouth' : 'float grows toward it';
  return [{ from: 'float', logOdds: TOWARD_FLOAT, says, tally: null }];
}
