import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { expectNear, referenceCases } from '../../test/referenceCases.ts';
import { COLOR_MG, NO_COLORS, type ColorCounts } from './colorWeights.ts';
import { acrossOf, bankOf, layOut, MOST_BAGS } from './layOut.ts';
import { paySection } from './paySection.ts';
import { payStreak } from './payStreak.ts';
import { liesInPit, pitDepth_m, payLayers, pitSum, type PitLayer } from './pit.ts';
import { screenChoice, whichScreen, type GoldBySize } from './screenChoice.ts';
import { characteristicSize_mm, dryMass, medianThrough_mm, passingAt_percent, sizeCurve } from './sizeCurve.ts';

const runs = { seed: 20_261_126, numRuns: 150 };

describe('size curve', () => {
  interface Masses {
    sizes_mm: number[];
    retained_g: number[];
    pan_g: number;
  }
  test.each(referenceCases<Masses, { passing_percent: number[]; total_g: number }>('09d-sieve-masses'))(
    'percent passing $id',
    (c) => {
      const curve = sizeCurve(
        c.inputs.sizes_mm.map((aperture_mm, i) => ({ aperture_mm, kept: c.inputs.retained_g[i] ?? NaN })),
        c.inputs.pan_g,
      );
      expectNear(curve.foundAgain, c.expected.total_g, c);
      curve.points.forEach((p, i) => expectNear(p.passing_percent, c.expected.passing_percent[i] ?? NaN, c));
    },
  );
  test.each(
    referenceCases<{ sizes_mm: number[]; passing_percent: number[] }, Record<string, number | null>>(
      '09a-characteristic-sizes',
    ),
  )('D10 to D90 $id', (c) => {
    const points = c.inputs.sizes_mm.map((aperture_mm, i) => ({
      aperture_mm,
      passing_percent: c.inputs.passing_percent[i] ?? NaN,
    }));
    for (const percent of [10, 50, 60, 80, 90]) {
      const [got, expected] = [characteristicSize_mm(points, percent), c.expected[`D${percent}_mm`] ?? null];
      if (expected === null) expect(got).toBeNull();
      else expectNear(got ?? NaN, expected, c);
    }
  });
  const stack = fc.array(fc.double({ min: 0, max: 500, noNaN: true }), { minLength: 5, maxLength: 5 });
  test('a split that lost nothing closes at 100 %, in any order of the screens; shares rise with the opening', () => {
    fc.assert(
      fc.property(stack, (kept) => {
        const screens = [0.425, 0.85, 2, 4.75].map((aperture_mm, i) => ({ aperture_mm, kept: kept[i] ?? 0 }));
        const whole = kept.reduce((a, b) => a + b, 0);
        if (!(whole > 0)) return;
        const curve = sizeCurve(screens, kept[4] ?? 0, whole);
        expect(curve.closure_percent).toBeCloseTo(100, 9);
        expect(sizeCurve([...screens].reverse(), kept[4] ?? 0, whole).points).toEqual(curve.points);
        curve.points
          .slice(1)
          .forEach((p, i) =>
            expect(p.passing_percent).toBeGreaterThanOrEqual((curve.points[i]?.passing_percent ?? NaN) - 1e-9),
          );
        // The curve read back at its own sizes is itself.
        for (const p of curve.points) expect(passingAt_percent(curve.points, p.aperture_mm)).toBe(p.passing_percent);
      }),
      runs,
    );
  });
  test('impossible stacks are refused by name', () => {
    expect(() => sizeCurve([], 3)).toThrow(/stack/);
    expect(() => sizeCurve([{ aperture_mm: 2, kept: -1 }], 3)).toThrow(/kept/);
    expect(() =>
      sizeCurve(
        [
          { aperture_mm: 2, kept: 1 },
          { aperture_mm: 2, kept: 1 },
        ],
        3,
      ),
    ).toThrow(/once/);
    expect(() => sizeCurve([{ aperture_mm: 2, kept: 0 }], 0)).toThrow(/found again/);
  });
  test('water is taken off the mass', () => expect(dryMass(112, 12)).toBeCloseTo(100, 12));
});

