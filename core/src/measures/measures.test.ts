import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { expectNear, referenceCases } from '../../test/referenceCases.ts';
import { convert, GRADE_UNITS, UNITS, type GradeUnit, type UnitKind } from './units.ts';
import { bankVolume_L } from './containers.ts';
import { describePitch, pitchSlope, type PitchKind } from './pitch.ts';
import { sieveAperture_mm } from './sieves.ts';
import { parseQuantity, volumeInLitres } from './parseQuantity.ts';
import {
  grouped,
  METRIC,
  showArea,
  showBulkGold,
  showGold,
  showGrade,
  showSmallLength,
  showLength,
  showGrainSize,
  showPitch,
  rangeText,
  showVolume,
  significant,
  text,
  US,
} from './display.ts';

/** Names of the check values' units to Riffle's. */
const UNIT_NAME: Record<string, string> = {
  US_gal: 'gal',
  imperial_gal: 'imp gal',
  L_s: 'L/s',
  US_gpm: 'gpm',
  imperial_gpm: 'imp gpm',
  m3_h: 'm3/h',
  m3_s: 'm3/s',
  L_min: 'L/min',
  grain: 'grain',
  pennyweight: 'dwt',
  troy_oz: 'ozt',
  ozt: 'ozt',
  avdp_oz: 'oz',
  oz: 'oz',
};

describe('exact units (NIST SP 811, appendix B; check values 01a, 01b)', () => {
  const supported = referenceCases('01a-unit-conversions').filter((c) => {
    const kind = (c.inputs['quantity'] as string) in UNITS;
    return (
      kind &&
      [c.inputs['from_unit'], c.inputs['to_unit']].every(
        (u: string) => (UNIT_NAME[u] ?? u) in UNITS[c.inputs['quantity'] as UnitKind],
      )
    );
  });
  test('most of the check values are of units Riffle has', () => expect(supported.length).toBeGreaterThanOrEqual(8));
  test.each(supported)('$id', (c) => {
    const name = (u: string): string => UNIT_NAME[u] ?? u;
    expectNear(
      convert(c.inputs['quantity'], c.inputs['value'], name(c.inputs['from_unit']), name(c.inputs['to_unit'])),
      c.expected['value'],
      c,
    );
  });

  const gradeName: Record<string, GradeUnit> = {
    g_per_m3: 'g/m³',
    mg_per_m3: 'mg/m³',
    ozt_per_yd3: 'ozt/yd³',
    grain_per_yd3: 'grain/yd³',
    mg_per_L: 'mg/L',
    g_per_yd3: 'g/yd³',
    dwt_per_yd3: 'dwt/yd³',
  };
  test.each(
    referenceCases('01b-grade-conversions').filter(
      (c) => gradeName[c.inputs['from_unit']] && gradeName[c.inputs['to_unit']],
    ),
  )('grade $id', (c) => {
    const from = GRADE_UNITS[gradeName[c.inputs['from_unit']]];
    const to = GRADE_UNITS[gradeName[c.inputs['to_unit']]];
    expectNear((c.inputs['value'] / from) * to, c.expected['value'], c);
  });

  test('any value comes back from any unit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-6, max: 1e9, noNaN: true }),
        fc.constantFrom(...Object.keys(UNITS.volume)),
        (v, unit) => {
          expect(convert('volume', convert('volume', v, 'L', unit), unit, 'L')).toBeCloseTo(
            v,
            -Math.floor(Math.log10(v)) + 9,
          );
        },
      ),
    );
  });
  test('a unit of another kind is refused by name', () =>
    expect(() => convert('length', 1, 'gal', 'm')).toThrow(/unit is gal; it must be one of m, mm/));
  test('names that every object has are no units, no containers and no sieves', () => {
    for (const name of ['constructor', '__proto__', 'toString']) {
      expect(() => convert('length', 1, name, 'm')).toThrow(/must be one of/);
      expect(() => volumeInLitres(1, name)).toThrow(/must be one of/);
      expect(() => sieveAperture_mm(name)).toThrow(/ASTM E11/);
      expect(parseQuantity('volume', `2 ${name}`, 'L')).toMatchObject({ ok: false });
    }
  });
});

describe('pitch (check values 01c)', () => {
  const kinds: Record<string, PitchKind> = { in_per_ft: 'in/ft', percent: '%', degrees: '°' };
  const cases = referenceCases('01c-pitch').filter((c) => c.inputs['ratio_along_box'] && kinds[c.inputs['kind']]);
  test('there are such cases', () => expect(cases.length).toBeGreaterThan(3));
  test.each(cases)('$id', (c) => {
    const length_m = convert('length', c.inputs['box_length_ft'], 'ft', 'm');
    const pitch = describePitch(pitchSlope(kinds[c.inputs['kind']], c.inputs['value'], length_m), length_m);
    expectNear(pitch.in_per_ft, c.expected['in_per_ft'], c);
    expectNear(pitch.percent, c.expected['percent'], c);
    expectNear(pitch.degrees, c.expected['degrees'], c);
    expectNear(pitch.drop_m * 1000, c.expected['total_drop_mm'], c);
  });
  test('a box 3 ft long at 1/2 in/ft drops 1.5 in; at 3/4 in/ft 2.25 in (common practice)', () => {
    expect(describePitch(pitchSlope('in/ft', 0.5, 0.9144), 0.9144).drop_m / 0.0254).toBeCloseTo(1.5, 12);
    expect(describePitch(pitchSlope('in/ft', 0.75, 0.9144), 0.9144).drop_m / 0.0254).toBeCloseTo(2.25, 12);
  });
  test('a drop longer than the box is refused', () => expect(() => pitchSlope('drop_m', 2, 1)).toThrow(/pitch/));
});

