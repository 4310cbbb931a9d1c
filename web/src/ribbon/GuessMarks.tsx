import type { GuessedSign } from '@riffle/core';

interface GuessMarksProps {
  readonly guesses: readonly GuessedSign[];
  readonly x: (distance_m: number) => number;
  readonly y: (guess: GuessedSign) => number;
}

/** Signs guessed from the line and seen by nobody: broken rings with a question in them, paler than anything that was seen. */
export default function GuessMarks({ guesses, x, y }: GuessMarksProps) {
  return guesses.map((g) => (
    <g key={g.id} aria-hidden="true" transform={`translate(${x(g.distance_m)} ${y(g)})`}>
      <circle r="8" fill="none" stroke="var(--ink-2)" strokeWidth="1.2" strokeDasharray="2.5 3" />
      <text y="4" fontSize="11.5" textAnchor="middle" style={{ fill: 'var(--ink-2)' }}>
        ?
      </text>
    </g>
  ));
}
