export { buoyCsv } from './devices/buoy.ts';
export { gaugeCsv } from './devices/gauge.ts';
export { ON_THE_SCALE, scaleLines } from './devices/scale.ts';
export { nmeaChecksum, walkNmea } from './devices/gps.ts';
export { corranWrites, seasonEndedBefore, type DemoWrite } from './corranWrites.ts';
export { CORRAN, RUNS, type TrueGround, type TrueRun, type TrueSign, type TrueSpot } from './truth.ts';
