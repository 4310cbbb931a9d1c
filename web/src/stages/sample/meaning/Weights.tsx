import { COLOR_CLASSES, wordsOf, type GroundColors } from '@riffle/core';
import { useShow } from '../../../units/useShow.ts';
import { useSizeWords } from '../hands/useSizeWords.ts';
import { CLASS_NAMES } from '../pan/SizePan.tsx';

/** Where the usual weights are from. */
const SCHOOL_WORDS = {
  geometry:
    'Usual weights follow from the sieves and the flatness of placer flakes, and from how many of each size lie here; gold as flat as paper weighs a third of that, nuggets more than twice.',
  handbook:
    'Usual weights are a handbook’s colors per ounce, from memory, for chunky gold; its finest class is heavier than a ball of gold that passes the sieve and is held to that.',
} as const;

/** What a color of each size is taken to weigh: the usual mean, and where your own weighed counts have moved it. */
export function Weights({ colors }: { colors: GroundColors }) {
  const show = useShow();
  const { words } = useSizeWords();
  const { learned, scatter } = colors;
  const weighed = Object.values(learned).reduce((sum, l) => sum + l.weighedColors, 0);
  return (
    <div>
      <ul>
        {COLOR_CLASSES.map((c) => {
          const l = c === '+10' ? null : learned[c];
          const x = (mg: number): number => 100 + Math.log2(mg / (l?.usual_mg ?? 1)) * 40;
          return (
            <li key={c} className="flex flex-wrap items-center gap-x-3 border-b border-rule py-1">
              <b className="w-14">{CLASS_NAMES[c].name}</b>
              <span className="w-32">{wordsOf(c, words).join(', ')}</span>
              {l ? (
                <>
                  <svg
                    width="200"
                    height="28"
                    className="shrink-0"
                    role="img"
                    aria-label={`${show.gold(l.mg)}, usual ${show.gold(l.usual_mg)}`}
                  >
                    <path d="M100 3v22" stroke="var(--ink-2)" strokeDasharray="2 3" />
                    <path
                      d={`M${Math.max(4, x(l.low_mg))} 14H${Math.min(196, x(l.high_mg))}`}
                      stroke="var(--gold)"
                      strokeWidth="2"
                    />
                    <circle
                      cx={Math.min(190, Math.max(10, x(l.mg)))}
                      cy="14"
                      r="5"
                      fill="var(--gold-fill)"
                      stroke="var(--gold)"
                    />
                  </svg>
                  <span>
                    <span className="text-gold">{show.gold(l.mg)}</span>{' '}
                    <span className="text-ink-2">
                      each
                      {l.weighedColors > 0
                        ? `, from ${l.weighedColors} weighed; usual is ${show.gold(l.usual_mg)}`
                        : ', as is usual'}
                    </span>
                  </span>
                </>
              ) : (
                <span className="text-ink-2">no usual weight: weigh it</span>
              )}
            </li>
          );
        })}
      </ul>
      <p className="mt-1 text-ink-2">
        {weighed === 0
          ? `${SCHOOL_WORDS[colors.school]} Weigh a few counted pans and your own weights take its place.`
          : `${weighed} weighed colors have moved the usual weights (dashed) to your own gold.`}{' '}
        {scatter
          ? `Pans of one spot, layer and depth differ by ${Math.round(scatter.cv * 100)} % (${Math.round(scatter.low * 100)}–${Math.round(scatter.high * 100)}) beyond the luck of the count, by ${scatter.pans} pans at ${scatter.spots} places; every band holds it.`
          : 'How much pans of one spot differ beyond the luck of the count is not known yet, so every band holds what gravel usually has: six pans at places panned twice would tell.'}
      </p>
    </div>
  );
}
