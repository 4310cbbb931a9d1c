import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '@riffle/core';
import { calibrateBoxes } from './boxes.ts';
import { calibrateCrews } from './crews.ts';
import { calibrateFinishing } from './finishing.ts';
import { calibrateStorms } from './storms.ts';
import { calibrateWashers } from './washers.ts';
import { calibrateFaults } from './faults.ts';
import { calibrateGrades } from './grades.ts';
import { calibrateHoles } from './holes.ts';
import { calibrateMouths, calibrateNextPan, calibratePlaces } from './places.ts';
import { calibrateRecord } from './record.ts';
import { calibrateTrail } from './trail.ts';
import { calibrateWeighings } from './weighings.ts';

// The short form of `npm run calibrate`: a few of its repeats, so each figure is held a little more loosely than there.
describe('said against true, simulated', () => {
  test('bands of grades and of the place named best hold; chances come true about as often as said', () => {
    const { weights, bands, blanks, pooled, best, pairs, pays } = calibrateGrades(32, seededRandom(1969));
    for (const t of [weights, ...Object.values(bands), pooled, best])
      expect([t.name, t.times > 20, t.share >= 0.78]).toEqual([t.name, true, true]);
    expect(blanks.share).toBeGreaterThan(0.88);
    for (const r of [pairs, pays]) expect([r.name, r.worst(20) <= 0.15]).toEqual([r.name, true]);
  });
  test('what an hour on a hole brings lies in its band, and digging as it says beats digging all of it', () => {
    const { brings, overBottom } = calibrateHoles(60, seededRandom(1967));
    expect(brings.share).toBeGreaterThanOrEqual(0.78);
    expect(overBottom).toBeGreaterThan(1);
  });
  test('a stop is seldom said where there is none, and mostly found where there is one', () => {
    const { falsely, found } = calibrateTrail(60, seededRandom(1975));
    expect(falsely.share).toBeLessThanOrEqual(0.15);
    expect(found.share).toBeGreaterThanOrEqual(0.6);
  });
  test('a mouth is seldom accused where nothing differs, and named where it feeds the creek', () => {
    const { falsely, found } = calibrateMouths(200, seededRandom(1922));
    expect(falsely.share).toBeLessThanOrEqual(0.1);
    expect(found.share).toBeGreaterThan(0.4);
  });
  test('the ranking’s chances come true, and its first five hold more gold than the best by their own pans', () => {
    const { all, gold } = calibratePlaces(14, seededRandom(1947));
    expect(all.worst(40)).toBeLessThanOrEqual(0.2);
    expect(gold.ranked).toBeGreaterThan(gold.byGrade);
  });
  test('four pans taken where they tell most leave one digging better ground than four taken anywhere', () => {
    const { gain, gainAnywhere } = calibrateNextPan(10, seededRandom(1961));
    expect(gain).toBeGreaterThan(gainAnywhere);
  });
  test('a crew that pans its best place again finds it marked as held about as often as it should be', () => {
    const { best } = calibrateRecord(14, seededRandom(1981));
    expect(best.times).toBeGreaterThan(8);
    expect(best.share).toBeGreaterThanOrEqual(0.7);
  });
  test('what went over the end at least, went', () => {
    const { bound, said } = calibrateBoxes(300, seededRandom(1956));
    expect(bound.share).toBeGreaterThanOrEqual(0.9);
    expect(said.share).toBeGreaterThan(0.5);
  });
  test('what the next clean-up weighs lies in its bands, and those of a measured box are the narrower', () => {
    const { unmeasured, measured, refused } = calibrateWeighings(14, seededRandom(1953));
    expect(measured.times).toBe(42);
    expect(measured.share).toBeGreaterThanOrEqual(0.78);
    expect(measured.width as number).toBeLessThan(0.8 * (unmeasured.width as number));
    expect(refused.share).toBeLessThanOrEqual(0.1);
  });
  test('what is wrong with a box is named first more often than not, and nearly always among two', () => {
    const { first, two } = calibrateFaults(60, seededRandom(1933));
    expect(first.times).toBe(60);
    expect(first.share).toBeGreaterThanOrEqual(0.6);
    expect(two.share).toBeGreaterThanOrEqual(0.85);
  });
  test('a crew’s pace lies in its band, and who is said to hold the others up does', () => {
    const { pace, heldUp, oneMore } = calibrateCrews(40, seededRandom(1967));
    expect(pace.share).toBeGreaterThanOrEqual(0.85);
    expect(heldUp.times).toBeGreaterThan(20);
    expect(heldUp.share).toBeGreaterThanOrEqual(0.85);
    expect(oneMore.share).toBeGreaterThanOrEqual(0.75);
  });
  test('the finishing table, against one of another law of transport; and the magnet', () => {
    const { minutes, kept, again, dragged } = calibrateFinishing(60, seededRandom(1936));
    for (const t of [minutes, kept, again, dragged]) expect([t.name, t.share > 0.78]).toEqual([t.name, true]);
  });
  test('what storms reached, against two other laws of run-up; the sand is dry at the last minute offered', () => {
    const { reach, toToe, dry } = calibrateStorms(400, seededRandom(1962));
    expect(reach.share).toBeGreaterThanOrEqual(0.85);
    expect(toToe.worst(40)).toBeLessThanOrEqual(0.1);
    expect(dry.share).toBeGreaterThanOrEqual(0.94);
  });
  test('passes of a dry washer, against one of riffles that each take their chance', () => {
    const { one, measured, three, meets } = calibrateWashers(60, seededRandom(1904));
    for (const t of [one, measured, three, meets]) expect([t.name, t.share > 0.75]).toEqual([t.name, true]);
    expect(measured.width).toBeLessThan(one.width ?? 0);
  });
});
