import type { DayPlan } from '@riffle/core';
import { useWidth } from '../ui/useWidth.ts';
import { clock, lasting } from './dayWords.ts';
import { type Candidate } from '@riffle/core';
import { type TideDay } from '../shore/shoreOf.ts';
import { type DaySky } from './daySky.ts';

interface DayTimelineProps {
  /** Null while it is looked for: light, sea and hours stand already. */
  readonly plan: DayPlan | null;
  readonly places: ReadonlyMap<string, Candidate>;
  readonly start_min: number;
  readonly back_min: number;
  readonly sky: DaySky;
  readonly tide: TideDay | null;
  /** Minutes after midnight, while the day is today's. */
  readonly now_min: number | null;
  readonly picked: string | null;
  readonly onPick: (id: string) => void;
}

const SKY_H = 22;
const TIDE_H = 46;
const ROAD_H = 64;
/** The tag with the hour it is. */
const TAG_W = 72;

/** The day from left to right: light above, water below it, then the walk as a road with each place a block as long as its work. */
export function DayTimeline({
  plan,
  places,
  start_min,
  back_min,
  sky,
  tide,
  now_min,
  picked,
  onPick,
}: DayTimelineProps) {
  const [attach, width] = useWidth();
  const wide = width > 640;
  const from = Math.floor((start_min - 20) / 60) * 60;
  const to = Math.ceil((Math.max(back_min, plan?.back_min ?? 0) + 25) / 60) * 60;
  const x = (m: number): number => 4 + ((m - from) / (to - from)) * (width - 8);
  const held = (m: number): number => x(Math.min(to, Math.max(from, m)));
  const hours = Array.from({ length: (to - from) / 60 + 1 }, (_, i) => from + 60 * i).filter(
    (_, i) => wide || i % 2 === 0,
  );
  const tideTop = SKY_H + 6;
  const roadTop = tideTop + (tide ? TIDE_H + 6 : 0) + (wide ? 22 : 16);
  const roadY = roadTop + ROAD_H / 2;
  const bottom = roadTop + ROAD_H;
  const height = bottom + 26;
  const { sun } = sky;
  const nowAt = now_min !== null && now_min > from && now_min < to ? x(now_min) : null;
  const tagAt = nowAt === null ? null : Math.min(x(to) - TAG_W / 2, Math.max(x(from) + TAG_W / 2, nowAt));
  const isUnderTag = (at: number): boolean => tagAt !== null && Math.abs(at - tagAt) < TAG_W / 2 + 20;
  // Where there is room it stands on the light, not on the hatching; and beside the line of now.
  const lightAt = (wide && sun?.kind === 'rises and sets' ? held(Math.max(from, sun.sunrise_min)) : x(from)) + 8;
  const sunWords_px = wide ? 270 : 122;
  const crossed = nowAt !== null && nowAt > lightAt - 7 && nowAt < lightAt + sunWords_px;
  const fitsAfter = nowAt !== null && nowAt + 7 + sunWords_px < x(back_min) - 95;
  const sunWordsAt = crossed && fitsAfter ? nowAt + 7 : lightAt;

  return (
    <div ref={attach} className="min-w-0">
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        className="block select-none"
        role="group"
        aria-label={`The day from ${clock(start_min)} to ${clock(plan?.back_min ?? back_min)}: ${plan ? `${plan.stops.length} places` : 'no order yet'}`}
      >
        {/* Light: paper by day, hatched before sunrise and after sunset. */}
        <rect x={x(from)} y="0" width={x(to) - x(from)} height={SKY_H} fill="var(--picked)" stroke="var(--rule)" />
        {sun?.kind === 'rises and sets' && (
          <g>
            {sun.sunrise_min > from && (
              <rect
                x={x(from)}
                y="0"
                width={held(sun.sunrise_min) - x(from)}
                height={SKY_H}
                fill="url(#against)"
                fillOpacity="0.75"
              />
            )}
            {sun.sunset_min < to && (
              <rect
                x={held(sun.sunset_min)}
                y="0"
                width={x(to) - held(sun.sunset_min)}
                height={SKY_H}
                fill="url(#against)"
                fillOpacity="0.75"
              />
            )}
            {sun.sunset_min > from && sun.sunset_min < to && (
              <path d={`M${x(sun.sunset_min)} 0V${SKY_H + 4}`} stroke="var(--ink)" strokeWidth="1.6" />
            )}
            <text x={sunWordsAt} y={SKY_H - 7} fontSize="12.5" className="halo">
              sun {clock(sun.sunrise_min)} to {clock(sun.sunset_min)}
              {sky.twilightEnd_min !== null && wide && `, light to walk by until ${clock(sky.twilightEnd_min)}`}
            </text>
          </g>
        )}
        {sun && sun.kind !== 'rises and sets' && (
          <text x={x(from) + 8} y={SKY_H - 7} fontSize="12.5">
            {sun.kind === 'up all day' ? 'the sun does not set' : 'the sun does not rise'}
          </text>
        )}
        {!sun && (
          <text x={x(from) + 8} y={SKY_H - 7} fontSize="12.5" style={{ fill: 'var(--ink-2)' }}>
            no line, so no sunrise: bring in a track or draw the line
          </text>
        )}

        {tide && <TideBand tide={tide} from={from} to={to} x={x} top={tideTop} />}

        <path
          d={`M${x(from)} ${bottom}H${x(to)}${hours.map((h) => `M${x(h)} ${bottom}v5`).join('')}`}
          stroke="var(--ink)"
          strokeWidth="1.2"
        />
        {hours.map(
          (h, i) =>
            !isUnderTag(x(h)) && (
              <text
                key={h}
                x={x(h)}
                y={bottom + 19}
                fontSize="12.5"
                textAnchor={i === 0 ? 'start' : i === hours.length - 1 ? 'end' : 'middle'}
              >
                {clock(h)}
              </text>
            ),
        )}

        {/* The road: a thin line for walking, a gap of dots for waiting. */}
        {plan && <path d={`M${x(start_min)} ${roadY}H${x(plan.back_min)}`} stroke="var(--ink)" strokeWidth="1.6" />}
        <circle cx={x(start_min)} cy={roadY} r="4" fill="var(--ink)" />
        {plan?.stops.map((s, i) => {
          const place = places.get(s.id);
          const [x1, x2] = [x(s.begin_min), x(s.end_min)];
          const isPicked = picked === s.id;
          const w = Math.max(7, x2 - x1);
          const above = wide || w > 60;
          return (
            <g key={s.id} className="cursor-pointer" onClick={() => onPick(s.id)}>
              {s.begin_min - s.arrive_min > 1 && (
                <path
                  d={`M${x(s.arrive_min)} ${roadY}H${x1}`}
                  stroke="var(--water)"
                  strokeWidth="4"
                  strokeDasharray="2 4"
                />
              )}
              {s.rest_min > 0 && (
                <>
                  <path
                    d={`M${x2} ${roadY}H${x(s.end_min + s.rest_min)}`}
                    stroke="var(--gold)"
                    strokeWidth="5"
                    strokeLinecap="round"
                  />
                  {x(s.end_min + s.rest_min) - x2 > 26 && (
                    <text
                      x={(x2 + x(s.end_min + s.rest_min)) / 2}
                      y={roadY + 18}
                      fontSize="12"
                      textAnchor="middle"
                      className="halo"
                    >
                      rest
                    </text>
                  )}
                </>
              )}
              <rect
                x={x1}
                y={roadTop + (isPicked ? 2 : 6)}
                width={w}
                height={ROAD_H - (isPicked ? 4 : 12)}
                fill={s.late ? 'url(#against)' : 'var(--spine)'}
                stroke={s.late ? 'var(--danger)' : 'var(--ink)'}
                strokeWidth={isPicked ? 3.5 : 1.6}
                strokeDasharray={s.late ? '5 3' : undefined}
              />
              <text
                x={x1 + w / 2}
                y={roadY + (above ? -3 : 6)}
                fontSize={w > 24 ? 20 : 14}
                fontWeight="700"
                textAnchor="middle"
                style={{ fontFamily: 'var(--font-serif)' }}
                className={s.late ? 'halo' : ''}
              >
                {i + 1}
              </text>
              {w > 44 && (
                <text
                  x={x1 + w / 2}
                  y={roadY + 15}
                  fontSize="12.5"
                  textAnchor="middle"
                  className={s.late ? 'halo' : ''}
                >
                  {lasting(s.end_min - s.begin_min)}
                </text>
              )}
              {wide && w > 20 && place && (
                <text
                  x={x1 + w / 2}
                  y={roadTop - (i % 2 ? 13 : 1)}
                  fontSize="12"
                  textAnchor="middle"
                  className="halo"
                  style={{ fontFamily: 'var(--font-serif)' }}
                >
                  {shorten(place.name, i % 2 ? 22 : 18)}
                </text>
              )}
            </g>
          );
        })}
        {plan && plan.stops.length > 0 && (
          <path d={`M${x(plan.back_min) - 7} ${roadY - 6}l7 6l-7 6`} fill="none" stroke="var(--ink)" strokeWidth="2" />
        )}

        {/* The hour to be back: the one bar no block may pass. */}
        <path
          d={`M${x(back_min)} 0V${bottom}`}
          stroke={plan && plan.back_min > back_min ? 'var(--danger)' : 'var(--ink)'}
          strokeWidth="4"
        />
        <text x={x(back_min) - 8} y={SKY_H - 7} fontSize="12.5" fontWeight="700" textAnchor="end" className="halo">
          back by {clock(back_min)}
        </text>
        {now_min !== null && nowAt !== null && (
          <g>
            <path d={`M${nowAt} 0V${bottom}`} stroke="var(--water)" strokeWidth="2.4" />
            {/* Under the axis, in place of the hours there. */}
            <g transform={`translate(${tagAt} ${bottom})`}>
              <rect x={-TAG_W / 2} y="4" width={TAG_W} height="20" fill="var(--water)" />
              <text y="18.5" fontSize="12.5" fontWeight="700" textAnchor="middle" style={{ fill: 'var(--paper)' }}>
                now {clock(now_min)}
              </text>
            </g>
          </g>
        )}
      </svg>
    </div>
  );
}

