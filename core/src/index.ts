export { OutOfRange } from './outOfRange.ts';
export { gammaDraw, normalDraw, poissonDraw, seededRandom, type Random } from './maths/random.ts';
export { gammaCdf, gammaQuantile } from './maths/gamma.ts';

export { convert, GRADE_UNITS, UNITS, unitSize, type GradeUnit, type UnitKind } from './measures/units.ts';
export { bankVolume_L, CONTAINERS, DEFAULT_SWELL_PERCENT, type Container } from './measures/containers.ts';
export { describePitch, pitchSlope, type Pitch, type PitchKind } from './measures/pitch.ts';
export { sieveAperture_mm } from './measures/sieves.ts';
export { isTimeZone, localDay, momentOf, wallClock } from './measures/localTime.ts';
export { parseQuantity, volumeInLitres, type Entered, type Parsed } from './measures/parseQuantity.ts';
export {
  METRIC,
  showArea,
  showBulkGold,
  showDistance,
  showFlow,
  showLand,
  rangeText,
  showGold,
  showGrade,
  showGrainSize,
  showLength,
  showLoad,
  showPitch,
  showShear,
  showSmallLength,
  showSpeed,
  showTemperature,
  showThroughput,
  showVolume,
  significant,
  text,
  US,
  grouped,
  type Display,
  type Figure,
} from './measures/display.ts';

export { DENSITY_KG_M3, GRAVITY_M_S2 } from './grains/constants.ts';
export { freshWater, OPEN_SEA_G_KG, seaWater, type Water } from './grains/water.ts';
export { equivalentDiameter_m, FERGUSON_CHURCH, fergusonChurch_m_s } from './grains/fergusonChurch.ts';
export { dietrich_m_s, DIETRICH_LEAST_CSF } from './grains/dietrich.ts';
export { haiderLevenspiel_m_s, haiderLevenspielDrag } from './grains/haiderLevenspiel.ts';
export { flakeDisc, flakeSettling_m_s, grainSettling_m_s, type Range } from './grains/flake.ts';
export { USUAL_CSF } from './grains/constants.ts';
export { hinderedSettling_m_s, richardsonZakiExponent } from './grains/richardsonZaki.ts';

export { centreLine, MIDSTREAM_M, type Bank, type CentreLine, type OnLine } from './ground/centreLine.ts';
export { flowDirection, type FlowDirection } from './ground/flowDirection.ts';
export { hidePlace, type PlaceGiven } from './ground/hidePlace.ts';
export { inside } from './ground/inside.ts';
export { FED_BY, fedLogOdds, GOLD_SOURCES, type FedBy } from './read/fedBy.ts';
export { localPlane, type Position } from './ground/localPlane.ts';
export { ON_GROUND_M, standOnLine, WIDEST_FIX_M, type PositionFix, type Stand } from './ground/standOnLine.ts';
export { reshapeLine } from './ground/reshapeLine.ts';
export { thinLine } from './ground/thinLine.ts';

