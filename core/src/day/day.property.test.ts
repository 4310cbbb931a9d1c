import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { carryingTrips } from './carry.ts';
import { daylight } from './daylight.ts';
import { pacePerPan, USUAL_PAN_MIN } from './pace.ts';
import { finishPlan, planDay, timeDay, type DayProblem } from './planDay.ts';
import { CONSTITUENT_NAMES, fromGreenwich, hoursBelow, tideHeight_m, tideTurns, type Constituent } from './tide.ts';
import { walkingMinutes } from './walking.ts';

/** What must hold of a day whatever its numbers. Seeds are fixed; a failure prints its own. */
const runs = (seed: number, numRuns = 80) => ({ seed, numRuns });

const constants = fc.uniqueArray(
  fc.record({
    name: fc.constantFrom(...CONSTITUENT_NAMES),
    amplitude_m: fc.double({ min: 0.02, max: 2, noNaN: true }),
    phase_deg: fc.double({ min: 0, max: 360, noNaN: true }),
  }),
  { selector: (c) => c.name, minLength: 1, maxLength: 6 },
) as fc.Arbitrary<Constituent[]>;
const epoch = fc.integer({ min: Date.UTC(2000, 0, 1), max: Date.UTC(2060, 0, 1) });

describe('tides', () => {
  test('counted from this hour or the next, the same water at the same time', () => {
    fc.assert(
      fc.property(constants, epoch, fc.integer({ min: 1, max: 30 }), (some, at, hours) => {
        const now = fromGreenwich(some, at);
        const later = fromGreenwich(some, at + hours * 3_600_000);
        const swing = some.reduce((sum, c) => sum + c.amplitude_m, 0);
        for (const t of [0, 3.3, 9.1])
          expect(
            Math.abs(
              tideHeight_m({ meanLevel_m: 0, constituents: now }, t + hours) -
                tideHeight_m({ meanLevel_m: 0, constituents: later }, t),
            ),
          ).toBeLessThan(0.003 * swing);
      }),
      runs(31),
    );
  });
  test('the water never leaves its swing, and turns alternate', () => {
    fc.assert(
      fc.property(constants, (some) => {
        const tide = { meanLevel_m: 1, constituents: some };
        const swing = some.reduce((sum, c) => sum + c.amplitude_m, 0);
        const turns = tideTurns(tide, 0, 60);
        turns.forEach((turn, i) => {
          expect(Math.abs(turn.height_m - 1)).toBeLessThanOrEqual(swing + 1e-9);
          if (i > 0) expect(turn.kind).not.toBe(turns[i - 1]?.kind);
        });
      }),
      runs(32),
    );
  });
  test('a higher level is never open for less time', () => {
    fc.assert(
      fc.property(
        constants,
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (some, level, more) => {
          const hours = (l: number): number =>
            hoursBelow({ meanLevel_m: 0, constituents: some }, l, 0, 48).reduce((sum, w) => sum + w.to_h - w.from_h, 0);
          expect(hours(level + more)).toBeGreaterThanOrEqual(hours(level) - 1e-6);
        },
      ),
      runs(33),
    );
  });
});

describe('daylight', () => {
  const length = (date: string, lat: number): number => {
    const sun = daylight(date, 0, lat);
    return sun.kind === 'rises and sets' ? sun.sunset_min - sun.sunrise_min : sun.kind === 'up all day' ? 1440 : 0;
  };
  test('June days lengthen toward the north, December days shorten', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -60, max: 60, noNaN: true }),
        fc.double({ min: 0.5, max: 5, noNaN: true }),
        (lat, north) => {
          expect(length('2026-06-21', lat + north)).toBeGreaterThanOrEqual(length('2026-06-21', lat));
          expect(length('2026-12-21', lat + north)).toBeLessThanOrEqual(length('2026-12-21', lat));
        },
      ),
      runs(34),
    );
  });
  test('a degree of longitude to the west is four minutes later, day after day', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 364 }), fc.double({ min: -55, max: 55, noNaN: true }), (day, lat) => {
        const date = new Date(Date.UTC(2026, 0, 1 + day)).toISOString().slice(0, 10);
        const [here, west] = [daylight(date, 10, lat), daylight(date, 9, lat)];
        if (here.kind !== 'rises and sets' || west.kind !== 'rises and sets') throw new Error('no sunrise');
        expect(Math.abs(west.sunset_min - here.sunset_min - 4)).toBeLessThan(0.05);
      }),
      runs(35),
    );
  });
});

describe('walking', () => {
  const slope = fc.double({ min: -0.6, max: 0.6, noNaN: true });
  test('a way in two parts takes as long as the whole; on the flat, there is as far as back', () => {
    fc.assert(
      fc.property(slope, fc.integer({ min: 0, max: 50 }), fc.integer({ min: 0, max: 50 }), (s, a, b) => {
        const line = { length_m: 2000, height_m: (d: number) => s * d };
        const [from, middle, to] = [0, 20 * a, 20 * (a + b)];
        expect(walkingMinutes(line, from, middle) + walkingMinutes(line, middle, to)).toBeCloseTo(
          walkingMinutes(line, from, to),
          6,
        );
        expect(walkingMinutes({ ...line, height_m: null }, from, to)).toBeCloseTo(
          walkingMinutes({ ...line, height_m: null }, to, from),
          9,
        );
      }),
      runs(36),
    );
  });
});

