import type { ReplayedChance } from '@riffle/core';
import { Block } from '../ui/Judgement.tsx';
import { plural } from '../ui/plural.ts';
import { sayDay } from '../when/localTime.ts';
import { useLocalTime, useToday } from '../when/useLocalTime.ts';

/** The days shown: the last of them. */
const MOST_DAYS = 6;
const STEP = 18;

/** What a day of new places was to find, and what it found: a ring for each place panned first that day, gold where it paid, a bar as long as was to be expected. */
export function DaysFinds({ replayed }: { replayed: readonly ReplayedChance[] }) {
  const local = useLocalTime();
  const today = useToday();
  const days = new Map<string, ReplayedChance[]>();
  for (const r of replayed) {
    const day = local.isoDay(r.takenAt);
    days.set(day, [...(days.get(day) ?? []), r]);
  }
  if (days.size === 0) return null;
  const shown = [...days].sort(([a], [b]) => b.localeCompare(a)).slice(0, MOST_DAYS);
  const width = 8 + STEP * Math.max(1, ...shown.map(([, places]) => places.length));
  return (
    <Block title="The day’s finds" aside="disc: a new place that paid; bar: to be expected">
      <ul>
        {shown.map(([day, places]) => {
          const paid = places.filter((p) => p.paid).length;
          const expected = places.reduce((sum, p) => sum + p.said, 0);
          return (
            <li
              key={day}
              className="grid grid-cols-[3.7rem_minmax(0,1fr)_auto] items-center gap-x-3 border-b border-rule py-1"
            >
              <span className="text-ink-2">{sayDay(day, today)}</span>
              <svg width={width} height="26" viewBox={`0 0 ${width} 26`} className="max-w-full" aria-hidden="true">
                {places.map((p, i) => (
                  <circle
                    key={p.spotId}
                    cx={4 + STEP * (i + 0.5)}
                    cy="9"
                    r="6.5"
                    fill={i < paid ? 'var(--gold-fill)' : 'var(--paper)'}
                    stroke={i < paid ? 'var(--gold)' : 'var(--ink)'}
                    strokeWidth="1.5"
                  />
                ))}
                <path d={`M4 22H${4 + STEP * expected}`} stroke="var(--ink)" strokeWidth="4" />
              </svg>
              <span className="text-right">
                {expected.toFixed(1)} of {plural(places.length, 'place')}, <b>{paid} did</b>
              </span>
            </li>
          );
        })}
      </ul>
    </Block>
  );
}
