import { riverNow, underWater } from '@riffle/core';
import type { StoredGaugeReading, StoredSpot } from '@riffle/contract';
import { useNow } from '../../ui/useNow.ts';

/** Spots the river covers at its last fresh reading. */
export function OutOfReach({
  readings,
  spots,
}: {
  readings: readonly StoredGaugeReading[];
  spots: readonly StoredSpot[];
}) {
  const now_ms = useNow(60_000);
  const river = riverNow(readings, now_ms);
  const shut = spots.filter((s) => underWater(s, river, now_ms));
  return shut.length === 0 ? null : (
    <p className="border-l-4 border-dashed border-danger pl-3">
      <b className="text-danger">Out of reach at this river:</b> {shut.map((s) => s.name).join(', ')}. Do not wade to
      them.
    </p>
  );
}
