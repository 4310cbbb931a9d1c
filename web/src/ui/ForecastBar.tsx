interface ForecastBarProps {
  readonly low: number;
  readonly said: number;
  readonly high: number;
  readonly came: number;
  /** What the drawing says, in words. */
  readonly label: string;
  /** End of the scale, where several are drawn on one; else the larger of what was said and what came. */
  readonly most?: number;
}

/** The band that was said and what then came, on a scale of roots from nothing. */
export function ForecastBar({ low, said, high, came, label, most = Math.max(high, came) }: ForecastBarProps) {
  const x = (value: number): number => 4 + 292 * Math.sqrt(Math.max(0, value) / (1.1 * most));
  return (
    <svg viewBox="0 0 300 24" className="block h-6 w-full max-w-[30rem]" role="img" aria-label={label}>
      <path d="M4 12H296" stroke="var(--rule)" />
      <rect x={x(low)} y="5" width={x(high) - x(low)} height="14" fill="var(--gold-band)" stroke="var(--gold)" />
      <path d={`M${x(said)} 5v14`} stroke="var(--gold)" strokeWidth="2" />
      <circle cx={x(came)} cy="12" r="6" fill="var(--gold-fill)" stroke="var(--gold)" strokeWidth="1.5" />
    </svg>
  );
}
