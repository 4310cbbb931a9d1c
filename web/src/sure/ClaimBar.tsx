interface ClaimBarProps {
  readonly came: number;
  readonly claim: readonly number[];
  /** Ends of the scale. */
  readonly from: number;
  readonly to: number;
  readonly holds: boolean;
}

/** What is claimed as a box on a scale, and what came as a stroke across it; what is missing to the box is hatched. */
export function ClaimBar({ came, claim, from, to, holds }: ClaimBarProps) {
  const x = (v: number): number => 4 + (192 * (Math.min(to, Math.max(from, v)) - from)) / (to - from);
  const [least, most] = [claim[0] ?? from, claim[1] ?? to];
  const near = came < least ? least : most;
  return (
    <svg
      viewBox="0 0 200 20"
      className="block h-5 w-full"
      preserveAspectRatio="none"
      role="img"
      aria-label={`claimed ${Math.round(100 * least)} to ${Math.round(100 * most)}, came ${Math.round(100 * came)}`}
    >
      <path d="M4 10H196" stroke="var(--rule)" />
      <rect x={x(least)} y="4" width={x(most) - x(least)} height="12" fill="var(--paper)" stroke="var(--ink)" />
      {!holds && (
        <rect
          x={Math.min(x(came), x(near))}
          y="6"
          width={Math.abs(x(came) - x(near))}
          height="8"
          fill="url(#against)"
          stroke="var(--ink)"
        />
      )}
      <path d={`M${x(came)} 1V19`} stroke="var(--ink)" strokeWidth="3.5" />
    </svg>
  );
}
