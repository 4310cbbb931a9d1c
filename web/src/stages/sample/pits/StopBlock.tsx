import { breakEven, MATERIALS, type HandPace, type HourAtDepth } from '@riffle/core';
import { Link } from '../../../ui/Link.tsx';
import { usePreferences } from '../../../preferences/preferences.ts';
import { inTen } from '../../../reading/inTen.ts';
import { moneyText } from '../../../units/moneyText.ts';
import { Grip } from '../../../ui/Grip.tsx';
import { Block, Gold } from '../../../ui/Judgement.tsx';
import { useSayHour } from '../../../units/useSayHour.ts';
import { useShow } from '../../../units/useShow.ts';
import { HATCH } from './hatches.ts';
import type { PitOnPage } from './usePit.ts';
import { whatToDo } from './whatToDo.ts';

const [LEFT, HOLE, TOP, HEIGHT, CURVE, RIGHT] = [44, 34, 20, 300, 92, 328];

/** What an hour brings by how deep one stops, beside the hole: where the curve is farthest out, stopping pays best. The bar can be dragged. */
export function StopBlock({ page }: { page: PitOnPage }) {
  const { byHour, stop, setStop } = page;
  const show = useShow();
  const say = useSayHour();
  if (!byHour || !stop || byHour.curve.length === 0) return null;
  const isBest = Math.abs(stop.depth_m - byHour.best.depth_m) < 0.005;
  return (
    <Block title="Where stopping pays" aside="gold an hour, all that is moved counted">
      <StopCurve page={page} curve={byHour.curve} stop={stop} />
      <p className="mt-1">
        {isBest ? 'Stop' : 'Stopping'} at <b>{show.length(stop.depth_m)}</b>: <Gold>{say.gold(stop)}</Gold>.{' '}
        {whatToDo(page, stop)} {Number(stop.hours.toPrecision(2))} hours a square metre.{' '}
        {!isBest && (
          <button
            type="button"
            className="min-h-11 underline underline-offset-4"
            onClick={() => setStop(byHour.best.depth_m)}
          >
            Back to the best
          </button>
        )}
      </p>
      <BreakEven page={page} stop={stop} />
      <PaceWords pace={page.pace} />
    </Block>
  );
}

