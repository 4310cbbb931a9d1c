import { inPlace, type GroundMap, type InPlace } from '@riffle/core';
import { useMemo } from 'react';
import { useShow } from '../../../units/useShow.ts';
import { useWidth } from '../../../ui/useWidth.ts';

const STEPS = 48;

interface CutoffCurveProps {
  readonly map: GroundMap;
  readonly cutoff_mg_L: number;
  readonly highest_mg_L: number;
}

/** What raising the cut-off leaves: of all the gold (gold line) and of all the pay to be moved (ink, dashed). Where they part the ground is worth choosing in. */
export function CutoffCurve({ map, cutoff_mg_L, highest_mg_L }: CutoffCurveProps) {
  const [attach, width] = useWidth(640);
  const show = useShow();
  // By the square, as the slider goes: most ground lies at low grades.
  const all = useMemo(() => inPlace(map), [map]);
  const curve = useMemo(
    () => Array.from({ length: STEPS + 1 }, (_, i) => leftAt(map, all, (i / STEPS) ** 2 * highest_mg_L)),
    [map, all, highest_mg_L],
  );
  const here = useMemo(() => leftAt(map, all, cutoff_mg_L), [map, all, cutoff_mg_L]);
  const [left, right, top, base] = [46, width - 16, 12, 168];
  const x = (grade: number): number => left + Math.sqrt(Math.min(1, grade / highest_mg_L)) * (right - left);
  const y = (share: number): number => base - share * (base - top);
  const line = (of: (c: (typeof curve)[number]) => number): string =>
    curve.map((c, i) => `${i ? 'L' : 'M'}${x(c.at).toFixed(1)} ${y(of(c)).toFixed(1)}`).join('');
  return (
    <div ref={attach}>
      <svg
        width={width}
        height={base + 40}
        className="block"
        role="img"
        aria-label={`At a cut-off of ${show.grade(cutoff_mg_L)}, about ${Math.round(100 * here.gold)} % of the gold is left in ${Math.round(100 * here.pay)} % of the pay`}
      >
        {[0, 0.5, 1].map((share) => (
          <g key={share}>
            <path d={`M${left} ${y(share)}H${right}`} stroke="var(--rule)" />
            <text x={left - 8} y={y(share) + 4} fontSize="12" textAnchor="end" style={{ fill: 'var(--ink-2)' }}>
              {share * 100} %
            </text>
          </g>
        ))}
        <path d={line((c) => c.pay)} fill="none" stroke="var(--ink)" strokeWidth="2" strokeDasharray="6 4" />
        <path d={line((c) => c.gold)} fill="none" stroke="var(--gold)" strokeWidth="2.6" />
        <path d={`M${x(cutoff_mg_L)} ${top}V${base}`} stroke="var(--ink)" strokeWidth="1.6" />
        <circle
          cx={x(cutoff_mg_L)}
          cy={y(here.gold)}
          r="5"
          fill="var(--gold-fill)"
          stroke="var(--gold)"
          strokeWidth="1.6"
        />
        <circle
          cx={x(cutoff_mg_L)}
          cy={y(here.pay)}
          r="4.5"
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth="1.6"
        />
        {[0, 0.1, 0.3, 0.6, 1].map((share) => (
          <text
            key={share}
            x={x(share * highest_mg_L)}
            y={base + 18}
            fontSize="12"
            textAnchor={share === 1 ? 'end' : 'middle'}
            style={{ fill: 'var(--ink-2)' }}
          >
            {share === 1 ? show.grade(highest_mg_L) : show.figure('grade', share * highest_mg_L).digits}
          </text>
        ))}
      </svg>
      <p className="text-ink-2">
        <b className="text-gold">Gold</b> and <b className="text-ink">pay to move</b> (dashed) that are left when only
        ground from that grade up is taken.
      </p>
    </div>
  );
}

/** Shares of all gold and of all pay that reach a grade. */
function leftAt(map: GroundMap, all: InPlace, at: number): { at: number; gold: number; pay: number } {
  const left = inPlace(map, at);
  return { at, gold: all.gold_mg > 0 ? left.gold_mg / all.gold_mg : 0, pay: left.pay_m3 / all.pay_m3 };
}
