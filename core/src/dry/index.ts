// Dry washers and the air in them: what the rest of the house may take from this room.
export { dryAir, type Air } from './air.ts';
export {
  airSizes,
  carriesFlake_m_s,
  justLoosened_m,
  liftsFlake_m_s,
  liftsGrain_m_s,
  loosens_m_s,
  type AirSizes,
} from './airSizes.ts';
export {
  batteryHours,
  bellowsAir,
  blowerAir,
  openShare,
  puffsPerMinute,
  type Cloth,
  type ClothAir,
} from './bellows.ts';
export { haulOrDry, type DryWay, type HaulOrDry, type HaulWay, type ToWash, type WayCost } from './haulOrDry.ts';
export {
  weighWays,
  type Decides,
  type Unsure,
  type UnsureDry,
  type UnsureHaul,
  type WashWay,
  type WeighedWay,
  type WeighedWays,
} from './weighWays.ts';
export { leftOfSize, passesOver, type CaughtShare, type Pass } from './passes.ts';
export { drawWashers, MEDIAN_WASHER, PASS_SCATTER, type WasherParameters } from './washerParameters.ts';
export { measureWasher, type MeasuredWasher, type WasherEvidence } from './measureWasher.ts';
export { seeWasher, WASHER_SYMPTOMS, type SeenAtWasher, type SeenWasher, type WasherSymptom } from './seeWasher.ts';
export { SQUEEZES_PERCENT, type Squeeze } from './squeeze.ts';
export { washerWindow, type WasherSpan, type WasherWindow } from './washerWindow.ts';
export { weighPasses, type PassWorth, type WeighedPass } from './weighPasses.ts';
export {
  CLOTHS_PA_S_M,
  heldGrain,
  solveWasher,
  USUAL_CLOTH_PA_S_M,
  USUAL_WASHER_CREW_M3_S,
  type ClothWeave,
  type AirDrive,
  type SolvedWasher,
  type WasherSetting,
} from './solveWasher.ts';
export { washerOutcome, weighWasher, type WasherOutcome, type WeighedWasher } from './weighWasher.ts';
export { adviseWasher, driven, WASHER_WORKS_OFTEN, type WasherAdvice, type WasherLever } from './adviseWasher.ts';
