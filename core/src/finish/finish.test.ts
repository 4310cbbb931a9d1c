import { describe, expect, test } from '@jest/globals';
import { expectNear, referenceCases } from '../../test/referenceCases.ts';
import { haulOrDry } from '../dry/haulOrDry.ts';
import { flakeSettling_m_s } from '../grains/flake.ts';
import { freshWater } from '../grains/water.ts';
import { finishSpoon } from './finishSpoon.ts';
import { magnetics } from './magnetics.ts';
import { separationWindow, type Feature } from './separation.ts';

describe('flows that take black sand and leave gold (check values 19d)', () => {
  test.each(
    referenceCases<Readonly<Record<string, number>>, Readonly<Record<string, number | string | boolean | null>>>(
      '19d-separation-window',
    ),
  )('$id', (c) => {
    const i = (name: string): number => c.inputs[name];
    const window = separationWindow(
      i('finest_mm') / 1000,
      i('coarsest_mm') / 1000,
      { height_m: i('feature_mm') / 1000, density_kg_m3: i('rho_f_kg_m3') },
      i('gold_settling_m_s'),
      i('rho_mineral_kg_m3'),
      i('rho_gold_kg_m3'),
    );
    const near = (got: number | null, name: string): void => {
      const wanted = c.expected[name];
      if (typeof wanted === 'number') expectNear(got as number, wanted, c);
      else expect(got).toBe(wanted);
    };
    near(window.mineral_Pa, 'mineral_reference_shear_Pa');
    near(window.least_Pa, 'least_shear_Pa');
    near(window.goldCreeps_Pa, 'gold_creeps_at_Pa');
    near(window.goldRises_Pa, 'gold_suspends_at_Pa');
    near(window.most_Pa, 'most_shear_Pa');
    near(window.ratio, 'window_ratio');
    near(window.mark_Pa, 'mark_shear_Pa');
    expect(window.ratio > 1).toBe(c.expected['has_window']);
    expect(window.limit).toBe(c.expected['limit'] === 'suspends' ? 'rises' : c.expected['limit']);
  });
});

// Facts of the trade: common practice, no source.
describe('facts of the finishing table', () => {
  const water = freshWater(10);
  const over = (height_mm: number): Feature => ({ height_m: height_mm / 1000, density_kg_m3: water.density_kg_m3 });
  /** Openings of mesh screens, mm (ISO 565 neighbors). */
  const MESH: Readonly<Record<number, number>> = { 8: 2.38, 16: 1.19, 30: 0.595, 50: 0.297, 100: 0.149, 200: 0.074 };
  const ratio = (coarse: number, fine: number, height_mm: number, mineral?: number): number => {
    const finest_m = (MESH[fine] ?? 0) / 1000;
    return separationWindow(
      finest_m,
      (MESH[coarse] ?? 0) / 1000,
      over(height_mm),
      flakeSettling_m_s(finest_m, 0.3, water).low,
      mineral,
    ).ratio;
  };
  test.each([
    [8, 16],
    [16, 30],
    [30, 50],
    [50, 100],
  ])('of one screen, minus %i plus %i: there is a flow for it', (coarse, fine) =>
    expect(ratio(coarse, fine, 0.5)).toBeGreaterThan(1),
  );
  test.each([0.15, 0.5, 1, 3, 6])('unsized, minus 8 plus 100, over features of %d mm: there is none', (height) =>
    expect(ratio(8, 100, height)).toBeLessThan(1),
  );
  test('minus 30 plus 100 goes over shallow features and not over high ones', () => {
    expect(ratio(30, 100, 0.5)).toBeGreaterThan(1);
    expect(ratio(30, 100, 3)).toBeLessThan(1);
  });
  test.each([0.15, 0.3, 0.5])('minus 100 plus 200 over %d mm: pan it', (height) =>
    expect(ratio(100, 200, height)).toBeLessThan(1),
  );
  test('garnet goes easier than magnetite, magnetite than cassiterite', () => {
    const [garnet, magnetite, cassiterite] = [4000, 5180, 6900].map((rho) => ratio(30, 50, 0.5, rho));
    expect(garnet).toBeGreaterThan(magnetite ?? 0);
    expect(magnetite).toBeGreaterThan(cassiterite ?? 0);
  });
});