describe('sieves (ASTM E11, table 1; check values 02a, 02b)', () => {
  test.each(referenceCases('02a-sieve-designations'))('$inputs.designation', (c) =>
    expectNear(sieveAperture_mm(c.inputs['designation']), c.expected['aperture_mm'], c),
  );
  test.each(referenceCases('02b-sieve-classes'))('$id', (c) => {
    expectNear(
      Math.sqrt(sieveAperture_mm(c.inputs['passing']) * sieveAperture_mm(c.inputs['retained'])),
      c.expected['geometric_mean_mm'],
      c,
    );
  });
  test('mesh 250 is in no series: its neighbours are named', () =>
    expect(() => sieveAperture_mm('No. 250')).toThrow(/No\. 230 or No\. 270/));
});

test.each(referenceCases('10d-swell'))('swell $id (definition)', (c) => {
  expectNear(bankVolume_L(c.expected['loose_volume_m3'], c.inputs['swell_percent']), c.inputs['bank_volume_m3'], c);
});

describe('what people type', () => {
  test.each([
    ['volume', '2/3 bucket', 'pan', 2 / 3, 'bucket'],
    ['volume', '4 pans', 'L', 4, 'pan'],
    ['volume', '5 gal', 'L', 5, 'gal'],
    ['volume', '3', 'pan', 3, 'pan'],
    ['length', '1 1/2 in', 'm', 1.5, 'in'],
    ['length', '1-1/2"', 'm', 1.5, 'in'],
    ['length', '1,200 ft', 'm', 1200, 'ft'],
    ['length', '.5', 'm', 0.5, 'm'],
    ['mass', '0.14 g', 'mg', 0.14, 'g'],
    ['mass', '7 gr', 'g', 7, 'grain'],
    ['mass', '14 GR.', 'g', 14, 'grain'],
    ['pitch', '3/4 in/ft', '%', 0.75, 'in/ft'],
    ['pitch', '5.2%', 'in/ft', 5.2, '%'],
    ['flow', '50 US gpm', 'L/s', 50, 'gpm'],
    // A heaped pan holds a quarter more than a level one (common practice).
    ['volume', '2 heaped pans', 'L', 2.5, 'pan'],
    ['volume', '1 bucket, three-quarter full', 'L', 0.75, 'bucket'],
    ['volume', '3 level', 'pan', 3, 'pan'],
    ['volume', '1 half-full bucket', 'L', 0.5, 'bucket'],
  ] as const)('%s "%s"', (kind, typed, unit, value, says) => {
    expect(parseQuantity(kind, typed, unit)).toEqual({ ok: true, value: expect.closeTo(value, 12), unit: says });
  });
  test.each([
    ['volume', '', /Nothing/],
    ['volume', 'three', /number/],
    ['volume', '1,5', /point/],
    ['length', '2 mil', /not a unit/],
    ['mass', '3 pans', /not a unit/],
    ['volume', '1/0', /finite/],
    ['volume', '3 heaped L', /said of pans/],
  ] as const)('refuses %s "%s" with the remedy', (kind, typed, says) => {
    const answer = parseQuantity(kind, typed, 'x');
    expect(answer).toMatchObject({ ok: false, problem: expect.stringMatching(says) });
  });
  test('containers count at the crew’s own size', () => {
    expect(volumeInLitres(2, 'bucket', { bucket: 17 })).toBe(34);
    expect(volumeInLitres(2, 'gal')).toBeCloseTo(7.570823568, 9);
  });
});

test('figures carry their unit in either system', () => {
  expect(text(showVolume(19, METRIC))).toBe('19\u00a0L');
  expect(text(showVolume(18.927, US))).toBe('5\u00a0gal');
  expect(text(showGold(1399.656504, { ...US, gold: 'dwt' }))).toBe('0.9\u00a0dwt');
  expect(text(showGrade(1, US))).toBe('12\u00a0grain/yd³');
  expect(significant(0.012345)).toBe('0.0123');
  expect(significant(123456)).toBe('123,456');
});

