import type { StoredGround, StoredSwellReading } from '@riffle/contract';
import { floodPeaks, grouped, thinLevels, type Entered, type Level } from '@riffle/core';
import { useState } from 'react';
import type { SwellAt, SwellFile } from '../../../reading/readSwellCsv.ts';
import { useKeep } from '../../../records/useKeep.ts';
import { Button } from '../../../ui/Button.tsx';
import { plural } from '../../../ui/plural.ts';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { readEntered } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';
import { FromFile, LeftOut } from '../FromFile.tsx';

/** Heights closer to a straight line than this are left out of what a file brings. */
const THIN_TO_M = 0.2;
/** So many times the usual height a sea is offered as a storm. Common practice, no source. */
const STORM_TIMES = 2;

interface Brought extends SwellFile {
  readonly fresh: readonly SwellAt[];
  readonly storm: Entered;
}
const asLevels = (swell: readonly SwellAt[]): Level[] =>
  swell.map(({ at_ms, height_m }) => ({ at_ms, level_m: height_m }));

/** The sea from a buoy's file, or from the simulated buoy: seen first, kept on a press, thinned to its turns, storms at their height. */
export function SwellFileForm({ ground, swell }: { ground: StoredGround; swell: readonly StoredSwellReading[] }) {
  const local = useLocalTime();
  const show = useShow();
  const { add } = useKeep('swell-readings');
  const [brought, setBrought] = useState<Brought | null>(null);
  const take = async (text: string): Promise<void> => {
    const { readSwellCsv } = await import('../../../reading/readSwellCsv.ts');
    const file = readSwellCsv(text, local);
    const known = new Set(swell.map((r) => Date.parse(r.readAt)));
    const heights = file.swell.map((s) => s.height_m).sort((a, b) => a - b);
    const usual = heights[heights.length >> 1] ?? 1;
    setBrought({
      ...file,
      fresh: file.swell.filter((s) => !known.has(s.at_ms)),
      storm: { text: (STORM_TIMES * usual).toFixed(1), unit: 'm' },
    });
  };
  const mark = brought && readEntered('length', brought.storm);
  const storms = brought && mark?.ok ? floodPeaks(asLevels(brought.fresh), mark.value) : [];
  const kept = new Set(
    brought ? [...thinLevels(asLevels(brought.fresh), THIN_TO_M), ...storms].map((l) => l.at_ms) : [],
  );
  const some = brought?.fresh.filter((s) => kept.has(s.at_ms)) ?? [];
  const keep = (): void => {
    for (const s of some)
      add({
        groundId: ground.id,
        readAt: new Date(s.at_ms).toISOString(),
        height_m: s.height_m,
        heightEntered: { text: String(Math.round(s.height_m * 100) / 100), unit: 'm' },
        period_s: s.period_s,
        isStorm: storms.some((l) => l.at_ms === s.at_ms),
        cut_m: null,
        cutEntered: null,
        note: '',
      });
    setBrought(null);
  };
  return (
    <FromFile
      label="A buoy’s file (CSV: time, wave height with its unit, period in s)"
      device={{
        label: 'Ask the simulated buoy',
        url: '/api/v1/devices/buoy.csv?days=30',
        away: 'The buoy cannot be reached.',
      }}
      take={take}
    >
      {brought && mark && (
        <div className="mt-2 border-2 border-ink p-3">
          <p className="mb-2">
            <b>{grouped(brought.fresh.length)} readings</b> new, {local.day(brought.swell[0]?.at_ms ?? 0)} to{' '}
            {local.day(brought.swell.at(-1)?.at_ms ?? 0)}, kept as {some.length} that tell the same.{' '}
            {storms.length === 0
              ? 'No storm'
              : `${plural(storms.length, 'storm')}, the highest ${show.length(Math.max(...storms.map((s) => s.level_m)))}`}
            .
          </p>
          <LeftOut lines={brought.refused} />
          <QuantityField
            label="It is a storm from"
            entered={brought.storm}
            reading={mark}
            units={['m', 'ft']}
            showProblem
            onChange={(storm) => setBrought({ ...brought, storm: { text: storm.text, unit: storm.unit } })}
          />
          <Button look="main" onClick={keep} disabled={some.length === 0 || !mark.ok}>
            {some.length === 0 ? 'All known already' : `Keep these ${some.length}`}
          </Button>
        </div>
      )}
    </FromFile>
  );
}
