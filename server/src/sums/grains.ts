import {
  equivalentDiameter_m,
  flakeDisc,
  flakeSettling_m_s,
  freshWater,
  grainSettling_m_s,
  hinderedSettling_m_s,
  largestStone_m,
  LININGS,
  movingShear,
} from '@riffle/core';
import { z } from 'zod';
import { n, sum, temperature_C, type Sum } from './sum.ts';

/** How grains fall and move in water. */
export const GRAINS_SUMS: readonly Sum[] = [
  sum('water', 'Density and viscosity of fresh water.', z.object({ temperature_C }), (i) =>
    freshWater(i.temperature_C),
  ),
  sum(
    'flake-settling',
    'Settling velocity of a gold flake as the range of two published laws.',
    z.object({ size_m: n, csf: n.default(0.3), temperature_C }),
    (i) => ({
      ...flakeSettling_m_s(i.size_m, i.csf, freshWater(i.temperature_C)),
      mass_mg: flakeDisc(i.size_m, i.csf).mass_mg,
    }),
  ),
  sum(
    'grain-settling',
    'Settling velocity of a compact grain.',
    z.object({
      size_m: n,
      mineral: z.enum([
        'quartz',
        'garnet',
        'ilmenite',
        'magnetite',
        'hematite',
        'cassiterite',
        'placerGold',
        'fineGold',
      ]),
      temperature_C,
    }),
    (i) => ({ settling_m_s: grainSettling_m_s(i.size_m, i.mineral, freshWater(i.temperature_C)) }),
  ),
  sum(
    'hindered-settling',
    'Settling velocity in a crowd of grains.',
    z.object({ alone_m_s: n, diameter_m: n, concentration: n, temperature_C }),
    (i) => ({
      settling_m_s: hinderedSettling_m_s(
        i.alone_m_s,
        i.diameter_m,
        i.concentration,
        freshWater(i.temperature_C).kinematicViscosity_m2_s,
      ),
    }),
  ),
  sum(
    'equivalent-quartz',
    'Size of the quartz grain that settles at a velocity.',
    z.object({ settling_m_s: n, temperature_C }),
    (i) => ({ diameter_m: equivalentDiameter_m(i.settling_m_s, 2650, freshWater(i.temperature_C)) }),
  ),
  sum(
    'moving-shear',
    'Shear that moves a bed of quartz grains of a size.',
    z.object({ diameter_m: n, temperature_C }),
    (i) => movingShear(i.diameter_m, freshWater(i.temperature_C)),
  ),
  sum('largest-stone', 'Largest quartz stone a shear keeps moving.', z.object({ shear_Pa: n, temperature_C }), (i) => ({
    diameter_m: largestStone_m(i.shear_Pa, freshWater(i.temperature_C)),
  })),
  sum('linings', 'The linings known, with their assumed figures.', z.object({}), () => LININGS),
];
