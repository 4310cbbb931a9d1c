import type { GroundMap } from '@riffle/core';
import { useEffect, useRef } from 'react';
import { useShow } from '../../../units/useShow.ts';
import { useWidth } from '../../../ui/useWidth.ts';
import type { Corner, PlacedSpot } from './places.ts';

interface GradeMapProps {
  readonly map: GroundMap;
  readonly outline: readonly Corner[];
  readonly places: readonly PlacedSpot[];
  readonly cutoff_mg_L: number;
  /** Grade, or how unsure it is. */
  readonly shows: 'grade' | 'doubt';
  readonly picked: string | null;
  readonly onPick: (spotId: string) => void;
}

/** The ground pulled straight, seen from above: grade as gold, what pays outlined in ink. Upstream is left, the left bank above. */
export function GradeMap({ map, outline, places, cutoff_mg_L, shows, picked, onPick }: GradeMapProps) {
  const [attach, width] = useWidth(720);
  const show = useShow();
  const canvas = useRef<HTMLCanvasElement>(null);
  const [across_m, along_m] = [map.rows * map.cell_m, map.columns * map.cell_m];
  const margin = 30;
  const scale = Math.min((width - 2 * margin) / along_m, 380 / across_m);
  const [w, h] = [along_m * scale, across_m * scale];
  const x0 = (width - w) / 2;
  const values = shows === 'grade' ? map.grade_mg_L : map.sd_mg_L;
  const known = values.filter((v) => !Number.isNaN(v));
  const top = known.length === 0 ? 1 : Math.max(1e-9, [...known].sort((a, b) => a - b)[Math.floor(known.length * 0.98)] ?? 1);
  // Upstream lies left: the map's columns run from right to left.
  const px = (m: number): number => x0 + w - (m - map.x0_m) * scale;
  const py = (m: number): number => margin + h - (m - map.y0_m) * scale;
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !canvas.current) return;
    const css = getComputedStyle(document.documentElement);
    const [paper, fill] = [css.getPropertyValue('--picked').trim(), css.getPropertyValue(shows === 'grade' ? '--gold-fill' : '--ink-2').trim()];
    const dense = window.devicePixelRatio || 1;
    canvas.current.width = width * dense;
    canvas.current.height = (h + 2 * margin) * dense;
    context.setTransform(dense, 0, 0, dense, 0, 0);
    context.clearRect(0, 0, width, h + 2 * margin);
    const cell = map.cell_m * scale;
    for (let r = 0; r < map.rows; r++) {
      for (let c = 0; c < map.columns; c++) {
        const v = values[r * map.columns + c] as number;
        if (Number.isNaN(v)) continue;
        const [x, y] = [x0 + w - (c + 1) * cell, margin + h - (r + 1) * cell];
        // Whole device pixels: half-covered edges would draw the net over the map.
        const [left, up] = [Math.round(x * dense) / dense, Math.round(y * dense) / dense];
        const [across, down] = [Math.round((x + cell) * dense) / dense - left, Math.round((y + cell) * dense) / dense - up];
        context.globalAlpha = 1;
        context.fillStyle = paper;
        context.fillRect(left, up, across, down);
        context.globalAlpha = Math.min(1, Math.sqrt(v / top)) * 0.9;
        context.fillStyle = fill;
        context.fillRect(left, up, across, down);
      }
    }
    // The edge of what pays: between a cell that does and one that does not.
    context.globalAlpha = 1;
    context.strokeStyle = css.getPropertyValue('--ink').trim();
    context.lineWidth = 2.2;
    context.beginPath();
    const pays = (r: number, c: number): boolean => r >= 0 && c >= 0 && r < map.rows && c < map.columns && (map.grade_mg_L[r * map.columns + c] as number) >= cutoff_mg_L;
    for (let r = 0; r <= map.rows; r++) {
      for (let c = 0; c <= map.columns; c++) {
        const here = pays(r, c);
        const [x, y] = [x0 + w - c * cell, margin + h - r * cell];
        if (here !== pays(r, c - 1)) { context.moveTo(x, y); context.lineTo(x, y - cell); }
        if (here !== pays(r - 1, c)) { context.moveTo(x, y); context.lineTo(x - cell, y); }
      }
    }
    context.stroke();
  }, [map, values, width, h, w, x0, scale, top, cutoff_mg_L, shows]);
  return (
    <div ref={attach} className="relative">
      <canvas ref={canvas} aria-hidden="true" className="block" style={{ width, height: h + 2 * margin }} />
      <svg width={width} height={h + 2 * margin} className="absolute inset-0" role="img" aria-label={`Map of the ground in place, ${show.length(along_m)} along and ${show.length(across_m)} across, from ${places.length} sampled spots`}>
        <path d={`${outline.map((p, i) => `${i ? 'L' : 'M'}${px(p.x_m).toFixed(1)} ${py(p.y_m).toFixed(1)}`).join('')}Z`} fill="none" stroke="var(--ink-2)" strokeWidth="1.200" strokeDasharray="7 4" />
        {places.map((p) => (
          <g key={p.spot.id} transform={`translate(${px(p.x_m)} ${py(p.y_m)})`} className="cursor-pointer" onClick={() => onPick(p.spot.id)}>
            <circle r="12" fill="transparent" />
            <circle r={picked === p.spot.id ? 7 : 3.6} fill="var(--paper)" stroke="var(--ink)" strokeWidth={picked === p.spot.id ? 3 : 1.6} />
            {picked === p.spot.id && <text className="halo" y="-12" fontSize="12.500" fontWeight="700" textAnchor="middle">{p.spot.name}: {show.grade(p.grade_mg_L)}</text>}
          </g>
        ))}
        <text x={x0} y={h + 2 * margin - 6} fontSize="12" style={{ fill: 'var(--ink-2)' }}>upstream</text><text x={x0 + w} y={h + 2 * margin - 6} fontSize="12" textAnchor="end" style={{ fill: 'var(--ink-2)' }}>downstream</text>
        <text x={x0 + w / 2} y={h + 2 * margin - 6} fontSize="12" textAnchor="middle">{show.length(along_m)}</text><text x={x0} y={margin - 10} fontSize="12" style={{ fill: 'var(--ink-2)' }}>left bank side</text>
      </svg>
    </div>
  );
}