describe('US measures as people say them (a rule in inches, feet with inches, common practice)', () => {
  const says = (figures: ReturnType<typeof text>): string => figures.replaceAll('\u00a0', ' ');
  const IN = 0.0254;
  test.each([
    [0.5 * IN, '1/2 in'],
    [0.497 * IN, '1/2 in'],
    [2.6 * IN, '2 5/8 in'],
    [7.1 * IN, '7 in'],
    [7.2 * IN, '7 1/4 in'],
    [0.0002, '0.0079 in'],
    [0.001, '3/64 in'],
    [12 * IN, '1 ft'],
    [17.6 * IN, '1 ft 6 in'],
    [0, '0 in'],
    [-0.25 * IN, '-1/4 in'],
  ])('%d m is a small length of %s', (m, expected) => expect(says(text(showSmallLength(m, US)))).toBe(expected));
  test.each([
    [0.9144, '3 ft'],
    [0.85, '2 ft 9 in'],
    [0.1, '4 in'],
    [0.3, '1 ft'],
    [3.048 * 2.5, '25 ft'],
    [0, '0 ft'],
  ])('%d m is a length of %s', (m, expected) => expect(says(text(showLength(m, US)))).toBe(expected));
  test.each([
    [4.75, '1 1/4 gal'],
    [10, '2 3/4 gal'],
    [9.46352946, '2 1/2 gal'],
    [45, '12 gal'],
    [0.71, '3/4 qt'],
    [0.05, '3.1 in³'],
    [382.277, '0.5 yd³'],
  ])('%d L is %s', (L, expected) => expect(says(text(showVolume(L, US)))).toBe(expected));
  // ASTM E11: No. 70 opens 0.212 mm, No. 8 2.36 mm.
  test.each([
    [0.0002, '70 mesh'],
    [0.00225, '8 mesh'],
    [0.0127, '1/2 in'],
    [0.00001, '400 mesh'],
  ])('a grain of %d m is of %s', (m, expected) => expect(says(text(showGrainSize(m, US)))).toBe(expected));
  test.each([
    [0.0625, '3/4 in/ft'],
    [0.0518, '5/8 in/ft'],
    [0.084, '1 in/ft'],
  ])('a slope of %d is %s', (slope, expected) => expect(says(text(showPitch(slope, US)))).toBe(expected));
  test('a rule reads no coarser than one hand in thirty: what is said is within a part of what is', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.28, noNaN: true }), (m) => {
        const [whole = '', fraction = '0/1'] = /\//.test(showSmallLength(m, US).digits)
          ? (/^(?:(\d+) )?(\d+\/\d+)$/.exec(showSmallLength(m, US).digits) ?? []).slice(1).map((t) => t ?? '0')
          : [showSmallLength(m, US).digits];
        const [top = 0, under = 1] = fraction.split('/').map(Number);
        expect(Math.abs((Number(whole) + top / under) * IN - m)).toBeLessThanOrEqual(IN / 8 + 1e-12);
      }),
    ));
  test('a stretch says its unit once, but for feet with inches', () => {
    const range = (a: number, b: number, d = US): string =>
      rangeText(showLength(a, d), showLength(b, d)).replaceAll('\u00a0', ' ');
    expect([range(0.1, 0.2), range(0.1, 0.85), range(0.61, 0.9144), range(0.1, 0.85, METRIC)]).toEqual([
      '4–8 in',
      '4 in to 2 ft 9 in',
      '2–3 ft',
      '0.1–0.85 m',
    ]);
  });
});

test('a container of the crew’s own is a unit like the others, in the plural too', () => {
  const own = { 'billy can': 1.5, pan: 5 };
  const parsed = parseQuantity('volume', '4 billy cans', 'L', Object.keys(own));
  expect(parsed).toEqual({ ok: true, value: 4, unit: 'billy can' });
  expect([volumeInLitres(4, 'billy can', own), volumeInLitres(2, 'pan', own), volumeInLitres(2, 'pan')]).toEqual([
    6, 10, 9.5,
  ]);
  expect(parseQuantity('volume', '4 billy cans', 'L')).toMatchObject({ ok: false });
});

test('areas and the gold of a whole ground; what cannot be worked out is no figure', () => {
  // 1 ft2 = 0.09290304 m2 (exact).
  expect([text(showArea(100, METRIC)), text(showArea(9.290304, US))]).toEqual(['100\u00a0m²', '100\u00a0ft²']);
  expect([text(showBulkGold(474_123, METRIC)), text(showBulkGold(64.79891e3, US))]).toEqual([
    '474\u00a0g',
    '1,000\u00a0grain',
  ]);
  expect(significant(NaN)).toBe('?');
});

test('digits are grouped as Intl.NumberFormat (ECMA-402, en-US) groups them', () =>
  fc.assert(
    // As many figures as a double holds for certain.
    fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), fc.integer({ min: 0, max: 8 }), (x, decimals) => {
      const value = Number(x.toFixed(decimals));
      const said = new Intl.NumberFormat('en-US', { maximumFractionDigits: decimals }).format(value);
      expect(grouped(value, decimals)).toBe(said === '-0' ? '0' : said);
    }),
  ));
