import { describe, expect, test } from '@jest/globals';
import { bankVolume_L, COLOR_MG, DEFAULT_SWELL_PERCENT, sampleGrade } from '@riffle/core';
import type { Sample, Spot } from '@riffle/contract';
import { corranWrites } from './corranWrites.ts';
import { CORRAN } from './truth.ts';

/** What the samples of each spot of the demo say against its simulated truth. */
function held(): { name: string; holds: boolean }[] {
  const bodies = <T>(path: string): T[] => corranWrites().filter((w) => w.url.startsWith(path)).map((w) => JSON.parse(w.body) as T);
  const spots = bodies<Spot>('/spots/');
  const samples = bodies<Sample>('/samples/');
  return CORRAN.flatMap((g) => g.spots.map((s) => {
    const spot = spots.find((p) => p.name === s.name);
    const mine = samples.filter((p) => p.spotId === spot?.id);
    const counts = { '+10': 0, '10-20': 0, '20-40': 0, '-40': 0 };
    for (const p of mine) for (const c of ['10-20', '20-40', '-40'] as const) counts[c] += p.counts[c];
    const grade = sampleGrade({ volumeBank_L: mine.reduce((sum, p) => sum + bankVolume_L(p.volume_L, DEFAULT_SWELL_PERCENT), 0), counts }, { oneMoreColor_mg: COLOR_MG['10-20'] });
    return { name: s.name, holds: grade.kind === 'blank' ? s.grade_mg_L < grade.lessThan_mg_L : grade.kind === 'band' && grade.low_mg_L <= s.grade_mg_L && s.grade_mg_L <= grade.high_mg_L };
  }));
}

describe('the demo’s samples against its truth', () => {
  test('bands and limits hold the true grade of most spots, as 90 % bands should', () => {
    const all = held();
    expect(all.length).toBe(23);
    expect(all.filter((h) => h.holds).length).toBeGreaterThanOrEqual(Math.round(0.8 * all.length));
  });
  test('the richest spot of the story is among them', () => expect(held().find((h) => h.name === 'Otter bar')?.holds).toBe(true));
});
