import { describe, expect, test } from '@jest/globals';
import type { LaidOut, Lot, Pit, Sample, Screening } from '@riffle/contract';
import { countColors, handsRecovery, learnColorWeights, pitSum, sizeCurve } from '@riffle/core';
import { corranWrites } from './corranWrites.ts';
import { BENCH_GRID, TRAVERSE, TRUE_HANDS } from './trueSampling.ts';
import { TRUE_COLOR_MG } from './truth.ts';

const writes = corranWrites();
const bodies = <T>(path: string): T[] =>
  writes.filter((w) => w.url.startsWith(path) && !w.url.endsWith('/laid-out')).map((w) => JSON.parse(w.body) as T);
const laidOut = writes.filter((w) => w.url.endsWith('/laid-out')).map((w) => JSON.parse(w.body) as LaidOut);
const lots: Lot[] = laidOut.flatMap((l) => l.lots);

describe('the demo’s sampling', () => {
  test('no two bags share a tag; every bag is of a point of its plan', () => {
    expect(new Set(lots.map((l) => l.tag)).size).toBe(lots.length);
    for (const whole of laidOut)
      for (const lot of whole.lots) expect(whole.spots.map((s) => s.id)).toContain(lot.spotId);
    expect(lots).toHaveLength(BENCH_GRID.rows_m.length * BENCH_GRID.across_m.length + TRAVERSE.across_m.length);
  });
  test('a bag is panned when its sample says so, and only then', () => {
    const panned = new Set(bodies<Sample>('/samples/').flatMap((s) => (s.lotId === null ? [] : [s.lotId])));
    for (const lot of lots) expect([lot.tag, panned.has(lot.id)]).toEqual([lot.tag, lot.state === 'panned']);
  });
  test('pits can be dug as drawn, and the samples of their layers are theirs', () => {
    const pits = bodies<Pit>('/pits/');
    for (const p of pits.filter((x) => x.crevice === null))
      expect(pitSum(p, p.layers).strippingRatio).toBeGreaterThan(0);
    for (const p of pits.filter((x) => x.crevice !== null)) expect(p.layers).toEqual([]);
    for (const s of bodies<Sample>('/samples/').filter((x) => x.pitId !== null))
      expect(pits.find((p) => p.id === s.pitId)?.spotId).toBe(s.spotId);
  });
  test('the screened bucket closes to within three in a hundred', () => {
    for (const s of bodies<Screening>('/screenings/')) {
      const { closure_percent } = sizeCurve(s.screens, s.through, s.wentIn);
      expect(Math.abs((closure_percent ?? 0) - 100)).toBeLessThan(3);
    }
  });
  test('practice shows each panner’s hands as they are', () => {
    const seedings = bodies<{ panner: string; putIn: number; cameBack: number }>('/seedings/');
    for (const h of TRUE_HANDS) {
      const found = handsRecovery(seedings.filter((s) => s.panner === h.panner));
      expect(found?.low).toBeLessThanOrEqual(h.keeps);
      expect(found?.high).toBeGreaterThanOrEqual(h.keeps);
    }
  });
  test('weighed pans of the bench move the table toward what its colors weigh', () => {
    const weighed = bodies<Sample>('/samples/').flatMap((s) =>
      s.gold_mg !== null && countColors(s.counts) > 0 ? [{ counts: s.counts, gold_mg: s.gold_mg }] : [],
    );
    const learned = learnColorWeights(weighed).classes;
    expect(weighed.length).toBeGreaterThan(3);
    // The band narrows about what they weigh in truth.
    const { low_mg, high_mg, usual_mg } = learned['20-40'];
    expect(low_mg).toBeLessThan(TRUE_COLOR_MG[1]);
    expect(high_mg).toBeGreaterThan(TRUE_COLOR_MG[1]);
    expect(Math.abs(learned['20-40'].mg / TRUE_COLOR_MG[1] - 1)).toBeLessThan(
      Math.abs(usual_mg / TRUE_COLOR_MG[1] - 1) + 0.3,
    );
  });
});