const shorten = (name: string, most: number): string => (name.length <= most ? name : `${name.slice(0, most - 1)}…`);

/** The water over the day, and the stretches it leaves the sand to work. */
function TideBand({
  tide,
  from,
  to,
  x,
  top,
}: {
  tide: TideDay;
  from: number;
  to: number;
  x: (m: number) => number;
  top: number;
}) {
  const minutes = Array.from({ length: 97 }, (_, i) => from + ((to - from) * i) / 96);
  const heights = minutes.map(tide.height_m);
  const low = Math.min(...heights, tide.workBelow_m);
  const high = Math.max(...heights, tide.workBelow_m);
  const y = (h: number): number => top + 4 + (1 - (h - low) / (high - low || 1)) * (TIDE_H - 10);
  const line = minutes.map((m, i) => `${i ? 'L' : 'M'}${x(m).toFixed(1)} ${y(heights[i] ?? 0).toFixed(1)}`).join('');
  const shut = tide.way && gaps(tide.way, from, to);
  const open = tide.work
    .map((w) => ({ from: Math.max(from, w.from_min), to: Math.min(to, w.to_min) }))
    .filter((w) => w.to > w.from);
  return (
    <g>
      <path d={`${line}L${x(to)} ${top + TIDE_H}L${x(from)} ${top + TIDE_H}Z`} fill="var(--water-body)" />
      <path d={line} fill="none" stroke="var(--water)" strokeWidth="2" />
      <path
        d={`M${x(from)} ${y(tide.workBelow_m)}H${x(to)}`}
        stroke="var(--ink)"
        strokeWidth="1"
        strokeDasharray="2 4"
      />
      {open.map((w) => (
        <g key={w.from}>
          <path d={`M${x(w.from)} ${top + TIDE_H}H${x(w.to)}`} stroke="var(--ink)" strokeWidth="4" />
          <text x={(x(w.from) + x(w.to)) / 2} y={top + TIDE_H - 7} fontSize="12.5" textAnchor="middle" className="halo">
            {w.to - w.from < 120 ? '' : 'work the sand '}
            {clock(w.from)}–{clock(w.to)}
          </text>
        </g>
      ))}
      {shut?.map((w) => (
        <g key={w.from}>
          <path
            d={`M${x(w.from)} ${top}H${x(w.to)}V${top + 5}H${x(w.from)}Z`}
            fill="var(--danger)"
            fillOpacity="0.35"
            stroke="var(--danger)"
            strokeWidth="1"
          />
          {x(w.to) - x(w.from) > 80 && (
            <text x={(x(w.from) + x(w.to)) / 2} y={top + 17} fontSize="12.5" textAnchor="middle" className="halo">
              way shut
            </text>
          )}
        </g>
      ))}
    </g>
  );
}

/** What lies between stretches that are open. */
function gaps(open: TideDay['work'], from: number, to: number): { from: number; to: number }[] {
  const edges = [from, ...open.flatMap((w) => [w.from_min, w.to_min]), to];
  return edges.flatMap((edge, i) => {
    const [a, b] = [Math.max(from, edge), Math.min(to, edges[i + 1] ?? to)];
    return i % 2 === 0 && b > a ? [{ from: a, to: b }] : [];
  });
}
