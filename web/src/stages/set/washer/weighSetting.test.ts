import { beforeAll, describe, expect, test } from '@jest/globals';
import { USUAL_MIX, USUAL_WASHER_CREW_M3_S, CLOTHS_PA_S_M, type WasherSetting } from '@riffle/core';
import { PASSES, weighSetting, type WasherProblem, type WasherResult, type WasherStep } from './weighSetting.ts';

const setting = (some: Partial<WasherSetting> = {}): WasherSetting => ({
  width_m: 0.3,
  length_m: 0.76,
  riffle_m: 0.012,
  spacing_m: 0.09,
  cloth_Pa_s_m: CLOTHS_PA_S_M.usual,
  drive: { kind: 'bellows', puffs_min: 260, stroke_m3: 0.0065 },
  slope: 0.15,
  screen_m: 0.006,
  feedSize_m: null,
  altitude_m: 0,
  temperature_C: 30,
  moisture_percent: 0.5,
  isClayey: false,
  crew_m3_s: USUAL_WASHER_CREW_M3_S,
  feed_m3_s: null,
  gold: USUAL_MIX,
  ...some,
});
const problem = (some: Partial<WasherProblem> = {}): WasherProblem => ({
  setting: setting(),
  screens_m: [0.006, 0.012],
  seen: {},
  evidence: [],
  worth: null,
  ...some,
});

function play(asked: WasherProblem): { steps: WasherStep[]; result: WasherResult } {
  const steps: WasherStep[] = [];
  const weighing = weighSetting(asked);
  for (;;) {
    const step = weighing.next();
    if (step.done) return { steps, result: step.value };
    steps.push(step.value);
  }
}

describe('a dry washer weighed step by step', () => {
  let steps: WasherStep[] = [];
  let result: WasherResult;
  beforeAll(() => {
    ({ steps, result } = play(problem()));
  });

  test('the verdict comes before any window, and stays what it is', () => {
    expect(steps[0]).toMatchObject({ done: 0.1, window: null });
    expect(steps[0]?.verdict).not.toBeNull();
    for (const step of steps) expect(step.verdict).toBe(steps[0]?.verdict);
    expect(result.verdict).toBe(steps[0]?.verdict);
  });
  test('it never goes back, and a coarse window stands before the fine one', () => {
    const done = steps.map((s) => s.done);
    expect(done).toEqual([...done].sort((a, b) => a - b));
    expect(done.every((d) => d > 0 && d <= 1)).toBe(true);
    const seen = steps.filter((s) => s.window !== null);
    expect(seen.length).toBeGreaterThan(0);
    expect(result.window).not.toBe(seen.at(-1)?.window);
  });
  test('a wanted page gets no draws: they would be copied to it at each step', () => {
    expect('solved' in (steps[0]?.verdict?.now ?? {})).toBe(false);
  });
  test('passes are weighed one after another, each with less to hold than the one before', () => {
    const { passes } = result.verdict;
    expect(passes).toHaveLength(PASSES);
    const held = passes.map((p) => p.heldSoFar.middle);
    const more = held.map((h, i) => h - (held[i - 1] ?? 0));
    expect(more.every((m) => m > 0)).toBe(true);
    expect(more).toEqual([...more].sort((a, b) => b - a));
    expect(held.at(-1)).toBeLessThanOrEqual(1);
  });
  test('the same setting weighed again says the same', () => {
    expect(play(problem()).result.verdict).toEqual(result.verdict);
  });
});

describe('what is seen and what is set', () => {
  test('with hardly any air more air is advised, and it works better then', () => {
    const { verdict } = play(
      problem({ setting: setting({ drive: { kind: 'bellows', puffs_min: 60, stroke_m3: 0.0065 } }) }),
    ).result;
    expect(verdict.advice.kind).toBe('change');
    if (verdict.advice.kind !== 'change') return;
    expect(verdict.advice.lever.kind).toBe('air');
    expect(verdict.advice.after.works).toBeGreaterThan(verdict.now.works);
  });
  test('what cannot be seen at a washer as entered is told to be so', () => {
    const slow = setting({ drive: { kind: 'bellows', puffs_min: 90, stroke_m3: 0.0065 } });
    expect(play(problem({ setting: slow, seen: { boils: true, 'lies still': false } })).result.verdict.fits).toBe(
      false,
    );
    expect(play(problem({ seen: { 'no black sand': false } })).result.verdict.fits).toBe(true);
  });
});
