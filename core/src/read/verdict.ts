import { bestSpot, type SpotGrade } from '../sample/spotGrades.ts';
import type { PlaceRanking, RankedPlace } from './rankPlaces.ts';

type Banded = NonNullable<ReturnType<typeof bestSpot>>;

/** What one reads of a ground, in kinds and figures; the screen says it. */
export type ReadingVerdict =
  | { readonly kind: 'nothing marked' }
  | { readonly kind: 'not ranked yet' }
  | {
      /** One spot leads: `apart`, its band lies wholly above the second's; else it is only the best so far. */
      readonly kind: 'work';
      readonly best: Banded;
      readonly apart: boolean;
      readonly secondId: string | null;
      readonly blankTwice: readonly string[];
    }
  | {
      readonly kind: 'pan next';
      readonly place: RankedPlace;
      /** Chance that any place of this ground pays. */
      readonly baseChance: number;
      readonly best: Banded | null;
      /** Signs that speak for it, and the word on colors beside it where there is one. */
      readonly signsFor: number;
      readonly beside: string | null;
      readonly panned: boolean;
      readonly blankTwice: readonly string[];
    };

/** Colors beside a place count as a reason from this on, log odds. */
const BESIDE_FROM = 0.1;

/** Where to pan next and why, or which spot to work. A spot is worked before the next is panned when it leads by its band or by the ranking too. */
export function readingVerdict(
  grades: ReadonlyMap<string, SpotGrade>,
  /** Spots still marked on the ground. */
  marked: ReadonlySet<string>,
  /** Null: not ranked yet, so that only the best spot can be told. */
  ranking: PlaceRanking | null,
): ReadingVerdict {
  const top = ranking?.ranked[0];
  if (marked.size === 0 && !top) return { kind: 'nothing marked' };
  const best = bestSpot(grades.values());
  const second = [...grades.values()]
    .flatMap((g) => (g.spotId !== best?.spotId && g.grade.kind === 'band' ? [{ id: g.spotId, ...g.grade }] : []))
    .sort((a, b) => b.grade_mg_L - a.grade_mg_L)[0];
  const apart = best !== null && second !== undefined && best.grade.low_mg_L > second.high_mg_L;
  const blankTwice = [...grades.values()].flatMap((g) => (g.blanks > 1 && marked.has(g.spotId) ? [g.spotId] : []));
  if (best && marked.has(best.spotId) && (apart || !top || top.place.spotId === best.spotId))
    return { kind: 'work', best, apart, secondId: second && marked.has(second.id) ? second.id : null, blankTwice };
  if (!top || !ranking) return { kind: 'not ranked yet' };
  return {
    kind: 'pan next',
    place: top,
    baseChance: ranking.baseChance,
    best: best && marked.has(best.spotId) ? best : null,
    signsFor: top.reasons.filter((r) => r.from === 'sign' && r.logOdds > 0).length,
    beside: top.reasons.find((r) => r.from === 'neighbors' && r.logOdds > BESIDE_FROM)?.says ?? null,
    panned: grades.size > 0,
    blankTwice,
  };
}
