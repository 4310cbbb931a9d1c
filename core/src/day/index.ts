// Where to go in which order on a day: what the rest of the house may take from this room.
export { carryingTrips, USUAL_TOOLS, WET_GRAVEL_KG_L } from './carry.ts';
export { daylight, LIGHTS_OF_DAY, type Daylight, type LightOfDay } from './daylight.ts';
export { weighOutfits, type Outfit, type OutfitDay, type WeighedOutfit } from './outfits.ts';
export {
  handPace,
  paceAt,
  USUAL_LOAD_KG,
  USUAL_STRIP_H_M3,
  USUAL_WASH_H_M3,
  type HandPace,
  type TimedRun,
  type WashedRun,
} from './handPace.ts';
export { pacePerPan, PANS_OF, USUAL_PAN_MIN, workMinutes, type Pace, type PanTaken } from './pace.ts';
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
} from './planDay.ts';
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
} from './tide.ts';
export { DRY_IN_SUMMER, secondWater, type WaterHole } from './secondWater.ts';
export { walkingMinutes, walkingSpeed_m_s, type WalkedLine } from './walking.ts';
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
} from './dayCandidates.ts';