describe('choice of a screen', () => {
  const curve = sizeCurve(
    [
      { aperture_mm: 0.425, kept: 20 },
      { aperture_mm: 0.85, kept: 20 },
      { aperture_mm: 2, kept: 20 },
      { aperture_mm: 6.3, kept: 30 },
    ],
    10,
  ).points;
  const gold = (some: Partial<ColorCounts>, volumeBank_L = 20): GoldBySize => ({
    counts: { ...NO_COLORS, ...some },
    volumeBank_L,
    weights_mg: COLOR_MG,
    coarse_mg: null,
  });
  const fineGold = gold({ '20-40': 6, '-40': 60 });
  test('a coarse screen takes gravel and hardly any gold; a finer one takes the coarse classes, by weight', () => {
    const coarse = screenChoice(6.3, curve, fineGold);
    expect(coarse).toMatchObject({ aperture_mm: 6.3, removes_percent: 30, foundOver: null });
    expect(coarse.goldOverAtMost_percent).toBeLessThan(1);
    const at = screenChoice(0.425, curve, fineGold);
    expect(at.removes_percent).toBeCloseTo(90, 9);
    // Six of 66 colors are larger, but they hold more than their number of the weight: by hand about 6 x 0.85 of 6 x 0.85 + 60 x 0.07 mg.
    expect(at.goldOver_percent).toBeGreaterThan(40);
    expect(at.goldOver_percent).toBeLessThan(75);
  });
  test('a finer screen never takes less', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.43, max: 6, noNaN: true }),
        fc.double({ min: 1.01, max: 1.05, noNaN: true }),
        (mm, more) => {
          const [fine, coarse] = [screenChoice(mm, curve, fineGold), screenChoice(mm * more, curve, fineGold)];
          expect(fine.removes_percent ?? 0).toBeGreaterThanOrEqual(coarse.removes_percent ?? 0);
          expect(fine.goldOver_percent ?? 0).toBeGreaterThanOrEqual(coarse.goldOver_percent ?? 0);
          expect(fine.goldOverAtMost_percent ?? 0).toBeGreaterThanOrEqual((coarse.goldOverAtMost_percent ?? 0) - 1e-9);
        },
      ),
      runs,
    );
  });
  test('what was found by eye lies on a screen or a coarser one; where nobody looked nothing is said', () => {
    const found = [
      { aperture_mm: 12.5, colors: 0 },
      { aperture_mm: 6.3, colors: 1 },
      { aperture_mm: 2, colors: 3 },
      { aperture_mm: 0.425, colors: null },
    ];
    expect([20, 12.5, 6.3, 2, 0.425].map((mm) => screenChoice(mm, curve, fineGold, found).foundOver)).toEqual([
      null,
      0,
      1,
      4,
      4,
    ]);
    expect(
      screenChoice(0.425, curve, fineGold, [
        { aperture_mm: 2, colors: 0 },
        { aperture_mm: 0.425, colors: null },
      ]).foundOver,
    ).toBeNull();
  });
  test('few colors leave much open, and nothing counted says nothing: then the usual screen stands', () => {
    const few = screenChoice(2, curve, gold({ '-40': 3 }));
    expect(few.goldOverAtMost_percent).toBeGreaterThan(60);
    for (const none of [whichScreen(curve), whichScreen(curve, gold({}))]) {
      expect(none.best).toBeNull();
      expect(none.choices.every((c) => c.goldOver_percent === null)).toBe(true);
      // The nearest to half an inch of the stack.
      expect(none.usual?.aperture_mm).toBe(6.3);
    }
    expect(whichScreen(curve, gold({ '-40': 3 }))).toMatchObject({ best: null, usual: { aperture_mm: 6.3 } });
  });
  test('the screen to use is the finest that takes a tenth at most; gold seen on a screen rules it out', () => {
    const { choices, best, goldOnTop } = whichScreen(curve, fineGold);
    expect(choices.map((c) => c.aperture_mm)).toEqual([...curve.map((p) => p.aperture_mm)].sort((a, b) => b - a));
    expect([best?.aperture_mm, goldOnTop]).toEqual([2, null]);
    const seen = whichScreen(curve, fineGold, [{ aperture_mm: 2, colors: 2 }]);
    expect([seen.best?.aperture_mm, seen.goldOnTop?.aperture_mm]).toEqual([6.3, 0.425]);
    expect(whichScreen(curve, fineGold, [{ aperture_mm: 12.5, colors: 1 }]).best).toBeNull();
  });
  test('two nuggets over No. 10 are never "no gold above"', () => {
    const { best, choices } = whichScreen(curve, gold({ '+10': 2, '10-20': 5, '20-40': 10, '-40': 20 }));
    expect(best).toBeNull();
    expect(choices.find((c) => c.aperture_mm === 2)?.goldOverAtMost_percent).toBeGreaterThan(50);
  });
  test('each bucket of oversize looked through clean lowers what may be there; so many allow the finer screen, a piece found forbids it', () => {
    const at = (volumeBank_L: number, pieces = 0) =>
      screenChoice(0.85, curve, fineGold, [], [{ aperture_mm: 0.85, pieces, volumeBank_L }]);
    const first = at(0);
    expect(first.lookFirst_L).toBeGreaterThan(20);
    let before = Infinity;
    for (let litres = 0; litres <= 200; litres += 20) {
      const now = at(litres).goldOverAtMost_mg_L ?? 0;
      expect(now).toBeLessThan(before);
      before = now;
    }
    expect(at((first.lookFirst_L ?? 0) * 1.001).goldOverAtMost_percent).toBeLessThanOrEqual(10.01);
    expect(at(100, 2).lookFirst_L).toBeGreaterThan(at(100).lookFirst_L ?? 0);
    // What fell through was not looked at; coarser screens were. No limit lies below what is to be expected.
    const looks = [{ aperture_mm: 0.85, pieces: 0, volumeBank_L: 200 }];
    expect(screenChoice(0.425, curve, fineGold, [], looks)).toEqual(screenChoice(0.425, curve, fineGold));
    for (const c of whichScreen(curve, fineGold, [], looks).choices)
      expect(c.goldOverAtMost_percent ?? 0).toBeGreaterThanOrEqual(c.goldOver_percent ?? 0);
    expect(whichScreen(curve, fineGold).finer).toMatchObject({ aperture_mm: 0.85, lookFirst_L: first.lookFirst_L });
  });
  test('beyond the stack nothing is made up', () =>
    expect([
      screenChoice(25, curve, fineGold).removes_percent,
      screenChoice(2, curve, gold({})).goldOver_percent,
    ]).toEqual([null, null]));
});

