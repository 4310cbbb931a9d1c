// The sea and its sand: what the rest of the house may take from this room.
export { deepWaterLength_m, runup_m, type Swell } from './waves.ts';
export {
  heightAlong,
  highTideAbout_m,
  laidAnewChance,
  laidAnewSince,
  reachedChance,
  stormReach,
  type StormReach,
  type ShoreHeight,
  type Storm,
} from './storms.ts';
export {
  onAndOff,
  shoreDay,
  swellAdds_m,
  usualSwell,
  USUAL_MARGIN_MIN,
  type ShoreDay,
  type ShoreLimits,
} from './shoreDay.ts';
