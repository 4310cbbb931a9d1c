import type { StoredGround, StoredPit, StoredSign, StoredSpot } from '@riffle/contract';
import { heightAlong } from '@riffle/core';
import { signName } from '../../../ground/signOrder.ts';
import type { Shore } from '../../../shore/shoreOf.ts';
import { useWidth } from '../../../ui/useWidth.ts';
import { useShow } from '../../../units/useShow.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';
import { roughly } from './seaWords.ts';

/** A seam as it lay where it was dug. */
export interface Seam {
  readonly spotId: string;
  readonly name: string;
  readonly distance_m: number;
  readonly dugAt: string;
  readonly cover_m: number;
  readonly seam_m: number;
  /** Share of black sand in it; null where nobody looked. */
  readonly black_percent: number | null;
}

/** The newest pit of each spot with a pay layer marked. */
export function seamsOf(spots: readonly StoredSpot[], pits: readonly StoredPit[]): Seam[] {
  return spots.flatMap((spot): Seam[] => {
    const pit = pits
      .filter((p) => p.spotId === spot.id && p.layers.some((l) => l.pay))
      .sort((a, b) => (a.dugAt < b.dugAt ? 1 : -1))[0];
    if (!pit) return [];
    const first = pit.layers.findIndex((l) => l.pay);
    const pay = pit.layers.filter((l) => l.pay);
    const thick = (layers: readonly { thickness_m: number }[]): number =>
      layers.reduce((sum, l) => sum + l.thickness_m, 0);
    const black = pay.flatMap((l) => (typeof l.blackSand_percent === 'number' ? [l] : []));
    return [
      {
        spotId: spot.id,
        name: spot.name,
        distance_m: spot.distance_m,
        dugAt: pit.dugAt,
        cover_m: thick(pit.layers.slice(0, first)),
        seam_m: thick(pay),
        black_percent:
          black.length === 0
            ? null
            : black.reduce((sum, l) => sum + (l.blackSand_percent ?? 0) * l.thickness_m, 0) / thick(black),
      },
    ];
  });
}

const HEIGHT_H = 150;
const SEAMS_H = 96;
const STORMS_SHOWN = { wide: 3, narrow: 2 } as const;
/** Names nearer than this would touch, px. */
const APART_PX = { wide: 120, narrow: 76 } as const;