export {
  CLASS_MM,
  COLOR_CLASSES,
  COLOR_CV,
  COLOR_MG,
  countColors,
  effectiveColors,
  HANDBOOK_MG,
  addCounts,
  NO_COLORS,
  usualWeights,
  WEIGHED_CLASSES,
  USUAL_SCHOOL,
  WEIGHT_SCHOOLS,
  type ColorClass,
  type ColorCounts,
  type ColorWeights,
  type WeighedClass,
  type WeightSchool,
} from './sample/colorWeights.ts';
export {
  evidenceOf,
  goldColor_mg,
  meanColor_mg,
  sampleGrade,
  type GradeOptions,
  type SampleGrade,
  type SampleMeasure,
} from './sample/sampleGrade.ts';
export { chanceOfBlank, poissonLimits, USUAL_CONFIDENCE } from './sample/poissonLimits.ts';
export { CLIFTON_PARTICLES, volumeForParticles } from './sample/howMuchToTake.ts';
export { binomialLimits } from './sample/binomialLimits.ts';
export { judgedByItsTop } from './sample/bucketOrder.ts';
export { detectionLimit, EYES, PAN_FINISHES, PAN_LIGHTS, type SeenWith } from './sample/detectionLimit.ts';
export { chanceItPays, chanceOnMap } from './sample/chanceItPays.ts';
export {
  meanBand,
  bySections,
  inPlace,
  mapGround,
  MOST_CELLS,
  sampleWeights,
  type EstimateMethod,
  type GradedPlace,
  type GroundMap,
  type GroundProblem,
  type InPlace,
} from './sample/groundInPlace.ts';
export { correctForHands, handsRecovery, type GradeBand, type Recovery } from './sample/handsRecovery.ts';
export { inverseDistance, ordinaryKriging, polygonOfInfluence, USUAL_NEIGHBORS } from './sample/kriging.ts';
export { acrossOf, bankOf, DEPTH_STEP_M, layOut, type PlannedPoint, type SamplePattern } from './sample/layOut.ts';
export { learnColorWeights, meansOf, type ColorKnowledge, type LearnedWeight } from './sample/learnColorWeights.ts';
export { paySection, type PaySection } from './sample/paySection.ts';
export { openEnds, payStreak, type OpenEnd, type Streak, type StreakPoint } from './sample/payStreak.ts';
export {
  liesInPit,
  MATERIAL_NAMES,
  MATERIALS,
  payLayers,
  pitDepth_m,
  pitSum,
  UNSHORED_M,
  type LayerSum,
  type Material,
  type PitSum,
  type Dug,
} from './sample/pit.ts';
export {
  beliefBand_mg_L,
  beliefMean_mg_L,
  beliefQuantile_mg_L,
  chanceAbove,
  gradeBelief,
  likelyAtLeast_mg_L,
  type GradeBelief,
} from './sample/gradeBelief.ts';
export { poolGround, type GroundGrades, type SpotEvidence } from './sample/poolGround.ts';
export {
  goldOfLevel_mg_L,
  gradeHole,
  levelHole,
  type GradedLevel,
  type Hole,
  type HolePit,
  type LeveledHole,
} from './sample/hole.ts';
export {
  asPanPlace,
  nextPan,
  panWorths,
  type NextPan,
  type PanPlace,
  type PanRules,
  type PanWorth,
} from './read/nextPan.ts';
export { replayBest, type ReplayedBest } from './read/replayBest.ts';
export { replayChances, type ReplayedChance, type ReplayedGround } from './read/replayChances.ts';
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
} from './read/panForecast.ts';
export { breakEven, holeByHour, hourAtDepth, type HoleByHour, type HourAtDepth } from './sample/holeByHour.ts';
export {
  bandAfter,
  MOST_MORE_PANS,
  pansToCall,
  pansUntilWithin,
  type PansNeeded,
  type PansToCome,
} from './sample/morePans.ts';
export { chancesOfBest } from './sample/bestOfAll.ts';
export { chanceRicher } from './sample/richer.ts';
export { betweenPanScatter, scatterVariance, USUAL_SCATTER_VARIANCE, type Scatter } from './sample/scatter.ts';
export {
  countByWords,
  FIRST_SIZE_WORDS,
  sayCounts,
  wordsOf,
  type SizeWord,
  type WordCount,
} from './sample/sizeWords.ts';
export {
  crackGold_mg_m,
  crackVolume_L,
  paidByKind,
  squareMetre,
  type Band,
  type Bed,
  type Crack,
  type SquareMetre,
} from './sample/perMetre.ts';
export { pitGrades, type GradedPit, type PitGrades, type PitPan } from './sample/pitGrades.ts';
export {
  goldBySize,
  screenChoice,
  whichScreen,
  type FoundOnScreen,
  type GoldBySize,
  type Looked,
  type ScreenChoice,
  type WhichScreen,
} from './sample/screenChoice.ts';
export {
  characteristicSize_mm,
  CLOSES_WITHIN_PERCENT,
  dryMass,
  passingAt_percent,
  sizeCurve,
  type SizeCurve,
  medianThrough_mm,
} from './sample/sizeCurve.ts';
export {
  empiricalVariogram,
  fitVariogram,
  semivariance,
  VARIOGRAM_MODELS,
  type PlaneValue,
  type Variogram,
  type VariogramBin,
} from './sample/variogram.ts';

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
} from './read/signKinds.ts';
export {
  GUESSED_KINDS,
  guessRate,
  guessSigns,
  unseenGuesses,
  type GuessedKind,
  type GuessedSign,
  type LookedAt,
} from './read/guessSigns.ts';
export {
  gatherPlaces,
  withGuesses,
  NEAR_M,
  type GatheredPlace,
  type SignSeen,
  type SpotSeen,
} from './read/gatherPlaces.ts';
export { floodPeaks, thinLevels, type Level } from './read/gauge.ts';
export { isNoDig, NO_DIG_KINDS, waypointKind, type NoDigKind } from './read/noDig.ts';
export {
  CLAIM_HOLDERS,
  claimStretches,
  liesInStretch,
  type ClaimHolder,
  type ClaimStretch,
  type DrawnClaim,
} from './read/closedStretches.ts';
export {
  nextOpenDay,
  permissionOn,
  SOON_DAYS,
  type Day,
  type PermissionNote,
  type PermissionToday,
  type Standing,
} from './read/permission.ts';
export { byFloods, byStorms, type Renewal } from './read/renewal.ts';
export type { Place, Reason } from './read/place.ts';
export { worthAPan, type Ranked, type Ranking, type RankingRules } from './read/worthAPan.ts';
export { traceColors, type Trace, type TracePoint } from './read/trace.ts';
export { changePoint } from './read/changePoint.ts';
export { mixBelow, mustCarry } from './read/mixing.ts';
export { sourceAbove, sternberg } from './read/sternberg.ts';

