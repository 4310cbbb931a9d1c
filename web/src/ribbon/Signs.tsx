import type { StoredSign } from '@riffle/contract';
import { useMemo } from 'react';
import { isFloat } from './across.ts';
import { SignMark } from './SignMarks.tsx';
import type { RibbonScale } from './ribbonScale.ts';
import { thinSigns } from './thinSigns.ts';

/** About a third of what a browser paints at once, px. */
const PAINTED_PX = 85;

interface SignsProps {
  /** By rising distance. */
  readonly signs: readonly StoredSign[];
  readonly scale: RibbonScale;
  readonly y: (sign: StoredSign) => number;
}

/** Signs in sight: each by its own mark, or, where they are many, as dots. */
export function Signs({ signs: all, scale, y }: SignsProps) {
  const { from_m, to_m, px_per_m, x } = scale;
  const { signs, asDots } = useMemo(() => thinSigns(all, from_m, to_m, px_per_m), [all, from_m, to_m, px_per_m]);
  if (asDots) {
    // One path for each stretch and look: a path as long as the creek is worked out anew for every part of it that is painted.
    const paths = new Map<string, string>();
    for (const s of signs) {
      const px = x(s.distance_m);
      const key = `${Math.floor(px / PAINTED_PX)} ${isFloat(s) ? '--rust' : '--ink'}`;
      paths.set(key, `${paths.get(key) ?? ''}M${px.toFixed(1)} ${(y(s) - 3).toFixed(1)}l3 3l-3 3l-3 -3z`);
    }
    return [...paths].map(([key, d]) => (
      <path
        key={key}
        aria-hidden="true"
        d={d}
        fill="var(--paper)"
        stroke={`var(${key.split(' ')[1]})`}
        strokeWidth="1.3"
      />
    ));
  }
  return signs.map((s) => (
    <g key={s.id} aria-hidden="true" transform={`translate(${x(s.distance_m)} ${y(s)})`}>
      <SignMark kind={s.kind} size_mm={s.size_mm} />
    </g>
  ));
}
