/** The frame a grid of chances is drawn in, px, and its cells. */
interface Frame {
  readonly columns: number;
  readonly rows: number;
  readonly left: number;
  readonly top: number;
  readonly wide: number;
  readonly high: number;
}

/** A contour of a grid as a path; cells are centred on their values: half a cell in from the edge of the grid. */
export const gridPath =
  ({ columns, rows, left, top, wide, high }: Frame) =>
  (shape: { readonly coordinates: readonly (readonly (readonly (readonly number[])[])[])[] }): string =>
    shape.coordinates
      .flatMap((polygon) =>
        polygon.map(
          (ring) =>
            `${ring
              .map(([gx = 0, gy = 0], i) => {
                const px = left + (Math.min(columns - 1, Math.max(0, gx - 0.5)) / (columns - 1)) * wide;
                const py = top + high - (Math.min(rows - 1, Math.max(0, gy - 0.5)) / (rows - 1)) * high;
                return `${i ? 'L' : 'M'}${px.toFixed(1)} ${py.toFixed(1)}`;
              })
              .join('')}Z`,
        ),
      )
      .join('');

/** Where words of a point go: right of it, left of it, or over it where neither side has room. */
export function beside(px: number, wide: number, [left, right]: readonly [number, number]) {
  if (px + 12 + wide <= right) return { x: px + 12, textAnchor: 'start' } as const;
  if (px - 12 - wide >= left) return { x: px - 12, textAnchor: 'end' } as const;
  return { x: Math.min(right - wide / 2, Math.max(left + wide / 2, px)), textAnchor: 'middle' } as const;
}

interface NameProps {
  readonly at: readonly [across: number, up: number] | null;
  readonly says: string;
  readonly x: (across: number) => number;
  readonly y: (up: number) => number;
  readonly ends: readonly [left: number, right: number];
  /** Points with words of their own beside them. */
  readonly away: readonly (readonly [px: number, py: number])[];
}
/** A region's name about the middle of where it is sure, clear of the points; none where it is nowhere. */
export function RegionName({ at, says, x, y, ends: [left, right], away }: NameProps) {
  if (!at) return null;
  const half = says.length * 4.6;
  const px = Math.min(right - half - 4, Math.max(left + half + 4, x(at[0])));
  const wish = y(at[1]) + 5;
  const isClear = (py: number): boolean =>
    away.every(([ax, ay]) => Math.abs(ay - py) > 30 || Math.abs(ax - px) > half + 96);
  const py = [0, 34, -34, 62, -62].map((by) => wish + by).find(isClear) ?? wish;
  return (
    <text className="halo" x={px} y={py} textAnchor="middle">
      {says}
    </text>
  );
}

/** The middle of where a chance is 8 in 10 or more, on a grid of those values; null where that is hardly anywhere. */
export function middleOf(
  chances: Float64Array,
  across: Float64Array,
  up: Float64Array,
): readonly [across: number, up: number] | null {
  let [sum, sx, sy] = [0, 0, 0];
  chances.forEach((chance, i) => {
    if (chance < 0.8) return;
    sum++;
    sx += across[i % across.length] ?? 0;
    sy += up[Math.floor(i / across.length)] ?? 0;
  });
  return sum < chances.length / 60 ? null : [sx / sum, sy / sum];
}
