import { DENSITY_KG_M3, GRAVITY_M_S2 } from '../grains/constants.ts';
import { flakeDisc } from '../grains/flake.ts';
import { haiderLevenspiel_m_s } from '../grains/haiderLevenspiel.ts';
import { bisect } from '../maths/bisect.ts';
import { requirePositive } from '../outOfRange.ts';
import type { Air } from './air.ts';

/** Open space in a loosened bed, and how compact mineral grains are. Stated assumptions. */
const LOOSE_VOIDAGE = 0.45;
const GRAIN_SPHERICITY = 0.8;
/** Volume-equivalent over sieve diameter of a mineral grain. Stated assumption. */
const GRAIN_OF_SIEVE = 0.95;

/**
 * Speed of air at which a bed of quartz of one size is just loose, m/s.
 * Source: Wen & Yu (1966), AIChE Journal 12, 610-612 (constants from memory; about a third of scatter of their own).
 */
export function loosens_m_s(size_m: number, air: Air, density_kg_m3: number = DENSITY_KG_M3.quartz): number {
  requirePositive('size_m', size_m, 'm');
  const { density_kg_m3: rho, dynamicViscosity_Pa_s: mu } = air;
  const archimedes = (rho * (density_kg_m3 - rho) * GRAVITY_M_S2 * size_m ** 3) / mu ** 2;
  // As a quotient: nothing cancels where it is small.
  const reynolds = (0.0408 * archimedes) / (Math.sqrt(33.7 ** 2 + 0.0408 * archimedes) + 33.7);
  return (reynolds * mu) / (rho * size_m);
}

/** The quartz that air of a speed just loosens, m: the above turned round. */
export function justLoosened_m(air_m_s: number, air: Air, density_kg_m3: number = DENSITY_KG_M3.quartz): number {
  requirePositive('air_m_s', air_m_s, 'm/s');
  const { density_kg_m3: rho, dynamicViscosity_Pa_s: mu } = air;
  const a = 0.0408 * (density_kg_m3 - rho) * GRAVITY_M_S2;
  const b = rho * air_m_s ** 2;
  return (b + Math.sqrt(b ** 2 + 4 * a * 67.4 * mu * air_m_s)) / (2 * a);
}

/** Speed that holds a grain up among others, m/s: its own in open air times voidage^n; n after Rowe (1987), Chem. Eng. Sci. 42, 2795 (from memory). */
function amongOthers_m_s(open_m_s: number, volumeDiameter_m: number, air: Air, voidage: number): number {
  const re = ((open_m_s * volumeDiameter_m) / air.kinematicViscosity_m2_s) ** 0.75;
  return open_m_s * voidage ** ((2.35 * (2 + 0.175 * re)) / (1 + 0.175 * re));
}

/** Speed of air that carries a gold flake in the open, m/s: its fall there (Haider & Levenspiel 1989; tens of percent unsure of thin flakes, which tumble and sail). */
export function carriesFlake_m_s(
  size_m: number,
  csf: number,
  air: Air,
  density_kg_m3: number = DENSITY_KG_M3.placerGold,
): number {
  const { nominalDiameter_m, sphericity } = flakeDisc(size_m, csf);
  return haiderLevenspiel_m_s(nominalDiameter_m, sphericity, density_kg_m3, air);
}

/** Speed of air that lifts a gold flake out of a loosened bed, m/s: five to thirty times less than in the open, so gold is lost over the riffle, not as dust. */
export function liftsFlake_m_s(
  size_m: number,
  csf: number,
  air: Air,
  density_kg_m3: number = DENSITY_KG_M3.placerGold,
  voidage = LOOSE_VOIDAGE,
): number {
  const open = carriesFlake_m_s(size_m, csf, air, density_kg_m3);
  return amongOthers_m_s(open, flakeDisc(size_m, csf).nominalDiameter_m, air, voidage);
}

/** The same of a compact mineral grain by its sieve size, m/s. */
export function liftsGrain_m_s(size_m: number, density_kg_m3: number, air: Air): number {
  const d = GRAIN_OF_SIEVE * size_m;
  return amongOthers_m_s(haiderLevenspiel_m_s(d, GRAIN_SPHERICITY, density_kg_m3, air), d, air, LOOSE_VOIDAGE);
}

/** What a given air just does. */
export interface AirSizes {
  /** Quartz up to this size is loose. */
  readonly loosened_m: number;
  /** Gold up to this size is carried off in the open, and lifted out of a loosened bed. */
  readonly carried_m: number;
  readonly lifted_m: number;
}

const [LEAST_M, MOST_M] = [1e-6, 0.05];

/** Sizes that air of a speed just loosens, carries and lifts. */
export function airSizes(
  air_m_s: number,
  csf: number,
  air: Air,
  density_kg_m3: number = DENSITY_KG_M3.placerGold,
  voidage = LOOSE_VOIDAGE,
): AirSizes {
  return {
    loosened_m: justLoosened_m(air_m_s, air),
    carried_m: bisect((d) => carriesFlake_m_s(d, csf, air, density_kg_m3) - air_m_s, LEAST_M, MOST_M),
    lifted_m: bisect((d) => liftsFlake_m_s(d, csf, air, density_kg_m3, voidage) - air_m_s, LEAST_M, MOST_M),
  };
}
