import { describe, expect, test } from '@jest/globals';
import {
  PLAIN_PAN,
  type StoredGaugeReading,
  type StoredGround,
  type StoredSample,
  type StoredSpot,
} from '@riffle/contract';
import { gradeSpots, groundColors, riverNow, type ClaimStretch } from '@riffle/core';
import { rankReading } from './rankReading.ts';
import type { Reading } from './useReading.ts';

const ground = {
  id: 'g',
  kind: 'creek',
  name: 'Creek',
  length_m: 600,
  swell_percent: 25,
  line: null,
  fedBy: null,
  lookedAt: [],
} as unknown as StoredGround;
const spot = (id: string, distance_m: number, some: Partial<StoredSpot> = {}): StoredSpot =>
  ({
    id,
    groundId: 'g',
    name: id,
    kind: 'bar',
    distance_m,
    bank: 'left',
    offset_m: 3,
    position: null,
    worksBelow_m: null,
    samplePlanId: null,
    note: '',
    deleted: false,
    ...some,
  }) as StoredSpot;
const pan = (spotId: string, specks: number, nth = 0): StoredSample =>
  ({
    ...PLAIN_PAN,
    id: `${spotId} ${nth}`,
    groundId: 'g',
    spotId,
    takenAt: '2026-05-01T08:00:00.000Z',
    depth_m: 0.3,
    volume_L: 9.5,
    volumeState: 'loose',
    counts: { '+10': 0, '10-20': 0, '20-40': Math.floor(specks / 4), '-40': specks },
    blackSand: 1,
    gold_mg: null,
    deleted: false,
  }) as unknown as StoredSample;
const level = (day: number, level_m: number, isFlood = false): StoredGaugeReading =>
  ({
    id: `r${day}`,
    groundId: 'g',
    readAt: new Date(Date.now() - day * 86_400_000).toISOString(),
    level_m,
    isFlood,
    deleted: false,
  }) as unknown as StoredGaugeReading;
const CHOICES = { pays_mg_L: 0.15, reach_m: 1, priors: {}, pan_L: 4 };

function rank(
  spots: readonly StoredSpot[],
  samples: readonly StoredSample[],
  {
    claims = [],
    readings = [],
    of = ground,
  }: { claims?: ClaimStretch[]; readings?: StoredGaugeReading[]; of?: StoredGround } = {},
) {
  const colors = groundColors(samples, of.swell_percent, 'geometry');
  const { grades, ground: together } = gradeSpots(samples, of.swell_percent, colors, []);
  const reading = {
    ground: of,
    samples,
    signs: [],
    readings,
    swell: [],
    colors,
    grades,
    together,
    river: riverNow(readings, Date.now()),
    draws: [],
    swell_percent: of.swell_percent,
  } as unknown as Reading;
  return rankReading(reading, spots, CHOICES, claims);
}
const pans = (spotId: string, specks: readonly number[]) => specks.map((n, i) => pan(spotId, n, i));

const SPOTS = [spot('foot', 60), spot('rich', 250), spot('poor', 400), spot('untried', 520)];
const SAMPLES = [...pans('rich', [24, 30, 20]), ...pans('poor', [0, 0, 0]), ...pans('foot', [3, 2])];

describe('a ground ranked', () => {
  test('what showed gold is apart from what did not yet, each with the likeliest first', () => {
    const { proven, untried, ranked } = rank(SPOTS, SAMPLES);
    expect(proven[0]?.place.spotId).toBe('rich');
    expect(proven.map((r) => r.place.spotId)).toEqual(['rich', 'foot']);
    // Three pans without a color say more against a place than nobody's having looked.
    expect(untried.map((r) => r.place.spotId)).toEqual(['untried', 'poor']);
    for (const { chance } of ranked) {
      expect(chance).toBeGreaterThan(0);
      expect(chance).toBeLessThan(1);
    }
  });
  test('the order in which spots and pans come changes nothing', () => {
    const there = rank(SPOTS, SAMPLES);
    const back = rank([...SPOTS].reverse(), [...SAMPLES].reverse());
    const chances = ({ ranked }: typeof there): string[] =>
      ranked.map((r) => `${r.place.spotId} ${r.chance.toFixed(9)}`).sort();
    expect(chances(back)).toEqual(chances(there));
    expect(back.nextSays).toBe(there.nextSays);
  });
  test('what it would say of the next pan: rich where pans were rich, never of a spot that is not there', () => {
    const { foretell } = rank(SPOTS, SAMPLES);
    expect(foretell('rich')).toBe('rich');
    expect(foretell('poor')).not.toBe('rich');
    expect(foretell('elsewhere')).toBeNull();
  });
  test('with nothing on it, nothing is said and nothing breaks', () => {
    expect(rank([], [])).toMatchObject({ ranked: [], next: null, tried: [] });
  });
});

describe('where one is sent next', () => {
  test('never into a claim that is shut today', () => {
    const free = rank(SPOTS, SAMPLES);
    const sentTo = free.next?.at.place;
    expect(sentTo).toBeDefined();
    const claim = {
      id: 'c',
      name: 'Not ours',
      from_m: (sentTo?.distance_m ?? 0) - 20,
      to_m: (sentTo?.distance_m ?? 0) + 20,
      bank: 'mid',
      holder: 'another',
      shut: 'not ours',
      until: null,
    } as unknown as ClaimStretch;
    const shut = rank(SPOTS, SAMPLES, { claims: [claim] });
    expect(shut.next?.at.place.id).not.toBe(sentTo?.id);
    expect(shut.ranked.filter((r) => shut.isShut(r.place)).map((r) => r.place.id)).toContain(sentTo?.id);
    // One that is open to the crew forbids nothing.
    expect(rank(SPOTS, SAMPLES, { claims: [{ ...claim, shut: null }] }).next?.at.place.id).toBe(sentTo?.id);
  });
  test('never to a place the river covers', () => {
    const sentTo = rank(SPOTS, SAMPLES).next?.at.place.spotId ?? '';
    const low = SPOTS.map((s) => (s.id === sentTo ? { ...s, worksBelow_m: 0.3 } : s));
    expect(rank(low, SAMPLES, { readings: [level(0.1, 0.25)] }).next?.at.place.spotId).toBe(sentTo);
    expect(rank(low, SAMPLES, { readings: [level(0.1, 0.9)] }).next?.at.place.spotId).not.toBe(sentTo);
  });
  test('a bag of a plan is no place of the list, but its pan may be the next', () => {
    const planned = SPOTS.map((s) => (s.id === 'untried' ? { ...s, samplePlanId: 'p' } : s));
    const { ranked, foretell } = rank(planned, SAMPLES);
    expect(ranked.map((r) => r.place.spotId)).not.toContain('untried');
    expect(foretell('untried')).not.toBeNull();
  });
});

test('a bench is not read from its line: it has no bends', () => {
  const bent = { ...ground, line: { coordinates: [], flow: 'as drawn' } } as unknown as StoredGround;
  expect(rank(SPOTS, SAMPLES, { of: { ...bent, kind: 'bench' } }).guesses).toEqual([]);
});

test('a ground kept on this device by an earlier Riffle is ranked as well', () => {
  const { lookedAt: _, ...older } = ground;
  expect(rank(SPOTS, SAMPLES, { of: older as StoredGround }).proven[0]?.place.spotId).toBe('rich');
});
