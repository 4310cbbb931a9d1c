import type { StoredGround } from '@riffle/contract';

/** Where the water stands at high and low tide, and the level that leaves the sand to work, as lines across the sea. */
export default function TideMarks({
  tide,
  left,
  right,
  top,
  height,
  say,
}: {
  tide: NonNullable<StoredGround['tide']>;
  left: number;
  right: number;
  top: number;
  height: number;
  say: (m: number) => string;
}) {
  const swing = tide.constituents
    .filter((c) => c.name === 'M2' || c.name === 'S2')
    .reduce((sum, c) => sum + c.amplitude_m, 0);
  const [high, low] = [tide.meanLevel_m + swing, tide.meanLevel_m - swing];
  const y = (m: number): number => top + height * (0.64 + 0.3 * ((high - m) / (high - low || 1)));
  const marks = [
    [high, 'springs high'],
    [tide.workBelow_m, 'sand bare below'],
    [low, 'springs low'],
  ] as const;
  return (
    <g aria-hidden="true">
      {marks.map(([m, says], i) => (
        <g key={says}>
          <path
            d={`M${left} ${y(m)}H${right}`}
            stroke="var(--water)"
            strokeWidth={m === tide.workBelow_m ? 1.6 : 0.9}
            strokeDasharray={m === tide.workBelow_m ? '8 4' : '2 5'}
          />
          <text x={left + 8 + i * Math.min(170, (right - left) / 3)} y={y(m) + 4} fontSize="12" className="halo">
            {says} {say(m)}
          </text>
        </g>
      ))}
    </g>
  );
}
