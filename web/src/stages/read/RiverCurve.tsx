import type { StoredGaugeReading } from '@riffle/contract';

/** The season's water as a small curve. */
export function RiverCurve({ readings }: { readings: readonly StoredGaugeReading[] }) {
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
