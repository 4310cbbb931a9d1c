import { useMemo } from 'react';
import { bandLevels } from './across.ts';
import type { CreekShape } from './creekShape.ts';
import { tenth } from './tenth.ts';

/** 0 below `low`, 1 above `high`, smooth between. */
const ramp = (low: number, high: number, x: number): number => {
  const t = Math.min(1, Math.max(0, (x - low) / (high - low)));
  return t * t * (3 - 2 * t);
};

const line = (points: readonly string[]): string => `M${points.join('L')}`;

/** The stretches along which something holds, each with the one before and after it. */
export function stretchesOf<T>(along: readonly T[], holds: (one: T) => boolean): T[][] {
  const stretches: T[][] = [];
  let last = -2;
  along.forEach((one, i) => {
    if (!holds(one)) return;
    if (last !== i - 1) stretches.push(along.slice(Math.max(0, i - 1), i));
    stretches.at(-1)?.push(one);
    last = i;
    const next = along[i + 1];
    if (next !== undefined && !holds(next)) stretches.at(-1)?.push(next);
  });
  return stretches;
}

/** What no one has seen and the bends of the line only suggest is drawn broken. */
const GUESSED = '5 3';

interface CreekBandProps {
  readonly shape: CreekShape;
  readonly from_m: number;
  readonly to_m: number;
  readonly x: (distance_m: number) => number;
  readonly top: number;
  readonly height: number;
}

/** The creek itself: two ink banks, water between, pebbled lobes inside the bends and hachures on the cut banks, broken since the bends only suggest them. A wash or a bench has a dry bed, a beach has the sea. */
export function CreekBand({ shape, from_m, to_m, x, top, height }: CreekBandProps) {
  const drawn = useMemo(() => {
    const stations = Array.from({ length: 181 }, (_, i) => {
      const d = from_m + ((to_m - from_m) * i) / 180;
      return { x: x(d), d, bend: shape.bend(d), ...bandLevels(shape, top, height, d) };
    });
    type Station = (typeof stations)[number];
    // Called at every step of a zoom, and a number costs more to write than to reckon: each edge is written once.
    const edge = (y: (s: Station) => number, along = stations): string[] =>
      along.map((s) => `${tenth(s.x)} ${tenth(y(s))}`);
    const between = (a: readonly string[], b: readonly string[]): string => `${line(a)}L${[...b].reverse().join('L')}Z`;
    // A path of its own for each bend: where one is painted anew, the others are left alone.
    const lobes = (thick: (s: Station) => number, a: (s: Station) => number, b: (s: Station) => number): string[] =>
      stretchesOf(stations, (s) => thick(s) > 0).map((along) => between(edge(a, along), edge(b, along)));
    const lobeAbove = (s: Station): number => ramp(0.15, 0.65, s.bend);
    const lobeBelow = (s: Station): number => ramp(0.15, 0.65, -s.bend);
    const hachures: string[] = [];
    const strokes: string[] = [];
    let last = Infinity;
    for (const s of stations) {
      if (last - s.x >= 5) {
        last = s.x;
        const cutTop = ramp(0.3, 0.8, -s.bend);
        const cutBottom = ramp(0.3, 0.8, s.bend);
        if (cutTop > 0.1) hachures.push(`M${tenth(s.x)} ${tenth(s.bankTop)}v${tenth(-3 - 7 * cutTop)}`);
        if (cutBottom > 0.1) hachures.push(`M${tenth(s.x)} ${tenth(s.bankBottom)}v${tenth(3 + 7 * cutBottom)}`);
      }
    }
    for (let i = 4; i < stations.length - 8; i += 7) {
      const a = stations[i]!;
      const c = stations[i + 4]!;
      const across = 0.25 + 0.5 * Math.abs(Math.sin(a.d * 0.37));
      const y = (s: typeof a): number => s.waterTop + across * (s.waterBottom - s.waterTop);
      strokes.push(
        `M${tenth(a.x)} ${tenth(y(a))}Q${tenth((a.x + c.x) / 2)} ${tenth(y(a) - 2.5)} ${tenth(c.x)} ${tenth(y(c))}`,
      );
    }
    const [bankTop, waterTop, waterBottom, bankBottom] = [
      edge((s) => s.bankTop),
      edge((s) => s.waterTop),
      edge((s) => s.waterBottom),
      edge((s) => s.bankBottom),
    ];
    return {
      ground: between(bankTop, bankBottom),
      water: between(waterTop, waterBottom),
      lobes: [
        ...lobes(
          lobeAbove,
          (s) => s.bankTop,
          (s) => s.bankTop + lobeAbove(s) * (s.waterTop - 1.5 - s.bankTop),
        ),
        ...lobes(
          lobeBelow,
          (s) => s.bankBottom,
          (s) => s.bankBottom - lobeBelow(s) * (s.bankBottom - s.waterBottom - 1.5),
        ),
      ],
      waterTop: line(waterTop),
      waterBottom: line(waterBottom),
      bankTop: line(bankTop),
      bankBottom: line(bankBottom),
      hachures: hachures.join(''),
      strokes: strokes.join(''),
    };
  }, [shape, from_m, to_m, x, top, height]);
  const isBeach = shape.kind === 'beach';
  const wet = isBeach || shape.kind === 'creek';
  const edge = wet ? 'var(--water)' : 'var(--ink-2)';
  return (
    <g aria-hidden="true">
      <path d={drawn.ground} fill="var(--spine)" />
      {!isBeach && (
        <g fill="url(#gravel)" fillOpacity="0.6" stroke="var(--ink-2)" strokeWidth="0.8" strokeDasharray={GUESSED}>
          {drawn.lobes.map((d, i) => (
            <path key={i} d={d} />
          ))}
        </g>
      )}
      <path d={drawn.water} fill={wet ? 'var(--water-body)' : 'url(#sand)'} />
      {wet && <path d={drawn.strokes} fill="none" stroke="var(--water)" strokeWidth="0.9" />}
      <path
        d={drawn.waterTop}
        fill="none"
        stroke={edge}
        strokeWidth="var(--line)"
        strokeDasharray={wet ? undefined : '5 4'}
      />
      <path
        d={drawn.waterBottom}
        fill="none"
        stroke={edge}
        strokeWidth="var(--line)"
        strokeDasharray={wet ? undefined : '5 4'}
      />
      {!isBeach && <path d={drawn.hachures} stroke="var(--ink-2)" strokeWidth="0.9" strokeDasharray="2.5 1.5" />}
      <path
        d={isBeach ? drawn.bankTop : drawn.bankTop + drawn.bankBottom}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.5"
        strokeDasharray={shape.isSurveyed ? undefined : GUESSED}
      />
    </g>
  );
}
