import { useState } from 'react';
import { SignMark } from '../../../ribbon/SignMarks.tsx';
import { useShow } from '../../../units/useShow.ts';
import type { Walk } from './useWalk.ts';
import type { WalkKeep } from './useWalkKeep.ts';

/** What a place one passes would need. One tap. */
const NEEDS = ['lower water', 'more time', 'a bar and a saw', 'deeper digging', 'nobody there'] as const;

interface WalkActionsProps {
  readonly walk: Walk;
  readonly keep: WalkKeep;
  readonly onColor: () => void;
  readonly onSign: () => void;
}

/** The four things one does on a walk, each as large as a wet thumb wants. */
export function WalkActions({ walk, keep, onColor, onSign }: WalkActionsProps) {
  const show = useShow();
  const { at, usualSays } = keep;
  const [passing, setPassing] = useState(false);
  const { where, next } = walk;
  const place =
    at === null || !where
      ? 'no place is known yet'
      : (at.name ??
        `at ${show.distance(where.distance_m)}${where.accuracy_m === null ? '' : `, ±${show.distance(Math.max(1, where.accuracy_m))}`}`);
  if (passing && next)
    return (
      <div className="flex flex-col gap-2 border-t-2 border-ink pt-2">
        <p className="text-[17px] font-bold">{next.name} stays on the list. It needs</p>
        <div className="grid grid-cols-2 gap-2">
          {NEEDS.map((need) => (
            <button
              key={need}
              type="button"
              className="min-h-14 border-2 border-ink bg-picked px-3 text-left text-[17px] font-semibold active:bg-ink active:text-paper"
              onClick={() => {
                keep.pass(need);
                setPassing(false);
              }}
            >
              {need}
            </button>
          ))}
          <button
            type="button"
            className="min-h-14 px-3 text-left text-[17px] underline underline-offset-4"
            onClick={() => setPassing(false)}
          >
            not passing it
          </button>
        </div>
      </div>
    );
  return (
    <div className="border-2 border-ink">
      {usualSays === null ? (
        <button
          type="button"
          className="block w-full touch-manipulation bg-ink px-4 py-4 text-left text-paper disabled:opacity-70"
          disabled={at === null}
          onClick={onColor}
        >
          <span className="block text-[28px] leading-tight font-bold tight:text-[17px]">First pan here</span>
          <span className="block text-[16px]">its depth and amount are the usual ones from then on</span>
        </button>
      ) : (
        <button
          type="button"
          className={`flex w-full touch-manipulation items-center gap-4 px-4 py-3 text-left disabled:opacity-70 ${walk.inShut ? 'bg-paper' : 'bg-ink text-paper active:bg-ink-2'}`}
          disabled={at === null}
          onClick={keep.blank}
        >
          <svg width="56" height="44" viewBox="-28 -22 56 44" aria-hidden="true" className="shrink-0">
            <path d="M-27 0h54" stroke="currentColor" strokeWidth="3" />
            <circle r="17" fill={walk.inShut ? 'var(--paper)' : 'var(--ink)'} stroke="currentColor" strokeWidth="3" />
          </svg>
          <span className="min-w-0">
            <span className="block text-[30px] leading-tight font-bold tight:text-[17px]">
              {walk.inShut ? 'Blank, with leave' : 'Blank here'}
            </span>
            <span className="block truncate text-[16px]">{usualSays}</span>
            <span className="block truncate text-[16px]">{place}</span>
          </span>
        </button>
      )}
      <div className="grid grid-cols-3 divide-x-2 divide-ink border-t-2 border-ink">
        <Small name="Color" says="tap the rings" disabled={at === null} onClick={onColor}>
          <path
            d="M-9 2q-1 -9 7 -10q10 -1 11 7q0 8 -8 9q-9 1 -10 -6z"
            fill="var(--gold-fill)"
            stroke="var(--gold)"
            strokeWidth="1.6"
          />
        </Small>
        <Small name="Sign" says="what is here" onClick={onSign}>
          <SignMark kind="bedrock" />
        </Small>
        <Small name="Pass" says="stays listed" disabled={next === null} onClick={() => setPassing(true)}>
          <path d="M-13 7Q0 -12 13 5m-8 0l8 0l1 -8M0 -9V11" fill="none" stroke="var(--ink)" strokeWidth="2.2" />
        </Small>
      </div>
    </div>
  );
}

interface SmallProps {
  readonly name: string;
  readonly says: string;
  readonly disabled?: boolean;
  readonly onClick: () => void;
  readonly children: React.ReactNode;
}
const Small = ({ name, says, disabled = false, onClick, children }: SmallProps) => (
  <button
    type="button"
    className="flex min-h-[88px] touch-manipulation flex-col items-center justify-center py-1 active:bg-ink active:text-paper disabled:opacity-60"
    disabled={disabled}
    onClick={onClick}
  >
    <svg width="34" height="26" viewBox="-17 -13 34 26" aria-hidden="true">
      {children}
    </svg>
    <span className="text-[21px] leading-tight font-bold tight:text-[13px]">{name}</span>
    <span className="text-[14px] tight:text-[11px]">{says}</span>
  </button>
);
