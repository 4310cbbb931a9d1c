import type { StoredPit, StoredSpot } from '@riffle/contract';
import { acrossOf, paySection, type SampleGrade } from '@riffle/core';
import { useState } from 'react';
import { readEntered } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { useWidth } from '../../../ui/useWidth.ts';
import { HATCH } from './hatches.ts';

interface PitSectionProps {
  readonly pits: readonly StoredPit[];
  readonly spots: readonly StoredSpot[];
  readonly grades: ReadonlyMap<string, SampleGrade>;
  readonly picked: string | null;
  readonly onPick: (pitId: string) => void;
}

interface Placed {
  readonly pit: StoredPit;
  readonly at_m: number;
  readonly payTop_m: number;
  readonly payThickness_m: number;
  readonly grade_mg_L: number | null;
}

/** Pits side by side along a traverse, their pay joined from one to the next. The section runs the way the pits spread most. */
export function PitSection({ pits, spots, grades, picked, onPick }: PitSectionProps) {
  const [attach, width] = useWidth(560);
  const show = useShow();
  const [strip, setStrip] = useState({ text: '5', unit: show.display.system === 'US' ? 'ft' : 'm' });
  const reading = readEntered('length', strip);
  const dug = pits.flatMap((pit) => {
    const spot = spots.find((s) => s.id === pit.spotId);
    return spot && pit.layers.length > 0 ? [{ pit, spot }] : [];
  });
  const along =
    spread(dug.map((d) => d.spot.distance_m)) >= spread(dug.map((d) => acrossOf(d.spot.bank, d.spot.offset_m)));
  const placed: Placed[] = dug
    .map(({ pit, spot }) => {
      const first = pit.layers.findIndex((l) => l.pay);
      const last = pit.layers.findLastIndex((l) => l.pay);
      const top = pit.layers.slice(0, Math.max(0, first)).reduce((sum, l) => sum + l.thickness_m, 0);
      const grade = grades.get(pit.id);
      // Water runs left to right: the left end is upstream, or the left bank.
      return {
        pit,
        at_m: along ? -spot.distance_m : -acrossOf(spot.bank, spot.offset_m),
        payTop_m: first < 0 ? depthOf(pit) : top,
        payThickness_m: first < 0 ? 0 : pit.layers.slice(first, last + 1).reduce((sum, l) => sum + l.thickness_m, 0),
        grade_mg_L: grade?.kind === 'band' ? grade.grade_mg_L : null,
      };
    })
    .sort((a, b) => a.at_m - b.at_m);
  const apart = placed.filter((p, i) => i === 0 || p.at_m - (placed[i - 1]?.at_m ?? 0) > 0.05);
  if (apart.length < 2) return <p className="text-ink-2">Two pits or more, apart from each other, make a section.</p>;
  const [x0, x1] = [apart[0]?.at_m ?? 0, apart.at(-1)?.at_m ?? 1];
  const deepest = Math.max(...apart.map((p) => depthOf(p.pit)));
  const [left, right, top, base] = [46, width - 40, 34, 210];
  const px = (m: number): number => left + ((m - x0) / (x1 - x0)) * (right - left);
  const py = (m: number): number => top + (m / deepest) * (base - top);
  const half = Math.min(15, (right - left) / apart.length / 3);
  const section = paySection(apart, reading.ok ? reading.value : 0);
  return (
    <div ref={attach}>
      <svg
        width={width}
        height={base + 36}
        className="block"
        role="img"
        aria-label={`Section through ${apart.length} pits: pay ${show.length(section.meanThickness_m)} thick on average`}
      >
        <path d={`M${left - 20} ${top}H${right + 20}`} stroke="var(--ink)" strokeWidth="1.6" />
        {apart.slice(0, -1).map((a, i) => {
          const b = apart[i + 1] as Placed;
          return a.payThickness_m + b.payThickness_m === 0 ? null : (
            <path
              key={a.pit.id}
              d={`M${px(a.at_m)} ${py(a.payTop_m)}L${px(b.at_m)} ${py(b.payTop_m)}V${py(b.payTop_m + b.payThickness_m)}L${px(a.at_m)} ${py(a.payTop_m + a.payThickness_m)}Z`}
              fill="var(--gold-band)"
              stroke="var(--gold)"
              strokeWidth="1.2"
            />
          );
        })}
        {apart.map(({ pit, at_m }) => {
          let y = 0;
          return (
            <g key={pit.id} className="cursor-pointer" onClick={() => onPick(pit.id)}>
              {pit.layers.map((l) => {
                const from = y;
                y += l.thickness_m;
                return (
                  <rect
                    key={l.id}
                    x={px(at_m) - half}
                    y={py(from)}
                    width={2 * half}
                    height={py(y) - py(from)}
                    fill={HATCH[l.material]}
                    stroke="var(--ink)"
                    strokeWidth={l.pay ? 2 : 0.9}
                  />
                );
              })}
              {pit.bottom.startsWith('bedrock') && (
                <rect
                  x={px(at_m) - half}
                  y={py(y)}
                  width={2 * half}
                  height="12"
                  fill="url(#bedrock)"
                  stroke="var(--ink)"
                  strokeWidth="0.9"
                />
              )}
              {picked === pit.id && (
                <path d={`M${px(at_m) - half} ${top - 4}h${2 * half}`} stroke="var(--ink)" strokeWidth="5" />
              )}
              <text
                x={px(at_m)}
                y={top - 10}
                fontSize="12.5"
                textAnchor="middle"
                fontWeight={picked === pit.id ? 700 : 400}
              >
                {pit.name}
              </text>
            </g>
          );
        })}
        {[0, deepest].map((m) => (
          <text key={m} x={left - 22} y={py(m) + 4} fontSize="12" textAnchor="end">
            {show.display.system === 'US' && m > 0 ? show.length(m) : show.figure('length', m).digits}
          </text>
        ))}
        <text x={left - 20} y={base + 30} fontSize="12" style={{ fill: 'var(--ink-2)' }}>
          {along ? 'upstream' : 'left bank'}
        </text>
        <text x={right + 20} y={base + 30} fontSize="12" textAnchor="end" style={{ fill: 'var(--ink-2)' }}>
          {along ? 'downstream' : 'right bank'}
        </text>
        <text x={(left + right) / 2} y={base + 30} fontSize="12" textAnchor="middle">
          {show.length(x1 - x0)}
        </text>
      </svg>
      <div className="flex flex-wrap items-start gap-x-6">
        <div className="w-40">
          <QuantityField
            label="Ground it stands for, across"
            entered={strip}
            reading={reading}
            units={['m', 'ft']}
            onChange={setStrip}
          />
        </div>
        <p className="min-w-0 grow pt-5">
          Pay {show.length(section.meanThickness_m)} thick on average: <b>{show.volume(section.pay_m3 * 1000)}</b> in
          the bank
          {section.grade_mg_L !== null && section.gold_mg !== null && (
            <>
              , <span className="text-gold">{show.grade(section.grade_mg_L)}</span>,{' '}
              <span className="text-gold">{show.bulkGold(section.gold_mg)}</span> by the middle of the bands
            </>
          )}
          . {section.pay_m2 > 0 && `${(section.cover_m2 / section.pay_m2).toFixed(1)} of cover for each of pay.`}
        </p>
      </div>
    </div>
  );
}

const depthOf = (pit: StoredPit): number => pit.layers.reduce((sum, l) => sum + l.thickness_m, 0);
const spread = (values: readonly number[]): number =>
  values.length === 0 ? 0 : Math.max(...values) - Math.min(...values);