describe('a spoon on the floor (check values 19e)', () => {
  interface In {
    readonly [name: string]: number | readonly number[];
  }
  test.each(referenceCases<In, In>('19e-finishing-yield'))('$id', (c) => {
    const n = (name: string): number => c.inputs[name] as number;
    const list = (name: string, of: In = c.inputs): readonly number[] => of[name] as readonly number[];
    const done = finishSpoon({
      shear_Pa: n('shear_Pa'),
      floorWidth_m: n('floor_width_m'),
      feature: { height_m: n('feature_mm') / 1000, density_kg_m3: n('rho_f_kg_m3') },
      solids_m3: n('spoon_solids_mL') / 1e6,
      black: list('black_mm').map((mm, i) => ({ size_m: mm / 1000, share: list('black_share')[i] ?? 0 })),
      black_kg_m3: n('rho_mineral_kg_m3'),
      gold: list('gold_mm').map((mm, i) => ({
        size_m: mm / 1000,
        share: list('gold_share')[i] ?? 0,
        settling_m_s: list('gold_settling_m_s')[i] ?? 0,
      })),
      blackLeft: n('black_left'),
      pace: n('time_factor'),
      scatter: n('scatter_v'),
    });
    expectNear(done.minutes, c.expected['minutes'] as number, c);
    done.blackLeftBySize.forEach((x, i) => expectNear(x, list('black_left_by_size', c.expected)[i] ?? NaN, c));
    done.goldKeptBySize.forEach((x, i) => expectNear(x, list('gold_kept_by_size', c.expected)[i] ?? NaN, c));
    expectNear(done.goldKept, c.expected['gold_kept'] as number, c);
    expectNear(done.goldKeptAfterRerun, c.expected['gold_kept_after_rerun'] as number, c);
    expectNear(done.loose_L_h, c.expected['loose_litres_per_hour'] as number, c);
  });
});

describe('gold the magnet took along (check values 19f)', () => {
  interface Out {
    readonly [name: string]: number | readonly number[] | boolean;
  }
  test.each(referenceCases<Readonly<Record<string, number>>, Out>('19f-magnetics-wash'))('$id', (c) => {
    const n = (name: string): number => c.inputs[name];
    const found = magnetics(
      n('colours_elsewhere'),
      n('washed_share'),
      n('hand_recovery'),
      n('found'),
      n('mean_colour_mg'),
      { share: n('prior_share'), shape: n('prior_shape') },
    );
    const three = (name: string): readonly number[] => c.expected[name] as readonly number[];
    expectNear(found.colors.mean, c.expected['colours_in_magnetics_mean'] as number, c);
    [found.colors.low, found.colors.middle, found.colors.high].forEach((x, i) =>
      expectNear(x, three('colours_in_magnetics_5_50_95')[i] ?? NaN, c),
    );
    [found.dragged.low, found.dragged.middle, found.dragged.high].forEach((x, i) =>
      expectNear(x, three('dragged_share_5_50_95')[i] ?? NaN, c),
    );
    expectNear(found.left.mean, c.expected['left_unfound_mean'] as number, c);
    expectNear(found.left.mg, c.expected['left_unfound_mg'] as number, c);
    expectNear(found.chanceNoneLeft, c.expected['chance_none_left'] as number, c);
  });
});

describe('haul it or wash it dry (check values 19g)', () => {
  test.each(
    referenceCases<Readonly<Record<string, number>>, Readonly<Record<string, number | string | null>>>(
      '19g-haul-or-dry',
    ),
  )('$id', (c) => {
    const n = (name: string): number => c.inputs[name];
    const answer = haulOrDry(
      { volume_m3: n('volume_loose_m3'), grade_mg_m3: n('grade_mg_m3'), hourValue: n('crew_hour_value') },
      {
        pace_m3_h: n('dry_pace_m3_h'),
        passes: n('dry_passes'),
        recovered: n('dry_recovered'),
        setUp_h: n('dry_setup_h'),
        running_per_h: n('dry_running_cost_per_h'),
      },
      {
        density_kg_m3: n('loose_density_kg_m3'),
        payload_kg: n('payload_kg'),
        distance_km: n('distance_km'),
        chanceDry: n('chance_hole_dry'),
        between_km: n('between_holes_km'),
        second_km: n('second_distance_km'),
        speed_km_h: n('speed_km_h'),
        cost_per_km: n('cost_per_km'),
        loadUnload_h: n('load_unload_h'),
        pace_m3_h: n('wet_pace_m3_h'),
        recovered: n('wet_recovered'),
        running_per_h: n('wet_running_cost_per_h'),
      },
    );
    const near = (got: number | null, name: string): void => {
      const wanted = c.expected[name];
      if (typeof wanted === 'number') expectNear(got as number, wanted, c);
      else expect([name, got]).toEqual([name, wanted]);
    };
    near(answer.haul.trips, 'trips');
    near(answer.dry.hours, 'dry_hours');
    near(answer.haul.hours, 'haul_hours');
    near(answer.dry.gold_g, 'dry_gold_g');
    near(answer.haul.gold_g, 'haul_gold_g');
    near(answer.dry.cost_per_g, 'dry_cost_per_g');
    near(answer.haul.cost_per_g, 'haul_cost_per_g');
    expect(answer.cheaper).toBe(c.expected['cheaper_per_g']);
    near(answer.breakEven_km, 'break_even_distance_km');
    near(answer.dry.gold_g_h, 'gold_per_hour_dry_g');
    near(answer.haul.gold_g_h, 'gold_per_hour_haul_g');
  });
});
