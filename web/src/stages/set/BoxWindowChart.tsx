import type { BoxSetting, BoxWindow } from '@riffle/core';
import { useMemo } from 'react';
import { useShow } from '../../units/useShow.ts';
import { isSmall, WindowChart } from './WindowChart.tsx';

interface BoxWindowChartProps {
  readonly width: number;
  readonly window: BoxWindow;
  readonly now: { readonly setting: BoxSetting; readonly depth_m: number; readonly works: number };
  readonly then: { readonly slope: number; readonly depth_m: number; readonly works: number } | null;
  /** The point dragged: pitch and water at once. */
  readonly onMove: (slope: number, depth_m: number) => void;
}

/** What a hand errs by, nine times in ten, m of head and of water. */
const [HEAD_ERR_M, WATER_ERR_M] = [0.005, 0.002];
const LINES = [0.5, 0.8, 0.9];

/** The window the box works in: pitch across, water up. Gravel where it stalls, water where it washes out. */
export function BoxWindowChart({ width, window: found, now, then, onMove }: BoxWindowChartProps) {
  const show = useShow();
  const small = isSmall(width);
  const US = show.display.system === 'US';
  const regions = useMemo(
    () => [
      {
        says: 'Stalls',
        chances: found.stalls,
        fills: [{ fill: 'var(--paper)' }, { fill: 'url(#gravel)', opacity: 0.75 }],
      },
      { says: 'Works', chances: found.works, fills: [] },
      {
        says: 'Washes out',
        chances: found.washesOut,
        fills: [{ fill: 'var(--water-body)' }, { fill: 'url(#ripples)' }],
      },
    ],
    [found],
  );
  const length_m = now.setting.sections.reduce((sum, s) => sum + s.length_m, 0);
  const [steepest, deepest, thinnest] = [found.slope.at(-1) ?? 1, found.depth_m.at(-1) ?? 1, found.depth_m[0] ?? 0];
  const pitches = (small ? [0.5, 1, 2] : [0.25, 0.5, 0.75, 1, 1.25, 1.5, 1.75, 2]).filter((p) => p / 12 <= steepest);
  const waters = US
    ? [0.25, 0.5, 0.75, 1, 1.5, 2, 3].map((inches) => ({ at: inches * 0.0254, says: `${inches}` }))
    : [10, 20, 30, 40, 60, 80].map((mm) => ({ at: mm / 1000, says: `${mm}` }));
  return (
    <WindowChart
      width={width}
      across={{
        values: found.slope,
        marks: pitches.map((p) => ({ at: p / 12, says: `${p}` })),
        name: small ? 'in/ft' : 'pitch, in/ft',
      }}
      up={{
        values: found.depth_m,
        marks: waters.filter((w) => w.at >= thinnest && w.at <= deepest),
        name: `${small ? '' : 'water, '}${US ? 'in' : 'mm'}`,
      }}
      works={found.works}
      lines={LINES}
      regions={regions}
      now={{
        across: now.setting.slope,
        up: now.depth_m,
        works: now.works,
        errs: { across: HEAD_ERR_M / length_m, up: WATER_ERR_M },
      }}
      then={then && { across: then.slope, up: then.depth_m, works: then.works }}
      onMove={onMove}
    />
  );
}
