import type { LossBySize } from '@riffle/core';
import { Gold } from '../../ui/Judgement.tsx';
import { useShow } from '../../units/useShow.ts';
import { shareLost } from './shareLost.ts';

/** Of each size what the box held, and what share of it went over the end: a bar from the lowest to the highest that nine in ten hold. */
export function LostBySize({ bySize: { sizes } }: { bySize: LossBySize }) {
  const show = useShow();
  return (
    <ul>
      {sizes.map(({ over_m, under_m, held_mg, lost, reason }) => {
        const name =
          over_m === null
            ? `under ${show.grainSize(under_m ?? 0)}`
            : under_m === null
              ? `over ${show.grainSize(over_m)}`
              : show.range('grainSize', over_m, under_m);
        return (
          <li
            key={name}
            className="grid grid-cols-[7rem_4.5rem_minmax(0,1fr)] items-center gap-x-3 border-b border-rule py-1"
          >
            <b>{name}</b>
            <Gold>{show.gold(held_mg)}</Gold>
            {lost ? (
              <span className="flex flex-wrap items-center gap-x-3">
                <svg width="120" height="16" viewBox="0 0 120 16" aria-hidden="true" className="shrink-0">
                  <path d="M1 8H119" stroke="var(--rule)" />
                  <rect
                    x={1 + 118 * lost.low}
                    y="3"
                    width={Math.max(1.5, 118 * (lost.high - lost.low))}
                    height="10"
                    fill="url(#against)"
                    stroke="var(--ink)"
                  />
                  <path d={`M${1 + 118 * lost.middle} 0v16`} stroke="var(--ink)" strokeWidth="3" />
                </svg>
                <span className="text-[13.5px]">
                  {shareLost(lost.middle)} lost ({shareLost(lost.low)} to {shareLost(lost.high)})
                </span>
              </span>
            ) : (
              <span className="text-[13px] text-ink-2">{reason}</span>
            )}
          </li>
        );
      })}
    </ul>
  );
}