describe('laying out samples', () => {
  const A = { distance_m: 100, across_m: -6 };
  test('a traverse has both ends and no step longer than asked', () => {
    const points = layOut({
      kind: 'traverse',
      from: A,
      to: { distance_m: 100, across_m: 5 },
      spacing_m: 2,
      depth_m: 0.3,
    });
    expect(points.map((p) => p.across_m)).toEqual([
      -6,
      expect.closeTo(-4.167, 3),
      expect.closeTo(-2.333, 3),
      -0.5,
      expect.closeTo(1.333, 3),
      expect.closeTo(3.167, 3),
      5,
    ]);
  });
  test('a hillside loamed every foot down to eight has a bag for each (common practice: 0.3 m to 2.4 m)', () => {
    const points = layOut({
      kind: 'grid',
      from: { distance_m: 0, across_m: 0 },
      to: { distance_m: 20, across_m: 10 },
      spacing_m: 10,
      rowSpacing_m: 10,
      depth_m: 2.4,
      step_m: 0.3,
    });
    expect([points.length, points[0]?.bags.length, points[0]?.bags[7]?.to_m]).toEqual([6, 8, 2.4]);
    // Walked like a plowman: the second row starts where the first ended.
    expect(points.map((p) => p.across_m)).toEqual([0, 10, 10, 0, 0, 10]);
  });
  test('a test square keeps the last 50 mm into the clay apart (common practice)', () => {
    const [square] = layOut({ kind: 'test square', at: A, depth_m: 0.9 });
    expect(square?.bags.map((b) => b.layer)).toEqual(['cover', 'gravel', 'firm layer, into the clay']);
    expect((square?.bags[2]?.to_m ?? 0) - (square?.bags[2]?.from_m ?? 0)).toBeCloseTo(0.05, 12);
  });
  test('a series up the creek brackets every draw mouth', () => {
    const points = layOut({
      kind: 'upstream series',
      from_m: 0,
      to_m: 300,
      spacing_m: 100,
      mouths: [
        { distance_m: 202, bank: 'left' },
        { distance_m: 900, bank: 'right' },
      ],
    });
    expect(points.map((p) => p.distance_m)).toEqual([0, 100, 194, 202, 210, 300]);
    expect(points[3]?.across_m).toBeGreaterThan(0);
  });
  test('a sweep has its number of cracks', () =>
    expect(
      layOut({ kind: 'crevice sweep', from: A, to: { distance_m: 130, across_m: -6 }, cracks: 4 }).map(
        (p) => p.distance_m,
      ),
    ).toEqual([100, 110, 120, 130]));
  test('depths join without gap or overlap and end at the depth', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 3, noNaN: true }),
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        (depth_m, step_m) => {
          const bags =
            layOut({ kind: 'grid', from: A, to: A, spacing_m: 1, rowSpacing_m: 1, depth_m, step_m })[0]?.bags ?? [];
          bags.forEach((b, i) => expect(b.from_m).toBeCloseTo(i === 0 ? 0 : (bags[i - 1]?.to_m ?? NaN), 9));
          expect(bags.at(-1)?.to_m).toBeCloseTo(depth_m, 9);
        },
      ),
      runs,
    );
  });
  test('absurd plans are refused by field', () => {
    expect(() =>
      layOut({ kind: 'traverse', from: A, to: { distance_m: 100, across_m: 5000 }, spacing_m: 0.1, depth_m: 0 }),
    ).toThrow(/spacing_m/);
    expect(() => layOut({ kind: 'traverse', from: A, to: A, spacing_m: 0, depth_m: 0 })).toThrow(/spacing_m/);
    expect(() =>
      layOut({
        kind: 'grid',
        from: A,
        to: { distance_m: 190, across_m: 84 },
        spacing_m: 10,
        rowSpacing_m: 10,
        depth_m: 10,
        step_m: 0.3,
      }),
    ).toThrow(new RegExp(`${MOST_BAGS}`));
    expect(() => layOut({ kind: 'crevice sweep', from: A, to: A, cracks: 0 })).toThrow(/cracks/);
  });
  test('bank and offset go there and back', () => {
    for (const across_m of [-7, -1, 1, 12]) {
      const { bank, offset_m } = bankOf(across_m);
      expect(acrossOf(bank, offset_m)).toBe(across_m);
    }
    expect(bankOf(0.4).bank).toBe('mid');
  });
});

