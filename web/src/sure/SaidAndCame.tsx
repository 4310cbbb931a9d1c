import { useWidth } from '../ui/useWidth.ts';
import type { OwnFifth } from './ownFifths.ts';
import { Tallies } from './Tallies.tsx';

interface SaidAndCameProps {
  readonly bins: readonly { readonly said: number; readonly came: number; readonly times: number }[];
  readonly own: readonly OwnFifth[];
}

const [LEFT, TOP, BELOW] = [34, 6, 74] as const;

/**
 * Said against came true, in ten. Rings: simulated, a tenth each; bars: this ground's own, a fifth each, with the band that luck alone gives their share.
 * On the line it was right, within the pale strip nearly so; an own bar that luck does not explain is hatched to the line. Below, each place a stroke.
 */
export function SaidAndCame({ bins, own }: SaidAndCameProps) {
  const [attach, width] = useWidth(380);
  const side = Math.max(120, Math.min(width, 420) - LEFT - 12);
  const x = (v: number): number => LEFT + v * side;
  const y = (v: number): number => TOP + (1 - v) * side;
  return (
    <div ref={attach}>
      <svg
        width={side + LEFT + 12}
        height={side + TOP + BELOW}
        className="block"
        role="img"
        aria-label={`Said and came true in ten: ${bins.map((b) => `${(10 * b.said).toFixed(1)} said, ${(10 * b.came).toFixed(1)} came`).join('; ')}${own.map((f) => `; here ${(10 * f.said).toFixed(1)} said, ${f.paid} of ${f.places} came`).join('')}`}
      >
        <path
          d={`M${x(0)} ${y(0.1)}L${x(0.9)} ${y(1)}H${x(1)}V${y(0.9)}L${x(0.1)} ${y(0)}H${x(0)}Z`}
          fill="var(--picked)"
          stroke="var(--rule)"
        />
        <path d={`M${x(0)} ${y(0)}L${x(1)} ${y(1)}`} stroke="var(--ink)" strokeWidth="1.6" />
        <path d={`M${x(0)} ${y(1)}V${y(0)}H${x(1)}`} fill="none" stroke="var(--ink)" strokeWidth="1.4" />
        {[0, 2, 4, 6, 8, 10].map((n) => (
          <g key={n} fontSize="13">
            <text x={x(n / 10)} y={y(0) + 18} textAnchor="middle">
              {n}
            </text>
            <text x={x(0) - 8} y={y(n / 10) + 4} textAnchor="end">
              {n}
            </text>
          </g>
        ))}
        {bins.map((b) => (
          <circle
            key={b.said}
            cx={x(b.said)}
            cy={y(b.came)}
            r="4.5"
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="1.6"
          />
        ))}
        {own.map((f) => (
          <OwnBar key={f.from} fifth={f} x={x} y={y} />
        ))}
        {own.map((f) => (
          <Tallies key={f.from} x={x(f.from)} y={y(0) + 40} width={side / 5 - 8} paid={f.paid} places={f.places} />
        ))}
      </svg>
      <ul className="flex flex-wrap gap-x-5 text-[13px] text-ink-2" aria-hidden="true">
        <li>○ simulated</li>
        {own.length > 0 && <li>▬ here, with what luck may do</li>}
        {own.length > 0 && <li>long strokes paid</li>}
      </ul>
    </div>
  );
}

interface OwnBarProps {
  readonly fifth: OwnFifth;
  readonly x: (v: number) => number;
  readonly y: (v: number) => number;
}
function OwnBar({ fifth: { from, said, places, paid, low, high }, x, y }: OwnBarProps) {
  const came = paid / places;
  const [left, right, middle] = [x(from) + 5, x(from + 0.2) - 5, x(said)];
  const offLine = said < low || said > high;
  return (
    <g>
      {offLine && (
        <path
          d={`M${left} ${y(came)}H${right}V${y(from + 0.2)}L${left} ${y(from)}Z`}
          fill="url(#against)"
          stroke="var(--ink)"
          strokeWidth="0.8"
        />
      )}
      <path
        d={`M${middle} ${y(low)}V${y(high)}M${middle - 5} ${y(low)}H${middle + 5}M${middle - 5} ${y(high)}H${middle + 5}`}
        stroke="var(--ink)"
        strokeWidth="1.8"
      />
      <path d={`M${left} ${y(came)}H${right}`} stroke="var(--ink)" strokeWidth="6" />
    </g>
  );
}
