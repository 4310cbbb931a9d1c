import { chanceAbove } from '../sample/gradeBelief.ts';
import { bestSpot, type Leader, type SpotGrade } from '../sample/spotGrades.ts';
import type { PlaceRanking, RankedPlace } from './rankPlaces.ts';

/** Grade from which ground pays, mg/L bank, where nobody said what pays them. Stated assumption. */
export const USUAL_PAYS_MG_L = 0.15;

/** What a verdict tells of the place that leads: figures alone, so that it can be kept and sent. */
export type Told = Pick<Leader, 'spotId' | 'grade' | 'volumeBank_L' | 'pulled'>;

/** What one reads of a ground, in kinds and figures; the screen says it. */
export type ReadingVerdict =
  /** Nothing but what the line hints at, the likeliest of it. */
  | { readonly kind: 'nothing marked'; readonly lookFirst: RankedPlace | null }
  | { readonly kind: 'not ranked yet' }
  /** Something is marked, but only what points elsewhere: stones, notes, a camp. */
  | { readonly kind: 'nothing to dig at' }
  | {
      /** One spot leads: `apart`, it is the richest with nine chances in ten; else it is only the best so far. */
      readonly kind: 'work';
      readonly best: Told;
      readonly apart: boolean;
      /** Does it pay, likelier than not? */
      readonly worthIt: boolean;
      readonly secondId: string | null;
      readonly blankTwice: readonly string[];
    }
  | {
      readonly kind: 'pan next';
      readonly place: RankedPlace;
      /** Chance that any place of this ground pays. */
      readonly baseChance: number;
      readonly best: Told | null;
      /** Signs that speak for it, and the word on colors beside it where there is one. */
      readonly signsFor: number;
      readonly beside: string | null;
      readonly panned: boolean;
      readonly blankTwice: readonly string[];
    };

/** Colors beside a place count as a reason from this on, log odds. */
const BESIDE_FROM = 0.1;

/** From this chance on one spot is called the best of its ground, and worth the work. */
const CALLED = 0.9;
const WORTH = 0.5;

/**
 * Where to pan next and why, or which spot to work. A spot is worked before the next is panned when it leads the others beyond doubt, or when no place
 * that was not tried is likelier to pay than those that were.
 * @param marked spots still marked on the ground
 * @param ranking null: not ranked yet, so that only the best spot can be told; `next`: the place whose pan tells most (see `nextPan`), which is the one
 *   to pan next, likeliest or not
 */
export function readingVerdict(
  grades: ReadonlyMap<string, SpotGrade>,
  marked: ReadonlySet<string>,
  ranking: (PlaceRanking & { readonly next?: RankedPlace | null }) | null,
  pays_mg_L: number,
  anySigns = false,
): ReadingVerdict {
  const top = ranking?.ranked[0];
  if (marked.size === 0 && !anySigns && (!top || top.place.kinds.length === 0))
    return { kind: 'nothing marked', lookFirst: top ?? null };
  const standing = [...grades.values()].filter((g) => marked.has(g.spotId));
  const best = bestSpot(standing);
  const second = best && bestSpot(standing.filter((g) => g.spotId !== best.spotId));
  const apart = best !== null && second !== null && best.chanceBest >= CALLED;
  const blankTwice = standing.flatMap((g) => (g.blanks > 1 ? [g.spotId] : []));
  const untried = ranking?.untried[0];
  if (best && (apart || !ranking || !untried || top !== untried))
    return {
      kind: 'work',
      best: told(best),
      apart,
      worthIt: chanceAbove(best.pooled, pays_mg_L) >= WORTH,
      secondId: second?.spotId ?? null,
      blankTwice,
    };
  if (!ranking) return { kind: 'not ranked yet' };
  if (!untried) return { kind: 'nothing to dig at' };
  const place = ranking.next ?? untried;
  return {
    kind: 'pan next',
    place,
    baseChance: ranking.baseChance,
    best: best && told(best),
    signsFor: place.reasons.filter((r) => r.from === 'sign' && r.logOdds > 0).length,
    beside: place.reasons.find((r) => r.from === 'neighbors' && r.logOdds > BESIDE_FROM)?.says ?? null,
    panned: grades.size > 0,
    blankTwice,
  };
}

const told = ({ spotId, grade, volumeBank_L, pulled }: Leader): Told => ({ spotId, grade, volumeBank_L, pulled });
