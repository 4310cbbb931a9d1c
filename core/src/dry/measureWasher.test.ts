import { describe, expect, test } from '@jest/globals';
import { USUAL_MIX } from '../set/goldMix.ts';
import { measureWasher, type WasherEvidence } from './measureWasher.ts';
import { leftOfSize } from './passes.ts';
import { seeWasher } from './seeWasher.ts';
import { solveWasher, USUAL_CLOTH_PA_S_M, USUAL_WASHER_CREW_M3_S, type WasherSetting } from './solveWasher.ts';
import { drawWashers, MEDIAN_WASHER, PASS_SCATTER, type WasherParameters } from './washerParameters.ts';
import { washerWindow } from './washerWindow.ts';
import { weighPasses } from './weighPasses.ts';
import { weighWasher } from './weighWasher.ts';

const USUAL: WasherSetting = {
  width_m: 0.3,
  length_m: 0.76,
  riffle_m: 0.012,
  spacing_m: 0.09,
  slope: 0.15,
  drive: { kind: 'bellows', puffs_min: 270, stroke_m3: 0.0065 },
  cloth_Pa_s_m: USUAL_CLOTH_PA_S_M,
  screen_m: 0.00635,
  feedSize_m: null,
  altitude_m: 600,
  temperature_C: 30,
  moisture_percent: 0.2,
  isClayey: false,
  crew_m3_s: USUAL_WASHER_CREW_M3_S,
  feed_m3_s: USUAL_WASHER_CREW_M3_S,
  gold: USUAL_MIX,
};
const puffs = (puffs_min: number): WasherSetting => ({
  ...USUAL,
  drive: { kind: 'bellows', puffs_min, stroke_m3: 0.0065 },
});
const WASHERS = drawWashers();
const heldBy = (washers: readonly WasherParameters[]) => weighWasher(USUAL, washers).heldOfMix;

describe('a washer measured', () => {
  test('without evidence it is as nobody measured it', () => {
    expect(measureWasher([])).toEqual({ washers: drawWashers(), effective: 256 });
  });
  /** What a washer that catches so much more than the middle one would show. */
  const truth = (scale: number): WasherParameters => ({
    ...MEDIAN_WASHER,
    sinking_m_s: scale * MEDIAN_WASHER.sinking_m_s,
  });
  const passesOf = (w: WasherParameters): WasherEvidence => {
    const { exponents } = solveWasher(USUAL, w);
    const left = (n: number): number =>
      USUAL.gold.reduce((sum, g, k) => sum + g.share * leftOfSize(exponents[k] ?? 0, n, PASS_SCATTER), 0);
    return { kind: 'passes', setting: USUAL, gold_mg: [600 * (1 - left(1)), 600 * (left(1) - left(2))], luck_mg: 0.2 };
  };
  test.each([0.5, 2])('two passes move what it holds toward a washer %f times as keen', (scale) => {
    const before = heldBy(WASHERS);
    const after = heldBy(measureWasher([passesOf(truth(scale))]).washers);
    const is = solveWasher(USUAL, truth(scale)).heldOfMix;
    expect(Math.abs(after.middle - is)).toBeLessThan(Math.abs(before.middle - is));
    expect(after.high - after.low).toBeLessThan(before.high - before.low);
    expect(after.low).toBeLessThan(is);
    expect(after.high).toBeGreaterThan(is);
  });
  const tracers = (of: 'gold' | 'lead', held: number): WasherEvidence => ({
    kind: 'tracers',
    of,
    setting: USUAL,
    size_m: 0.0005,
    fed: 40,
    held,
  });
  test('of tracers more found is a keener washer; few found of lead say more against it than few of gold', () => {
    const held = (e: WasherEvidence): number => heldBy(measureWasher([e]).washers).middle;
    expect(held(tracers('lead', 36))).toBeGreaterThan(held(tracers('lead', 20)));
    // Round shot of the same sieve stays no better than the flat flake sinks: finding half of either is a poor washer.
    expect(held(tracers('gold', 20))).toBeLessThan(heldBy(WASHERS).middle);
    expect(held(tracers('lead', 20))).toBeLessThan(heldBy(WASHERS).middle);
  });
  test('a timed bucket moves how fast the tray runs, and not what it holds at that feed by much', () => {
    const fast = measureWasher([{ kind: 'timed bucket', setting: USUAL, fed_m3_s: 1e-4 }]).washers;
    expect(weighWasher(USUAL, fast).capacity_m3_s.middle).toBeGreaterThan(
      weighWasher(USUAL, WASHERS).capacity_m3_s.middle,
    );
  });
  test('colors in the tail pan of known ground are gold lost', () => {
    const tail = (atLeast: number, atMost: number | null): number =>
      heldBy(
        measureWasher([{ kind: 'tail pan', setting: USUAL, atLeast, atMost, bank_L: 6, grades_mg_L: [0.5, 0.7, 1] }])
          .washers,
      ).middle;
    expect(tail(3, null)).toBeLessThan(tail(0, 0));
  });
  test('gold far down the tray is gold that nearly left it', () => {
    const split = (head_mg: number): number =>
      heldBy(
        measureWasher([
          {
            kind: 'clean-up',
            setting: USUAL,
            stretches: [
              { from_m: 0, to_m: 0.25, gold_mg: head_mg },
              { from_m: 0.25, to_m: 0.76, gold_mg: 100 - head_mg },
            ],
            luck_mg: 0.5,
          },
        ]).washers,
      ).middle;
    expect(split(80)).toBeGreaterThan(split(45));
  });
  test('what cannot be is refused', () => {
    expect(() => measureWasher([tracers('gold', 50)])).toThrow('held');
    expect(() => measureWasher([{ kind: 'passes', setting: USUAL, gold_mg: [3], luck_mg: 1 }])).toThrow('passes');
    expect(() => measureWasher([{ kind: 'timed bucket', setting: USUAL, fed_m3_s: 0 }])).toThrow('fed_m3_s');
  });
});

