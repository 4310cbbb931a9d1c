import type { Washer } from '@riffle/contract';
import type { WasherSetting } from '@riffle/core';
import { Grip } from '../../../ui/Grip.tsx';
import { stonePath } from '../../../ui/stonePath.ts';
import { useShow } from '../../../units/useShow.ts';

interface WasherSideProps {
  readonly width: number;
  readonly setting: WasherSetting;
  /** Air at the height of a puff, of the middle washer; null while it is weighed. */
  readonly peak_m_s: number | null;
  readonly washer: Washer | null;
  /** The slope advised; null: it stays. */
  readonly advised: number | null;
  readonly onSlope: (slope: number) => void;
}

const [STEEPEST, ABOVE, BELOW] = [0.4, 92, 78] as const;

/** The tray from the side, true to scale: cloth, riffles, and on the uphill side of each the wedge of loose sand with the gold at its foot. Hopper, bellows, motor and air stand about it. */
export function WasherSide({ width, setting, peak_m_s, washer, advised, onSlope }: WasherSideProps) {
  const show = useShow();
  const small = width < 260;
  const [left, right] = small ? [18, width - 14] : [96, width - 108];
  const { length_m, slope, riffle_m, spacing_m } = setting;
  const px = (right - left) / length_m;
  const above = small ? 44 : ABOVE;
  const below = small ? 34 : BELOW;
  const steepest = Math.max(slope, advised ?? 0);
  const tailY = above + steepest * length_m * px + (small ? 6 : 14);
  const floor = tailY + below;
  const height = floor + 26;
  const x = (m: number): number => left + m * px;
  const y = (m: number, s = slope): number => tailY - (length_m - m) * s * px;
  const headY = y(0);
  const riffles = Array.from({ length: Math.floor(length_m / spacing_m) }, (_, i) => (i + 0.85) * spacing_m).filter(
    (m) => m < length_m - 0.01,
  );
  // The loose bed lies level behind its riffle: as far uphill as the riffle is high over the slope.
  const reach_m = Math.min(spacing_m * 0.96, riffle_m / slope);
  const wedge = (m: number): string =>
    `M${x(m)} ${y(m)}L${x(m)} ${y(m) - riffle_m * px}L${x(Math.max(0, m - reach_m))} ${Math.min(y(Math.max(0, m - reach_m)), y(m) - riffle_m * px + reach_m * slope * px)}Z`;
  const puff = peak_m_s === null ? 0 : Math.min(46, 70 * peak_m_s);
  const bellowsY = Math.min(floor - 8, tailY + (small ? 14 : 30));
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      className="block"
      role="group"
      aria-label="The dry washer from the side, to scale"
    >
      <g aria-hidden="true">
        <path d={`M0 ${floor}H${width}V${height - 4}H0Z`} fill="url(#gravel)" />
        <path d={`M0 ${floor}H${width}`} stroke="var(--ink)" strokeWidth="1.1" />
        {/* Legs. */}
        <path
          d={`M${left + 14} ${y(14 / px)}L${left + 2} ${floor}M${left + 26} ${y(26 / px)}L${left + 38} ${floor}M${right - 20} ${y(length_m - 20 / px)}L${right - 30} ${floor}M${right - 10} ${y(length_m - 10 / px)}L${right} ${floor}`}
          stroke="var(--ink)"
          strokeWidth="2"
        />
        {/* What has gone over the end. */}
        <path
          d={`M${right - 6} ${floor}Q${right + 20} ${floor - (small ? 18 : 34)} ${right + 30} ${floor - (small ? 18 : 36)}T${Math.min(width, right + 78)} ${floor}Z`}
          fill="url(#gravel)"
          stroke="var(--ink)"
          strokeWidth="1.1"
        />
        {/* The air box below the cloth. */}
        <path
          d={`M${x(0.02)} ${y(0.02) + 4}L${x(0.04)} ${bellowsY}H${x(length_m - 0.04)}L${x(length_m - 0.02)} ${y(length_m - 0.02) + 4}`}
          fill="var(--picked)"
          stroke="var(--ink)"
          strokeWidth="1.6"
        />
        {setting.drive.kind === 'bellows' ? (
          <path
            d={pleats(x(0.05), x(length_m - 0.05), bellowsY, small ? 8 : 14)}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.4"
          />
        ) : (
          <circle
            cx={x(length_m / 2)}
            cy={bellowsY + 4}
            r={small ? 7 : 12}
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="2"
          />
        )}
        {/* The air through it, as long as it is fast. */}
        {puff > 2 &&
          Array.from({ length: small ? 5 : 9 }, (_, i) => ((i + 0.5) * length_m) / (small ? 5 : 9)).map((m) => (
            <path
              key={m}
              d={`M${x(m)} ${y(m) + 16}v${-puff * (small ? 0.5 : 1) - 10}m-3 6l3 -6l3 6`}
              fill="none"
              stroke="var(--water)"
              strokeWidth="1.5"
            />
          ))}
        {/* Sand behind the riffles, gold and black sand at its foot. */}
        {riffles.map((m, i) => (
          <g key={m}>
            <path d={wedge(m)} fill="url(#gravel)" stroke="var(--ink)" strokeWidth="0.9" />
            <circle cx={x(m) - 3.5} cy={y(m) - 2.5} r={Math.max(1.4, 3 - 0.35 * i)} fill="var(--gold)" />
          </g>
        ))}
        <path
          d={riffles.map((m) => `M${x(m)} ${y(m)}v${-Math.max(5, riffle_m * px)}`).join('')}
          stroke="var(--ink)"
          strokeWidth="3"
        />
        <path d={`M${left} ${headY}L${right} ${tailY}`} stroke="var(--ink)" strokeWidth="4" strokeDasharray="3 1.6" />
        <path
          d={`M${left} ${headY}v${-(small ? 22 : 34)}L${right} ${tailY - (small ? 16 : 24)}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.4"
        />
        {advised !== null && (
          <path
            d={`M${left} ${y(0, advised)}L${right} ${tailY}`}
            stroke="var(--ink)"
            strokeWidth="1.5"
            strokeDasharray="7 5"
          />
        )}
        <Hopper x={left + (small ? 12 : 34)} y={y((small ? 12 : 34) / px)} small={small} />
        {!small && (
          <OneRiffle x={44} y={floor - 52} r={42} slope={slope} reach={Math.min(1.6, riffle_m / slope / spacing_m)} />
        )}
        {!small && <Drive x={x(length_m * 0.5)} y={bellowsY} washer={washer} />}
        {!small && (
          <>
            <path d={`M${left} ${headY}H${right + 36}`} stroke="var(--ink)" strokeWidth="1" strokeDasharray="2 4" />
            <path
              d={`M${right + 32} ${headY}V${tailY}m-5 0h10M${right + 27} ${headY}h10`}
              stroke="var(--ink)"
              strokeWidth="1.6"
            />
            <text
              className="halo"
              x={right + 42}
              y={(headY + tailY) / 2 - 6}
              fontSize="12.5"
              style={{ fill: 'var(--ink-2)' }}
            >
              drop
            </text>
            <text className="halo" x={right + 42} y={(headY + tailY) / 2 + 10} fontSize="15" fontWeight="700">
              {show.smallLength(slope * length_m)}
            </text>
            <text
              className="halo"
              x={(left + right) / 2}
              y={height - 8}
              fontSize="13"
              textAnchor="middle"
              style={{ strokeWidth: 9 }}
            >
              {show.length(length_m)}
            </text>
          </>
        )}
        {!small && peak_m_s !== null && (
          <text
            className="halo"
            x={x(length_m * 0.62)}
            y={y(length_m * 0.62) - puff - 8}
            fontSize="14"
            fontWeight="700"
            style={{ fill: 'var(--water)' }}
          >
            {show.speed(peak_m_s)}
          </text>
        )}
        {advised !== null && (
          <text
            className="halo"
            x={left + 22}
            y={Math.min(headY, y(0, advised)) - (small ? 8 : 12)}
            fontSize={small ? 12 : 15}
            fontWeight="700"
          >
            head {advised > slope ? '+' : '−'}
            {show.smallLength(Math.abs(advised - slope) * length_m)}
          </text>
        )}
      </g>
      <Grip
        x={left}
        y={headY - (small ? 22 : 34)}
        label="Head of the tray"
        value={Math.round(slope * length_m * 1000)}
        min={Math.ceil(0.02 * length_m * 1000)}
        max={Math.round(STEEPEST * length_m * 1000)}
        says={`drop ${show.smallLength(slope * length_m)}, ${show.pitch(slope)}`}
        perPx={0.7}
        step={1}
        onMove={(drop_mm) => onSlope(drop_mm / 1000 / length_m)}
      />
    </svg>
  );
}

/** Folds of the bellows. */
const pleats = (from: number, to: number, y: number, high: number): string =>
  `M${from} ${y}${Array.from({ length: 12 }, (_, i) => `L${from + ((i + 1) * (to - from)) / 13} ${y + (i % 2 ? 2 : high)}`).join('')}L${to} ${y}`;

/** Hopper with its screen over the head of the tray. */
function Hopper({ x, y, small }: { readonly x: number; readonly y: number; readonly small: boolean }) {
  const [wide, high] = small ? [26, 16] : [62, 34];
  const top = y - (small ? 42 : 86);
  return (
    <g>
      <path
        d={`M${x - wide * 0.45} ${top}L${x + wide} ${top - high * 0.25}L${x + wide * 0.55} ${top + high}H${x + wide * 0.15}Z`}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth="1.6"
      />
      <path
        d={`M${x - wide * 0.45} ${top}L${x + wide} ${top - high * 0.25}`}
        stroke="var(--ink)"
        strokeWidth="3.5"
        strokeDasharray="2.5 2.5"
      />
      {!small &&
        [0.1, 0.42, 0.7].map((share, i) => (
          <path
            key={share}
            d={stonePath(x - wide * 0.45 + share * wide * 1.45, top - 7 - i * 3, 7 - i, 5.5 - i, i + 2)}
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="1.3"
          />
        ))}
      <path
        d={`M${x + wide * 0.3} ${top + high}v${small ? 6 : 14}M${x + wide * 0.42} ${top + high}v${small ? 6 : 14}`}
        stroke="var(--ink)"
        strokeWidth="1.2"
        strokeDasharray="1.5 3"
      />
    </g>
  );
}

/** One riffle seen close: the lights creep over it, sand lies loose uphill of it, black sand and gold at its foot. */
function OneRiffle({
  x,
  y,
  r,
  slope,
  reach,
}: {
  readonly x: number;
  readonly y: number;
  readonly r: number;
  readonly slope: number;
  /** How far the wedge reaches, in riffle spacings. */
  readonly reach: number;
}) {
  const foot = 0.3 * r;
  const floorAt = (px: number): number => 0.42 * r + px * slope;
  const high = 0.62 * r;
  const from = Math.max(-1.3 * r, foot - Math.max(0.5, reach) * 1.1 * r);
  return (
    <g transform={`translate(${x} ${y})`}>
      <clipPath id="one-riffle">
        <circle r={r - 1} />
      </clipPath>
      <circle r={r} fill="var(--paper)" />
      <g clipPath="url(#one-riffle)">
        <path
          d={`M${foot} ${floorAt(foot)}V${floorAt(foot) - high}L${from} ${floorAt(from)}Z`}
          fill="url(#gravel)"
          stroke="var(--ink)"
          strokeWidth="1"
        />
        <path d={`M${foot - 1} ${floorAt(foot) - 1}v-9q-9 2 -17 ${7.4}Z`} fill="var(--ink)" />
        {[
          [5, 4],
          [10, 3.4],
          [6, 9],
        ].map(([dx = 0, dy = 0]) => (
          <circle
            key={dx + dy}
            cx={foot - dx}
            cy={floorAt(foot - dx) - dy}
            r="2.3"
            fill="var(--gold)"
            stroke="var(--paper)"
            strokeWidth="0.6"
          />
        ))}
        <path
          d={`M${-r} ${floorAt(-r)}L${r} ${floorAt(r)}`}
          stroke="var(--ink)"
          strokeWidth="3.5"
          strokeDasharray="4 2"
        />
        <path d={`M${foot + 1.5} ${floorAt(foot)}v${-high}`} stroke="var(--ink)" strokeWidth="4" />
        {[-0.7, -0.25, 0.65].map((share) => (
          <path
            key={share}
            d={`M${share * r} ${floorAt(share * r) + 15}v-11m-3 5l3 -5l3 5`}
            fill="none"
            stroke="var(--water)"
            strokeWidth="1.4"
          />
        ))}
        <path
          d={`M${foot - 0.5 * r} ${floorAt(foot) - high - 6}Q${foot} ${floorAt(foot) - high - 15} ${foot + 0.36 * r} ${floorAt(foot) - high + 4}m-7 -3l7 3l1 -8`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
      </g>
      <circle r={r} fill="none" stroke="var(--ink)" strokeWidth="1.6" />
    </g>
  );
}

/** Motor and pulleys, in the ratio they have; a crank where there is no motor. */
function Drive({ x, y, washer }: { readonly x: number; readonly y: number; readonly washer: Washer | null }) {
  if (washer?.drive.kind !== 'bellows') return null;
  const { motor } = washer.drive;
  const driven = 15;
  const turns = motor ? Math.max(3.5, Math.min(driven, (driven * motor.pulley_mm) / motor.drivenPulley_mm)) : 0;
  const cy = y + 26;
  return (
    <g stroke="var(--ink)" fill="var(--paper)">
      <path d={`M${x} ${y + 6}V${cy}`} strokeWidth="3" />
      <circle cx={x} cy={cy} r={driven} strokeWidth="2" />
      <circle cx={x} cy={cy} r="2" fill="var(--ink)" />
      {motor ? (
        <>
          <path
            d={`M${x} ${cy - driven}L${x + 62} ${cy - turns}M${x} ${cy + driven}L${x + 62} ${cy + turns}`}
            strokeWidth="1.4"
          />
          <rect x={x + 56} y={cy - 10} width="34" height="20" strokeWidth="1.6" />
          <circle cx={x + 62} cy={cy} r={turns} strokeWidth="2" />
        </>
      ) : (
        <path d={`M${x} ${cy}l18 12v8`} fill="none" strokeWidth="2.4" />
      )}
    </g>
  );
}
