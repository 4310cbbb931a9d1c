// Pans, samples and what they come to: what the rest of the house may take from this room.
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
} from './colorWeights.ts';
export {
  evidenceOf,
  goldColor_mg,
  meanColor_mg,
  sampleGrade,
  type GradeOptions,
  type SampleGrade,
  type SampleMeasure,
} from './sampleGrade.ts';
export { chanceOfBlank, poissonLimits, USUAL_CONFIDENCE } from './poissonLimits.ts';
export { CLIFTON_PARTICLES, volumeForParticles } from './howMuchToTake.ts';
export { binomialLimits } from './binomialLimits.ts';
export { judgedByItsTop } from './bucketOrder.ts';
export { detectionLimit, EYES, PAN_FINISHES, PAN_LIGHTS, type SeenWith } from './detectionLimit.ts';
export { chanceItPays, chanceOnMap } from './chanceItPays.ts';
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
} from './groundInPlace.ts';
export { correctForHands, handsRecovery, type GradeBand, type Recovery } from './handsRecovery.ts';
export { inverseDistance, ordinaryKriging, polygonOfInfluence, USUAL_NEIGHBORS } from './kriging.ts';
export { acrossOf, bankOf, DEPTH_STEP_M, layOut, type PlannedPoint, type SamplePattern } from './layOut.ts';
export { learnColorWeights, meansOf, type ColorKnowledge, type LearnedWeight } from './learnColorWeights.ts';
export { paySection, type PaySection } from './paySection.ts';
export { openEnds, payStreak, type OpenEnd, type Streak, type StreakPoint } from './payStreak.ts';
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
} from './pit.ts';
export {
  beliefBand_mg_L,
  beliefMean_mg_L,
  beliefQuantile_mg_L,
  chanceAbove,
  gradeBelief,
  likelyAtLeast_mg_L,
  type GradeBelief,
} from './gradeBelief.ts';
export { poolGround, type GroundGrades, type SpotEvidence } from './poolGround.ts';
export {
  goldOfLevel_mg_L,
  gradeHole,
  levelHole,
  type GradedLevel,
  type Hole,
  type HolePit,
  type LeveledHole,
} from './hole.ts';
export { breakEven, holeByHour, hourAtDepth, type HoleByHour, type HourAtDepth } from './holeByHour.ts';
export {
  bandAfter,
  MOST_MORE_PANS,
  pansToCall,
  pansUntilWithin,
  type PansNeeded,
  type PansToCome,
} from './morePans.ts';
export { chancesOfBest } from './bestOfAll.ts';
export { chanceRicher } from './richer.ts';
export { betweenPanScatter, scatterVariance, USUAL_SCATTER_VARIANCE, type Scatter } from './scatter.ts';
export { countByWords, FIRST_SIZE_WORDS, sayCounts, wordsOf, type SizeWord, type WordCount } from './sizeWords.ts';
export {
  crackGold_mg_m,
  crackVolume_L,
  paidByKind,
  squareMetre,
  type Band,
  type Bed,
  type Crack,
  type SquareMetre,
} from './perMetre.ts';
export { pitGrades, type GradedPit, type PitGrades, type PitPan } from './pitGrades.ts';
export {
  goldBySize,
  screenChoice,
  whichScreen,
  type FoundOnScreen,
  type GoldBySize,
  type Looked,
  type ScreenChoice,
  type WhichScreen,
} from './screenChoice.ts';
export {
  characteristicSize_mm,
  CLOSES_WITHIN_PERCENT,
  dryMass,
  passingAt_percent,
  sizeCurve,
  type SizeCurve,
  medianThrough_mm,
} from './sizeCurve.ts';
export {
  empiricalVariogram,
  fitVariogram,
  semivariance,
  VARIOGRAM_MODELS,
  type PlaneValue,
  type Variogram,
  type VariogramBin,
} from './variogram.ts';
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
} from './groundColors.ts';
export { pannedGround, type PannedGround } from './pannedGround.ts';
export { bestSpot, gradeSpots, provenRank, spotGrades, type Leader, type SpotGrade } from './spotGrades.ts';
export { bestOf, meaningOf, type Meaning, type SpotMeaning } from './meaningOf.ts';
export { ownRecord, type MeasuredRun, type OpenedForecast } from './ownRecord.ts';
export { dryBesideWet, type DryBesideWet } from './dryBesideWet.ts';
export { handsForSizes, handsOf, type PannerSeeding, type SizedSeeding } from './handsOf.ts';
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
} from './placesInPlace.ts';
export { fitPlaces } from './fitPlaces.ts';
