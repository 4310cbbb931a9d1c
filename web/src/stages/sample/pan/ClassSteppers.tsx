import {
  COLOR_CLASSES,
  wordsOf,
  type ColorClass,
  type ColorCounts,
  type ColorWeights,
  type SizeWord,
} from '@riffle/core';
import { memo, useState } from 'react';
import { useShow } from '../../../units/useShow.ts';
import { CLASS_NAMES } from './SizePan.tsx';
import type { CountColors } from './useSampleDraft.ts';

interface ClassSteppersProps {
  readonly counts: ColorCounts;
  /** What a color of each class is taken to weigh on this ground. */
  readonly weights_mg: ColorWeights;
  readonly words: readonly SizeWord[];
  readonly onCount: CountColors;
}

/** The counts as numbers: type one, or step by one. What one color is taken to weigh stands below it. */
export function ClassSteppers({ counts, weights_mg, words, onCount }: ClassSteppersProps) {
  const [open, setOpen] = useState<ColorClass | null>(null);
  return (
    <>
      {open && (
        <Numbers
          size={open}
          now={counts[open]}
          onChoose={(n) => {
            onCount(open, () => n);
            setOpen(null);
          }}
        />
      )}
      <div className="grid grid-cols-4 grid-rows-[repeat(5,auto)] border-t-2 border-ink tight:grid-cols-2 tight:grid-rows-none">
        {COLOR_CLASSES.map((size) => (
          <Stepper
            key={size}
            size={size}
            count={counts[size]}
            weighs_mg={size === '+10' ? null : weights_mg[size]}
            word={wordsOf(size, words)[0] ?? ''}
            isOpen={open === size}
            onOpen={setOpen}
            onCount={onCount}
          />
        ))}
      </div>
    </>
  );
}

interface StepperProps {
  readonly size: ColorClass;
  readonly count: number;
  /** What one color of it is taken to weigh; null where no piece weighs what another does. */
  readonly weighs_mg: number | null;
  /** What the crew calls this size. */
  readonly word: string;
  readonly isOpen: boolean;
  readonly onOpen: (size: ColorClass | null) => void;
  readonly onCount: CountColors;
}

/** One size: its name, its count, a step up and down. Drawn anew only when it is the one that changed. */
const Stepper = memo(function Stepper({ size, count, weighs_mg, word, isOpen, onOpen, onCount }: StepperProps) {
  const show = useShow();
  const { name, over_m, under_m } = CLASS_NAMES[size];
  return (
    <div className="row-span-5 grid min-w-0 grid-rows-subgrid border-l border-rule px-1 pt-1 first:border-l-0">
      <button
        type="button"
        aria-label={`How many ${name}`}
        aria-expanded={isOpen}
        className={`flex min-h-12 flex-wrap content-center gap-x-1.5 text-left sm:min-h-0 ${isOpen ? 'bg-ink px-1 text-paper' : 'underline decoration-rule underline-offset-4'}`}
        onClick={() => onOpen(isOpen ? null : size)}
      >
        <b>{name}</b> <span className="min-w-0 truncate">{word}</span>
      </button>
      <p className="text-[12px] text-ink-2">
        {over_m === null
          ? `under ${show.grainSize(under_m ?? 0)}`
          : under_m === null
            ? `over ${show.grainSize(over_m)}`
            : show.range('grainSize', over_m, under_m)}
      </p>
      <input
        aria-label={`Colors ${name}`}
        inputMode="numeric"
        className="w-full bg-transparent text-[28px] leading-9 font-bold"
        value={count}
        onFocus={(e) => e.target.select()}
        onChange={(e) => {
          const n = Number(e.target.value.replace(/\D/g, ''));
          onCount(size, () => Math.min(100_000, n));
        }}
      />
      <p className="text-[12px] text-gold">{weighs_mg === null ? 'weigh it' : `${show.gold(weighs_mg)} each`}</p>
      <div className="mt-1 grid grid-cols-2">
        <button
          type="button"
          aria-label={`One less ${name}`}
          disabled={count === 0}
          className="min-h-12 border-2 border-ink text-[20px] font-bold disabled:text-rule"
          onClick={() => onCount(size, (now) => now - 1)}
        >
          −
        </button>
        <button
          type="button"
          aria-label={`One more ${name}`}
          className="-ml-0.5 min-h-12 border-2 border-ink text-[20px] font-bold active:bg-ink active:text-paper"
          onClick={() => onCount(size, (now) => now + 1)}
        >
          +
        </button>
      </div>
    </div>
  );
});

/** Numbers one counts to without a keyboard. */
const NUMBERS = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 15, 20];

/** How many of one size, in one tap. */
function Numbers({
  size,
  now,
  onChoose,
}: {
  readonly size: ColorClass;
  readonly now: number;
  readonly onChoose: (count: number) => void;
}) {
  return (
    <div role="group" aria-label={`How many ${CLASS_NAMES[size].name}`} className="mb-2 grid grid-cols-7 gap-1">
      {NUMBERS.map((n) => (
        <button
          key={n}
          type="button"
          aria-pressed={n === now}
          className="min-h-12 border-2 border-ink text-[18px] font-bold aria-pressed:bg-ink aria-pressed:text-paper"
          onClick={() => onChoose(n)}
        >
          {n}
        </button>
      ))}
    </div>
  );
}
