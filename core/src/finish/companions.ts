import { DENSITY_KG_M3, USUAL_CSF } from '../grains/constants.ts';
import { flakeSettling_m_s } from '../grains/flake.ts';
import { filmFor_m } from './film.ts';
import { COMPANIONS, separationWindow, type Companion } from './separation.ts';
import type { FinishSetting } from './weighFinish.ts';

/** Depths of water over a floor that take one mineral and leave gold, m; no window where the first is above the second. */
export interface CompanionWindow {
  readonly companion: Companion;
  readonly from_m: number;
  readonly to_m: number;
}

/** For each mineral the depths that part it from gold of the same screens, for gold of usual flatness. Source: `separationWindow`. */
export function companionWindows({
  finest_m,
  coarsest_m,
  feature_m,
  slope,
  water,
}: Pick<FinishSetting, 'finest_m' | 'coarsest_m' | 'feature_m' | 'slope' | 'water'>): CompanionWindow[] {
  const { low, high } = flakeSettling_m_s(finest_m, USUAL_CSF, water);
  const feature = { height_m: feature_m, density_kg_m3: water.density_kg_m3 };
  return COMPANIONS.map((companion) => {
    const w = separationWindow(finest_m, coarsest_m, feature, Math.sqrt(low * high), DENSITY_KG_M3[companion]);
    return { companion, from_m: filmFor_m(w.least_Pa, slope, water), to_m: filmFor_m(w.most_Pa, slope, water) };
  });
}