describe('what is seen at it', () => {
  test('lights that lie still are a washer with less air; fine gold in the tail one that holds less', () => {
    const still = seeWasher(USUAL, WASHERS, { 'lies still': true });
    expect(weighWasher(USUAL, still.washers).open.middle).toBeLessThan(weighWasher(USUAL, WASHERS).open.middle);
    const fines = seeWasher(USUAL, WASHERS, { 'fines in tail': true });
    expect(heldBy(fines.washers).middle).toBeLessThan(heldBy(WASHERS).middle);
  });
  test('looked for and not there speaks too; nothing looked for changes nothing', () => {
    const none = seeWasher(USUAL, WASHERS, { 'fines in tail': false });
    expect(heldBy(none.washers).middle).toBeGreaterThan(heldBy(WASHERS).middle);
    expect(seeWasher(USUAL, WASHERS, {})).toEqual({ washers: WASHERS, fits: true });
  });
  test('a bed that boils at a crawl does not fit what was entered', () => {
    expect(seeWasher(puffs(90), WASHERS, { boils: true, 'lies still': false }).fits).toBe(false);
    expect(seeWasher(USUAL, WASHERS, { 'no black sand': false }).fits).toBe(true);
  });
});

describe('passes of washers as they may be', () => {
  test('each holds more of all, loses more of what it meets, and the sizes agree with the whole', () => {
    const passes = weighPasses(USUAL, WASHERS, 4);
    for (let i = 1; i < passes.length; i++) {
      expect(passes[i]?.heldSoFar.middle).toBeGreaterThan(passes[i - 1]?.heldSoFar.middle ?? 1);
      expect(passes[i]?.lostOfWhatItMeets.middle).toBeGreaterThan(passes[i - 1]?.lostOfWhatItMeets.middle ?? 1);
    }
    // Common practice, no source: 20 to 30 % lost in one pass.
    expect(passes[0]?.lostOfWhatItMeets.middle).toBeGreaterThan(0.2);
    expect(passes[0]?.lostOfWhatItMeets.middle).toBeLessThan(0.3);
    const held = USUAL.gold.map((_, k) => passes[0]?.bySize[k]?.middle ?? 0);
    expect(Math.max(...held)).toBeGreaterThan(passes[0]?.heldSoFar.middle ?? 1);
    expect(Math.min(...held)).toBeLessThan(passes[0]?.heldSoFar.middle ?? 0);
  });
  test('a pass pays the more often the richer the ground, and a later one less often', () => {
    const pays = (grade: number): (number | null)[] =>
      weighPasses(USUAL, WASHERS, 3, {
        grades_mg_L: [grade],
        price_per_mg: 0.07,
        hourValue: 15,
        bankOfLoose: 0.8,
      }).map((p) => p.pays);
    const [poor, rich] = [pays(1), pays(20)];
    expect(rich[0]).toBeGreaterThan(poor[0] ?? 1);
    expect(rich[1]).toBeLessThan(rich[0] ?? 0);
    expect(weighPasses(USUAL, WASHERS, 2)[0]?.pays).toBeNull();
  });
  test('where the sand lies still in every draw there is no pass', () => {
    expect(weighPasses(puffs(5), WASHERS, 2)).toEqual([]);
  });
});

test('the window: chances of a cell add up to one, little air on the left, and the cell of the setting as weighed', () => {
  const some = WASHERS.slice(0, 64);
  const steps = washerWindow(USUAL, some, { columns: 9, rows: 5, times: [0.2, 1.8], slope: [0.05, 0.25] });
  let step = steps.next();
  const done: number[] = [];
  while (!step.done) {
    done.push(step.value);
    step = steps.next();
  }
  const { tooLittle, works, blowsOut } = step.value;
  expect(done).toEqual([0.2, 0.4, 0.6, 0.8, 1]);
  works.forEach((w, i) => expect(w + (tooLittle[i] ?? 0) + (blowsOut[i] ?? 0)).toBeCloseTo(1, 9));
  for (let row = 0; row < 5; row++) expect(tooLittle[row * 9]).toBeGreaterThan(0.9);
  // Column 4 is the speed as set, row 2 the pitch as set.
  expect(works[2 * 9 + 4]).toBeCloseTo(weighWasher(USUAL, some).works, 9);
});
