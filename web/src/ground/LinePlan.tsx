import { centreLine, localPlane, UNITS, type Position } from '@riffle/core';
import { useMemo } from 'react';
import { stepAtMost } from '../ui/roundStep.ts';
import { useShow } from '../units/useShow.ts';
import { useWidth } from '../ui/useWidth.ts';

interface PlanSpot {
  readonly name: string;
  readonly position: Position | null;
  readonly id?: string;
}

interface LinePlanProps {
  readonly line: readonly Position[];
  readonly spots: readonly PlanSpot[];
  /** Which end the water comes from; arrows along the line. */
  readonly flow: 'as drawn' | 'against' | 'unknown';
  readonly picked?: string | null;
  readonly onPick?: (spotId: string) => void;
  /** Height of the drawing as a share of its width. */
  readonly shape?: number;
  readonly gold?: ReadonlySet<string>;
  /** A line without water: a wash, a bench. */
  readonly dry?: boolean;
}

/** The line seen from above, north up, with its scale and the ends marked A and B. */
export function LinePlan({ line, spots, flow, picked, onPick, shape = 0.6, gold, dry = false }: LinePlanProps) {
  const [attach, width] = useWidth(600);
  const show = useShow();
  const height = Math.round(Math.max(200, width * shape));
  const view = useMemo(() => {
    const middle = line[Math.floor(line.length / 2)] ?? [0, 0];
    const plane = localPlane(middle);
    const points = line.map(plane.toPlane);
    const [x0, x1] = [Math.min(...points.map((p) => p.x_m)), Math.max(...points.map((p) => p.x_m))];
    const [y0, y1] = [Math.min(...points.map((p) => p.y_m)), Math.max(...points.map((p) => p.y_m))];
    const perMetre = Math.min((width - 70) / (x1 - x0 || 1), (height - 70) / (y1 - y0 || 1));
    const toPx = (p: Position): [number, number] => {
      const { x_m, y_m } = plane.toPlane(p);
      return [width / 2 + (x_m - (x0 + x1) / 2) * perMetre, height / 2 - (y_m - (y0 + y1) / 2) * perMetre];
    };
    const centre = centreLine(line);
    const arrows = [0.2, 0.5, 0.8].map(
      (share) =>
        [centre.positionAt(share * centre.length_m - 1), centre.positionAt(share * centre.length_m + 1)] as const,
    );
    return {
      toPx,
      perMetre,
      arrows,
      path: line
        .map(
          (p, i) =>
            `${i ? 'L' : 'M'}${toPx(p)
              .map((v) => v.toFixed(1))
              .join(' ')}`,
        )
        .join(''),
    };
  }, [line, width, height]);

  const unit_m = show.display.system === 'US' ? UNITS.length.ft : 1;
  const scale = stepAtMost(width / 4 / view.perMetre / unit_m);
  const ends = [line[0], line.at(-1)] as const;
  return (
    <div ref={attach} className="min-w-0">
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        className="block border-[1.4px] border-ink"
        role="img"
        aria-label={`The line from above, ${spots.length} spots`}
      >
        <path
          d={view.path}
          fill="none"
          stroke={dry ? 'var(--ink-2)' : 'var(--water)'}
          strokeWidth="9"
          strokeLinejoin="round"
          strokeLinecap="round"
        />
        <path
          d={view.path}
          fill="none"
          stroke={dry ? 'var(--gravel)' : 'var(--water-body)'}
          strokeWidth="5.5"
          strokeLinejoin="round"
          strokeLinecap="round"
        />
        {flow !== 'unknown' &&
          view.arrows.map(([a, b], i) => {
            const [from, to] = flow === 'as drawn' ? [view.toPx(a), view.toPx(b)] : [view.toPx(b), view.toPx(a)];
            const angle = (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI;
            return (
              <path
                key={i}
                d="M-6 -6.5L8 0L-6 6.5L-3 0Z"
                fill="var(--ink)"
                transform={`translate(${from[0]} ${from[1]}) rotate(${angle})`}
              />
            );
          })}
        {flow !== undefined &&
          !onPick &&
          ends.map(
            (end, i) =>
              end && (
                <text
                  key={i}
                  className="halo"
                  x={view.toPx(end)[0] + 9}
                  y={view.toPx(end)[1] - 9}
                  fontSize="16"
                  fontWeight="700"
                >
                  {i === 0 ? 'A' : 'B'}
                </text>
              ),
          )}
        {spots.map((s, i) => {
          if (!s.position) return null;
          const [px, py] = view.toPx(s.position);
          const isPicked = s.id !== undefined && s.id === picked;
          return (
            <g key={s.id ?? i} onClick={() => s.id && onPick?.(s.id)} className={onPick ? 'cursor-pointer' : ''}>
              <circle cx={px} cy={py} r="14" fill="transparent" />
              <circle
                cx={px}
                cy={py}
                r={isPicked ? 7 : 4.5}
                fill={s.id && gold?.has(s.id) ? 'var(--gold-fill)' : 'var(--paper)'}
                stroke={s.id && gold?.has(s.id) ? 'var(--gold)' : 'var(--ink)'}
                strokeWidth={isPicked ? 3 : 1.7}
              />
              {(isPicked || spots.length <= 12) && (
                <text
                  className="halo"
                  x={px + 10}
                  y={py + (i % 2 ? 15 : -5)}
                  fontSize="12.5"
                  fontWeight={isPicked ? 700 : 400}
                >
                  {s.name}
                </text>
              )}
            </g>
          );
        })}
        <g aria-hidden="true">
          <path d={`M${width - 24} 42V16m-5 8l5 -9l5 9`} fill="none" stroke="var(--ink)" strokeWidth="1.6" />
          <text x={width - 24} y="56" fontSize="12" textAnchor="middle" fontWeight="700">
            N
          </text>
          <path
            d={`M14 ${height - 16}v5h${scale * unit_m * view.perMetre}v-5`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
          <text className="halo" x={20 + scale * unit_m * view.perMetre} y={height - 10} fontSize="12">
            {show.distance(scale * unit_m)}
          </text>
        </g>
      </svg>
    </div>
  );
}
