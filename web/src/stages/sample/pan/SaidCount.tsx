import { countByWords, sayCounts, type ColorCounts, type SizeWord } from '@riffle/core';
import { useState } from 'react';

interface SaidCountProps {
  readonly counts: ColorCounts;
  readonly words: readonly SizeWord[];
  readonly onCounts: (counts: ColorCounts) => void;
  /** What was written and could not be read; the sample is not kept while there is one. */
  readonly problem: string | null;
  readonly onProblem: (problem: string | null) => void;
}

/** The count as people say it: "3 flakes, 9 specks". Shows what the rings hold until someone writes in it. */
export function SaidCount({ counts, words, onCounts, problem, onProblem }: SaidCountProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const take = (): void => {
    if (typed === null) return;
    const said = countByWords(typed, words);
    if (!said.ok) return onProblem(said.problem);
    onCounts(said.counts);
    setTyped(null);
  };
  return (
    <div className="relative">
      <label className="flex items-center gap-2">
        <span className="shrink-0">tap a ring, or say it</span>
        <input
          aria-label="Colors in your words"
          aria-invalid={problem !== null}
          className="written w-36 min-w-0"
          autoComplete="off"
          value={typed ?? sayCounts(counts, words)}
          onFocus={(e) => e.target.select()}
          onChange={(e) => {
            setTyped(e.target.value);
            onProblem(null);
          }}
          onBlur={take}
          onKeyDown={(e) => {
            if (e.key === 'Enter') {
              e.preventDefault();
              take();
            } else if (e.key === 'Escape') {
              setTyped(null);
              onProblem(null);
            }
          }}
        />
      </label>
      {/* Laid over the pan: pushed down, the button one is about to press would slip away. */}
      {problem && (
        <p
          role="alert"
          className="absolute top-full left-0 z-2 w-64 border-2 border-danger bg-paper p-2 text-[12.5px] text-danger"
        >
          ▲ {problem} The rings are as they were.
        </p>
      )}
    </div>
  );
}
