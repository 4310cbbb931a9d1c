export { buoyCsv } from './devices/buoy.ts';
export { gaugeCsv } from './devices/gauge.ts';
export { ON_THE_SCALE, scaleLines } from './devices/scale.ts';
export { nmeaChecksum, walkNmea } from './devices/gps.ts';
export type { DemoWrite } from './book.ts';
export { corranWrites, seasonEndedBefore } from './corranWrites.ts';
export { CORRAN } from './trueGrounds.ts';
export { RUNS } from './trueRuns.ts';
export type { TrueGround, TrueRun, TrueSign, TrueSpot } from './truth.ts';
