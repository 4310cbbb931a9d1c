const [STEP, GATE, ROW] = [4, 5, 17] as const;

interface TalliesProps {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly paid: number;
  readonly places: number;
}

/** Places as strokes in fives, as one tallies: the long ones paid. More than there is room for stand as a figure alone. */
export function Tallies({ x, y, width, paid, places }: TalliesProps) {
  const perRow = Math.max(GATE, Math.floor(width / (STEP + STEP / GATE) / GATE) * GATE);
  const shown = places <= 2 * perRow ? places : 0;
  return (
    <g>
      <text x={x + 2} y={y - 5} fontSize="12.5" fontWeight="bold">
        {paid} of {places}
      </text>
      {Array.from({ length: shown }, (_, i) => {
        const [row, at] = [Math.floor(i / perRow), i % perRow];
        const left = x + 3 + at * STEP + Math.floor(at / GATE) * STEP;
        const top = y + row * ROW;
        return (
          <path
            key={i}
            d={i < paid ? `M${left} ${top}v13` : `M${left} ${top + 5}v6`}
            stroke="var(--ink)"
            strokeWidth={i < paid ? 1.8 : 1.2}
          />
        );
      })}
    </g>
  );
}