describe('a pit', () => {
  const layer = (thickness_m: number, material: PitLayer['material'], pay = false): PitLayer => ({
    thickness_m,
    material,
    pay,
  });
  test('an upright pit is length x width x thickness; loose by swell; stripping over pay', () => {
    const sum = pitSum({ length_m: 1, width_m: 0.8, batter: 0 }, [
      layer(0.34, 'silt'),
      layer(0.45, 'gravel'),
      layer(0.22, 'iron gravel', true),
      layer(0.1, 'clay'),
    ]);
    expect(sum.layers.map((l) => l.bank_L)).toEqual([272, 360, 176, 80].map((v) => expect.closeTo(v, 6)));
    expect(sum.layers[1]?.loose_L).toBeCloseTo(360 * 1.18, 6);
    expect(sum.strippingRatio).toBeCloseTo((272 + 360) / 176, 9);
    expect([sum.pay_L, sum.depth_m]).toEqual([expect.closeTo(176, 6), expect.closeTo(1.11, 9)]);
  });
  test('leaning walls: the frustum of a square pyramid, h/3 (A1 + A2 + sqrt(A1 A2)) (any handbook)', () => {
    const sum = pitSum({ length_m: 3, width_m: 3, batter: 0.5 }, [layer(1.2, 'gravel', true)]);
    const [a, b] = [9, 1.8 ** 2];
    expect(sum.bank_L / 1000).toBeCloseTo((1.2 / 3) * (a + b + Math.sqrt(a * b)), 9);
  });
  test('splitting a layer changes no volume', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        (t, share) => {
          const shape = { length_m: 2.4, width_m: 1.6, batter: 0.3 };
          expect(pitSum(shape, [layer(t * share, 'sand'), layer(t * (1 - share), 'sand')]).bank_L).toBeCloseTo(
            pitSum(shape, [layer(t, 'sand')]).bank_L,
            7,
          );
        },
      ),
      runs,
    );
  });
  test('walls that meet, layers of nothing and pits without layers are refused', () => {
    expect(() => pitSum({ length_m: 1, width_m: 1, batter: 1 }, [layer(0.8, 'sand')])).toThrow(/meet before/);
    expect(() => pitSum({ length_m: 1, width_m: 1, batter: 0 }, [layer(0, 'sand')])).toThrow(/thickness_m/);
    expect(() => pitSum({ length_m: 1, width_m: 1, batter: 0 }, [])).toThrow(/layers/);
    expect(pitSum({ length_m: 1, width_m: 1, batter: 0 }, [layer(1, 'sand')]).strippingRatio).toBeNull();
  });
  test('the pay takes a thin barren parting along and leaves a thick one', () => {
    const at = (thickness_m: number, grade_mg_L: number) => ({ thickness_m, grade_mg_L });
    expect(payLayers([at(0.4, 0), at(0.3, 0.4), at(0.05, 0), at(0.2, 0.5), at(0.3, 0.02)], 0.15)).toMatchObject({
      first: 1,
      last: 3,
    });
    expect(payLayers([at(0.3, 0.4), at(2, 0), at(0.4, 0.5)], 0.15)).toMatchObject({
      first: 2,
      last: 2,
      grade_mg_L: expect.closeTo(0.5, 12),
    });
    expect(payLayers([at(1, 0.1)], 0.15)).toBeNull();
  });
});

