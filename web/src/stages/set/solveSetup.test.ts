import { describe, expect, test } from '@jest/globals';
import { USUAL_CREW_M3_S, USUAL_MIX, type BoxSetting } from '@riffle/core';
import { solveSetup, type SetProblem, type SetResult, type SetStep } from './solveSetup.ts';

const setting: BoxSetting = {
  sections: [{ lining: 'riffles', width_m: 0.254, length_m: 0.9144, step_m: 0 }],
  slope: 1 / 48,
  stone_m: 0.0127,
  crossFall_m: 0,
  temperature_C: 10,
  water: { known: 'depth', depth_m: 0.02 },
  feed_m3_s: null,
  crew_m3_s: USUAL_CREW_M3_S,
  median_m: null,
  gold: USUAL_MIX,
};
const solve = (some: Partial<SetProblem> = {}): { steps: SetStep[]; result: SetResult } => {
  const work = solveSetup({ setting, reach: {}, seen: {}, evidence: [], fed_m3: 0, ...some });
  const steps: SetStep[] = [];
  for (;;) {
    const step = work.next();
    if (step.done) return { steps, result: step.value };
    steps.push(step.value);
  }
};

describe('a setting worked out by steps', () => {
  const { steps, result } = solve();
  test('first what to do, then a coarse window, then the fine one', () => {
    expect(steps[0]).toMatchObject({ window: null, verdict: { advice: { kind: 'change' } } });
    const coarse = steps.find((s) => s.window)?.window;
    expect(coarse?.works.length).toBe(24 * 16);
    expect(result.window.works.length).toBe(60 * 40);
    expect(steps.map((s) => s.done)).toEqual([...steps.map((s) => s.done)].sort((a, b) => a - b));
  });
  test('the window holds the setting and where it should go; no draw goes to the page', () => {
    const { advice, now } = result.verdict;
    if (advice.kind !== 'change') throw new Error(advice.kind);
    for (const [slope, depth_m] of [
      [setting.slope, now.depth_m],
      [advice.setting.slope, advice.after.depth_m],
    ] as const) {
      expect(slope).toBeGreaterThan(result.window.slope[0] ?? NaN);
      expect(slope).toBeLessThan(result.window.slope.at(-1) ?? NaN);
      expect(depth_m).toBeLessThan(result.window.depth_m.at(-1) ?? NaN);
    }
    expect('solved' in now || 'solved' in advice.after).toBe(false);
    expect(now.curves).toHaveLength(USUAL_MIX.length);
  });
  test('what is seen weighs the same draws', () => {
    const usual = { ...setting, slope: 1 / 24 };
    const before = solve({ setting: usual }).result.verdict;
    const after = solve({ setting: usual, seen: { 'stones stall': true } }).result.verdict;
    expect(before).toMatchObject({ fits: true, faults: [], advice: { kind: 'leave' } });
    expect(after.now.works).toBeLessThan(before.now.works);
    expect(after.faults[0]?.fault).not.toBe('none');
    expect(after.faults.reduce((sum, f) => sum + f.chance, 0)).toBeCloseTo(1, 9);
  });
  test('what was measured moves the box that is weighed', () => {
    const usual = { ...setting, slope: 1 / 24 };
    const before = solve({ setting: usual }).result.verdict;
    const slow = solve({
      setting: usual,
      evidence: [{ kind: 'timed bucket', setting: usual, fed_m3_s: 0.0189 / 900 }],
    }).result.verdict;
    expect(before.measured).toBeNull();
    expect(slow.measured?.after.boxFactor.middle).toBeLessThan(slow.measured?.before.boxFactor.middle ?? 0);
    expect(slow.now.pace_m3_s.middle).toBeLessThan(before.now.pace_m3_s.middle);
    expect(slow.measured && 'boxes' in slow.measured).toBe(false);
  });
});
