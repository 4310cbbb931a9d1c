import { isAhead, riverIsFresh, riverNow } from '@riffle/core';
import type { StoredGaugeReading } from '@riffle/contract';
import { daysBetween } from '../../when/localTime.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { useNow } from '../../ui/useNow.ts';
import { useShow } from '../../units/useShow.ts';
import { RiverCurve } from './RiverCurve.tsx';

/** One line for the head of the page: the level with its trend, the last flood with its age, and the season's water as a small curve. */
export function RiverLine({ readings, onOpen }: { readings: readonly StoredGaugeReading[]; onOpen: () => void }) {
  const show = useShow();
  const local = useLocalTime();
  const now_ms = useNow(60_000);
  const now = riverNow(readings, now_ms);
  if (!now) return null;
  const { last, trend_m_day, flood } = now;
  const trend =
    trend_m_day === null
      ? ''
      : Math.abs(trend_m_day) < 0.005
        ? ', steady'
        : `, ${trend_m_day > 0 ? 'rising' : 'falling'} ${show.smallLength(Math.abs(trend_m_day))} a day`;
  const daysAgo = (at: string): number => daysBetween(local.isoDay(at), local.isoDay(now_ms));
  const since = daysAgo(last.readAt);
  const days = flood ? daysAgo(flood.readAt) : 0;
  return (
    <button type="button" className="flex items-center gap-3 text-left max-sm:min-h-11" onClick={onOpen}>
      <RiverCurve readings={readings.filter((r) => !isAhead(Date.parse(r.readAt), now_ms))} />
      <span>
        {riverIsFresh(last, now_ms) ? (
          <>
            <b className="text-water">River {show.length(last.level_m)}</b>
            {trend}, read {local.day(last.readAt)}.
          </>
        ) : (
          <>
            <b className="text-water">River not read {since < 2 ? 'since yesterday' : `for ${since} days`}</b>;{' '}
            {show.length(last.level_m)} on {local.day(last.readAt)}.
          </>
        )}
        {flood && (
          <>
            {' '}
            Last flood {local.day(flood.readAt, 'long')}, {show.length(flood.level_m)}
            {days >= 0 && days < 400 && `, ${days} days ago`}.
          </>
        )}
      </span>
    </button>
  );
}
