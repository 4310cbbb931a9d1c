import type { OpenedForecast } from '@riffle/core';
import { useShow } from '../units/useShow.ts';

interface ForecastBarProps {
  readonly forecast: Pick<OpenedForecast, 'low_mg_L' | 'said_mg_L' | 'high_mg_L' | 'came_mg_L'>;
}

/** The band that was said and what then came, on a scale of roots from nothing to the larger of the two. */
export function ForecastBar({ forecast: { low_mg_L, said_mg_L, high_mg_L, came_mg_L } }: ForecastBarProps) {
  const show = useShow();
  const most = 1.1 * Math.max(high_mg_L, came_mg_L);
  const x = (g: number): number => 4 + 292 * Math.sqrt(Math.max(0, g) / most);
  return (
    <svg
      viewBox="0 0 300 24"
      className="block h-6 w-full max-w-[30rem]"
      role="img"
      aria-label={`said ${show.band('grade', said_mg_L, low_mg_L, high_mg_L)}, came ${show.grade(came_mg_L)}`}
    >
      <path d="M4 12H296" stroke="var(--rule)" />
      <rect
        x={x(low_mg_L)}
        y="5"
        width={x(high_mg_L) - x(low_mg_L)}
        height="14"
        fill="var(--gold-band)"
        stroke="var(--gold)"
      />
      <path d={`M${x(said_mg_L)} 5v14`} stroke="var(--gold)" strokeWidth="2" />
      <circle cx={x(came_mg_L)} cy="12" r="6" fill="var(--gold-fill)" stroke="var(--gold)" strokeWidth="1.500" />
    </svg>
  );
}
