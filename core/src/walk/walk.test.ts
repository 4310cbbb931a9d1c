import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { aheadBy, aheadOf, handOf, walkingWay, type WalkWay } from './aheadOf.ts';
import { askAgainAfter_s } from './askAgain.ts';
import { bellKey, bellsAt, EDGE_BELL_M, type WalkMoment } from './bells.ts';
import { BACK_SLACK, shutsFirst, turnBack } from './turnBack.ts';

const place = (id: string, distance_m: number) => ({ id, distance_m, bank: 'left' as const });
const places = [place('a', 100), place('b', 160), place('c', 300)];
const claim = { id: 'x', name: 'Upper', from_m: 400, to_m: 500 };
const moment = (here_m: number, some: Partial<WalkMoment> = {}): WalkMoment => ({
  here_m,
  accuracy_m: 5,
  way: 'up',
  turnIn_min: null,
  isShut: false,
  ...some,
});

describe('what lies ahead', () => {
  test('walking up: nearest first, and what lies a little behind is still in reach', () => {
    expect(aheadOf(places, 'up', 108).map((p) => [p.id, p.ahead_m])).toEqual([
      ['a', -8],
      ['b', 52],
      ['c', 192],
    ]);
    expect(aheadOf(places, 'up', 113).map((p) => p.id)).toEqual(['b', 'c']);
    expect(aheadOf(places, 'down', 170).map((p) => p.id)).toEqual(['b', 'a']);
  });
  test('walking up the right bank is on the left hand; coming back it is on the right', () => {
    expect([handOf('right', 'up'), handOf('right', 'down'), handOf('mid', 'up')]).toEqual(['left', 'right', null]);
  });
  test('the distance counts down with every step towards it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1000, noNaN: true }),
        fc.double({ min: 0, max: 1000, noNaN: true }),
        fc.double({ min: 0.1, max: 50, noNaN: true }),
        fc.constantFrom<WalkWay>('up', 'down'),
        (here, there, step, way) => {
          const on = way === 'up' ? here + step : here - step;
          expect(aheadBy(way, on, there)).toBeLessThan(aheadBy(way, here, there));
        },
      ),
    );
  });
  test('a receiver that wanders turns nobody round; walking back does', () => {
    let at: { way: WalkWay; turn_m: number } = { way: 'up', turn_m: 100 };
    for (const here of [110, 104, 112, 100, 118]) at = walkingWay(at, here, 8);
    expect(at).toEqual({ way: 'up', turn_m: 118 });
    expect(walkingWay(at, 99, 8).way).toBe('up');
    expect(walkingWay(at, 97, 8)).toEqual({ way: 'down', turn_m: 97 });
  });
});

describe('bells', () => {
  /** All that rings along a way walked. */
  const walked = (steps: readonly WalkMoment[]): string[] => {
    let rung: readonly string[] = [];
    return steps.flatMap((step) => {
      const at = bellsAt(step, places, [claim], rung);
      rung = at.rung;
      return at.ring.map(bellKey);
    });
  };
  test('a place rings once, however long one stands there', () => {
    expect(walked([80, 90, 95, 100, 100, 101].map((m) => moment(m)))).toEqual(['place a']);
  });
  test('an edge rings before one is over it and again when one is; coming back later both ring anew', () => {
    const up = [340, 352, 370, 395, 405, 440].map((m) => moment(m));
    expect(walked(up)).toEqual([`edge near x`, 'edge crossed x']);
    const away = [390, 380, 340, 330].map((m) => moment(m, { way: 'down' }));
    expect(walked([...up, ...away, ...up]).filter((k) => k.startsWith('edge'))).toEqual([
      'edge near x',
      'edge crossed x',
      'edge near x',
      'edge crossed x',
    ]);
  });
  test('leaving an edge is no news; the next one ahead is', () => {
    expect(walked([moment(510), moment(530)])).toEqual([]);
    expect(walked([moment(530, { way: 'down' })])).toEqual(['edge near x']);
    expect(walked([moment(501 + EDGE_BELL_M + 5, { way: 'down' })])).toEqual([]);
  });
  test('the turn rings ten minutes before and at its time, and anew when walking back has won time', () => {
    const at = (turnIn_min: number): WalkMoment => moment(50, { turnIn_min });
    expect(walked([at(30), at(10), at(9), at(0), at(-3), at(15), at(8)])).toEqual([
      'turn soon',
      'turn now',
      'turn soon',
    ]);
  });
  test('the way back shut by the river rings once until it opens', () => {
    const at = (isShut: boolean): WalkMoment => moment(50, { isShut });
    expect(walked([at(true), at(true), at(false), at(true)])).toEqual(['way shut', 'way shut']);
  });
  test('no bell is lost where the steps between two fixes are long, as long as one stops within its reach', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 600, noNaN: true }), { maxLength: 60 }), (steps) => {
        const rang = walked(steps.map((m) => moment(m)));
        for (const p of places)
          expect(rang.filter((k) => k === `place ${p.id}`)).toHaveLength(
            steps.some((m) => Math.abs(m - p.distance_m) <= 15) ? 1 : 0,
          );
      }),
    );
  });
});

describe('the way back', () => {
  const flat = { length_m: 2000, height_m: null };
  // Tobler (1993): 6 exp(-3.5 x 0.05) km/h on the flat, off the path six tenths of it.
  const min_per_km = 60 / (6 * Math.exp(-0.175) * 0.6);
  test('a kilometre out takes Tobler’s time and a quarter', () => {
    const back = turnBack(flat, 1200, 200, 960, 900);
    expect(back.walk_min).toBeCloseTo(min_per_km * BACK_SLACK, 9);
    expect(back.left_min).toBeCloseTo(60 - back.walk_min, 9);
  });
  test('each step away brings the turn nearer, each step back puts it off', () => {
    const turn = (here: number): number => turnBack(flat, here, 0, 960, 0).turn_min;
    expect(turn(800)).toBeLessThan(turn(700));
    expect(turn(0)).toBeCloseTo(960, 9);
  });
  test('outside the line its ends count', () => {
    expect(turnBack(flat, 2600, -40, 960, 0)).toEqual(turnBack(flat, 2000, 0, 960, 0));
  });
  test('the lowest crossing between here and the start shuts it first; what lies beyond does not', () => {
    const fords = [
      { id: 'a', name: 'Ford', distance_m: 85, worksBelow_m: 0.5 },
      { id: 'b', name: 'Bar', distance_m: 200, worksBelow_m: 0.42 },
      { id: 'c', name: 'Head', distance_m: 900, worksBelow_m: 0.3 },
      { id: 'd', name: 'Bank', distance_m: 150, worksBelow_m: null },
    ];
    expect(shutsFirst(fords, 400, 0)?.name).toBe('Bar');
    expect(shutsFirst(fords, 950, 300)?.name).toBe('Head');
    expect(shutsFirst(fords, 120, 100)).toBeNull();
  });
});

describe('the receiver', () => {
  test('is asked the oftener the nearer the next mark is, and sleeps long where there is none', () => {
    expect(askAgainAfter_s(null)).toBe(20);
    expect(askAgainAfter_s(5)).toBe(2);
    expect(askAgainAfter_s(48)).toBeCloseTo(10, 9);
    expect(askAgainAfter_s(-5000)).toBe(20);
  });
});
