// What a season came to: what the rest of the house may take from this room.
export { creditGold, type CleanupCredit, type Credit } from './creditGold.ts';
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
} from './keepBook.ts';
export { whatItTook, type Took, type TookRun } from './whatItTook.ts';
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
} from './goldLedger.ts';
export { whyOff, type OffBy, type OffCause, type PromisedAndCame, type WhyOff } from './whyOff.ts';
export { fedAgain, fedBefore, shareRinse, type FedCarpet } from './rinseOut.ts';
export { weighedCleanups, type BookCleanup, type BookLift, type BookRun, type BookSetup } from './weighedCleanups.ts';
export { coinTrial, type CoinRound, type CoinTrial } from './coinTrial.ts';
