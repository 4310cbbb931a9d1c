// Finishing a concentrate: what the rest of the house may take from this room.
export { filmFlow_m2_s, filmFor_m, shearOfFilm_Pa } from './film.ts';
export { finishSluicePace_m3_s, type FinishSluice } from './finishSluice.ts';
export { companionWindows, type CompanionWindow } from './companions.ts';
export { weighSluice, type SluiceSetting, type WeighedSluice } from './weighSluice.ts';
export { goOn, type GoOn, type WashedHeap } from './goOn.ts';
export { weighFinish, type FinishSetting, type SeenAtFloor, type WeighedFinish } from './weighFinish.ts';
export { finishSpoon, type FinishedSpoon, type Spoon, type SpoonGold, type SpoonShare } from './finishSpoon.ts';
export { magnetics, type Magnetics } from './magnetics.ts';
export {
  COMPANIONS,
  creepsAt_Pa,
  risesAt_Pa,
  separationWindow,
  type Companion,
  type Feature,
  type SeparationWindow,
} from './separation.ts';