function StopCurve({ page, curve, stop }: { page: PitOnPage; curve: readonly HourAtDepth[]; stop: HourAtDepth }) {
  const show = useShow();
  const { layers } = page.inHand.draft;
  const deepest_m = curve.at(-1)?.depth_m ?? 1;
  const most = Math.max(...curve.map((c) => Math.min(c.high_mg_h, 3 * (c.gold_mg_h ?? c.high_mg_h)))) || 1;
  const y = (m: number): number => TOP + (m / deepest_m) * (HEIGHT - TOP - 34);
  const x = (mg: number): number => CURVE + Math.min(1.02, mg / most) * (RIGHT - CURVE);
  const said = curve.filter((c) => c.gold_mg_h !== null);
  const path = (of: (c: HourAtDepth) => number, some = said): string =>
    some.map((c) => `${x(of(c)).toFixed(1)} ${y(c.depth_m).toFixed(1)}`).join('L');
  const tops = layers.reduce<number[]>((t, l) => [...t, (t.at(-1) ?? 0) + l.thickness_m], [0]);
  const ticks = [0, most / 2, most];
  return (
    <svg
      viewBox={`0 0 340 ${HEIGHT}`}
      className="mx-auto block w-full max-w-[24rem] select-none"
      role="group"
      aria-label={`Gold an hour by how deep one stops, down to ${show.length(deepest_m)}`}
    >
      {layers.map((l, i) => (
        <rect
          key={l.id}
          x={LEFT}
          y={y(tops[i] ?? 0)}
          width={HOLE}
          height={Math.max(0, y(tops[i + 1] ?? 0) - y(tops[i] ?? 0))}
          fill={HATCH[l.material]}
          stroke="var(--ink)"
          strokeWidth="1.3"
          opacity={(tops[i] ?? 0) < stop.depth_m - 1e-6 ? 1 : 0.35}
        >
          <title>{MATERIALS[l.material].says}</title>
        </rect>
      ))}
      {stop.washed.map((i) => (
        <path
          key={i}
          d={`M${LEFT + HOLE + 4} ${y(tops[i] ?? 0) + 2}h5V${y(Math.min(stop.depth_m, tops[i + 1] ?? 0)) - 2}h-5`}
          fill="none"
          stroke="var(--gold)"
          strokeWidth="2.2"
        />
      ))}
      <path
        d={`M${CURVE} ${TOP}V${y(deepest_m)}H${RIGHT}${ticks.map((t) => `M${x(t)} ${y(deepest_m)}v5`).join('')}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.2"
      />
      {ticks.map((t) => (
        <text
          key={t}
          x={x(t)}
          y={y(deepest_m) + 19}
          fontSize="12"
          textAnchor={t === most ? 'end' : t === 0 ? 'start' : 'middle'}
        >
          {t === most ? `${show.gold(t)} an hour` : show.figure('gold', t).digits}
        </text>
      ))}
      {said.length > 1 && (
        <>
          <path
            d={`M${path((c) => c.low_mg_h)}L${path((c) => c.high_mg_h, [...said].reverse())}Z`}
            fill="var(--gold-band)"
            opacity="0.55"
          />
          <path d={`M${path((c) => c.gold_mg_h ?? 0)}`} fill="none" stroke="var(--gold)" strokeWidth="2.6" />
        </>
      )}
      <path d={`M${LEFT - 6} ${y(stop.depth_m)}H${RIGHT}`} stroke="var(--ink)" strokeWidth="2" strokeDasharray="6 4" />
      {stop.gold_mg_h !== null && (
        <circle
          cx={x(stop.gold_mg_h)}
          cy={y(stop.depth_m)}
          r="6"
          fill="var(--gold-fill)"
          stroke="var(--gold)"
          strokeWidth="1.5"
        />
      )}
      <text x={LEFT - 10} y={y(stop.depth_m) + 4} fontSize="13" fontWeight="700" textAnchor="end">
        {show.length(stop.depth_m)}
      </text>
      <Grip
        x={RIGHT - 14}
        y={y(stop.depth_m)}
        label="How deep to dig"
        value={-stop.depth_m}
        min={-deepest_m}
        max={-(curve[0]?.depth_m ?? 0)}
        says={show.length(stop.depth_m)}
        perPx={deepest_m / (HEIGHT - TOP - 34)}
        step={0.01}
        onMove={(v) => page.setStop(-v)}
      />
    </svg>
  );
}

/** What the ground must have for an hour to bring what this person wants of one, and how likely it has. */
function BreakEven({ page: { pace }, stop }: { page: PitOnPage; stop: HourAtDepth }) {
  const show = useShow();
  const { pricePerGram, money, hourMustBring } = usePreferences().preferences;
  if (pricePerGram === null || hourMustBring === null)
    return (
      <p>
        <Link className="inline-block min-h-11 content-center underline underline-offset-4" to="/settings">
          Say what an hour has to bring
        </Link>
        , and Riffle says whether it does.
      </p>
    );
  const { grade_mg_L, chance } = breakEven(stop, (1000 * hourMustBring) / pricePerGram, pace);
  const price = stop.gold_mg_h === null ? null : (1000 * hourMustBring) / stop.gold_mg_h;
  return (
    <p>
      {moneyText(hourMustBring, money)} an hour takes {show.grade(grade_mg_L)} over all of it, {inTen(chance)} that it
      is there{price !== null && `; or gold at ${moneyText(Math.round(price), money)} a gram`}.
    </p>
  );
}

/** The pace the hours rest on, and whose it is. */
function PaceWords({ pace }: { pace: HandPace }) {
  const show = useShow();
  return (
    <p className="text-[13px] text-ink-2">
      {pace.from_h > 0 ? `By your own ${Math.round(pace.from_h)} hours at the box` : 'By what is usual by hand'}:{' '}
      {show.throughput(1 / pace.wash_h_m3)} dug and washed, {show.throughput(1 / pace.strip_h_m3)} cast aside
      {pace.carry_h_m3 > 0 && `, ${pace.carry_h_m3.toFixed(1)} h for each m³ carried to the water`}. Gold in the gravel,
      before a box loses any.
    </p>
  );
}