/** Heights along the shore as the ribbon runs, the sea below; under it each seam beneath its cover. */
export function ShoreDrawing({
  ground,
  shore,
  signs,
  seams,
  picked,
  onPick,
}: {
  ground: StoredGround;
  shore: Shore;
  signs: readonly StoredSign[];
  seams: readonly Seam[];
  picked: string | null;
  onPick: (spotId: string) => void;
}) {
  const [attach, width] = useWidth();
  const show = useShow();
  const local = useLocalTime();
  const wide = width > 640;
  const [left, right] = wide ? [40, width - 52] : [8, width - 44];
  const x = (d: number): number => right - (d / ground.length_m) * (right - left);
  const { tide } = ground;
  if (!tide) return null;
  const swing_m = tide.constituents
    .filter((c) => c.name === 'M2' || c.name === 'S2')
    .reduce((sum, c) => sum + c.amplitude_m, 0);
  const levels = [
    { at_m: tide.meanLevel_m + swing_m, says: 'springs high', strong: false },
    { at_m: tide.workBelow_m, says: 'sand bare below', strong: true },
    { at_m: tide.meanLevel_m - swing_m, says: 'springs low', strong: false },
  ];
  const storms = shore.storms
    .flatMap((s) => (s.reach ? [{ id: s.reading.id, at_ms: s.at_ms, reach: s.reach }] : []))
    .slice(0, wide ? STORMS_SHOWN.wide : STORMS_SHOWN.narrow);
  const measured = signs.filter((s) => typeof s.height_m === 'number');
  const heights = [
    ...levels.map((l) => l.at_m),
    ...storms.map((s) => s.reach.middle_m),
    ...measured.map((s) => s.height_m ?? 0),
  ];
  const [low, high] = [Math.min(...heights) - 0.55, Math.max(...heights) + 0.45];
  const y = (m: number): number => 8 + (HEIGHT_H - 8) * (1 - (m - low) / (high - low));
  const toe = shore.toe.length > 0 && [0, ...shore.toe.map((t) => t.distance_m).sort((a, b) => a - b), ground.length_m];
  const toeLine =
    toe &&
    toe.map((d, i) => `${i ? 'L' : 'M'}${x(d).toFixed(1)} ${y(heightAlong(shore.toe, d) ?? low).toFixed(1)}`).join('');
  const seamTop = HEIGHT_H + 34;
  const deepest_m = Math.max(0.3, ...seams.map((s) => s.cover_m + s.seam_m));
  const down = (m: number): number => (m / deepest_m) * (SEAMS_H - 30);
  const apart_px = wide ? APART_PX.wide : APART_PX.narrow;
  const named = apart(
    measured.filter((s) => s.kind !== 'berm toe').map((s) => ({ id: s.id, x: x(s.distance_m) })),
    apart_px,
  );
  const seamNamed = apart(
    seams.map((s) => ({ id: s.spotId, x: x(s.distance_m) })),
    apart_px,
  );
  const height = seams.length > 0 ? seamTop + SEAMS_H + 16 : HEIGHT_H + 24;
  return (
    <div ref={attach} className="min-w-0">
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        className="block"
        role="img"
        aria-label={`Heights along ${ground.name}: ${storms.length} storms, ${measured.length} heights measured, ${seams.length} seams`}
      >
        <path
          d={`M${left} ${y(tide.meanLevel_m + swing_m)}H${right}V${HEIGHT_H}H${left}Z`}
          fill="var(--water-body)"
          fillOpacity="0.55"
        />
        <path d={`M${left} ${y(tide.workBelow_m)}H${right}V${HEIGHT_H}H${left}Z`} fill="var(--water-body)" />
        {toeLine && (
          <>
            <path d={`${toeLine}L${left} 8L${right} 8Z`} fill="url(#sand)" fillOpacity="0.8" />
            <path d={toeLine} fill="none" stroke="var(--ink)" strokeWidth="2.2" />
            {wide && (
              <text
                x={left + 6}
                y={y(heightAlong(shore.toe, ground.length_m) ?? low) - 6}
                fontSize="12"
                className="halo"
              >
                toe of the berm
              </text>
            )}
          </>
        )}
        {levels.map((l) => (
          <g key={l.says}>
            <path
              d={`M${left} ${y(l.at_m)}H${right}`}
              stroke="var(--water)"
              strokeWidth={l.strong ? 1.8 : 1}
              strokeDasharray={l.strong ? '8 4' : '2 5'}
            />
            <text
              x={wide ? left + 6 : right - 6}
              y={y(l.at_m) + (l.at_m > tide.workBelow_m ? -4 : 14)}
              fontSize="12"
              textAnchor={wide ? 'start' : 'end'}
              className="halo"
            >
              {l.says}
            </text>
            <text x={right + 4} y={y(l.at_m) + 4} fontSize="12">
              {show.length(l.at_m)}
            </text>
          </g>
        ))}
        {storms.map((s, i) => (
          <g key={s.id}>
            <path
              d={`M${left} ${y(s.reach.middle_m)}H${right}`}
              stroke="var(--danger)"
              strokeWidth={i === 0 ? 2 : 1.2}
              strokeDasharray={i === 0 ? undefined : '3 4'}
            />
            <text
              x={right - 6 - (i * (right - left)) / (wide ? 3.2 : 2)}
              y={y(s.reach.middle_m) - 5}
              fontSize="12"
              textAnchor="end"
              className="halo"
            >
              {local.day(s.at_ms)} to {show.length(roughly(s.reach.middle_m))}
            </text>
          </g>
        ))}
        {measured.map((s) => {
          const [px, py] = [x(s.distance_m), y(s.height_m ?? 0)];
          return (
            <g key={s.id}>
              <path d={`M${px} ${py - 5}l5 5l-5 5l-5 -5Z`} fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.8" />
              {named.has(s.id) && (
                <text x={px} y={py + 19} fontSize="12" textAnchor="middle" className="halo">
                  {signName(s.kind, ground.kind)} {show.length(s.height_m ?? 0)}
                </text>
              )}
            </g>
          );
        })}
        <path d={`M${left} ${HEIGHT_H}H${right}`} stroke="var(--ink)" strokeWidth="1.4" />
        <text x={right} y={HEIGHT_H + 15} fontSize="12" textAnchor="end">
          {show.distance(0)}
        </text>
        <text x={left} y={HEIGHT_H + 15} fontSize="12">
          {show.distance(ground.length_m)} along the shore
        </text>
        {seams.length > 0 && <path d={`M${left} ${seamTop}H${right}`} stroke="var(--ink)" strokeWidth="1.4" />}
        {seams.map((s) => {
          const px = x(s.distance_m);
          const isPicked = s.spotId === picked;
          return (
            <g key={s.spotId} onClick={() => onPick(s.spotId)} className="cursor-pointer">
              <rect
                x={px - 15}
                y={seamTop}
                width="30"
                height={down(s.cover_m)}
                fill="url(#sand)"
                stroke="var(--ink-2)"
                strokeWidth="1"
              />
              <rect
                x={px - 15}
                y={seamTop + down(s.cover_m)}
                width="30"
                height={Math.max(3, down(s.seam_m))}
                fill="var(--ink)"
                fillOpacity={s.black_percent === null ? 0.35 : 0.25 + (0.75 * s.black_percent) / 100}
                stroke={isPicked ? 'var(--gold-fill)' : 'var(--ink)'}
                strokeWidth={isPicked ? 3 : 1.2}
              />
              {seamNamed.has(s.spotId) && (
                <>
                  <text
                    x={px}
                    y={seamTop + down(s.cover_m + s.seam_m) + 16}
                    fontSize="12"
                    textAnchor="middle"
                    className="halo"
                  >
                    {show.smallLength(s.seam_m)}
                    {wide && s.black_percent !== null && `, ${Math.round(s.black_percent)} % black`}
                  </text>
                  <text
                    x={px}
                    y={seamTop - 5}
                    fontSize="12"
                    textAnchor="middle"
                    className="halo"
                    fontWeight={isPicked ? 700 : 400}
                  >
                    {s.name}
                  </text>
                </>
              )}
            </g>
          );
        })}
      </svg>
    </div>
  );
}

/** Which of these have room for their names, walked from one end. */
function apart(marks: readonly { id: string; x: number }[], apart_px: number): ReadonlySet<string> {
  const kept = new Set<string>();
  let last = -Infinity;
  for (const m of [...marks].sort((a, b) => a.x - b.x)) {
    if (m.x - last < apart_px) continue;
    kept.add(m.id);
    last = m.x;
  }
  return kept;
}