const problem = fc
  .array(
    fc.record({
      at: fc.integer({ min: 0, max: 2000 }),
      work_min: fc.integer({ min: 5, max: 90 }),
      value: fc.double({ min: 0.01, max: 1, noNaN: true }),
      opens: fc.option(fc.integer({ min: 420, max: 800 })),
    }),
    { minLength: 1, maxLength: 7 },
  )
  .map((places): DayProblem => {
    const at = [...places.map((p) => p.at), 0];
    return {
      stops: places.map((p, i) => ({
        id: `s${i}`,
        work_min: p.work_min,
        value: p.value,
        open: p.opens === null ? null : [{ from_min: p.opens, to_min: p.opens + 150 }],
      })),
      walk_min: at.map((a) => at.map((b) => Math.abs(a - b) / 50)),
      start_min: 480,
      back_min: 780,
    };
  });

describe('plans', () => {
  test('keep every promise: in time, within hours, nothing twice, worth what their places are worth', () => {
    fc.assert(
      fc.property(problem, (p) => {
        const plan = finishPlan(planDay(p));
        expect(plan.back_min).toBeLessThanOrEqual(p.back_min);
        expect(new Set(plan.stops.map((s) => s.id)).size).toBe(plan.stops.length);
        let value = 0;
        for (const s of plan.stops) {
          const stop = p.stops.find((o) => o.id === s.id);
          value += stop?.value ?? 0;
          expect(s.begin_min).toBeGreaterThanOrEqual(s.arrive_min);
          expect(s.end_min - s.begin_min).toBeCloseTo(stop?.work_min ?? NaN, 9);
          if (stop?.open)
            expect(stop.open.some((w) => s.begin_min >= w.from_min - 1e-9 && s.end_min <= w.to_min + 1e-9)).toBe(true);
        }
        expect(plan.value).toBeCloseTo(value, 9);
      }),
      runs(37),
    );
  });
  test('the order in which places are named does not matter, nor the scale of their worth', () => {
    fc.assert(
      fc.property(problem, fc.double({ min: 0.1, max: 50, noNaN: true }), (p, scale) => {
        const turned: DayProblem = {
          ...p,
          stops: [...p.stops].reverse(),
          walk_min: [...p.walk_min.slice(0, -1).reverse(), p.walk_min.at(-1) ?? []].map((row) => [
            ...row.slice(0, -1).reverse(),
            row.at(-1) ?? 0,
          ]),
        };
        const value = finishPlan(planDay(p)).value;
        expect(finishPlan(planDay(turned)).value).toBeCloseTo(value, 9);
        expect(
          finishPlan(planDay({ ...p, stops: p.stops.map((s) => ({ ...s, value: s.value * scale })) })).value,
        ).toBeCloseTo(value * scale, 6);
      }),
      runs(38),
    );
  });
  test('one place more never makes a day worth less', () => {
    fc.assert(
      fc.property(problem, (p) => {
        const without: DayProblem = {
          ...p,
          stops: p.stops.slice(1),
          walk_min: p.walk_min.slice(1).map((row) => row.slice(1)),
        };
        expect(finishPlan(planDay(p)).value).toBeGreaterThanOrEqual(finishPlan(planDay(without)).value - 1e-9);
      }),
      runs(39),
    );
  });
  test('its own order timed by hand is the same day', () => {
    fc.assert(
      fc.property(problem, (p) => {
        const plan = finishPlan(planDay(p));
        expect(
          timeDay(
            p,
            plan.stops.map((s) => p.stops.findIndex((o) => o.id === s.id)),
          ),
        ).toEqual(plan);
      }),
      runs(40),
    );
  });
});

describe('loads and pace', () => {
  test('more to carry never takes fewer trips, more room never more', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 200, noNaN: true }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        fc.double({ min: 1, max: 40, noNaN: true }),
        (load, more, room) => {
          expect(carryingTrips(load + more, 5, 5 + room)).toBeGreaterThanOrEqual(carryingTrips(load, 5, 5 + room));
          expect(carryingTrips(load, 5, 5 + room + 1)).toBeLessThanOrEqual(carryingTrips(load, 5, 5 + room));
          expect(carryingTrips(load, 5, 5 + room) * room).toBeGreaterThanOrEqual(load - 1e-6);
        },
      ),
      runs(41),
    );
  });
  test('the pace lies between what is common and what the log says', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 60 }), fc.integer({ min: 2, max: 30 }), (minutes, samples) => {
        const { pan_min, from } = pacePerPan(
          Array.from({ length: samples }, (_, i) => ({ at_ms: i * minutes * 60_000, spotId: 'a', pans: 1 })),
          () => 0,
        );
        expect(from).toBe(samples - 1);
        expect(pan_min).toBeGreaterThanOrEqual(Math.min(minutes, USUAL_PAN_MIN) - 1e-9);
        expect(pan_min).toBeLessThanOrEqual(Math.max(minutes, USUAL_PAN_MIN) + 1e-9);
      }),
      runs(42),
    );
  });
});
