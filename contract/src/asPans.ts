// Apart from the schema, which a first view does not need.
import type { Pans } from './pans.ts';

/** What a reading takes of a sample. A stored sample is one too. */
export interface Pan {
  readonly spotId: string;
  readonly takenAt: string;
  /** The same, milliseconds since 1970, where it came as such. */
  readonly takenAt_ms?: number;
  readonly depth_m: number;
  readonly layerId: string | null;
  readonly volume_L: number;
  readonly volumeState: 'loose' | 'bank';
  readonly counts: Readonly<Record<'+10' | '10-20' | '20-40' | '-40', number>>;
  readonly gold_mg: number | null;
}

/** A pan out of columns. Its time is written as text only where someone reads it: that took more than all the rest. */
class ColumnPan implements Pan {
  readonly spotId: string;
  readonly depth_m: number;
  readonly layerId: string | null;
  readonly volume_L: number;
  readonly volumeState: 'loose' | 'bank';
  readonly counts: Pan['counts'];
  readonly gold_mg: number | null;
  readonly takenAt_ms: number;

  constructor(pan: Omit<Pan, 'takenAt'> & { readonly takenAt_ms: number }) {
    this.spotId = pan.spotId;
    this.depth_m = pan.depth_m;
    this.layerId = pan.layerId;
    this.volume_L = pan.volume_L;
    this.volumeState = pan.volumeState;
    this.counts = pan.counts;
    this.gold_mg = pan.gold_mg;
    this.takenAt_ms = pan.takenAt_ms;
  }
  get takenAt(): string {
    return new Date(this.takenAt_ms).toISOString();
  }
}

/** One after the other, as the samples themselves would come. */
export const asPans = ({ spots }: Pans): Pan[] =>
  spots.flatMap(({ spotId, takenAt_ms, depth_m, layer, layerIds, volume_L, isLoose, counts, gold_mg }) => {
    const { '+10': over10, '10-20': to20, '20-40': to40, '-40': under40 } = counts;
    return takenAt_ms.map(
      (at_ms, i) =>
        new ColumnPan({
          spotId,
          takenAt_ms: at_ms,
          depth_m: depth_m[i] ?? 0,
          layerId: layerIds[layer[i] ?? -1] ?? null,
          volume_L: volume_L[i] ?? 0,
          volumeState: isLoose[i] ? 'loose' : 'bank',
          counts: { '+10': over10[i] ?? 0, '10-20': to20[i] ?? 0, '20-40': to40[i] ?? 0, '-40': under40[i] ?? 0 },
          gold_mg: gold_mg[i] ?? null,
        }),
    );
  });