export { carryingTrips, USUAL_TOOLS, WET_GRAVEL_KG_L } from './day/carry.ts';
export { daylight, LIGHTS_OF_DAY, type Daylight, type LightOfDay } from './day/daylight.ts';
export { weighOutfits, type Outfit, type OutfitDay, type WeighedOutfit } from './day/outfits.ts';
export {
  handPace,
  paceAt,
  USUAL_LOAD_KG,
  USUAL_STRIP_H_M3,
  USUAL_WASH_H_M3,
  type HandPace,
  type TimedRun,
  type WashedRun,
} from './day/handPace.ts';
export { pacePerPan, PANS_OF, USUAL_PAN_MIN, workMinutes, type Pace, type PanTaken } from './day/pace.ts';
export {
  EXACT_STOPS,
  finishPlan,
  planDay,
  leftToDig,
  timeDay,
  type DayPlan,
  type DayPlanStep,
  type DayProblem,
  type DayStop,
  type OpenHours,
  type StopTimes,
} from './day/planDay.ts';
export {
  CONSTITUENT_NAMES,
  fromGreenwich,
  hoursBelow,
  tideHeight_m,
  tideTurns,
  type Constituent,
  type ConstituentName,
  type Tide,
  type TideTurn,
} from './day/tide.ts';
export { DRY_IN_SUMMER, secondWater, type WaterHole } from './day/secondWater.ts';
export { walkingMinutes, walkingSpeed_m_s, type WalkedLine } from './day/walking.ts';

export { BROKEN_OFF_MS, DOUBLE_TAP_MS, type RunEvent } from './run/inOrder.ts';
export {
  arrangements,
  crewPace,
  MOST_HANDS,
  type CrewPace,
  type PacedRun,
  type TaskTime,
  type TimedRound,
  type WayToStand,
} from './run/crewPace.ts';
export { TASKS, workLine, type LineRun, type Post, type Task } from './run/workLine.ts';
export { goOnTo, tallyRun, type RunTally } from './run/tallyRun.ts';
export { addTaps, asRunEvent, type LoggedTap, type TapTally } from './run/addTaps.ts';
export { keepTally } from './run/keepTally.ts';
export {
  GOLD_UNITS,
  RICHEST_MG_L,
  unlikelyGold,
  type ExpectedGold,
  type GoldUnit,
  type UnlikelyGold,
} from './clean/unlikelyGold.ts';
export { HEAD_STRETCH_M, sectionSplit, type BoxSection, type SectionSplit } from './clean/sectionSplit.ts';
export { creditGold, type CleanupCredit, type Credit } from './books/creditGold.ts';
export {
  exactSum_mg,
  groupBook,
  goldAnHour_mg,
  keepBook,
  type BookAmounts,
  type BookGroup,
  type GroundBook,
  type KeptTally,
  type WeighedCleanup,
} from './books/keepBook.ts';
export { whatItTook, type Took, type TookRun } from './books/whatItTook.ts';
export {
  GOLD_DEEDS,
  goldLedger,
  shareOut,
  statements,
  TOGETHER,
  UNSORTED,
  type GoldDeed,
  type GoldIn,
  type GoldLedger,
  type Statement,
  type Vial,
} from './books/goldLedger.ts';
export { whyOff, type OffBy, type OffCause, type PromisedAndCame, type WhyOff } from './books/whyOff.ts';
export { fedAgain, fedBefore, shareRinse, type FedCarpet } from './books/rinseOut.ts';
export {
  weighedCleanups,
  type BookCleanup,
  type BookLift,
  type BookRun,
  type BookSetup,
} from './books/weighedCleanups.ts';

