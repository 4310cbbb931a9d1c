import { whatItTook } from '@riffle/core';
import { useMemo } from 'react';
import { useRecords } from '../../records/useRecords.ts';
import { useShow } from '../../units/useShow.ts';

interface WhatItTookProps {
  readonly groundId: string;
  /** Weighed of it. */
  readonly gold_mg: number;
}

/** Fuel and water of the runs that were weighed, where they are told. */
export function WhatItTook({ groundId, gold_mg }: WhatItTookProps) {
  const show = useShow();
  const runs = useRecords('runs', groundId).items;
  const setups = useRecords('setups', groundId).items;
  const cleanups = useRecords('cleanups', groundId).items;
  const took = useMemo(() => {
    const weighed = new Set(cleanups.flatMap((c) => c.runIds));
    const flowOf = new Map(setups.map((s) => [s.id, s.flow_m3_s]));
    return whatItTook(
      runs
        .filter((r) => weighed.has(r.id))
        .map((r) => ({
          running_s: r.tally.running_s,
          // A run that an earlier Riffle kept on this device tells none.
          fuel_L: r.fuel_L ?? null,
          flow_m3_s: flowOf.get(r.setupId) ?? null,
        })),
      gold_mg,
    );
  }, [runs, setups, cleanups, gold_mg]);
  const { fuel_L, fuelAnHour_L, fuelAGram_L, fuelPartly, water_m3, waterPartly } = took;
  if (fuel_L === null && water_m3 === null) return null;
  const rates = [
    fuelAnHour_L !== null && `${show.volume(fuelAnHour_L)} an hour`,
    fuelAGram_L !== null && `${show.volume(fuelAGram_L)} a gram`,
  ].filter(Boolean);
  const said = [
    fuel_L !== null &&
      `${show.volume(fuel_L)} of fuel${rates.length > 0 ? ` (${rates.join(', ')})` : ''}${fuelPartly ? ', not told of every run' : ''}`,
    water_m3 !== null &&
      `${show.volume(1000 * water_m3)} of water through the box${waterPartly ? ', where its flow is known' : ''}`,
  ].filter(Boolean);
  return <p className="-mt-3 text-ink-2">It took {said.join('; ')}.</p>;
}
