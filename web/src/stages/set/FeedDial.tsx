import type { Spread } from '@riffle/core';
import { useShow } from '../../units/useShow.ts';

interface FeedDialProps {
  /** The pace to feed at, m3/s loose, and its band. */
  readonly pace_m3_s: Spread;
  readonly scoop_L: number | null;
  readonly bucket_L: number | null;
}

/** How fast to feed: a scoop's share of a minute on a watch face, buckets with their band, volume an hour. */
export function FeedDial({ pace_m3_s, scoop_L, bucket_L }: FeedDialProps) {
  const show = useShow();
  const { low, middle, high } = pace_m3_s;
  if (!(middle > 0)) return <p>Nothing: at this setting the water carries no gravel, so any feed packs the riffles.</p>;
  const seconds = scoop_L === null ? null : scoop_L / 1000 / middle;
  const angle = (Math.min(59.9, seconds ?? 0) / 60) * 2 * Math.PI;
  const minutes = (m3_s: number): string => {
    const m = (bucket_L ?? 0) / 1000 / m3_s / 60;
    return !Number.isFinite(m) || m > 99 ? '99+' : m < 10 ? m.toFixed(1) : String(Math.round(m));
  };
  return (
    <div className="grid grid-cols-[auto_minmax(0,1fr)] items-center gap-x-4 gap-y-2">
      <svg viewBox="-50 -50 100 100" width="96" height="96" aria-hidden="true" className="shrink-0">
        <circle r="46" fill="var(--picked)" stroke="var(--ink)" strokeWidth="1.6" />
        {Array.from({ length: 60 }, (_, i) => (
          <path
            key={i}
            d={`M0 -44v${i % 5 ? 3 : 6}`}
            stroke="var(--ink)"
            strokeWidth={i % 5 ? 0.8 : 1.4}
            transform={`rotate(${i * 6})`}
          />
        ))}
        {seconds !== null && (
          <path
            d={`M0 0V-36A36 36 0 ${angle > Math.PI ? 1 : 0} 1 ${(36 * Math.sin(angle)).toFixed(2)} ${(-36 * Math.cos(angle)).toFixed(2)}Z`}
            fill="var(--ink)"
          />
        )}
      </svg>
      {seconds !== null && (
        <p>
          a scoop every{' '}
          <span className="block text-[30px] leading-9 font-bold">
            {seconds < 100 ? `${Math.round(seconds)} s` : `${(seconds / 60).toFixed(1)} min`}
          </span>
        </p>
      )}
      <div className="col-span-2">
        <p>
          {bucket_L !== null && (
            <>
              a bucket in <b>{minutes(middle)} min</b> ({minutes(high)}–{minutes(low)}),{' '}
            </>
          )}
          {show.throughput(middle * 3600)} loose
        </p>
        <p className="text-ink-2">The next scoop waits until the last has cleared.</p>
      </div>
    </div>
  );
}
