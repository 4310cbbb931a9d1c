import type { BoxAnswer } from '@riffle/core';
import { useShow } from '../../units/useShow.ts';

/** How fast the water takes gravel: a scoop's share of a minute on a watch face, buckets an hour, volume an hour. */
export function FeedDial({
  answer,
  scoop_L,
  bucket_L,
}: {
  answer: BoxAnswer;
  scoop_L: number | null;
  bucket_L: number | null;
}) {
  const show = useShow();
  const m3_h = answer.carried_m3_s * 3600;
  if (m3_h <= 0)
    return <p>Nothing: at this setting the water does not move half-size stones, so any feed packs the riffles.</p>;
  const seconds = scoop_L === null ? null : scoop_L / 1000 / answer.carried_m3_s;
  const angle = (Math.min(59.9, seconds ?? 0) / 60) * 2 * Math.PI;
  const minutesABucket = bucket_L === null ? null : bucket_L / 1000 / answer.carried_m3_s / 60;
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
        <p className="text-ink-2">
          {minutesABucket !== null &&
            `a bucket in ${minutesABucket < 10 ? minutesABucket.toFixed(1) : Math.round(minutesABucket)} min, ${(60 / minutesABucket).toFixed(1)} an hour; `}
          {show.throughput(m3_h)} loose
        </p>
        <p className="font-bold">Faster packs the riffles.</p>
      </div>
    </div>
  );
}
