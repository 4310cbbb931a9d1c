import { describe, expect, test } from '@jest/globals';
import { expectNear, referenceCases } from '../../test/referenceCases.ts';
import { sectionSplit, type BoxSection } from './sectionSplit.ts';

const equal = (golds: readonly number[], length_m = 0.2): BoxSection[] =>
  golds.map((gold_mg, i) => ({ from_m: i * length_m, to_m: (i + 1) * length_m, gold_mg, lining: 'riffles' }));

describe('section split against truncated-geometric maximum likelihood (check values 16a; Zippin 1956)', () => {
  // Weights so small against one color that the test of fit has nothing to refuse: the check is of the estimate alone.
  test.each(
    referenceCases('16a-depletion').filter(
      (c) => c.expected['ml_lost_fraction'] !== null && c.expected['ml_lost_fraction'] !== undefined,
    ),
  )('$id', (c) => {
    const split = sectionSplit(equal(c.inputs['gold_mg']), 1e6, { oneSize: true });
    expect(split.loss.kind).toBe('estimate');
    if (split.loss.kind !== 'estimate') return;
    expectNear(Math.exp(-split.loss.rate_per_m * 0.2), c.expected['ml_ratio'], { tolerance_relative: 1e-5 });
    expectNear(split.loss.lost, c.expected['ml_lost_fraction'], { tolerance_relative: 1e-4 });
    expectNear(split.loss.lost_mg, c.expected['ml_tail_mg'], { tolerance_relative: 1e-4 });
  });
  test('sections of unequal length find the same rate', () => {
    const k = 5;
    const share = (a: number, b: number): number => 1000 * (Math.exp(-k * a) - Math.exp(-k * b));
    const split = sectionSplit(
      [0.15, 0.4, 0.9].map((to_m, i, all) => ({
        from_m: all[i - 1] ?? 0,
        to_m,
        gold_mg: share(all[i - 1] ?? 0, to_m),
        lining: 'a',
      })),
      1,
      { oneSize: true },
    );
    expect(split.loss).toMatchObject({
      kind: 'estimate',
      rate_per_m: expect.closeTo(k, 6),
      lost: expect.closeTo(Math.exp(-4.5), 8),
    });
    // No cut lies at 200 mm: the share of the head was not measured.
    expect(split.headShare).toBeNull();
  });
  test('more colors, narrower band', () => {
    const band = (color_mg: number): number => {
      const { loss } = sectionSplit(equal([80, 16, 3.2]), color_mg, { oneSize: true });
      return loss.kind === 'estimate' ? loss.band.high - loss.band.low : NaN;
    };
    expect(band(0.1)).toBeLessThan(band(1));
    expect(band(1)).toBeLessThan(band(10));
  });
});

describe('where there is no estimate it says why', () => {
  test.each([
    ['one section', equal([90]), /One section/],
    ['nothing weighed', equal([0, 0]), /No gold/],
    ['not thinning', equal([10, 12, 11]), /does not thin out down/],
    ['linings differ', equal([50, 10]).map((s, i) => ({ ...s, lining: String(i) })), /linings differ/],
    ['a gap', [equal([50])[0], equal([1, 1, 5])[2]] as BoxSection[], /gap/],
  ])('%s', (_name, sections, reason) => {
    expect(sectionSplit(sections, 1).loss).toEqual({ kind: 'none', reason: expect.stringMatching(reason) });
  });
  test('the first 200 mm are measured when a cut lies there', () => {
    expect(sectionSplit(equal([75, 25]), 1).headShare).toBe(0.75);
    // A head alone is all of what was weighed, and says nothing of the box.
    expect(sectionSplit(equal([75]), 1).headShare).toBeNull();
  });
  test('overlapping and negative sections are refused', () => {
    expect(() => sectionSplit([...equal([5, 5]), { from_m: 0.1, to_m: 0.3, gold_mg: 1, lining: 'a' }], 1)).toThrow(
      /from_m/,
    );
    expect(() => sectionSplit(equal([-1]), 1)).toThrow(/gold_mg is -1/);
  });
});

describe('a bound where sizes are mixed', () => {
  /** Gold of several sizes, each taken at its own rate per metre, in three sections of 0.4 m. */
  const box = (sizes: readonly (readonly [fed_mg: number, rate_per_m: number])[]): BoxSection[] =>
    [0, 1, 2].map((i) => ({
      from_m: 0.4 * i,
      to_m: 0.4 * (i + 1),
      gold_mg: sizes.reduce((sum, [fed, k]) => sum + fed * (Math.exp(-k * 0.4 * i) - Math.exp(-k * 0.4 * (i + 1))), 0),
      lining: 'riffles',
    }));
  const lost = (sizes: readonly (readonly [number, number])[]): number =>
    sizes.reduce((sum, [fed, k]) => sum + fed * Math.exp(-k * 1.2), 0) / sizes.reduce((sum, [fed]) => sum + fed, 0);

  test('with so much gold that luck plays no part the bound of one size is the loss itself (exponential, by hand)', () => {
    const sizes = [[1e6, 3]] as const;
    const { loss } = sectionSplit(box(sizes), 0.01);
    if (loss.kind !== 'bound') throw new Error('no bound');
    expect(loss.atLeast).toBeCloseTo(lost(sizes), 3);
    expect(loss.rate_per_m).toBeCloseTo(3, 1);
  });
  test('of mixed sizes it lies below the loss (the logarithm of a sum of exponentials is convex)', () => {
    for (const sizes of [
      [
        [900, 20],
        [100, 0.2],
      ],
      [
        [500, 6],
        [500, 1],
      ],
      [
        [300, 12],
        [300, 3],
        [300, 0.5],
      ],
    ] as const) {
      const { loss } = sectionSplit(box(sizes), 0.5);
      if (loss.kind !== 'bound') throw new Error('no bound');
      expect(loss.atLeast).toBeLessThanOrEqual(lost(sizes) + 1e-9);
      expect(loss.atLeast).toBeGreaterThan(0);
    }
  });
  test('nothing in the last section bounds nothing; an uneven fall is bounded by its end alone', () => {
    expect(sectionSplit(equal([90, 0]), 1).loss).toMatchObject({ kind: 'bound', atLeast: 0 });
    expect(sectionSplit(equal([400, 20, 200, 5]), 1).loss).toMatchObject({ kind: 'bound' });
  });
});
