import type { SpotGrade } from '../sample/spotGrades.ts';
import { gatherPlaces, withGuesses, type GatheredPlace, type SignSeen, type SpotSeen } from './gatherPlaces.ts';
import type { GuessedSign } from './guessSigns.ts';
import type { JoiningGround } from './mouths.ts';
import { isNoDig } from './noDig.ts';
import type { Renewal } from './renewal.ts';
import { signKind } from './signKinds.ts';
import type { Panned } from './chanceToPay.ts';
import { worthAPan, type Ranked, type RankingRules } from './worthAPan.ts';

export interface RankedPlace extends Omit<Ranked, 'place'> {
  readonly place: GatheredPlace;
  readonly panned: Panned | null;
}

export interface PlaceRanking {
  /** All places one could dig at, likeliest first. */
  readonly ranked: readonly RankedPlace[];
  /** Those that showed gold: places to go back to; and the others: places to try next. Each likeliest first. */
  readonly proven: readonly RankedPlace[];
  readonly untried: readonly RankedPlace[];
  readonly outOfReach: readonly GatheredPlace[];
  /** Chance that a place of this ground pays when nothing else is known of it. */
  readonly baseChance: number;
}

/** So long after a flood its skins are taken to lie there still. Common practice, no source: till the next hands or the next water. */
const FRESH_DAYS = 60;
const DAY_MS = 86_400_000;

/** A stone that rolled points to where it came from; it is no place to dig. Nor is a note. */
function isPlaceToDig(p: GatheredPlace, panned: boolean): boolean {
  return (
    panned ||
    p.own !== null ||
    (p.spotId !== null && p.kinds.length === 0) ||
    p.kinds.some((kind) => {
      const { family } = signKind(kind);
      return family !== 'note' && kind !== 'float' && kind !== 'stained float';
    })
  );
}

/** Places of a ground by the chance that a pan there pays: spots, signs and draws gathered, with what the pans said so far. */
export function rankPlaces(
  spots: readonly (SpotSeen & { readonly samplePlanId: string | null })[],
  signs: readonly SignSeen[],
  draws: readonly JoiningGround[],
  grades: ReadonlyMap<string, SpotGrade>,
  rules: RankingRules,
  /** What lays its places anew; null: nothing is known of it. */
  renewal: Renewal | null,
  now_ms: number,
  /** What the line hints at and nobody has seen. */
  guesses: readonly GuessedSign[] = [],
): PlaceRanking {
  // A point of a plan is no place of its own until it was panned: its plan says when it is dug. Nor is a camp.
  const gathered = gatherPlaces(
    spots.filter((s) => (s.samplePlanId === null && !isNoDig(s.kind)) || grades.has(s.id)),
    [...signs, ...draws.map(mouthSign)],
  );
  const lastPan_ms = (spotId: string | null): number => (spotId === null ? 0 : (grades.get(spotId)?.lastTaken_ms ?? 0));
  const pannedAt = (place: GatheredPlace): Panned | null => {
    const found = place.spotId === null ? undefined : grades.get(place.spotId);
    if (!found) return null;
    const { grade_mg_L, oneColor_mg_L, scatterVariance, commonLogSd } = found.hole.evidence;
    return {
      volumeBank_L: found.volumeBank_L,
      colors: found.colors,
      color_mg: oneColor_mg_L * found.volumeBank_L,
      gold_mg: grade_mg_L * found.volumeBank_L,
      scatterVariance,
      commonLogSd,
      laidAnew: renewal?.since(place, lastPan_ms(place.spotId)) ?? 0,
    };
  };
  const places = withGuesses(
    gathered.filter((place) => isPlaceToDig(place, pannedAt(place) !== null)),
    guesses,
  ).map((place) => ({ place, panned: pannedAt(place) }));
  const byId = new Map(places.map((p) => [p.place.id, p]));
  const { ranked, outOfReach, baseChance } = worthAPan(
    places.map(({ place, panned }) => ({
      ...place,
      panned,
      fresh: renewal?.since(place, Math.max(lastPan_ms(place.spotId), now_ms - FRESH_DAYS * DAY_MS)) ?? 0,
    })),
    { ...rules, ...(renewal && { renewedBy: renewal.by }) },
  );
  const all = ranked.flatMap((r) => {
    const found = byId.get(r.place.id);
    return found ? [{ ...r, ...found }] : [];
  });
  const showedGold = (r: RankedPlace): boolean => r.panned !== null && r.panned.colors > 0;
  return {
    ranked: all,
    proven: all.filter(showedGold),
    untried: all.filter((r) => !showedGold(r)),
    outOfReach: outOfReach.flatMap((p) => byId.get(p.id)?.place ?? []),
    baseChance,
  };
}

/** The mouth of a ground that runs in here, as a sign where nobody marked one. */
const mouthSign = (draw: JoiningGround): SignSeen => ({
  id: `draw-${draw.id}`,
  kind: 'draw mouth',
  distance_m: draw.distance_m,
  bank: draw.bank,
  offset_m: 0,
  cover_m: null,
  weight: null,
  note: '',
  name: draw.name,
});
