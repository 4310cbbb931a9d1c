import type { StoredLot } from '@riffle/contract';
import { useShow } from '../../../units/useShow.ts';
import { useWidth } from '../../../ui/useWidth.ts';

export interface DrawnPoint {
  readonly id: string;
  readonly distance_m: number;
  /** Positive toward the left bank. */
  readonly across_m: number;
  readonly name: string;
  /** Its bags from the top down. */
  readonly states: readonly StoredLot['state'][];
  /** Whether gold was found there; null: nothing panned yet. */
  readonly gold: boolean | null;
}

interface PointsDrawingProps {
  readonly points: readonly DrawnPoint[];
  readonly picked?: string | null;
  readonly onPick?: (id: string) => void;
}

/** Points of a plan from above: water runs left to right, the left bank is above. A point with several bags is a stack of them. */
export function PointsDrawing({ points, picked = null, onPick }: PointsDrawingProps) {
  const [attach, width] = useWidth(360);
  const show = useShow();
  const [d0, d1] = [Math.min(...points.map((p) => p.distance_m)), Math.max(...points.map((p) => p.distance_m))];
  const [a0, a1] = [Math.min(...points.map((p) => p.across_m)), Math.max(...points.map((p) => p.across_m))];
  // One scale for both ways, so that the plan has its true shape; a mere line is given some breadth to stand in.
  const [along, across] = [d1 - d0, a1 - a0];
  const lying = across > along * 1.4;
  const [span, rise] = lying ? [across, along] : [along, across];
  const scale = Math.min((width - 76) / Math.max(span, 1), 240 / Math.max(rise, span / 14, 1));
  const height = Math.max(76, rise * scale + 74);
  const x0 = (width - span * scale) / 2;
  const place = (p: DrawnPoint): [number, number] =>
    lying
      ? [x0 + (a1 - p.across_m) * scale, 30 + (d1 - p.distance_m) * scale]
      : [x0 + (d1 - p.distance_m) * scale, 30 + (a1 - p.across_m) * scale];
  const crowded = points.length > 1 && (span * scale) / Math.sqrt(points.length) < 20;
  return (
    <div ref={attach}>
      <svg
        width={width}
        height={height}
        className="block"
        role="img"
        aria-label={`${points.length} points, ${show.length(along)} along and ${show.length(across)} across`}
      >
        {points.map((p) => {
          const [x, y] = place(p);
          return (
            <g
              key={p.id}
              transform={`translate(${x} ${y})`}
              className={onPick ? 'cursor-pointer' : undefined}
              onClick={onPick && (() => onPick(p.id))}
            >
              <circle r="14" fill="transparent" />
              {picked === p.id && <circle r="15" fill="var(--picked)" stroke="var(--ink)" strokeWidth="2.4" />}
              {p.states.length <= 1 ? (
                <Bag state={p.states[0] ?? 'planned'} gold={p.gold} />
              ) : (
                p.states.map((state, i) => (
                  <rect
                    key={i}
                    x="-5"
                    y={-p.states.length * 2.5 + i * 5}
                    width="10"
                    height="4.5"
                    fill={FILL[state]}
                    stroke="var(--ink)"
                    strokeWidth="0.9"
                  />
                ))
              )}
              {!crowded && (
                <text y={Math.max(22, p.states.length * 2.5 + 14)} fontSize="12" textAnchor="middle">
                  {p.name}
                </text>
              )}
            </g>
          );
        })}
        <text x="0" y={height - 4} fontSize="12" style={{ fill: 'var(--ink-2)' }}>
          {lying ? 'left bank' : 'upstream'}
        </text>
        <text x={width} y={height - 4} fontSize="12" textAnchor="end" style={{ fill: 'var(--ink-2)' }}>
          {lying ? 'right bank' : 'downstream'}
        </text>
        <text x={width / 2} y={height - 4} fontSize="12" textAnchor="middle">
          {show.length(span)}
        </text>
      </svg>
    </div>
  );
}

const FILL: Readonly<Record<StoredLot['state'], string>> = {
  planned: 'var(--paper)',
  waiting: 'url(#gravel)',
  panned: 'var(--ink)',
  run: 'var(--ink)',
  lost: 'url(#against)',
};

/** One bag: open while not dug, filled with gravel when dug; panned it is a gold disc or a blank's ring; lost it is crossed out. */
function Bag({ state, gold }: { state: StoredLot['state']; gold: boolean | null }) {
  if (state === 'lost')
    return <path d="M-6 -6l12 12M6 -6l-12 12" stroke="var(--danger)" strokeWidth="2.4" strokeDasharray="3 2" />;
  if (state === 'panned' || state === 'run')
    return gold ? (
      <circle r="7" fill="var(--gold-fill)" stroke="var(--gold)" strokeWidth="1.6" />
    ) : (
      <circle r="6" fill="var(--paper)" stroke="var(--ink)" strokeWidth="2" />
    );
  return (
    <path
      d="M-5 -7h10l2 13h-14z"
      fill={FILL[state]}
      stroke="var(--ink)"
      strokeWidth="1.5"
      strokeDasharray={state === 'planned' ? '3 2' : undefined}
    />
  );
}