export {
  gradeOf,
  gradeOptions,
  groundColors,
  measureOf,
  samplesBySpot,
  withCounts,
  type GroundColors,
  type PannedMeasure,
  type SpotPan,
} from './sample/groundColors.ts';
export { pannedGround, type PannedGround } from './sample/pannedGround.ts';
export { bestSpot, gradeSpots, provenRank, spotGrades, type Leader, type SpotGrade } from './sample/spotGrades.ts';
export { bestOf, meaningOf, type Meaning, type SpotMeaning } from './sample/meaningOf.ts';
export { ownRecord, type MeasuredRun, type OpenedForecast } from './sample/ownRecord.ts';
export { dryBesideWet, type DryBesideWet } from './sample/dryBesideWet.ts';
export { handsForSizes, handsOf, type PannerSeeding, type SizedSeeding } from './sample/handsOf.ts';
export {
  boxAbout,
  outlineOnGround,
  placesOf,
  reachOf,
  withinReach,
  type Corner,
  type DepthWindow,
  type LineSpot,
  type PlacedGround,
  type PlacedSpot,
  type SpotPit,
} from './sample/placesInPlace.ts';
export { fitPlaces } from './sample/fitPlaces.ts';
export { bedHeights_m, type BedOfGround } from './ground/bedHeights.ts';
export { triedSpots } from './read/triedSpots.ts';
export {
  floatGrows,
  floatStones,
  floatTrend,
  LEAVES_VEIN_MM,
  trailOf,
  type FloatSign,
  type FloatStone,
  type FloatTrend,
} from './read/trail.ts';
export {
  mouthsOf,
  mouthsThatFeed,
  mouthsWithin,
  type JoiningGround,
  type Mouth,
  type MouthNeeds,
} from './read/mouths.ts';
export { chanceToPay, likelyGrades, type LikelyGrade, type Panned } from './read/chanceToPay.ts';
export { rankPlaces, type PlaceRanking, type RankedPlace } from './read/rankPlaces.ts';
export {
  RIVER_FRESH_H,
  riverIsFresh,
  isAhead,
  riverNow,
  underWater,
  type RiverNow,
  type RiverReading,
} from './read/riverNow.ts';
export {
  dayCandidates,
  dayVisits,
  USUAL_REST_MIN,
  withSlack,
  dayProblem,
  panningPace,
  walkedLine,
  type Candidate,
  type DayAsked,
  type DaySpot,
} from './day/dayCandidates.ts';
export { readingVerdict, USUAL_PAYS_MG_L, type ReadingVerdict } from './read/verdict.ts';
export { coinTrial, type CoinRound, type CoinTrial } from './books/coinTrial.ts';
export { repeatWeighing, type RepeatWeighing } from './clean/repeatWeighing.ts';
export { leftInTub } from './clean/leftInTub.ts';
export { tailsAgain, type TailsAgain } from './clean/tailsAgain.ts';
export { lossBySize, type LossBySize, type SizeLoss } from './clean/lossBySize.ts';
export * from './set/index.ts';
export * from './walk/index.ts';
export * from './dry/index.ts';
export * from './finish/index.ts';
export * from './beach/index.ts';
