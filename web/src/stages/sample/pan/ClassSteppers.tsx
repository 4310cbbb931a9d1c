import {
  COLOR_CLASSES,
  wordsOf,
  type ColorClass,
  type ColorCounts,
  type ColorWeights,
  type SizeWord,
} from '@riffle/core';
import { useState } from 'react';
import { useShow } from '../../../units/useShow.ts';
import { CLASS_NAMES } from './SizePan.tsx';

interface ClassSteppersProps {
  readonly counts: ColorCounts;
  /** What a color of each class is taken to weigh on this ground. */
  readonly weights_mg: ColorWeights;
  readonly words: readonly SizeWord[];
  readonly onSet: (size: ColorClass, count: number) => void;
}

/** The counts as numbers: type one, or step by one. What one color is taken to weigh stands below it. */
export function ClassSteppers({ counts, weights_mg, words, onSet }: ClassSteppersProps) {
  const show = useShow();
  const [open, setOpen] = useState<ColorClass | null>(null);
  const sizeWords = ({ over_m, under_m }: { over_m: number | null; under_m: number | null }): string =>
    over_m === null
      ? `under ${show.grainSize(under_m ?? 0)}`
      : under_m === null
        ? `over ${show.grainSize(over_m)}`
        : show.range('grainSize', over_m, under_m);
  return (
    <>
      {open && (
        <Numbers
          size={open}
          now={counts[open]}
          onChoose={(n) => {
            onSet(open, n);
            setOpen(null);
          }}
        />
      )}
      <div className="grid grid-cols-4 grid-rows-[repeat(5,auto)] border-t-2 border-ink tight:grid-cols-2 tight:grid-rows-none">
        {COLOR_CLASSES.map((size) => (
          <div
            key={size}
            className="row-span-5 grid min-w-0 grid-rows-subgrid border-l border-rule px-1 pt-1 first:border-l-0"
          >
            <button
              type="button"
              aria-label={`How many ${CLASS_NAMES[size].name}`}
              aria-expanded={open === size}
              className={`flex min-h-12 flex-wrap content-center gap-x-1.5 text-left sm:min-h-0 ${open === size ? 'bg-ink px-1 text-paper' : 'underline decoration-rule underline-offset-4'}`}
              onClick={() => setOpen(open === size ? null : size)}
            >
              <b>{CLASS_NAMES[size].name}</b> <span className="min-w-0 truncate">{wordsOf(size, words)[0] ?? ''}</span>
            </button>
            <p className="text-[12px] text-ink-2">{sizeWords(CLASS_NAMES[size])}</p>
            <input
              aria-label={`Colors ${CLASS_NAMES[size].name}`}
              inputMode="numeric"
              className="w-full bg-transparent text-[28px] leading-9 font-bold"
              value={counts[size]}
              onFocus={(e) => e.target.select()}
              onChange={(e) => {
                const n = Number(e.target.value.replace(/\D/g, ''));
                onSet(size, Math.min(100_000, n));
              }}
            />
            <p className="text-[12px] text-gold">
              {size === '+10' ? 'weigh it' : `${show.gold(weights_mg[size])} each`}
            </p>
            <div className="mt-1 grid grid-cols-2">
              <button
                type="button"
                aria-label={`One less ${CLASS_NAMES[size].name}`}
                disabled={counts[size] === 0}
                className="min-h-12 border-2 border-ink text-[20px] font-bold disabled:text-rule"
                onClick={() => onSet(size, counts[size] - 1)}
              >
                −
              </button>
              <button
                type="button"
                aria-label={`One more ${CLASS_NAMES[size].name}`}
                className="-ml-0.5 min-h-12 border-2 border-ink text-[20px] font-bold active:bg-ink active:text-paper"
                onClick={() => onSet(size, counts[size] + 1)}
              >
                +
              </button>
            </div>
          </div>
        ))}
      </div>
    </>
  );
}

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
