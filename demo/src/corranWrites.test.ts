import { describe, expect, test } from '@jest/globals';
import {
  bankVolume_L,
  COLOR_MG,
  countColors,
  DEFAULT_SWELL_PERCENT,
  gradeSpots,
  groundColors,
  rankPlaces,
  sampleGrade,
} from '@riffle/core';
import type { Sample, Sign, Spot } from '@riffle/contract';
import { corranWrites, seasonEndedBefore } from './corranWrites.ts';
import { CORRAN } from './trueGrounds.ts';

/** What the samples of each spot of the demo say against its simulated truth. */
function held(): { name: string; holds: boolean }[] {
  const bodies = <T>(path: string): T[] =>
    corranWrites()
      .filter((w) => w.url.startsWith(path))
      .map((w) => JSON.parse(w.body) as T);
  const spots = bodies<Spot>('/spots/');
  const samples = bodies<Sample>('/samples/');
  return CORRAN.flatMap((g) =>
    g.spots.map((s) => {
      const spot = spots.find((p) => p.name === s.name);
      const mine = samples.filter((p) => p.spotId === spot?.id);
      const counts = { '+10': 0, '10-20': 0, '20-40': 0, '-40': 0 };
      for (const p of mine) for (const c of ['10-20', '20-40', '-40'] as const) counts[c] += p.counts[c];
      const grade = sampleGrade(
        { volumeBank_L: mine.reduce((sum, p) => sum + bankVolume_L(p.volume_L, DEFAULT_SWELL_PERCENT), 0), counts },
        { oneMoreColor_mg: COLOR_MG['10-20'] },
      );
      return {
        name: s.name,
        holds:
          grade.kind === 'blank'
            ? s.grade_mg_L < grade.lessThan_mg_L
            : grade.kind === 'band' && grade.low_mg_L <= s.grade_mg_L && s.grade_mg_L <= grade.high_mg_L,
      };
    }),
  );
}

describe('the demo’s samples against its truth', () => {
  test('bands and limits hold the true grade of most spots, as 90 % bands should', () => {
    const all = held();
    expect(all.length).toBe(23);
    expect(all.filter((h) => h.holds).length).toBeGreaterThanOrEqual(Math.round(0.8 * all.length));
  });
  test('the richest spot of the story is among them', () =>
    expect(held().find((h) => h.name === 'Otter bar')?.holds).toBe(true));
});

describe('where to pan, against the truth', () => {
  /** Gold (by true grade) at the first five places of each order, over forty seasons drawn from the same truth. */
  const sums = { ranked: 0, count: 0, chance: 0 };
  for (let seed = 1; seed <= 40; seed++) {
    const writes = corranWrites({ seed });
    const bodies = <T>(path: string): T[] =>
      writes.filter((w) => w.url.startsWith(path)).map((w) => JSON.parse(w.body) as T);
    const groundId = bodies<Spot>('/spots/')[0]?.groundId;
    const spots = bodies<Spot>('/spots/').filter((s) => s.groundId === groundId);
    const samples = bodies<Sample>('/samples/').filter((s) => s.groundId === groundId);
    const colorsAt = (spotId: string): number =>
      samples.filter((s) => s.spotId === spotId).reduce((sum, s) => sum + countColors(s.counts), 0);
    const colors = groundColors(samples, DEFAULT_SWELL_PERCENT);
    const { grades, ground } = gradeSpots(samples, DEFAULT_SWELL_PERCENT, colors);
    const ranking = rankPlaces(
      spots,
      bodies<Sign>('/signs/').filter((s) => s.groundId === groundId),
      [],
      grades,
      { pays_mg_L: 0.15, reach_m: 1, ...(ground && { spotCv: ground.cv }) },
      null,
      0,
    );
    const truth = (spotId: string | null): number =>
      CORRAN[0]?.spots.find((t) => t.name === spots.find((s) => s.id === spotId)?.name)?.grade_mg_L ?? 0;
    const first = (ids: readonly (string | null)[]): number => ids.slice(0, 5).reduce((sum, id) => sum + truth(id), 0);
    sums.ranked += first(ranking.ranked.flatMap((r) => r.place.spotId ?? []));
    sums.count += first([...spots].sort((a, b) => colorsAt(b.id) - colorsAt(a.id)).map((s) => s.id));
    sums.chance += (5 / spots.length) * spots.reduce((sum, s) => sum + truth(s.id), 0);
  }
  test('the first five hold twice the gold of chance, and more than the five of most colors (2.3 and 1.02 times when this was written: with flakes as fine as these a count says much)', () => {
    expect(sums.ranked / sums.chance).toBeGreaterThan(1.9);
    expect(sums.ranked / sums.count).toBeGreaterThan(1);
  });
});

describe('the demo of today', () => {
  const now = Date.UTC(2027, 1, 9, 15, 20);
  const writes = corranWrites({ season_ms: seasonEndedBefore(now), withLastYear: true });
  const bodies = <T>(path: string): T[] =>
    writes.filter((w) => w.url.startsWith(path)).map((w) => JSON.parse(w.body) as T);
  const days = [
    ...bodies<{ takenAt: string }>('/samples/').map((s) => s.takenAt),
    ...bodies<{ readAt: string }>('/gauge-readings/').map((r) => r.readAt),
    ...bodies<{ startedAt: string }>('/runs/').flatMap((r) => r.startedAt ?? []),
  ]
    .map((at) => now - Date.parse(at))
    .sort((a, b) => a - b);
  test('ended yesterday: nothing of it is still to come, and the river was read within a day and a half', () => {
    expect(days[0]).toBeGreaterThan(0);
    expect(days[0]).toBeLessThan(36 * 3.6e6);
  });
  test('has a season of the year before, and the usual one besides, told alike', () => {
    expect(days.filter((d) => d > 300 * 86_400_000).length).toBeGreaterThan(15);
    const usual = corranWrites().filter((w) => w.url.startsWith('/cleanups/')).length;
    expect(bodies('/cleanups/').length).toBeGreaterThanOrEqual(usual + 3);
    const counts = (some: readonly { body: string }[]): string[] =>
      some.map((w) => JSON.stringify((JSON.parse(w.body) as Sample).counts));
    const of = (w: ReturnType<typeof corranWrites>): string[] => counts(w.filter((x) => x.url.startsWith('/samples/')));
    const today = of(writes);
    for (const c of of(corranWrites())) expect(today).toContain(c);
  });
  test('its closed season lies before it, as in the usual one, and is not today', () => {
    const spawn = bodies<{ name: string; from: string; to: string }>('/permissions/').find(
      (p) => p.name === 'Trout spawn',
    );
    const since = (day: string): number => (now - Date.parse(day)) / 86_400_000;
    expect(since(spawn?.to ?? '')).toBeGreaterThan(100);
    expect(since(spawn?.from ?? '')).toBeLessThan(365);
  });
});
