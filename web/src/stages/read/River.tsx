import { riverIsFresh, riverNow, underWater } from '@riffle/core';
import type { StoredGaugeReading, StoredSpot } from '@riffle/contract';
import { daysBetween } from '../../when/localTime.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { plural } from '../../ui/plural.ts';
import { useNow } from '../../ui/useNow.ts';
import { useShow } from '../../units/useShow.ts';

/** Spots the river covers at its last fresh reading. */
export function OutOfReach({
  readings,
  spots,
}: {
  readings: readonly StoredGaugeReading[];
  spots: readonly StoredSpot[];
}) {
  const river = riverNow(readings);
  const now_ms = useNow(60_000);
  const shut = spots.filter((s) => underWater(s, river, now_ms));
  return shut.length === 0 ? null : (
    <p className="border-l-4 border-dashed border-danger pl-3">
      <b className="text-danger">Out of reach at this river:</b> {shut.map((s) => s.name).join(', ')}. Do not wade to
      them.
    </p>
  );
}

/** One line for the head of the page: the level with its trend, the last flood with its age, and the season's water as a small curve. */
export function RiverLine({ readings, onOpen }: { readings: readonly StoredGaugeReading[]; onOpen: () => void }) {
  const show = useShow();
  const local = useLocalTime();
  const now_ms = useNow(60_000);
  const now = riverNow(readings);
  if (!now)
    return (
      <button
        type="button"
        className="whitespace-nowrap underline decoration-rule underline-offset-4 max-sm:min-h-11"
        onClick={onOpen}
      >
        read the river
      </button>
    );
  const { last, trend_m_day, flood } = now;
  const trend =
    trend_m_day === null
      ? ''
      : Math.abs(trend_m_day) < 0.005
        ? ', steady'
        : `, ${trend_m_day > 0 ? 'rising' : 'falling'} ${show.smallLength(Math.abs(trend_m_day))} a day`;
  const daysAgo = (at: string): number => daysBetween(local.isoDay(at), local.isoDay(now_ms));
  const since = Math.max(2, daysAgo(last.readAt));
  const days = flood ? daysAgo(flood.readAt) : 0;
  return (
    <button type="button" className="flex items-center gap-3 text-left max-sm:min-h-11" onClick={onOpen}>
      <Curve readings={readings} />
      <span>
        {riverIsFresh(last, now_ms) ? (
          <>
            <b className="text-water">River {show.length(last.level_m)}</b>
            {trend}, read {local.day(last.readAt)}.
          </>
        ) : (
          <>
            <b className="text-water">River not read for {plural(since, 'day')}</b>; {show.length(last.level_m)} on{' '}
            {local.day(last.readAt)}.
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

function Curve({ readings }: { readings: readonly StoredGaugeReading[] }) {
  const order = [...readings].sort((a, b) => (a.readAt < b.readAt ? -1 : 1)).slice(-40);
  if (order.length < 3) return null;
  const [t0, t1] = [Date.parse(order[0]?.readAt ?? ''), Date.parse(order.at(-1)?.readAt ?? '')];
  const levels = order.map((r) => r.level_m);
  const [low, high] = [Math.min(...levels), Math.max(...levels)];
  const at = (r: StoredGaugeReading): string =>
    `${(2 + (86 * (Date.parse(r.readAt) - t0)) / (t1 - t0 || 1)).toFixed(1)} ${(22 - (18 * (r.level_m - low)) / (high - low || 1)).toFixed(1)}`;
  const line = order.map((r, i) => `${i ? 'L' : 'M'}${at(r)}`).join('');
  return (
    <svg width="92" height="26" aria-hidden="true" className="shrink-0 tight:hidden">
      <path d={`${line}V25H2Z`} fill="var(--water-body)" />
      <path d={line} fill="none" stroke="var(--water)" strokeWidth="1.6" />
    </svg>
  );
}
