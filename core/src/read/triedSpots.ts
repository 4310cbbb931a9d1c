import type { SpotGrade } from '../sample/spotGrades.ts';
import type { TracePoint } from './trace.ts';

/** Spots that were panned, all pans of each taken together, in the order of the spots. */
export const triedSpots = (
  spots: readonly { readonly id: string; readonly distance_m: number }[],
  grades: ReadonlyMap<string, Pick<SpotGrade, 'colors' | 'volumeBank_L'>>,
): TracePoint[] =>
  spots.flatMap(({ id, distance_m }) => {
    const panned = grades.get(id);
    return panned ? [{ id, distance_m, colors: panned.colors, volumeBank_L: panned.volumeBank_L }] : [];
  });
