import {
  boxAbout,
  bySections,
  fitPlaces,
  outlineOnGround,
  placesOf,
  reachOf,
  withinReach,
  type EstimateMethod,
  type GroundProblem,
  type Variogram,
} from '@riffle/core';
import { useMemo, useState } from 'react';
import { usePreferences } from '../../../preferences/preferences.ts';
import { useColors } from '../../../reading/useColors.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { useGround } from '../../../shell/useGround.ts';
import { useDraft } from '../../../ui/useDraft.ts';
import { emptyInPlace, readInPlace, type InPlaceDraft } from './readInPlace.ts';
import { useGroundMap } from './useGroundMap.ts';

/** Cells the long way of the map. */
export const CELLS = { quick: 120, fine: 300 } as const;
/** Sections across the ground for the sum by hand. */
const SECTIONS = 40;

/** The ground in place: what was asked, what the samples say of it, and the map worked out beside the page. */
export function useInPlace() {
  const { ground, spots } = useGround();
  const { preferences } = usePreferences();
  const samples = useRecords('samples', ground.id).items;
  const pits = useRecords('pits', ground.id).items;
  const outlines = useRecords('outlines', ground.id).items;
  const colors = useColors(ground, samples);
  const [draft, setDraft] = useDraft<InPlaceDraft>(`in-place-${ground.id}`, () =>
    emptyInPlace(ground.kind, preferences.display.system === 'US'),
  );
  const change = (some: Partial<InPlaceDraft>): void => setDraft((before) => ({ ...before, ...some }));
  const [cutoff_mg_L, setCutoff] = useState(preferences.pays_mg_L);

  const read = readInPlace(draft);
  const { pay_m, cover_m, from_m, to_m, streak } = read;
  const placed = useMemo(
    () =>
      placesOf(
        ground,
        spots,
        samples,
        pits,
        colors,
        from_m === null || to_m === null ? null : { from_m, to_m },
        pay_m,
        cover_m,
      ),
    [ground, spots, samples, pits, colors, pay_m, cover_m, from_m, to_m],
  );
  const { places, together } = placed;
  const shapes = outlines.filter((o) => o.kind === 'bar' || o.kind === 'bench' || o.kind === 'workings');
  const drawn = useMemo(() => {
    const chosen = outlines.find((o) => o.id === draft.outlineId);
    return chosen ? outlineOnGround(ground, chosen) : null;
  }, [ground, outlines, draft.outlineId]);
  const outline = useMemo(() => drawn ?? boxAbout(places), [drawn, places]);
  const inReach = useMemo(() => (outline ? withinReach(places, outline) : places), [places, outline]);
  const { bins, fitted } = useMemo(
    () => fitPlaces(inReach, draft.model, streak, together),
    [inReach, draft.model, streak, together],
  );
  const variogram = read.own ?? fitted;

  // By its content: a variogram typed anew with the same numbers is no new problem.
  const key = variogram && JSON.stringify(variogram);
  const problem = useMemo((): GroundProblem | null => {
    if (!outline || inReach.length < 2) return null;
    return {
      places: inReach.map(({ spot: _spot, ...place }) => place),
      outline,
      method: methodOf(draft.method, key === null ? null : (JSON.parse(key) as Variogram)),
      cells: draft.fine ? CELLS.fine : CELLS.quick,
      streak,
      // Without an outline only ground that a sample speaks for counts: a box about far samples holds gold nobody found.
      ...(drawn === null && {
        reach_m: reachOf(inReach, streak, key === null ? null : (JSON.parse(key) as Variogram)),
      }),
    };
  }, [inReach, outline, drawn, key, draft.method, draft.fine, streak]);
  const mapped = useGroundMap(problem, cutoff_mg_L, placed);
  const sections = useMemo(() => {
    try {
      const length_m = (outline?.[1]?.x_m ?? 0) - (outline?.[0]?.x_m ?? 0);
      return bySections(inReach, Math.max(1, length_m / SECTIONS));
    } catch {
      return null;
    }
  }, [inReach, outline]);
  return {
    draft,
    change,
    read,
    cutoff_mg_L,
    setCutoff,
    highest_mg_L: Math.max(cutoff_mg_L, ...inReach.map((p) => p.grade_mg_L), 0.01),
    shapes,
    drawn: drawn !== null,
    thickness: placed.thickness,
    coverKnown: placed.coverKnown,
    together,
    commonLogSd: placed.commonLogSd,
    outline,
    inReach,
    bins,
    fitted,
    variogram,
    canMap: problem !== null,
    ...mapped,
    sections,
  };
}
export type InPlace = ReturnType<typeof useInPlace>;

/** Without a variogram kriging cannot begin: the map is by distance then. */
function methodOf(asked: EstimateMethod['kind'], variogram: Variogram | null): EstimateMethod {
  if (asked === 'polygons') return { kind: 'polygons' };
  if (asked === 'kriging' && variogram) return { kind: 'kriging', variogram };
  return { kind: 'inverse distance', power: 2 };
}
