import type { Reason, RankedPlace } from '@riffle/core';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import { inTen } from '../../reading/inTen.ts';
import { useGround } from '../../shell/useGround.ts';
import { useShow } from '../../units/useShow.ts';

interface WorthAPanProps {
  readonly ranked: readonly RankedPlace[];
  readonly picked: string | null;
  /** Shows a place on the ribbon. */
  readonly onShow: (place: RankedPlace['place']) => void;
  readonly most?: number;
}

/** Places by what speaks for and against them, each reason a bar with its words and how the same sign has paid here. */
export function WorthAPan({ ranked, picked, onShow, most = 6 }: WorthAPanProps) {
  const { ground } = useGround();
  const show = useShow();
  if (ranked.length === 0)
    return <p className="text-ink-2">No untried place is marked: mark spots and signs as you walk.</p>;
  return (
    <ol>
      {ranked.slice(0, most).map((r, i) => {
        const isPicked = picked !== null && r.place.spotId === picked;
        return (
          <li
            key={r.place.id}
            className={`grid grid-cols-1 gap-x-4 border-b border-rule py-1.5 sm:grid-cols-[minmax(0,13rem)_minmax(0,1fr)] ${isPicked ? 'bg-picked shadow-[inset_5px_0_0_var(--ink)]' : ''}`}
          >
            <button
              type="button"
              className="grid min-h-11 grid-cols-[1.75rem_minmax(0,1fr)] content-start pl-2 text-left"
              aria-pressed={isPicked}
              onClick={() => onShow(r.place)}
            >
              <span className="row-span-3 font-serif text-[20px] leading-6 font-bold">{i + 1}</span>
              <span className="font-bold">{r.place.name}</span>
              <span className="text-[13px] text-ink-2">
                {show.distance(r.place.distance_m)}, {GROUND_WORDS[ground.kind].banks[r.place.bank]}
                {r.place.spotId === null && ', no spot yet'}
              </span>
              <span className="font-bold">pays {inTen(r.chance)}</span>
            </button>
            <Reasons reasons={r.reasons} />
          </li>
        );
      })}
    </ol>
  );
}

const tallyWords = ({ paid, tried }: { readonly paid: number; readonly tried: number }): string =>
  `paid ${paid} of ${tried} here`;

/** One log odds is this wide, px. */
const PX = 26;
const WIDEST = 62;

function Reasons({ reasons }: { reasons: readonly Reason[] }) {
  const shown = [...reasons].filter((r) => Math.abs(r.logOdds) >= 0.05).sort((a, b) => b.logOdds - a.logOdds);
  if (shown.length === 0)
    return <p className="pl-9 text-[13px] text-ink-2 sm:pl-0">Nothing speaks for or against it.</p>;
  return (
    <ul className="min-w-0 pl-9 text-[13px] sm:pl-0 tight:pl-2">
      {shown.map((r) => {
        const wide = Math.min(WIDEST, Math.abs(r.logOdds) * PX);
        return (
          <li
            key={r.says}
            className="grid grid-cols-[2.4rem_5rem_minmax(0,1fr)] items-center gap-x-1.5 sm:grid-cols-[2.4rem_8rem_minmax(0,1fr)_auto] tight:grid-cols-[2.4rem_minmax(0,1fr)]"
          >
            <span className="text-right tabular-nums">
              {r.logOdds < 0 ? '−' : '+'}
              {Math.abs(r.logOdds).toFixed(1)}
            </span>
            <svg
              viewBox="0 0 128 12"
              preserveAspectRatio="none"
              height="12"
              aria-hidden="true"
              className="block w-20 sm:w-32 tight:hidden"
            >
              <path d="M64 0v12" stroke="var(--ink)" strokeWidth="1" />
              {r.logOdds > 0 ? (
                <rect x="64" y="2" width={wide} height="8" fill="var(--ink)" />
              ) : (
                <rect
                  x={64 - wide}
                  y="2"
                  width={wide}
                  height="8"
                  fill="url(#against)"
                  stroke="var(--ink)"
                  strokeWidth="1"
                />
              )}
            </svg>
            <span className="min-w-0">
              {r.says}
              {r.tally && <span className="block text-ink-2 sm:hidden">{tallyWords(r.tally)}</span>}
            </span>
            <span className="hidden text-ink-2 sm:block">{r.tally && tallyWords(r.tally)}</span>
          </li>
        );
      })}
    </ul>
  );
}
