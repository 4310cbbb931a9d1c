import { describe, expect, test } from '@jest/globals';
import { expectNear, referenceCases } from '../../test/referenceCases.ts';
import { poissonDraw, seededRandom } from '../maths/random.ts';
import { catchScale } from './catchScale.ts';

interface Found {
  readonly prior_sd_ln: number;
  readonly section_exponents: readonly number[];
  readonly section_counts: readonly number[];
  readonly tracers_fed: number;
  readonly tracers_held: number;
  readonly tail_share_panned: number;
  readonly tail_count: number;
}
interface Believed {
  readonly mean_ln_scale: number;
  readonly sd_ln_scale: number;
  readonly scale_5_50_95: readonly [number, number, number];
  readonly lost_share_mean: number;
  readonly lost_share_5_95: readonly [number, number];
}

describe('what a clean-up says of the scale of the catch (check values 18l)', () => {
  test.each(referenceCases<Found, Believed>('18l-catch-scale-posterior'))('$id', (c) => {
    const i = c.inputs;
    const got = catchScale(
      {
        exponents: i.section_exponents,
        counts: i.section_counts,
        tracersFed: i.tracers_fed,
        tracersHeld: i.tracers_held,
        tailShare: i.tail_share_panned,
        tailCount: i.tail_count,
      },
      i.prior_sd_ln,
    );
    const near = { ...c, tolerance_absolute: 5e-4 };
    expectNear(got.meanLog, c.expected.mean_ln_scale, near);
    expectNear(got.sdLog, c.expected.sd_ln_scale, near);
    const [low, middle, high] = c.expected.scale_5_50_95;
    expectNear(got.scale.low, low, near);
    expectNear(got.scale.middle, middle, near);
    expectNear(got.scale.high, high, near);
    expectNear(got.lost.mean, c.expected.lost_share_mean, near);
    expectNear(got.lost.low, c.expected.lost_share_5_95[0], near);
    expectNear(got.lost.high, c.expected.lost_share_5_95[1], near);
  });
});

describe('the scale of the catch', () => {
  const none = { tracersFed: 0, tracersHeld: 0, tailShare: 0, tailCount: 0 };
  test('nothing found says nothing: what was believed beforehand', () => {
    const { meanLog, sdLog } = catchScale({ exponents: [1, 1], counts: [0, 0], ...none });
    expect(meanLog).toBeCloseTo(0, 9);
    expect(sdLog).toBeCloseTo(0.5, 4);
  });
  test('gold at the head is a box that holds, gold spread evenly one that does not', () => {
    const at = (counts: readonly number[]): number =>
      catchScale({ exponents: [0.8, 0.8, 0.8], counts, ...none }).meanLog;
    expect(at([60, 8, 1])).toBeGreaterThan(0.3);
    expect(at([24, 22, 20])).toBeLessThan(-0.5);
  });
  test('clean-ups drawn from a true scale: nine bands in ten hold it', () => {
    const random = seededRandom(1956);
    let held = 0;
    const ROUNDS = 150;
    for (let n = 0; n < ROUNDS; n++) {
      const true_ = Math.exp(0.5 * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random()));
      const exponents = [0.7, 0.9, 0.6];
      let arriving = 60;
      const counts = exponents.map((k) => {
        const here = arriving * -Math.expm1(-true_ * k);
        arriving -= here;
        return poissonDraw(here, random);
      });
      const { scale } = catchScale({ exponents, counts, ...none });
      if (scale.low <= true_ && true_ <= scale.high) held++;
    }
    expect(held / ROUNDS).toBeGreaterThan(0.83);
    expect(held / ROUNDS).toBeLessThan(0.97);
  });
  test('lists that do not match and negative counts are refused by field', () => {
    expect(() => catchScale({ exponents: [1, 1], counts: [3], ...none })).toThrow(/counts/);
    expect(() => catchScale({ exponents: [1], counts: [-3], ...none })).toThrow(/counts/);
    expect(() => catchScale({ exponents: [1], counts: [3], ...none, tracersFed: 3, tracersHeld: 4 })).toThrow(
      /tracersHeld/,
    );
  });
});
