export {
  changes,
  ChangesQuery,
  Entered,
  FIRST_ID,
  GroundsPageQuery,
  Id,
  MOST_GROUNDS,
  MOST_IN_PAGE,
  page,
  PageQuery,
  Problem,
  Timestamp,
} from './shared.ts';
export { FIRST_LISTS, isPartOf, listsOfPage, pageAt, type PageList } from './opening.ts';
export { isKeepable, keepable, keepableText, unkeepableAt, UNKEEPABLE_SAYS } from './keepableText.ts';
export {
  MOST,
  NUMBERS,
  numberProblem,
  textProblem,
  textProblems,
  TEXTS,
  type NumberLimit,
  type TextLimit,
} from './limits.ts';
export {
  CONTAINER_WAYS,
  CREVICE_STATES,
  CREVICE_ROCKS,
  CREVICE_STRIKES,
  DAY_AIMS,
  DAY_WAYS,
  FIRMNESS,
  BOX_EVENTS,
  WASHER_EVENTS,
  FINISH_WAYS,
  FLOOR_SEEN,
  JAR_STATES,
  GROUND_KINDS,
  TRIAL_MEASURES,
  LOT_STATES,
  MOISTURE,
  OUTLINE_KINDS,
  SWEPT,
  PAN_WAYS,
  PIT_BOTTOMS,
  PLAIN_PAN,
  SAMPLE_PATTERNS,
  SCREEN_SHAPES,
  SPOT_KINDS,
} from './kinds.ts';
export { Agreement, GoldEntry, NewAgreement, NewGoldEntry, StoredAgreement, StoredGoldEntry } from './gold.ts';
export { Lot, NewLot, StoredLot } from './lot.ts';
export { DaySheet, NewDaySheet, StoredDaySheet, type PlannedStop } from './day.ts';
export { Attachment, NewAttachment, NewOutline, Outline, StoredAttachment, StoredOutline } from './map.ts';
export {
  FileChoices,
  FileDecisions,
  FLOW_DIRECTIONS,
  Ground,
  GroundFile,
  NewGround,
  NewLine,
  NewSpot,
  Position,
  Spot,
  StoredGround,
  StoredSpot,
} from './ground.ts';
export {
  GaugeReading,
  NewGaugeReading,
  NewSwellReading,
  NewPermission,
  NewSign,
  Permission,
  Sign,
  SignKindOrWord,
  StoredGaugeReading,
  StoredSwellReading,
  SwellReading,
  StoredPermission,
  StoredSign,
} from './read.ts';
export {
  ImportedIds,
  ImportLine,
  ImportMoved,
  ImportMode,
  NewSample,
  RefusedRow,
  Sample,
  SeenWith,
  StoredSample,
  type ImportProgress,
} from './sample.ts';
export {
  Container,
  NewContainer,
  NewSeeding,
  NewSizeWord,
  Seeding,
  SizeWord,
  StoredContainer,
  StoredSeeding,
  StoredSizeWord,
} from './hands.ts';
export { NewPit, Pit, StoredPit, type Layer } from './pit.ts';
export { LaidOut, NewSamplePlan, SamplePlan, StoredSamplePlan } from './samplePlan.ts';
export {
  Look,
  NewLook,
  NewScreening,
  NewSweep,
  Screening,
  StoredLook,
  StoredScreening,
  StoredSweep,
  Sweep,
} from './screening.ts';
export {
  BoxTest,
  Lining,
  NewBoxTest,
  NewRig,
  NewSetup,
  Rig,
  Setup,
  StoredBoxTest,
  StoredRig,
  StoredSetup,
  TAIL_COLORS,
  type RigSection,
  type Measurement,
  type Tested,
} from './set.ts';
export { SQUEEZES, Washer, WasherAir, WEAVES } from './washer.ts';
export { LoggedEvent, NewEvents, NewRun, Run, RunAfterTaps, StoredRun, Tally } from './run.ts';
export { Lift, NewLift, StoredLift, type Tub } from './lift.ts';
export { Jar, NewJar, StoredJar } from './jar.ts';
export { NewWorkRound, StoredWorkRound, WorkRound } from './workRound.ts';
export { Cleanup, CleanSection, Forecast, NewCleanup, NewForecast, StoredCleanup, StoredForecast } from './clean.ts';
export { Book, NewTrial, StoredTrial, Trial } from './books.ts';
export { BackupShelf, KeptBackup } from './backup.ts';
export { Pans } from './pans.ts';
export { PannedGround } from './pannedGround.ts';
export { asPans, type Pan } from './asPans.ts';
