import type { SectionSplit } from '@riffle/core';
import { useShow } from '../../units/useShow.ts';
import { useWidth } from '../../ui/useWidth.ts';

interface SplitDrawingProps {
  readonly sections: readonly {
    readonly name: string;
    readonly from_m: number;
    readonly to_m: number;
    readonly gold_mg: number;
  }[];
  readonly split: SectionSplit;
}

/** Gold over the length of the box: columns of weight per length, how the last of them thin out, and what lies past the end at least. */
export function SplitDrawing({ sections, split }: SplitDrawingProps) {
  const [attach, width] = useWidth(560);
  const show = useShow();
  const L = sections.at(-1)?.to_m ?? 1;
  const past = 0.18 * L;
  const [left, right, top, base] = [8, width - 8, 30, 178];
  const x = (m: number): number => left + (m / (L + past)) * (right - left);
  const density = (s: (typeof sections)[number]): number => s.gold_mg / (s.to_m - s.from_m);
  const { loss } = split;
  // The fall that the bound is made of, from the last section on: what that one held at least, carried past the end.
  const fall = loss.kind === 'bound' && loss.rate_per_m > 0 ? loss : null;
  const atEnd = fall ? fall.atLeast_mg * fall.rate_per_m : 0;
  const begin = sections.at(-1)?.from_m ?? 0;
  const curve = (m: number): number => (fall && m >= begin ? atEnd * Math.exp(-fall.rate_per_m * (m - L)) : 0);
  const most = Math.max(...sections.map(density), 1e-9);
  const y = (d: number): number => base - (d / most) * (base - top);
  const points = Array.from({ length: 61 }, (_, i) => (i / 60) * (L + past));
  const line = points
    .filter((m) => fall && m >= begin)
    .map((m, i) => `${i ? 'L' : 'M'}${x(m).toFixed(1)} ${y(curve(m)).toFixed(1)}`)
    .join('');
  const tail = points
    .filter((m) => m >= L)
    .map((m) => `L${x(m).toFixed(1)} ${y(curve(m)).toFixed(1)}`)
    .join('');
  return (
    <div ref={attach}>
      <svg
        width={width}
        height="216"
        viewBox={`0 0 ${width} 216`}
        className="block"
        role="img"
        aria-label={`Gold by section: ${sections.map((s) => `${s.name || 'section'} ${show.gold(s.gold_mg)}`).join(', ')}`}
      >
        {sections.map((s) => (
          <rect
            key={s.from_m}
            x={x(s.from_m)}
            y={y(density(s))}
            width={x(s.to_m) - x(s.from_m)}
            height={base - y(density(s))}
            fill="var(--gold-fill)"
            stroke="var(--gold)"
            strokeWidth="1.6"
          />
        ))}
        <clipPath id="split-clip">
          <rect x={left} y={top - 12} width={right - left} height={base - top + 12} />
        </clipPath>
        {fall && (
          <>
            <path d={`M${x(L)} ${base}${tail}V${base}Z`} fill="url(#against)" />
            <path
              d={line}
              clipPath="url(#split-clip)"
              fill="none"
              stroke="var(--ink)"
              strokeWidth="1.8"
              strokeDasharray="6 4"
            />
          </>
        )}
        {sections.map((s) => {
          const w = x(s.to_m) - x(s.from_m);
          return (
            <g key={s.from_m}>
              <text
                className="halo"
                x={x(s.from_m) + w / 2}
                y={Math.max(16, y(density(s)) - 8)}
                fontSize="13.5"
                fontWeight="700"
                textAnchor="middle"
                style={{ fill: 'var(--gold)' }}
              >
                {show.gold(s.gold_mg)}
              </text>
              {w > 60 && (
                <text x={x(s.from_m) + w / 2} y={base + 32} fontSize="12.5" textAnchor="middle">
                  {s.name}
                </text>
              )}
              <path d={`M${x(s.to_m)} ${base}v14`} stroke="var(--ink)" strokeWidth="1.3" />
              <text
                className="halo"
                x={x(s.to_m)}
                y={base + 16}
                fontSize="12"
                textAnchor="middle"
                style={{ fill: 'var(--ink-2)' }}
              >
                {show.smallLength(s.to_m)}
              </text>
            </g>
          );
        })}
        <path d={`M${left} ${base}H${x(L)}`} stroke="var(--ink)" strokeWidth="4" />
        <path d={`M${x(L)} ${base}H${right}`} stroke="var(--ink)" strokeWidth="1" strokeDasharray="3 4" />
        <text x={right} y={base - 10} fontSize="12" textAnchor="end" style={{ fill: 'var(--ink-2)' }}>
          {fall ? 'over the end, at least' : 'over the end'}
        </text>
      </svg>
    </div>
  );
}
