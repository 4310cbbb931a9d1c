export { finishSpoon, type FinishedSpoon, type Spoon, type SpoonGold, type SpoonShare } from './finishSpoon.ts';
export { magnetics, type Magnetics } from './magnetics.ts';
export { creepsAt_Pa, risesAt_Pa, separationWindow, type Feature, type SeparationWindow } from './separation.ts';
