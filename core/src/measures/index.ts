// Units, quantities as they are typed and shown, and the day of a place: what the rest of the house may take from this room.
export { convert, GRADE_UNITS, UNITS, unitSize, type GradeUnit, type UnitKind } from './units.ts';
export { bankVolume_L, CONTAINERS, DEFAULT_SWELL_PERCENT, type Container } from './containers.ts';
export { describePitch, pitchSlope, type Pitch, type PitchKind } from './pitch.ts';
export { sieveAperture_mm } from './sieves.ts';
export { isTimeZone, localDay, momentOf, wallClock } from './localTime.ts';
export { parseQuantity, volumeInLitres, type Entered, type Parsed } from './parseQuantity.ts';
export {
  METRIC,
  showArea,
  showBulkGold,
  showDistance,
  showFlow,
  showLand,
  rangeText,
  showGold,
  showGrade,
  showGrainSize,
  showLength,
  showLoad,
  showPitch,
  showShear,
  showSmallLength,
  showSpeed,
  showTemperature,
  showThroughput,
  showVolume,
  significant,
  text,
  US,
  grouped,
  type Display,
  type Figure,
} from './display.ts';
