// Signs, blanks, floods and what they say of a ground: what the rest of the house may take from this room.
export { FED_BY, fedLogOdds, GOLD_SOURCES, type FedBy } from './fedBy.ts';
export {
  asPanPlace,
  nextPan,
  panWorths,
  type NextPan,
  type PanPlace,
  type PanRules,
  type PanWorth,
} from './nextPan.ts';
export { replayBest, type ReplayedBest } from './replayBest.ts';
export { replayChances, type ReplayedChance, type ReplayedGround } from './replayChances.ts';
export {
  cameOf,
  eyeRecord,
  likeliest,
  PAN_SAYS,
  panForecast,
  type EyeRecord,
  type EyeTally,
  type ForetoldPan,
  type PanSays,
} from './panForecast.ts';
export {
  COMBINATIONS,
  COMMON_BASE,
  OWN_KIND,
  SIGN_KINDS,
  SIGN_KIND_NAMES,
  SIGN_TRAITS,
  signKind,
  type AnyKind,
  type OwnKind,
  type SignFamily,
  type SignKind,
  type SignKindName,
  type SignTrait,
} from './signKinds.ts';
export {
  GUESSED_KINDS,
  guessRate,
  guessSigns,
  unseenGuesses,
  type GuessedKind,
  type GuessedSign,
  type LookedAt,
} from './guessSigns.ts';
export { gatherPlaces, withGuesses, NEAR_M, type GatheredPlace, type SignSeen, type SpotSeen } from './gatherPlaces.ts';
export { floodPeaks, thinLevels, type Level } from './gauge.ts';
export { isNoDig, NO_DIG_KINDS, waypointKind, type NoDigKind } from './noDig.ts';
export {
  CLAIM_HOLDERS,
  claimStretches,
  liesInStretch,
  type ClaimHolder,
  type ClaimStretch,
  type DrawnClaim,
} from './closedStretches.ts';
export {
  nextOpenDay,
  permissionOn,
  SOON_DAYS,
  type Day,
  type PermissionNote,
  type PermissionToday,
  type Standing,
} from './permission.ts';
export { byFloods, byStorms, type Renewal } from './renewal.ts';
export type { Place, Reason } from './place.ts';
export { worthAPan, type Ranked, type Ranking, type RankingRules } from './worthAPan.ts';
export { traceColors, type Trace, type TracePoint } from './trace.ts';
export { changePoint } from './changePoint.ts';
export { mixBelow, mustCarry } from './mixing.ts';
export { sourceAbove, sternberg } from './sternberg.ts';
export { triedSpots } from './triedSpots.ts';
export {
  floatGrows,
  floatStones,
  floatTrend,
  LEAVES_VEIN_MM,
  trailOf,
  type FloatSign,
  type FloatStone,
  type FloatTrend,
} from './trail.ts';
export { mouthsOf, mouthsThatFeed, mouthsWithin, type JoiningGround, type Mouth, type MouthNeeds } from './mouths.ts';
export { chanceToPay, likelyGrades, type LikelyGrade, type Panned } from './chanceToPay.ts';
export { rankPlaces, type PlaceRanking, type RankedPlace } from './rankPlaces.ts';
export {
  RIVER_FRESH_H,
  riverIsFresh,
  isAhead,
  riverNow,
  underWater,
  type RiverNow,
  type RiverReading,
} from './riverNow.ts';
export { readingVerdict, USUAL_PAYS_MG_L, type ReadingVerdict } from './verdict.ts';
