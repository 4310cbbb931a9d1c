import { grouped } from '../measures/display.ts';
import type { Panned } from './chanceToPay.ts';
import { logit } from './logOdds.ts';
import type { Place, Reason } from './place.ts';
import { blankLeft, type Renewal } from './renewal.ts';
import { COMMON_BASE } from './signKinds.ts';

/** What the neighbors showed says something of a place; it fades by 1/e over so much along the water, and across it. Common practice, no source. */
export const NEIGHBOR_FADE_M = 70;
const NEIGHBOR_FADE_ACROSS_M = 20;
/** Of what the pans beside a place say, so much holds for it, however many they are. Common practice, no source. */
const NEIGHBOR_WEIGHT = 0.5;

/** A place with pans, and what they say by themselves. */
export interface Tried {
  readonly place: Place;
  readonly panned: Panned;
  readonly alone: number;
}
export interface Near {
  readonly of: Tried;
  /** 1 for the place itself, less the farther. */
  readonly weight: number;
}

/** Panned places about a place, each with how much it says of it. `tried` is in order of distance. */
export function nearOf(place: Place, tried: readonly Tried[]): Near[] {
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

/** What the pans of a place say of it; an old blank keeps the share of its weight that floods leave by kind of trap. */
export function ownPans(place: Place, p: Panned, logOdds: number, renewedBy: Renewal['by']): Reason {
  if (logOdds >= 0 || p.colors > 0)
    return {
      from: 'pans',
      logOdds,
      says: `${grouped(p.colors)} color${p.colors === 1 ? '' : 's'} panned here`,
      tally: null,
    };
  const left = 1 - p.laidAnew * (1 - blankLeft(renewedBy, place.kinds));
  return {
    from: 'pans',
    logOdds: logOdds * left,
    says: left < 0.95 ? `blank, but a ${renewedBy} since` : 'panned blank',
    tally: null,
  };
}

/** The pans beside a place as one evidence: their mean by nearness, and the more the nearer they are, never more than half of it. */
export function neighborReason(place: Place, near: readonly Near[]): Reason | null {
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
