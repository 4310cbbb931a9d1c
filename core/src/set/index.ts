// The box, its water and what it catches: what the rest of the house may take from this room.
export { adviseBox, toldDepth_m, WORKS_OFTEN, type BoxAdvice, type Lever, type Reach } from './adviseBox.ts';
export { MEDIAN_BOX, type BoxParameters } from './boxParameters.ts';
export { boxWindow, toleranceAt, type BoxWindow, type Tolerance, type WindowSpan } from './boxWindow.ts';
export { catchCurves, type CatchCurve } from './catchCurves.ts';
export { catchScale, type CatchFound, type CatchScale } from './catchScale.ts';
export { fractionSizes_m, type CleanUpFound, type FoundOfSize, type FoundStretch } from './cleanSplits.ts';
export { blackSandShare, cleanUpAfter_m3 } from './cleanUpAfter.ts';
export { drawdown, type SurfacePoint } from './drawdown.ts';
export { FAULT_IDS, faultsOf, type Fault, type FaultId } from './faults.ts';
export { feedCapacity, PRUDENT_SHARE, type FeedCapacity } from './feed.ts';
export { floorFlowAtDepth, floorFlowAtRate, type FloorFlow, type LinedFloor } from './floorFlow.ts';
export {
  forecastClean,
  type CleanForecast,
  type EarlierClean,
  type FedGround,
  type FedThrough,
} from './forecastClean.ts';
export { mixOf, USUAL_MIX, type GoldShare } from './goldMix.ts';
export { lieByTurning, slopeByLine, type Lie, type Tilt } from './levelBox.ts';
export { LINING_IDS, liningOf, LININGS, type Lining, type LiningId, type OwnLining } from './linings.ts';
export { loadUp, type FilledSection, type FillingSection } from './loadUp.ts';
export { flowAtDepth, flowAtRate, type Channel, type UniformFlow } from './manning.ts';
export { measureBox, MEASURED_INPUTS, type BoxEvidence, type MeasuredBox, type MeasuredInput } from './measureBox.ts';
export { flowByBucket_m3_s, flowByFloat_m3_s, flowByNotch_m3_s, USUAL_SURFACE_FACTOR } from './measureFlow.ts';
export {
  HOSE_ROUGHNESS_M,
  minorLossOf,
  pumpThrough,
  VALVES,
  wingDam_m3_s,
  type Hose,
  type Pump,
  type Pumped,
  type ValveOpen,
} from './pump.ts';
export {
  boxLength_m,
  solveBox,
  toldSection,
  USUAL_CREW_M3_S,
  type BoxSetting,
  type LinedSection,
  type SolvedBox,
  type SolvedSection,
} from './solveBox.ts';
export { largestStone_m, movingShear } from './stones.ts';
export { stonesClear, type StonesClear } from './stonesClear.ts';
export { remedyFor, seeBox, SYMPTOM_IDS, type Cause, type Seen, type SeenBox, type SymptomId } from './symptoms.ts';
export { drawnBoxes, HOLDS_LEAST, weighBox, type DrawnBoxes, type Spread, type WeighedBox } from './weighBox.ts';
export { surfaceAlong, type WaterSurface } from './surfaceAlong.ts';
export {
  followBox,
  FRAME_S,
  frameSound,
  LEAST_LISTENING_S,
  learnSound,
  soundsApart,
  TOLD_APART,
  type BoxHeard,
  type HeardNow,
  type HeardSound,
  type LearnedBox,
  type SoundFrame,
} from './hearBox.ts';
export { madeUpSound, type MadeUpBox, type Rolling } from './madeUpSound.ts';
