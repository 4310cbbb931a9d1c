import type { OpenedForecast, ReplayedBest, ReplayedChance } from '@riffle/core';
import { useState, type ReactNode } from 'react';
import type { WeighedForecast } from './useSure.ts';
import { Block, Gold } from '../ui/Judgement.tsx';
import { plural } from '../ui/plural.ts';
import { TextButton } from '../ui/TextButton.tsx';
import { useShow } from '../units/useShow.ts';
import { ForecastBar } from '../ui/ForecastBar.tsx';
import { useLocalTime } from '../when/useLocalTime.ts';

interface OpenedProps {
  readonly runs: readonly OpenedForecast[];
  readonly weighed: readonly WeighedForecast[];
  readonly named: readonly ReplayedBest[];
  readonly places: readonly ReplayedChance[];
  readonly nameOf: (spotId: string) => string;
}
interface Row {
  readonly key: string;
  readonly at: string;
  readonly what: string;
  readonly drawn: ReactNode;
  readonly came: ReactNode;
  readonly held: boolean;
}
/** Shown before more are asked for. */
const LATEST = 8;

/** What was said of this ground and then measured, the latest first: a grade as its band and the disc that came, a chance as so many strokes of ten. */
export function Opened({ runs, weighed, named, places, nameOf }: OpenedProps) {
  const local = useLocalTime();
  const show = useShow();
  const [all, setAll] = useState(false);
  const rows: Row[] = [
    ...runs.map((o) => ({
      key: `run ${o.cleanupId}`,
      at: o.startedAt,
      what: `${nameOf(o.spotId)}, run`,
      drawn: <GradeBar forecast={o} />,
      came: (
        <>
          {o.held ? 'held' : o.came_mg_L > o.high_mg_L ? 'above it' : 'below it'},{' '}
          <Gold>{show.grade(o.came_mg_L)}</Gold>
        </>
      ),
      held: o.held,
    })),
    ...weighed.map(({ cleanup, opened: { all } }) => ({
      key: `box ${cleanup.id}`,
      at: cleanup.cleanedAt,
      what: 'the box, sealed',
      drawn: (
        <ForecastBar
          low={all.low_mg}
          said={all.middle_mg}
          high={all.high_mg}
          came={all.came_mg}
          label={`said ${show.gold(all.low_mg)} to ${show.gold(all.high_mg)}, came ${show.gold(all.came_mg)}`}
        />
      ),
      came: (
        <>
          {all.held ? 'held' : all.came_mg > all.high_mg ? 'more' : 'less'}, <Gold>{show.gold(all.came_mg)}</Gold>
        </>
      ),
      held: all.held,
    })),
    ...named.map((n) => ({
      key: `best ${n.namedOn} ${n.spotId}`,
      at: `${n.namedOn}T12:00`,
      what: `${nameOf(n.spotId)}, named best`,
      drawn: <GradeBar forecast={n} />,
      came: (
        <>
          {n.held ? 'held' : n.came_mg_L > n.said_mg_L ? 'richer' : 'poorer'}, <Gold>{show.grade(n.came_mg_L)}</Gold> by{' '}
          {plural(n.laterPans, 'pan')}
        </>
      ),
      held: n.held,
    })),
    ...places.map((p) => ({
      key: `pays ${p.spotId}`,
      at: p.takenAt,
      what: `${nameOf(p.spotId)} pays`,
      drawn: <ChanceStrokes said={p.said} />,
      came: p.paid ? 'paid' : 'did not',
      held: p.paid === p.said >= 0.5,
    })),
  ].sort((a, b) => b.at.localeCompare(a.at));
  return (
    <Block
      title="Said, then opened"
      aside="the latest first; what was not sealed by today’s rules from what was known that day"
    >
      {rows.length === 0 ? (
        <p className="text-ink-2">
          Nothing yet. Pan a marked spot, pan the best place again on another day, or run the gravel of a panned spot
          alone and weigh it: what was said stands here beside what came.
        </p>
      ) : (
        <>
          <ul>
            {(all ? rows : rows.slice(0, LATEST)).map((r) => (
              <li
                key={r.key}
                className="grid grid-cols-[3.7rem_minmax(0,1fr)_auto] items-center gap-x-3 border-b border-rule py-1 lg:grid-cols-[3.7rem_minmax(0,1fr)_minmax(0,15rem)_minmax(0,11rem)]"
              >
                <span className="text-ink-2">{local.day(r.at)}</span>
                <b className="truncate">{r.what}</b>
                <span className="order-last col-span-full min-w-0 lg:order-none lg:col-span-1">{r.drawn}</span>
                <span className={`text-right ${r.held ? '' : 'font-bold'}`}>{r.came}</span>
              </li>
            ))}
          </ul>
          {rows.length > LATEST && (
            <TextButton onClick={() => setAll(!all)}>{all ? 'The latest only' : `All ${rows.length}`}</TextButton>
          )}
        </>
      )}
    </Block>
  );
}

/** A grade that was said and came. */
function GradeBar({
  forecast: { low_mg_L, said_mg_L, high_mg_L, came_mg_L },
}: {
  forecast: Pick<OpenedForecast, 'low_mg_L' | 'said_mg_L' | 'high_mg_L' | 'came_mg_L'>;
}) {
  const show = useShow();
  return (
    <ForecastBar
      low={low_mg_L}
      said={said_mg_L}
      high={high_mg_L}
      came={came_mg_L}
      label={`said ${show.band('grade', said_mg_L, low_mg_L, high_mg_L)}, came ${show.grade(came_mg_L)}`}
    />
  );
}

/** A chance as strokes of ten: the heavy ones are what was said. */
function ChanceStrokes({ said }: { said: number }) {
  const tenths = Math.round(10 * said);
  return (
    <span className="flex items-center gap-4">
      <svg width="92" height="20" aria-hidden="true">
        {Array.from({ length: 10 }, (_, i) => (
          <path
            key={i}
            d={`M${4 + 9 * i} 2V18`}
            stroke={i < tenths ? 'var(--ink)' : 'var(--rule)'}
            strokeWidth={i < tenths ? 4 : 1.6}
          />
        ))}
      </svg>
      <b>{tenths} in 10</b>
    </span>
  );
}