describe('across a bar', () => {
  const at = (at_m: number, grade_mg_L: number) => ({ at_m, grade_mg_L });
  test('the pay streak ends where the straight line crosses the cut-off', () => {
    const [streak, second] = payStreak([at(0, 0), at(2, 0.4), at(4, 0.4), at(6, 0), at(8, 0.22), at(10, 0)], 0.2);
    expect(streak).toMatchObject({
      from_m: 1,
      to_m: 5,
      grade_mg_L: expect.closeTo((0.3 * 1 + 0.4 * 2 + 0.3 * 1) / 4, 9),
    });
    expect(second?.from_m).toBeGreaterThan(6);
    expect(payStreak([at(0, 0.1), at(5, 0.1)], 0.2)).toEqual([]);
    expect(() => payStreak([at(0, 1)], 0.2)).toThrow(/two points/);
  });
  test('a section of even pay is length x thickness; a pit without pay wedges it out', () => {
    const pit = (at_m: number, payThickness_m: number, grade_mg_L: number | null = 0.3) => ({
      at_m,
      payTop_m: 0.8,
      payThickness_m,
      grade_mg_L,
    });
    expect(paySection([pit(0, 0.2), pit(6, 0.2), pit(10, 0.2)], 5)).toMatchObject({
      pay_m2: 2,
      pay_m3: 10,
      meanThickness_m: 0.2,
      grade_mg_L: expect.closeTo(0.3, 12),
      gold_mg: expect.closeTo(3000, 6),
    });
    expect(paySection([pit(0, 0.2), pit(10, 0, null)], 1).pay_m2).toBeCloseTo(1, 12);
    expect(() => paySection([pit(0, 1)], 1)).toThrow(/two pits/);
    expect(() => paySection([pit(0, 1), pit(0, 1)], 1)).toThrow(/place of its own/);
  });
});

describe('how deep a pit is', () => {
  const pit = { layers: [{ thickness_m: 0.4 }, { thickness_m: 0.71 }], crevice: null };
  test('its layers together, or its crack', () =>
    expect([
      pitDepth_m(pit),
      pitDepth_m({ layers: [], crevice: { depth_m: 0.3 } }),
      pitDepth_m({ ...pit, crevice: { depth_m: 2 } }),
    ]).toEqual([expect.closeTo(1.11, 12), 0.3, 2]));
  test('a pan comes from within it; half a centimeter is rounding', () =>
    expect([0, 1.11, 1.114, 1.12].map((d) => liesInPit(d, pit))).toEqual([true, true, true, false]));
});

describe('the feed through a screen', () => {
  const { points } = sizeCurve(
    [
      { aperture_mm: 16, kept: 20 },
      { aperture_mm: 8, kept: 20 },
      { aperture_mm: 4, kept: 20 },
      { aperture_mm: 2, kept: 20 },
    ],
    20,
  );
  test('half of what passes is finer than it: 80 % pass 16 mm, and 40 % lie under 4 mm', () =>
    expect(medianThrough_mm(points, 16)).toBeCloseTo(4, 9));
  test('nothing is made up beyond the stack', () => {
    expect(medianThrough_mm(points, 20)).toBeNull();
    expect(medianThrough_mm(points, 2)).toBeNull();
  });
});
