import type { StoredGround, StoredSpot } from '@riffle/contract';
import {
  asPanPlace,
  byFloods,
  byStorms,
  bankVolume_L,
  guessSigns,
  likeliest,
  likelyGrades,
  mouthsOf,
  nextPan,
  panForecast,
  rankPlaces,
  traceColors,
  trailOf,
  triedSpots,
  underWater,
  unseenGuesses,
  USUAL_PAN_MIN,
  type ClaimStretch,
  type GatheredPlace,
  type GuessedSign,
  type Mouth,
  type PanRules,
  type PanSays,
  type PlaceRanking,
  type Renewal,
  type Trace,
  type TracePoint,
} from '@riffle/core';
import { shutClaim } from '../ground/claims.ts';
export { claimsOf } from '../ground/claims.ts';
import type { Preferences } from '../preferences/preferences.ts';
import { shoreOf } from '../shore/shoreOf.ts';
import { hopeWords, nextWords, stepWords, type NextStep } from './nextWords.ts';
import type { Reading } from './useReading.ts';

/** What of the person's choices a ranking goes by; and what their pan holds, L. */
export type RankingChoices = Pick<Preferences, 'pays_mg_L' | 'reach_m' | 'priors'> & { readonly pan_L: number };

/** Places of a ground by the chance that a pan there pays, with the trail that speaks in it. */
export interface RankedReading extends PlaceRanking {
  readonly tried: readonly TracePoint[];
  readonly trace: Trace;
  /** Every mouth of a draw, however it is known. */
  readonly mouths: readonly Mouth[];
  /** Signs the line hints at that nobody has seen. */
  readonly guesses: readonly GuessedSign[];
  /** Drawn claims along the line, as the crew's notes stand today. */
  readonly claims: readonly ClaimStretch[];
  /** Lies a place in a claim that may not be dug today? */
  readonly isShut: (place: GatheredPlace) => boolean;
  /** How pans of this ground are weighed against each other. */
  readonly panRules: PanRules;
  /** What Riffle would say of the next pan at a spot; null where the spot is in no ranking. */
  readonly foretell: (spotId: string) => PanSays | null;
  /** Null where no pan would change where one digs. */
  readonly next: NextStep | null;
  /** The same in one line, which every screen says. */
  readonly nextSays: string;
}

/** Fewer counted colors than this are not worth the scale. Common practice, no source. */
const WORTH_WEIGHING = 5;

export function rankReading(
  reading: Reading,
  spots: readonly StoredSpot[],
  choices: RankingChoices,
  /** Drawn claims as they stand today. */
  claims: readonly ClaimStretch[],
): RankedReading {
  const { signs, draws, colors, grades, together, swell_percent } = reading;
  const tried = triedSpots(spots, grades);
  const trace = traceColors(tried);
  const now_ms = Date.now();
  // A ground that an earlier Riffle kept on this device says nothing of what was looked at.
  const looked = (reading.ground as Partial<StoredGround>).lookedAt ?? [];
  const guesses = canGuess(reading.ground)
    ? unseenGuesses(guessSigns(reading.ground, looked), [...spots, ...signs])
    : [];
  const renewal = renewalOf(reading, spots, now_ms);
  const rank = (some: readonly StoredSpot[]): PlaceRanking =>
    rankPlaces(
      some,
      signs,
      draws,
      grades,
      {
        ...choices,
        fedBy: reading.ground.fedBy,
        ...trailOf(trace, signs),
        ...(together && { spotCv: together.cv }),
      },
      renewal,
      now_ms,
      guesses,
    );
  const ranking = rank(spots);
  const counted = [...grades.values()].reduce((sum, g) => sum + g.counted, 0);
  const panRules: PanRules = {
    pays_mg_L: choices.pays_mg_L,
    spotCv: together?.cv ?? 1,
    pan_L: bankVolume_L(choices.pan_L, swell_percent),
    color_mg: grades.size > 0 ? colors.luckColor_mg : colors.blankColor_mg,
    panVariance: colors.panVariance,
    canWeigh: counted >= WORTH_WEIGHING,
  };
  // A bag of a plan is no place yet in the list, but its pan may be the one that tells most.
  const withBags = spots.some((s) => s.samplePlanId !== null)
    ? rank(spots.map((s) => ({ ...s, samplePlanId: null })))
    : ranking;
  const next = nextStep(withBags, reading, spots, panRules, claims, now_ms);
  return {
    tried,
    trace,
    mouths: mouthsOf(spots, signs, draws, tried),
    ...ranking,
    guesses,
    claims,
    isShut: (place) => shutClaim(claims, place) !== undefined,
    next,
    nextSays: nextWords(next),
    foretell: (spotId) => foretell(withBags, panRules, spotId),
    panRules,
  };
}

/** What lays the ground anew: storms on a beach, floods elsewhere. */
function renewalOf({ ground, signs, swell, readings }: Reading, spots: readonly StoredSpot[], now_ms: number): Renewal {
  if (ground.kind !== 'beach') return byFloods(readings, now_ms);
  const { storms, slope, toe } = shoreOf(ground, signs, swell, now_ms);
  const levels = new Map(spots.map((s) => [s.id, s.worksBelow_m]));
  return byStorms(storms, slope, toe, (id) => levels.get(id) ?? null);
}

/** Only running water is read from its line. */
const canGuess = ({ kind }: StoredGround): boolean => kind === 'creek' || kind === 'wash';

function nextStep(
  { ranked }: PlaceRanking,
  { river }: Reading,
  spots: readonly StoredSpot[],
  rules: PanRules,
  claims: readonly ClaimStretch[],
  now_ms: number,
): NextStep | null {
  const spotById = new Map(spots.map((s) => [s.id, s]));
  const found = nextPan(
    ranked.map((r) =>
      asPanPlace(
        r,
        USUAL_PAN_MIN,
        underWater(spotById.get(r.place.spotId ?? ''), river, now_ms) || shutClaim(claims, r.place) !== undefined,
      ),
    ),
    rules,
  );
  const byId = new Map(ranked.map((r) => [r.place.id, r]));
  const at = found && byId.get(found.id);
  if (!found || !at) return null;
  const nameOf = (id: string | null): string | null => (id === null ? null : (byId.get(id)?.place.name ?? null));
  const step = { ...found, at, digsAt: nameOf(found.digs), insteadAt: nameOf(found.instead) };
  return { ...step, hope: hopeWords(step), stepAt: (far) => stepWords(step, far) };
}

function foretell({ ranked }: PlaceRanking, rules: PanRules, spotId: string): PanSays | null {
  const at = ranked.find((r) => r.place.spotId === spotId);
  if (!at) return null;
  const { chanceBefore, panned } = asPanPlace(at, USUAL_PAN_MIN);
  return likeliest(panForecast(likelyGrades(chanceBefore, panned, rules.pays_mg_L, rules.spotCv), rules));
}
