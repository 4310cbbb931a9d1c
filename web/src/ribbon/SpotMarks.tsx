import type { StoredSpot } from '@riffle/contract';
import { isNoDig, type SpotGrade } from '@riffle/core';
import { nameY, type RibbonFrame } from './ribbonFrame.ts';

interface SpotMarkProps {
  readonly spot: StoredSpot;
  readonly x: number;
  readonly y: number;
  readonly frame: RibbonFrame;
  readonly found: SpotGrade | undefined;
  readonly picked: boolean;
  /** A dotted line down to its disc in the lane of grades. */
  readonly linked: boolean;
  readonly label: { readonly x: number; readonly text: string; readonly below: boolean } | undefined;
  /** Of the richest place, where discs are as large as their grade beside it; null: by the grade alone. */
  readonly most_mg_L: number | null;
  /** The spot in words, for those who hear it. */
  readonly says: string;
}

/** A spot on the band: a cross and, where there is room, its name; on a thin ribbon a disc as large as its grade. */
export function SpotMark({ spot, x, y, frame, found, picked, linked, label, most_mg_L, says }: SpotMarkProps) {
  // A point that is only planned is a small cross.
  const arm = spot.samplePlanId !== null && !found && !picked ? 3.5 : 5.5;
  return (
    <g id={`spot-${spot.id}`} role="option" aria-selected={picked} aria-label={says}>
      {frame.broad ? (
        <circle cx={x} cy={y} r="12" fill="transparent" />
      ) : (
        <rect x={x - 16} y={frame.bandTop - 6} width="32" height={frame.bandHeight + 12} fill="transparent" />
      )}
      {linked && (
        <line
          x1={x}
          x2={x}
          y1={y + 6}
          y2={frame.laneTop + frame.laneHeight}
          stroke="var(--ink-2)"
          strokeWidth="0.8"
          strokeDasharray="1.500 3.500"
        />
      )}
      {(frame.thin || frame.broad) && found ? (
        <ThinMark x={x} y={y} found={found} picked={picked} most_mg_L={most_mg_L} />
      ) : (
        <>
          <path
            d={`M${x - 6} ${y}h12M${x} ${y - 6}v12`}
            stroke="var(--paper)"
            strokeWidth="5.5"
            strokeLinecap="square"
          />
          <path
            d={
              isNoDig(spot.kind)
                ? // Nothing to dig at: a tent, not a cross.
                  `M${x - 6} ${y + 5}L${x} ${y - 6}L${x + 6} ${y + 5}Z`
                : `M${x - arm} ${y}h${2 * arm}M${x} ${y - arm}v${2 * arm}`
            }
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth={picked ? 4 : arm < 5 ? 1.4 : 2.4}
          />
        </>
      )}
      {label && (
        <text
          className="halo"
          x={label.x}
          y={nameY(frame, label.below)}
          fontSize={frame.wide ? 13 : 12}
          fontWeight={picked ? 700 : 400}
          textAnchor="middle"
          style={{ fontFamily: 'var(--font-serif)' }}
        >
          {label.text}
        </text>
      )}
    </g>
  );
}

interface ThinMarkProps extends Pick<SpotMarkProps, 'x' | 'y' | 'picked' | 'most_mg_L'> {
  readonly found: SpotGrade;
}

function ThinMark({ x, y, found, picked, most_mg_L }: ThinMarkProps) {
  const blank = found.grade.kind !== 'band';
  const mid = found.grade.kind === 'band' ? found.grade.grade_mg_L : null;
  const r =
    mid === null
      ? 4.5
      : most_mg_L === null
        ? Math.min(9, 4 + 7 * Math.sqrt(mid))
        : 3 + 6.5 * Math.sqrt(mid / most_mg_L);
  return (
    <>
      {picked && <circle cx={x} cy={y} r={r + 4.5} fill="none" stroke="var(--ink)" strokeWidth="2.4" />}
      <circle
        cx={x}
        cy={y}
        r={r}
        fill={blank ? 'var(--paper)' : 'var(--gold-fill)'}
        stroke={blank ? 'var(--ink)' : 'var(--gold)'}
        strokeWidth="1.6"
      />
    </>
  );
}

/** The stripe behind the picked spot, through all lanes. */
export function PickedStripe({ x, frame }: { x: number; frame: RibbonFrame }) {
  const top = frame.bandTop - 26;
  return (
    <g aria-hidden="true">
      <rect x={x - 20} y={top} width="40" height={frame.height - frame.bandTop + 22} fill="var(--picked)" />
      <path d={`M${x - 20} ${top}h40`} stroke="var(--ink)" strokeWidth="4" />
    </g>
  );
}

/** A place tapped and not kept yet. */
export function MarkedPlace({ x, y }: { x: number; y: number }) {
  return (
    <g aria-hidden="true">
      <circle cx={x} cy={y} r="11" fill="none" stroke="var(--ink)" strokeWidth="2" strokeDasharray="4 3" />
      <path d={`M${x - 5} ${y}h10M${x} ${y - 5}v10`} stroke="var(--ink)" strokeWidth="2.4" />
    </g>
  );
}
