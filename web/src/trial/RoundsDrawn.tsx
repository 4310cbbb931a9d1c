import type { Trial } from '@riffle/contract';
import { TRIAL_MEASURES } from '@riffle/contract';
import { useWidth } from '../ui/useWidth.ts';

const [HIGH, MIDDLE] = [96, 48] as const;
/** A round is drawn no wider than that, in px. */
const WIDE = 26;

/** Round by round: up where A did better, down where B did, as far as they differed; a dot where they came to the same. Hatched: B came first. */
export function RoundsDrawn({ trial: { rounds, measure } }: { readonly trial: Pick<Trial, 'rounds' | 'measure'> }) {
  const [attach, width] = useWidth(340);
  const differences = rounds.flatMap(({ a, b, first, tossedAt }) => {
    if (a.value === null || b.value === null) return [];
    const by = a.value === b.value ? 0 : (a.value - b.value) / (a.value + b.value);
    return [{ tossedAt, first, by: TRIAL_MEASURES[measure] === 'more' ? by : -by }];
  });
  const most = Math.max(...differences.map((d) => Math.abs(d.by)), 1e-9);
  const each = Math.min(WIDE, (width - 22) / Math.max(1, differences.length));
  return (
    <div ref={attach}>
      <svg
        width={width}
        height={HIGH}
        className="block"
        role="img"
        aria-label={`${differences.filter((d) => d.by > 0).length} rounds for A, ${differences.filter((d) => d.by < 0).length} for B`}
      >
        <text x="0" y="20" fontSize="15" fontWeight="700">
          A
        </text>
        <text x="0" y={HIGH - 10} fontSize="15" fontWeight="700">
          B
        </text>
        <path d={`M0 ${MIDDLE}H${width}`} stroke="var(--ink)" strokeWidth="2" />
        {differences.map(({ tossedAt, first, by }, i) => {
          const x = 22 + i * each;
          const high = Math.max(4, (Math.abs(by) / most) * (MIDDLE - 6));
          return by === 0 ? (
            <circle key={tossedAt} cx={x + each / 2} cy={MIDDLE} r="4" fill="var(--ink)" />
          ) : (
            <rect
              key={tossedAt}
              x={x + 2}
              y={by > 0 ? MIDDLE - high : MIDDLE}
              width={Math.max(2, each - 4)}
              height={high}
              fill={first === 'B' ? 'url(#against)' : 'var(--ink)'}
              stroke="var(--ink)"
              strokeWidth="1.5"
            />
          );
        })}
      </svg>
    </div>
  );
}
