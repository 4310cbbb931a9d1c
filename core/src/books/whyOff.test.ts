import { describe, expect, test } from '@jest/globals';
import { normalDraw, seededRandom } from '../maths/random.ts';
import { whyOff, type PromisedAndCame } from './whyOff.ts';

const cleanup = (id: string, spotId: string, rigId: string, came_mg_L: number, sd = 0.3): PromisedAndCame => ({
  id,
  spotId,
  rigId,
  said_mg_L: 1,
  low_mg_L: Math.exp(-1.6449 * sd),
  high_mg_L: Math.exp(1.6449 * sd),
  came_mg_L,
  pieces: 400,
});

describe('why a box held other than was promised', () => {
  test('one clean-up, by hand: what is off is shared out by the variances', () => {
    // Off by ln 0.5 below the usual 0.8; hands 0.04, box 0.16, ground 0.09, day and luck 0.0225 + 0.0025.
    const found = whyOff([cleanup('c', 's', 'r', 0.4)]);
    const all = 0.04 + 0.16 + 0.09 + 0.025;
    const middle = (cause: string): number => found?.causes.find((c) => c.cause === cause)?.factor.middle ?? NaN;
    expect(Math.log(middle('box'))).toBeCloseTo((Math.log(0.5) * 0.16) / all, 6);
    expect(Math.log(middle('hands'))).toBeCloseTo((Math.log(0.5) * 0.04) / all, 6);
    expect(found?.ratio).toBeCloseTo(0.4, 9);
    // One alone cannot tell box from ground.
    expect(found?.causes.some((c) => c.isTold)).toBe(false);
    expect(whyOff([cleanup('c', 's', 'r', 0.3)])?.each[0]?.why).toBe('box');
  });
  test('one box low on every ground is the box; one spot low through every box is the ground', () => {
    const box = whyOff(
      ['a', 'b', 'c', 'd'].flatMap((spot) => [
        cleanup(`${spot}1`, spot, 'good', 0.8),
        cleanup(`${spot}2`, spot, 'bad', 0.35),
      ]),
    );
    expect(box?.causes[0]).toMatchObject({ cause: 'box', key: 'bad', isTold: true });
    expect(box?.each.filter((e) => e.why === 'box').map((e) => e.id)).toEqual(['a2', 'b2', 'c2', 'd2']);
    const ground = whyOff(
      ['x', 'y', 'z'].flatMap((rig) => [cleanup(`${rig}1`, 'poor', rig, 0.3), cleanup(`${rig}2`, 'fair', rig, 0.8)]),
    );
    expect(ground?.causes[0]).toMatchObject({ cause: 'ground', key: 'poor', isTold: true });
  });
  test('what came as promised is not explained, and nothing comes of nothing', () => {
    expect(whyOff([cleanup('c', 's', 'r', 0.75)])?.each[0]?.why).toBeNull();
    expect(whyOff([])).toBeNull();
    expect(whyOff([cleanup('c', 's', 'r', 0)])?.each[0]?.why).not.toBeNull();
  });

  // Held against a truth of another form: catches and grades drawn evenly, not log-normally, and luck as whole pieces lost or won.
  test('a cause that is told points the right way', () => {
    const random = seededRandom(20261128);
    let [told, right, inBand, boxes] = [0, 0, 0, 0];
    for (let crew = 0; crew < 150; crew++) {
      const hands = 0.75 + 0.5 * random();
      const rigs = ['r1', 'r2'].map((key) => ({ key, takes: 0.35 + 0.65 * random() }));
      const spots = ['s1', 's2', 's3'].map((key) => ({ key, is: 0.5 + random() }));
      const list: PromisedAndCame[] = [];
      for (let c = 0; c < 9; c++) {
        const rig = rigs[c % 2] ?? rigs[0];
        const spot = spots[c % 3] ?? spots[0];
        if (!rig || !spot) continue;
        const day = 1 + 0.12 * normalDraw(random);
        list.push({
          ...cleanup(`c${c}`, spot.key, rig.key, Math.max(0.01, rig.takes * spot.is * hands * day)),
          pieces: 300,
        });
      }
      const found = whyOff(list);
      for (const rig of rigs) {
        const by = found?.causes.find((c) => c.cause === 'box' && c.key === rig.key);
        if (!by) continue;
        boxes++;
        const truth = rig.takes / 0.8;
        if (truth >= by.factor.low && truth <= by.factor.high) inBand++;
        if (!by.isTold) continue;
        told++;
        if (truth > 1 === by.factor.middle > 1) right++;
      }
    }
    expect(inBand / boxes).toBeGreaterThan(0.85);
    expect(told).toBeGreaterThan(30);
    expect(right / told).toBeGreaterThan(0.95);
  });
});
