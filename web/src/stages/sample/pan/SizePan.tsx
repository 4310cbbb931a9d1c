import { COLOR_CLASSES, type ColorClass, type ColorCounts } from '@riffle/core';
import { memo } from 'react';
import type { CountColors } from './useSampleDraft.ts';

/** Rings of the pan, from the middle out: coarse in the middle, as gold lies when it is fanned. Radii in drawing units. */
const RINGS: readonly { readonly size: ColorClass; readonly inner: number; readonly outer: number }[] = [
  { size: '+10', inner: 0, outer: 36 },
  { size: '10-20', inner: 36, outer: 72 },
  { size: '20-40', inner: 72, outer: 110 },
  { size: '-40', inner: 110, outer: 148 },
];
const FLAKE_R: Readonly<Record<ColorClass, number>> = { '+10': 11, '10-20': 8, '20-40': 5.8, '-40': 4 };
/** Most flakes drawn in a ring; the number beside the pan is the count. */
const DRAWN = 40;

/** Names of the classes by US sieve, and their limits (ASTM E11: No. 10, 20, 40). */
export const CLASS_NAMES: Readonly<
  Record<ColorClass, { name: string; over_m: number | null; under_m: number | null }>
> = {
  '+10': { name: '+10', over_m: 0.002, under_m: null },
  '10-20': { name: '10–20', over_m: 0.00085, under_m: 0.002 },
  '20-40': { name: '20–40', over_m: 0.000425, under_m: 0.00085 },
  '-40': { name: '−40', over_m: null, under_m: 0.000425 },
};

interface SizePanProps {
  readonly counts: ColorCounts;
  readonly blackSand: number;
  readonly onCount: CountColors;
}

/** The pan as a counter: tap a ring to add a color of that size. The steppers beside it do the same by keyboard. */
export function SizePan({ counts, blackSand, onCount }: SizePanProps) {
  return (
    <svg
      viewBox="-180 -180 360 360"
      className="mx-auto block w-full max-w-[21rem] touch-manipulation select-none lg:max-w-[18.5rem]"
      role="img"
      aria-label={`Pan: ${COLOR_CLASSES.map((c) => `${counts[c]} of size ${CLASS_NAMES[c].name}`).join(', ')}`}
    >
      <circle r="176" fill="var(--spine)" stroke="var(--ink)" strokeWidth="2.4" />
      <circle r="170" fill="none" stroke="var(--ink)" strokeWidth="0.9" />
      {[153, 157, 161, 165].map((r, i) => (
        <path key={r} d={arc(r, 25 + 3 * i, 95 - 3 * i)} fill="none" stroke="var(--ink)" strokeWidth="1.9" />
      ))}
      {blackSand > 0 && <path d={crescent(blackSand)} fill="url(#stipple)" stroke="var(--ink)" strokeWidth="0.9" />}
      {[...RINGS].reverse().map(({ size, outer }) => (
        <circle
          key={size}
          r={outer}
          fill="var(--picked)"
          fillOpacity={size === '-40' && blackSand > 0 ? 0.72 : 1}
          stroke="var(--ink)"
          strokeWidth="1.1"
          className="cursor-pointer hover:fill-gold-band"
          onClick={() => onCount(size, (now) => now + 1)}
          data-ring={size}
        />
      ))}
      <g className="pointer-events-none">
        {RINGS.map(({ size, inner, outer }) => (
          <g key={size}>
            <text y={inner === 0 ? 5 : -(inner + outer) / 2 + 4} textAnchor="middle" fontSize="13" fontWeight="700">
              {CLASS_NAMES[size].name}
            </text>
            {Array.from({ length: Math.min(DRAWN, counts[size]) }, (_, i) => (
              <Flake key={i} size={size} nth={i} inner={inner} outer={outer} />
            ))}
          </g>
        ))}
      </g>
    </svg>
  );
}

/** One flake, always at the same place for its number, away from the ring's name. */
const Flake = memo(function Flake({
  size,
  nth,
  inner,
  outer,
}: {
  size: ColorClass;
  nth: number;
  inner: number;
  outer: number;
}) {
  // The golden angle spreads any number of flakes evenly round a ring.
  const angle = ((28 + ((nth * 137.508) % 304)) * Math.PI) / 180;
  const r = inner === 0 ? 20 + 6 * (nth % 2) : inner + 10 + ((nth * 17) % Math.max(1, outer - inner - 20));
  const [cx, cy] = [r * Math.sin(angle), -r * Math.cos(angle)];
  const a = FLAKE_R[size];
  const points = [0, 1, 2, 3, 4, 5].map((k) => {
    const t = (k * Math.PI) / 3 + nth;
    const out = a * (0.78 + 0.3 * Math.abs(Math.sin(2.3 * (k + nth))));
    return `${(cx + out * Math.cos(t)).toFixed(1)},${(cy + out * Math.sin(t)).toFixed(1)}`;
  });
  return <polygon points={points.join(' ')} fill="var(--gold-fill)" stroke="var(--gold)" strokeWidth="1" />;
});

/** Part of a circle from one compass angle to another. */
function arc(r: number, from_deg: number, to_deg: number): string {
  const at = (deg: number): string =>
    `${(r * Math.sin((deg * Math.PI) / 180)).toFixed(1)} ${(-r * Math.cos((deg * Math.PI) / 180)).toFixed(1)}`;
  return `M${at(from_deg)}A${r} ${r} 0 ${Math.abs(to_deg - from_deg) > 180 ? 1 : 0} ${to_deg > from_deg ? 1 : 0} ${at(to_deg)}`;
}

/** Black sand lies in the low corner of a tilted pan: more of it, a longer and thicker crescent. */
function crescent(amount: number): string {
  const half = 22 + 14 * amount;
  const middle = 235;
  return `${arc(170, middle - half, middle + half)}${arc(146 - 4 * amount, middle + half, middle - half).replace('M', 'L')}Z`;
}
