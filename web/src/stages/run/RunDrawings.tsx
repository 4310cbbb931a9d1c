import { useWidth } from '../../ui/useWidth.ts';
import { clockText } from './useOpenRun.ts';

/** The bucket that holds the count. */
export function BucketCount({ count }: { count: number }) {
  return (
    <svg
      viewBox="0 0 140 165"
      width="140"
      height="165"
      role="img"
      aria-label={`${count} buckets`}
      className="shrink-0 [contain:strict]"
    >
      <path
        d="M7 16L22 158H118L133 16"
        fill="var(--picked)"
        stroke="var(--ink)"
        strokeWidth="3.6"
        strokeLinejoin="round"
      />
      <ellipse cx="70" cy="16" rx="63" ry="11" fill="var(--paper)" stroke="var(--ink)" strokeWidth="3.6" />
      <path d="M12 64h14M17 110h12" stroke="var(--ink)" strokeWidth="3" />
      <text x="70" y="128" fontSize={count > 99 ? 58 : count > 9 ? 82 : 100} fontWeight="800" textAnchor="middle">
        {count}
      </text>
    </svg>
  );
}

/** Pace against the one the box is safely fed at: ink to the pace, hatched from where riffles may pack. */
export function PaceBar({ pace_ms, safe_ms }: { pace_ms: number; safe_ms: number }) {
  const [attach, width] = useWidth(358);
  const share = safe_ms / pace_ms;
  const end = Math.min(1.35, share);
  const x = (s: number): number => 2 + (s / 1.4) * (width - 4);
  return (
    <div ref={attach}>
      <svg
        width={width}
        height="60"
        viewBox={`0 0 ${width} 60`}
        className="block"
        role="img"
        aria-label={`Feeding ${Math.round(share * 100)} % of what the box safely takes`}
      >
        <rect x={x(0)} y="14" width={x(end) - x(0)} height="22" fill="var(--ink)" />
        <rect x={x(1)} y="14" width={x(1.4) - x(1)} height="22" fill="url(#against)" />
        {share > 1 && <rect x={x(1)} y="14" width={x(end) - x(1)} height="22" fill="var(--ink)" opacity="0.82" />}
        <rect x={x(0)} y="14" width={x(1.4) - x(0)} height="22" fill="none" stroke="var(--ink)" strokeWidth="2.4" />
        <path d={`M${x(end) - 9} 0h18l-9 12z`} fill="var(--ink)" />
        <path d={`M${x(1)} 10v30`} stroke="var(--ink)" strokeWidth="2.4" />
        <text x={x(0)} y="54" fontSize="14">
          slack
        </text>
        <text x={x(1) + 14} y="54" fontSize="14" textAnchor="end">
          takes one in {clockText(safe_ms)}
        </text>
        <text x={x(1.4)} y="54" fontSize="14" textAnchor="end">
          may pack
        </text>
      </svg>
    </div>
  );
}

export const BucketGlyph = () => (
  <svg
    viewBox="0 0 64 84"
    width="56"
    height="74"
    aria-hidden="true"
    fill="none"
    stroke="currentColor"
    strokeWidth="3.4"
    strokeLinejoin="round"
  >
    <path d="M6 32L13 80H51L58 32" />
    <ellipse cx="32" cy="32" rx="26" ry="6" />
    <path d="M6 31C6 -4 58 -4 58 31" />
  </svg>
);
export const UndoGlyph = () => (
  <svg
    viewBox="0 0 32 22"
    width="30"
    height="20"
    aria-hidden="true"
    fill="none"
    stroke="currentColor"
    strokeWidth="2.4"
    strokeLinecap="round"
    strokeLinejoin="round"
  >
    <path d="M9 2L2 8l7 6M2 8h18c12 0 12 12 2 12" />
  </svg>
);
/** Water meeting a board. */
export const StopGlyph = () => (
  <svg
    viewBox="0 0 50 44"
    width="38"
    height="33"
    aria-hidden="true"
    fill="none"
    stroke="currentColor"
    strokeWidth="2.8"
    strokeLinecap="round"
  >
    <path d="M2 10c6-6 10 6 16 0s8 4 12 0M2 22c6-6 10 6 16 0s8 4 12 0M2 34c6-6 10 6 16 0s8 4 12 0" />
    <path d="M40 3v38" strokeWidth="5" />
  </svg>
);
