import { bandLevels } from './across.ts';
import type { CreekShape } from './creekShape.ts';
import type { Strip } from './outlineStrips.ts';

interface StripsProps {
  readonly strips: readonly Strip[];
  readonly shape: CreekShape;
  readonly top: number;
  readonly height: number;
  readonly from_m: number;
  readonly to_m: number;
  readonly x: (distance_m: number) => number;
  readonly say: (m: number) => string;
}

/** Benches stand off the bank with a hachured lip and a broken back edge, their height in words; bars lie as a lens at the water. */
export function Strips({ strips, shape, top, height, from_m, to_m, x, say }: StripsProps) {
  return (
    <g aria-hidden="true">
      {strips
        .filter((s) => s.to_m > from_m && s.from_m < to_m)
        .map((s) => {
          const [x1, x2] = [x(Math.min(to_m, s.to_m)), x(Math.max(from_m, s.from_m))];
          const at = bandLevels(shape, top, height, (s.from_m + s.to_m) / 2);
          const wide = x2 - x1;
          const isLeft = s.bank !== 'right';
          const words = `${s.name}${s.height_m === null ? '' : `, ${say(s.height_m)} up`}`;
          if (s.kind === 'bar') {
            const y = isLeft ? at.waterTop : at.waterBottom;
            return (
              <path
                key={s.id}
                d={`M${x1} ${y}Q${(x1 + x2) / 2} ${y + (isLeft ? 9 : -9)} ${x2} ${y}Q${(x1 + x2) / 2} ${y + (isLeft ? -9 : 9)} ${x1} ${y}Z`}
                fill="url(#gravel)"
                stroke="var(--ink)"
                strokeWidth="1.2"
              />
            );
          }
          const lip = isLeft ? top - 5 : top + height + 5;
          const back = isLeft ? lip - 16 : lip + 16;
          const ticks = Array.from(
            { length: Math.max(1, Math.floor(wide / 8)) },
            (_, i) => `M${x1 + 4 + i * 8} ${lip}v${isLeft ? -5 : 5}`,
          ).join('');
          return (
            <g key={s.id}>
              <rect x={x1} y={Math.min(lip, back)} width={Math.max(2, wide)} height="16" fill="var(--gravel)" />
              <path d={`M${x1} ${lip}H${x2}`} stroke="var(--ink)" strokeWidth="1.8" />
              <path d={ticks} stroke="var(--ink)" strokeWidth="0.9" />
              <path
                d={`M${x1} ${lip}V${back}H${x2}V${lip}`}
                fill="none"
                stroke="var(--ink)"
                strokeWidth="1.1"
                strokeDasharray="6 4"
              />
              {wide > 40 && (
                <text x={(x1 + x2) / 2} y={(lip + back) / 2 + 4} fontSize="12" textAnchor="middle" className="halo">
                  {wide > words.length * 7 ? words : s.name.slice(0, Math.floor(wide / 8))}
                </text>
              )}
            </g>
          );
        })}
    </g>
  );
}
