import type { StoredSign } from '@riffle/contract';
import { isFloat } from './across.ts';
import { SignMark } from './SignMarks.tsx';
import { MANY_SIGNS } from './thinSigns.ts';

interface SignsProps {
  readonly signs: readonly StoredSign[];
  readonly x: (distance_m: number) => number;
  readonly y: (sign: StoredSign) => number;
}

/** Signs in sight: each by its own mark, or, where they are many, as dots in two paths. */
export function Signs({ signs, x, y }: SignsProps) {
  if (signs.length > MANY_SIGNS)
    return [false, true].map((rust) => (
      <path
        key={String(rust)}
        aria-hidden="true"
        d={signs
          .filter((s) => isFloat(s) === rust)
          .map((s) => `M${x(s.distance_m).toFixed(1)} ${(y(s) - 3).toFixed(1)}l3 3l-3 3l-3 -3z`)
          .join('')}
        fill="var(--paper)"
        stroke={rust ? 'var(--rust)' : 'var(--ink)'}
        strokeWidth="1.3"
      />
    ));
  return signs.map((s) => (
    <g key={s.id} aria-hidden="true" transform={`translate(${x(s.distance_m)} ${y(s)})`}>
      <SignMark kind={s.kind} size_mm={s.size_mm} />
    </g>
  ));
}
