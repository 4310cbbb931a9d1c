// The taps of a run and what they come to: what the rest of the house may take from this room.
export { BROKEN_OFF_MS, DOUBLE_TAP_MS, type RunEvent } from './inOrder.ts';
export {
  arrangements,
  crewPace,
  MOST_HANDS,
  type CrewPace,
  type PacedRun,
  type TaskTime,
  type TimedRound,
  type WayToStand,
} from './crewPace.ts';
export { TASKS, workLine, type LineRun, type Post, type Task } from './workLine.ts';
export { goOnTo, tallyRun, type RunTally } from './tallyRun.ts';
export { addTaps, asRunEvent, type LoggedTap, type TapTally } from './addTaps.ts';
export { keepTally } from './keepTally.ts';
