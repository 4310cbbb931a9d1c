import { COLOR_CLASSES, wordsOf, type GroundColors } from '@riffle/core';
import { useShow } from '../../../units/useShow.ts';
import { useSizeWords } from '../hands/useSizeWords.ts';
import { CLASS_NAMES } from '../pan/SizePan.tsx';

/** What a color of each size is taken to weigh: the table's mean, and where your own weighed counts have moved it. */
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
          const x = (mg: number): number => 100 + Math.log2(mg / (l?.table_mg ?? 1)) * 40;
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
                    aria-label={`${show.gold(l.mg)}, table ${show.gold(l.table_mg)}`}
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
                        ? `, from ${l.weighedColors} weighed; the table says ${show.gold(l.table_mg)}`
                        : ', from the table'}
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
          ? 'The table is one published source, from memory, for chunky gold; flat gold weighs a quarter as much. Weigh a few counted pans and your own weights take its place.'
          : `${weighed} weighed colors have moved the table (dashed) to your own gold.`}{' '}
        {scatter
          ? `Pans of one spot differ by ${Math.round(scatter.cv * 100)} % (${Math.round(scatter.low * 100)}–${Math.round(scatter.high * 100)}) beyond the luck of the count, by ${scatter.pans} pans at ${scatter.spots} spots; every band holds it.`
          : 'How much pans of one spot differ beyond the luck of the count is not known yet: six pans at spots panned twice would tell.'}
      </p>
    </div>
  );
}
