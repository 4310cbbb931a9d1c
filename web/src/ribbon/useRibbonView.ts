import { useCallback, useMemo, useState } from 'react';

/** The stretch of a ground in sight, metres upstream, and the ways to change it. */
export interface RibbonView {
  readonly from_m: number;
  readonly to_m: number;
  readonly whole: boolean;
  zoom(factor: number, around_m?: number): void;
  pan(by_m: number): void;
  all(): void;
}

const CLOSEST_M = 40;

export function useRibbonView(length_m: number): RibbonView {
  const [stretch, setStretch] = useState<{ from_m: number; to_m: number } | null>(null);
  const from_m = stretch?.from_m ?? 0;
  const to_m = stretch?.to_m ?? length_m;
  const within = useCallback(
    (from: number, wide: number) => {
      if (wide >= length_m) return null;
      const start = Math.min(length_m - wide, Math.max(0, from));
      return { from_m: start, to_m: start + wide };
    },
    [length_m],
  );
  return useMemo(
    () => ({
      from_m,
      to_m,
      whole: stretch === null,
      zoom: (factor, around_m = (from_m + to_m) / 2) => {
        const wide = Math.max(Math.min(CLOSEST_M, length_m), (to_m - from_m) / factor);
        setStretch(within(around_m - ((around_m - from_m) / (to_m - from_m)) * wide, wide));
      },
      pan: (by_m) => setStretch(within(from_m + by_m, to_m - from_m)),
      all: () => setStretch(null),
    }),
    [from_m, to_m, stretch, length_m, within],
  );
}
