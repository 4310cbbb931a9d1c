import type { StoredSample, StoredSpot } from '@riffle/contract';
import { COLOR_CLASSES, countColors, type ColorWeights, measureOf } from '@riffle/core';
import {
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  sortFns,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useMemo } from 'react';
import { useIsPhone } from '../../../ui/useIsPhone.ts';

export interface SampleRow {
  readonly sample: StoredSample;
  readonly spot: string;
  readonly distance_m: number;
  /** Grade by the middle, mg/L; null where it must be weighed. For sorting; the cell shows the band. */
  readonly grade_mg_L: number | null;
  readonly volumeBank_L: number;
}

export function rowsOf(
  samples: readonly StoredSample[],
  spots: readonly StoredSpot[],
  swell_percent: number,
  weights_mg: ColorWeights,
): SampleRow[] {
  const spotOf = new Map(spots.map((s) => [s.id, s]));
  return samples.map((sample) => {
    const spot = spotOf.get(sample.spotId);
    const { volumeBank_L } = measureOf(sample, swell_percent);
    const counted = (Object.entries(weights_mg) as [keyof ColorWeights, number][]).reduce(
      (sum, [c, w]) => sum + w * sample.counts[c],
      0,
    );
    const gold_mg = sample.gold_mg ?? (counted === 0 && sample.counts['+10'] > 0 ? null : counted);
    return {
      sample,
      spot: spot?.name ?? '?',
      distance_m: spot?.distance_m ?? NaN,
      volumeBank_L,
      grade_mg_L: gold_mg === null ? null : gold_mg / volumeBank_L,
    };
  });
}

const features = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel(), sortFns });
const helper = createColumnHelper<typeof features, SampleRow>();
const columns = helper.columns([
  helper.accessor((r) => r.sample.takenAt, { id: 'date', header: 'Date' }),
  helper.accessor((r) => r.spot, { id: 'spot', header: 'Spot' }),
  helper.accessor((r) => r.distance_m, { id: 'distance', header: 'Along' }),
  helper.accessor((r) => r.sample.depth_m, { id: 'depth', header: 'Depth' }),
  helper.accessor((r) => r.sample.layer, { id: 'layer', header: 'Layer' }),
  helper.accessor((r) => r.volumeBank_L, { id: 'volume', header: 'Panned' }),
  ...COLOR_CLASSES.map((c) => helper.accessor((r) => r.sample.counts[c], { id: c, header: c })),
  helper.accessor((r) => r.sample.gold_mg ?? -1, { id: 'gold', header: 'Weighed' }),
  helper.accessor((r) => r.grade_mg_L ?? -1, { id: 'grade', header: 'Grade' }),
  helper.accessor((r) => r.sample.panner, { id: 'panner', header: 'Panner' }),
  helper.accessor((r) => r.sample.note, { id: 'note', header: 'Note' }),
]);

/** On a phone the answer stands in sight: what was found where, and its grade, before the rest. */
const FIRST_ON_PHONE = ['spot', 'colors', 'grade', 'date'];
const phoneColumns = helper
  .columns([helper.accessor((r) => countColors(r.sample.counts), { id: 'colors', header: 'Colors' }), ...columns])
  .sort((a, b) => phonePlace(a.id) - phonePlace(b.id));
function phonePlace(id: string | undefined): number {
  const at = FIRST_ON_PHONE.indexOf(id ?? '');
  return at < 0 ? FIRST_ON_PHONE.length : at;
}

export type Only = 'all' | 'with color' | 'blank';

/** The table over all samples: sorted and filtered by the library, over rows chosen here. */
export function useSampleTable(all: readonly SampleRow[], only: Only, words: string) {
  const data = useMemo(() => {
    const said = words.trim().toLowerCase();
    return all.filter(({ sample: s, spot }) => {
      const blank = countColors(s.counts) === 0 && s.gold_mg === null;
      if (only !== 'all' && blank !== (only === 'blank')) return false;
      return (
        said === '' ||
        spot.toLowerCase().includes(said) ||
        s.layer.toLowerCase().includes(said) ||
        s.note.toLowerCase().includes(said) ||
        s.panner.toLowerCase().includes(said)
      );
    });
  }, [all, only, words]);
  const isPhone = useIsPhone();
  return useTable({
    features,
    columns: isPhone ? phoneColumns : columns,
    data,
    getRowId: (r) => r.sample.id,
    initialState: { sorting: [{ id: 'date', desc: true }] },
  });
}
