import { DENSITY_KG_M3, GRAVITY_M_S2 } from '../grains/constants.ts';
import { requirePositive } from '../outOfRange.ts';

/** Reference Shields number; shear that is surely enough over it; Rouse number and von Karman's constant of what stays down. From memory, as in the box. */
const REFERENCE_SHIELDS = 0.036;
const SURELY = 1.5;
const [ROUSE, KARMAN] = [2.5, 0.41];

/** A finishing floor: how high its features stand. */
export interface Feature {
  readonly height_m: number;
  /** Of the water. */
  readonly density_kg_m3: number;
}

/** Shear at which a grain begins to move behind a feature, Pa: Wilcock & Crowe (2003) with the feature as its shelter (stated assumption). */
export function creepsAt_Pa(
  size_m: number,
  density_kg_m3: number,
  { height_m, density_kg_m3: water }: Feature,
): number {
  requirePositive('size_m', size_m, 'm');
  requirePositive('height_m', height_m, 'm');
  const ratio = size_m / height_m;
  const m = 0.67 / (1 + Math.exp(1.5 - ratio));
  return REFERENCE_SHIELDS * (density_kg_m3 - water) * GRAVITY_M_S2 * height_m * ratio ** m;
}

/** Wilcock & Crowe (2003), equation 7 (from memory): transport at so many times the reference shear. */
export const transport = (times: number): number =>
  times < 1.35 ? 0.002 * times ** 7.5 : 14 * (1 - 0.894 / Math.sqrt(times)) ** 4.5;

/** Shear at which a grain of that fall is carried off its floor, Pa. */
export const risesAt_Pa = (settling_m_s: number, water_kg_m3: number): number =>
  water_kg_m3 * (settling_m_s / (ROUSE * KARMAN)) ** 2;

/** What black sand may be for the most part, lightest first: the heavier, the nearer to gold. */
export const COMPANIONS = ['garnet', 'ilmenite', 'magnetite', 'cassiterite'] as const;
export type Companion = (typeof COMPANIONS)[number];

/** Flows that take a mineral and leave gold of the same screen. */
export interface SeparationWindow {
  readonly mineral_Pa: number;
  /** Least that takes the coarsest of it, and most that leaves the finest gold. */
  readonly least_Pa: number;
  readonly most_Pa: number;
  readonly goldCreeps_Pa: number;
  readonly goldRises_Pa: number;
  /** Above 1 there is a window. */
  readonly ratio: number;
  /** What gold does first. */
  readonly limit: 'creeps' | 'rises';
  /** The shear to set; null without a window. */
  readonly mark_Pa: number | null;
}

/**
 * From what takes the coarsest black sand to what still leaves the finest gold. Sized feed lets density decide; unsized, the
 * coarsest black sand asks for what lifts the finest gold.
 * @param goldSettling_m_s of the finest gold, the low end of what is believed being the careful choice
 */
export function separationWindow(
  finest_m: number,
  coarsest_m: number,
  feature: Feature,
  goldSettling_m_s: number,
  mineral_kg_m3: number = DENSITY_KG_M3.magnetite,
  gold_kg_m3: number = DENSITY_KG_M3.placerGold,
): SeparationWindow {
  const mineral_Pa = creepsAt_Pa(coarsest_m, mineral_kg_m3, feature);
  const least_Pa = SURELY * mineral_Pa;
  const goldCreeps_Pa = creepsAt_Pa(finest_m, gold_kg_m3, feature);
  const goldRises_Pa = risesAt_Pa(goldSettling_m_s, feature.density_kg_m3);
  const most_Pa = Math.min(goldCreeps_Pa, goldRises_Pa);
  const ratio = most_Pa / least_Pa;
  return {
    mineral_Pa,
    least_Pa,
    most_Pa,
    goldCreeps_Pa,
    goldRises_Pa,
    ratio,
    limit: goldCreeps_Pa <= goldRises_Pa ? 'creeps' : 'rises',
    mark_Pa: ratio > 1 ? Math.sqrt(least_Pa * most_Pa) : null,
  };
}
