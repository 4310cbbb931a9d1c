import type { WasherSetting, WasherWindow } from '@riffle/core';
import { useMemo } from 'react';
import { isSmall, WindowChart, windowFrame } from '../WindowChart.tsx';

interface WasherWindowChartProps {
  readonly width: number;
  readonly window: WasherWindow;
  readonly setting: WasherSetting;
  readonly works: number;
  /** Where to set it, the drive's speed as times the set one; null: it stays. */
  readonly then: { readonly times: number; readonly slope: number; readonly works: number } | null;
  readonly onMove: (times: number, slope: number) => void;
}

const LINES = [0.5, 0.7, 0.9];

/** The window the washer works in: puffs a minute across, pitch up. Gravel where it lies still, dust where gold is blown out. */
export function WasherWindowChart({ width, window: found, setting, works, then, onMove }: WasherWindowChartProps) {
  const small = isSmall(width);
  const regions = useMemo(
    () =>
      [
        {
          says: 'Too little air',
          chances: found.tooLittle,
          fills: [{ fill: 'var(--paper)' }, { fill: 'url(#gravel)', opacity: 0.75 }],
        },
        { says: 'Works', chances: found.works, fills: [] },
        {
          says: 'Blows out',
          chances: found.blowsOut,
          fills: [{ fill: 'var(--paper)' }, { fill: 'url(#against)', opacity: 0.45 }],
        },
      ].map((region) => ({ ...region, says: isWide(region.chances) ? region.says : null })),
    [found],
  );
  const isBellows = setting.drive.kind === 'bellows';
  const puffs = setting.drive.kind === 'bellows' ? setting.drive.puffs_min : 100;
  const [slowest, fastest] = [found.times[0] ?? 0, found.times.at(-1) ?? 1];
  const [flattest, steepest] = [found.slope[0] ?? 0, found.slope.at(-1) ?? 1];
  const { x } = windowFrame(width, found.times, found.slope);
  // Marks so near each other that their figures would touch are left out.
  const marks = (small ? [150, 300, 600] : [50, 100, 150, 200, 300, 400, 500, 600, 800, 1000])
    .filter((p) => p / puffs >= slowest && p / puffs <= fastest)
    .reduce<number[]>((kept, p) => (kept.some((k) => x(p / puffs) - x(k / puffs) < 34) ? kept : [...kept, p]), []);
  const pitches = (small ? [1, 3] : [1, 2, 3, 4]).filter((p) => p / 12 >= flattest && p / 12 <= steepest);
  return (
    <WindowChart
      width={width}
      across={{
        values: found.times,
        marks: marks.map((p) => ({ at: p / puffs, says: `${p}` })),
        name: isBellows ? (small ? 'puffs/min' : 'puffs a minute') : '% of the set speed',
      }}
      up={{
        values: found.slope,
        marks: pitches.map((p) => ({ at: p / 12, says: `${p}` })),
        name: small ? 'in/ft' : 'pitch, in/ft',
      }}
      works={found.works}
      lines={LINES}
      regions={regions}
      now={{ across: 1, up: setting.slope, works }}
      then={then && { across: then.times, up: then.slope, works: then.works }}
      onMove={onMove}
    />
  );
}

/** A region with room for its name. */
const isWide = (chances: Float64Array): boolean => chances.filter((c) => c >= 0.8).length > chances.length / 8;
