import type { StoredSpot } from '@riffle/contract';
import type { Corner, GroundMap, PlacedSpot } from '@riffle/core';
import { contours } from 'd3-contour';
import { useEffect, useMemo, useRef, useState, type PointerEvent } from 'react';
import { useShow } from '../../../units/useShow.ts';
import { useWidth } from '../../../ui/useWidth.ts';

/** What the map's tone tells: the grade, the chance that a pan reaches the cut-off, or how unsure the grade is. */
export type MapShows = 'grade' | 'chance' | 'doubt';

interface GradeMapProps {
  readonly map: GroundMap;
  readonly outline: readonly Corner[];
  readonly places: readonly PlacedSpot<StoredSpot>[];
  readonly cutoff_mg_L: number;
  /** Chance that a place of that grade and deviation pays. */
  readonly chance: (grade_mg_L: number, sd_mg_L: number) => number;
  readonly coverKnown: boolean;
  readonly shows: MapShows;
  readonly picked: string | null;
  readonly onPick: (spotId: string) => void;
}

/** The ground pulled straight, seen from above: grade as gold, what pays outlined in ink. Upstream is left, the left bank above. */
export function GradeMap({
  map,
  outline,
  places,
  cutoff_mg_L,
  chance,
  coverKnown,
  shows,
  picked,
  onPick,
}: GradeMapProps) {
  const [attach, width] = useWidth(720);
  const show = useShow();
  const canvas = useRef<HTMLCanvasElement>(null);
  const [across_m, along_m] = [map.rows * map.cell_m, map.columns * map.cell_m];
  const margin = 30;
  const scale = Math.min((width - 2 * margin) / along_m, 380 / across_m);
  const [w, h] = [along_m * scale, across_m * scale];
  const x0 = (width - w) / 2;
  const tones = useMemo(() => tonesOf(map, shows, chance), [map, shows, chance]);
  const payEdge = useMemo(() => payEdgeOf(map, cutoff_mg_L), [map, cutoff_mg_L]);
  // Upstream lies left: the map's columns run from right to left.
  const px = (m: number): number => x0 + w - (m - map.x0_m) * scale;
  const py = (m: number): number => margin + h - (m - map.y0_m) * scale;
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !canvas.current) return;
    const css = getComputedStyle(document.documentElement);
    const [paper, fill] = [
      css.getPropertyValue('--picked').trim(),
      css.getPropertyValue(shows === 'doubt' ? '--ink-2' : '--gold-fill').trim(),
    ];
    const dense = window.devicePixelRatio || 1;
    canvas.current.width = width * dense;
    canvas.current.height = (h + 2 * margin) * dense;
    context.setTransform(dense, 0, 0, dense, 0, 0);
    context.clearRect(0, 0, width, h + 2 * margin);
    const cell = map.cell_m * scale;
    for (let r = 0; r < map.rows; r++) {
      for (let c = 0; c < map.columns; c++) {
        const tone = tones[r * map.columns + c] as number;
        if (Number.isNaN(tone)) continue;
        const [x, y] = [x0 + w - (c + 1) * cell, margin + h - (r + 1) * cell];
        // Whole device pixels: half-covered edges would draw the net over the map.
        const [left, up] = [Math.round(x * dense) / dense, Math.round(y * dense) / dense];
        const [across, down] = [
          Math.round((x + cell) * dense) / dense - left,
          Math.round((y + cell) * dense) / dense - up,
        ];
        context.globalAlpha = 1;
        context.fillStyle = paper;
        context.fillRect(left, up, across, down);
        context.globalAlpha = tone * 0.9;
        context.fillStyle = fill;
        context.fillRect(left, up, across, down);
      }
    }
    // The edge of what pays, in half-covered cells too: the net's rows start at the lowest y, and x runs from right to left.
    context.globalAlpha = 1;
    context.strokeStyle = css.getPropertyValue('--ink').trim();
    context.lineWidth = 2.2;
    context.lineJoin = 'round';
    context.beginPath();
    for (const ring of payEdge) {
      ring.forEach(([column, row], i) => {
        const [x, y] = [x0 + w - column * cell, margin + h - row * cell];
        if (i === 0) context.moveTo(x, y);
        else context.lineTo(x, y);
      });
      context.closePath();
    }
    context.stroke();
  }, [map, tones, payEdge, width, h, w, x0, scale, shows]);
  const [under, setUnder] = useState<{ readonly x: number; readonly y: number } | null>(null);
  const point = (e: PointerEvent<SVGSVGElement>): void => {
    const box = e.currentTarget.getBoundingClientRect();
    setUnder({ x: e.clientX - box.left, y: e.clientY - box.top });
  };
  const cellUnder =
    under && cellAt(map, (x0 + w - under.x) / (map.cell_m * scale), (margin + h - under.y) / (map.cell_m * scale));
  return (
    <div ref={attach}>
      <div className="relative">
        <canvas ref={canvas} aria-hidden="true" className="block" style={{ width, height: h + 2 * margin }} />
        <svg
          width={width}
          height={h + 2 * margin}
          className="absolute inset-0"
          role="img"
          onPointerMove={point}
          onPointerDown={point}
          onPointerLeave={() => setUnder(null)}
          aria-label={`Map of the ground in place, ${show.length(along_m)} along and ${show.length(across_m)} across, from ${places.length} sampled spots`}
        >
          <path
            d={`${outline.map((p, i) => `${i ? 'L' : 'M'}${px(p.x_m).toFixed(1)} ${py(p.y_m).toFixed(1)}`).join('')}Z`}
            fill="none"
            stroke="var(--ink-2)"
            strokeWidth="1.2"
            strokeDasharray="7 4"
          />
          {places.map((p) => (
            <g
              key={p.spot.id}
              transform={`translate(${px(p.x_m)} ${py(p.y_m)})`}
              className="cursor-pointer"
              onClick={() => onPick(p.spot.id)}
            >
              <circle r="12" fill="transparent" />
              <circle
                r={picked === p.spot.id ? 7 : 3.6}
                fill={p.grade_mg_L > 0 ? 'var(--gold-fill)' : 'var(--paper)'}
                stroke="var(--ink)"
                strokeWidth={picked === p.spot.id ? 3 : 1.6}
              />
              {picked === p.spot.id && (
                <text className="halo" y="-12" fontSize="12.5" fontWeight="700" textAnchor="middle">
                  {p.spot.name}: {show.grade(p.grade_mg_L)}
                </text>
              )}
            </g>
          ))}
          <text x={x0} y={h + 2 * margin - 6} fontSize="12" style={{ fill: 'var(--ink-2)' }}>
            upstream
          </text>
          <text x={x0 + w} y={h + 2 * margin - 6} fontSize="12" textAnchor="end" style={{ fill: 'var(--ink-2)' }}>
            downstream
          </text>
          <text x={x0 + w / 2} y={h + 2 * margin - 6} fontSize="12" textAnchor="middle">
            {show.length(along_m)}
          </text>
          <text x={x0} y={margin - 10} fontSize="12" style={{ fill: 'var(--ink-2)' }}>
            left bank side
          </text>
          {under && cellUnder !== null && (
            <circle
              cx={under.x}
              cy={under.y}
              r="9"
              fill="none"
              stroke="var(--ink)"
              strokeWidth="1.6"
              pointerEvents="none"
            />
          )}
        </svg>
      </div>
      <p className="min-h-6" aria-live="off">
        {cellUnder === null ? (
          <span className="text-ink-2">Point at the ground to read it there.</span>
        ) : (
          <>
            Here <b className="text-gold">{show.grade(map.grade_mg_L[cellUnder] as number)}</b>
            {Number.isNaN(map.sd_mg_L[cellUnder])
              ? ''
              : `: ${inHundred(chance(map.grade_mg_L[cellUnder] as number, map.sd_mg_L[cellUnder] as number))} that a pan pays`}
            , {show.length(map.pay_m[cellUnder] as number)} of pay
            {coverKnown && ` under ${show.length(map.cover_m[cellUnder] as number)}`}.
          </>
        )}
      </p>
    </div>
  );
}

