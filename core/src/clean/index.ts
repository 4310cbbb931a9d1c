// Weighing what was cleaned up: what the rest of the house may take from this room.
export {
  GOLD_UNITS,
  RICHEST_MG_L,
  unlikelyGold,
  type ExpectedGold,
  type GoldUnit,
  type UnlikelyGold,
} from './unlikelyGold.ts';
export { HEAD_STRETCH_M, sectionSplit, type BoxSection, type SectionSplit } from './sectionSplit.ts';
export { repeatWeighing, type RepeatWeighing } from './repeatWeighing.ts';
export { leftInTub } from './leftInTub.ts';
export { tailsAgain, type TailsAgain } from './tailsAgain.ts';
export { lossBySize, type LossBySize, type SizeLoss } from './lossBySize.ts';
