export { Entered, FIRST_ID, Id, page, PageQuery, Problem, Timestamp } from './shared.ts';
export { GROUND_KINDS, SPOT_KINDS } from './kinds.ts';
export { FileDecisions, FLOW_DIRECTIONS, Ground, GroundFile, NewGround, NewSpot, Position, Spot, StoredGround, StoredSpot } from './ground.ts';
export { GaugeReading, NewGaugeReading, NewPermission, NewSign, Permission, Sign, SignKindOrWord, StoredGaugeReading, StoredPermission, StoredSign } from './read.ts';
export { NewSample, Sample, StoredSample } from './sample.ts';
export { Lining, NewRig, NewSetup, Rig, Setup, StoredRig, StoredSetup } from './set.ts';
export { LoggedEvent, NewEvents, NewRun, Run, RunWithEvents, StoredRun, Tally } from './run.ts';
export { Cleanup, CleanSection, NewCleanup, StoredCleanup } from './clean.ts';
export { Book } from './books.ts';
