import type { StoredSign } from '@riffle/contract';
import { useMemo } from 'react';
import { isFloat } from './across.ts';
import { SignMark } from './SignMarks.tsx';
import type { RibbonScale } from './ribbonScale.ts';
import { tenth } from './tenth.ts';
import { thinSigns } from './thinSigns.ts';

/** About a third of what a browser paints at once, px. */
const PAINTED_PX = 85;

/** A hollow diamond from its upper end, filled and not stroked: strokes are half of what some hundreds of them cost to paint. */
const RING = 'l3.9 3.9-3.9 3.9-3.9-3.9zm0 1.8l-2.1 2.1 2.1 2.1 2.1-2.1z';

interface SignsProps {
  /** By rising distance. */
  readonly signs: readonly StoredSign[];
  readonly scale: RibbonScale;
  readonly y: (sign: StoredSign) => number;
}

/** Signs in sight: each by its own mark, or, where they are many, as dots. */
export function Signs({ signs: all, scale, y }: SignsProps) {
  const { x } = scale;
  const { signs, asDots } = useMemo(() => thinSigns(all, scale), [all, scale]);
  if (asDots) {
    // One path for each stretch and look: a path as long as the creek is worked out anew for every part of it that is painted.
    const paths = new Map<string, string>();
    for (const s of signs) {
      const px = x(s.distance_m);
      const key = `${Math.floor(px / PAINTED_PX)} ${isFloat(s) ? '--rust' : '--ink'}`;
      paths.set(key, `${paths.get(key) ?? ''}M${tenth(px)} ${tenth(y(s) - 3.9)}${RING}`);
    }
    return [...paths].map(([key, d]) => <path key={key} aria-hidden="true" d={d} fill={`var(${key.split(' ')[1]})`} />);
  }
  return signs.map((s) => (
    <g key={s.id} aria-hidden="true" transform={`translate(${x(s.distance_m)} ${y(s)})`}>
      <SignMark kind={s.kind} size_mm={s.size_mm} />
    </g>
  ));
}