/** A model is never sure: its ends are said as bounds. */
const inHundred = (chance: number): string =>
  chance > 0.99
    ? 'over 99 chances in 100'
    : chance < 0.01
      ? 'less than 1 chance in 100'
      : `${Math.round(100 * chance)} chances in 100`;

/** The cell of the net at a column and row; null outside the ground. */
function cellAt(map: GroundMap, column: number, row: number): number | null {
  if (column < 0 || row < 0 || column >= map.columns || row >= map.rows) return null;
  const i = Math.floor(row) * map.columns + Math.floor(column);
  return Number.isNaN(map.grade_mg_L[i]) ? null : i;
}

/** How strong each cell is drawn, 0 to 1; NaN outside the ground. Grades go by their root, so that middling ground is seen beside the richest. */
function tonesOf(map: GroundMap, shows: MapShows, chance: GradeMapProps['chance']): Float64Array {
  if (shows === 'chance')
    return map.grade_mg_L.map((grade, i) => (Number.isNaN(grade) ? NaN : chance(grade, map.sd_mg_L[i] as number)));
  const values = shows === 'grade' ? map.grade_mg_L : map.sd_mg_L;
  const known = values.filter((v) => !Number.isNaN(v)).sort();
  // The richest fiftieth is drawn alike: one rich pan should not pale all the rest.
  const top = Math.max(1e-9, known[Math.floor(known.length * 0.98)] ?? 1);
  return values.map((v) => Math.min(1, Math.sqrt(v / top)));
}

/** Rings around the ground that reaches the cut-off, in columns and rows of the net. */
function payEdgeOf(map: GroundMap, cutoff_mg_L: number): [number, number][][] {
  // The contour runs half a cell around every cell that reaches the mark, so a mark of nothing takes in all the ground.
  const reached = contours()
    .size([map.columns, map.rows])
    .contour([...map.grade_mg_L], Math.max(cutoff_mg_L, 1e-12));
  return reached.coordinates.flat() as [number, number][][];
}
