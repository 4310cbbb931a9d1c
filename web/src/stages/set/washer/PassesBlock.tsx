import type { Spread, WasherSetting, WeighedPass } from '@riffle/core';
import { Link } from '../../../ui/Link.tsx';
import { Block, Gold } from '../../../ui/Judgement.tsx';
import { useWidth } from '../../../ui/useWidth.ts';
import { useShow } from '../../../units/useShow.ts';
import { inTen } from '../../../units/inTen.ts';
import type { WasherOnPage } from './useWasherScreen.ts';

const NAMES = ['First', 'Second', 'Third', 'Fourth'];
/** A pass that pays so often is run. */
const PAYS_OFTEN = 0.5;
const percent = (share: number): string => `${Math.round(100 * share)} %`;
const band = ({ low, high }: Spread): string => `${Math.round(100 * low)}–${Math.round(100 * high)}`;

/** What each pass over the same gravel holds, by size of gold, and whether one more pays. */
export function PassesBlock({ page, setting }: { readonly page: WasherOnPage; readonly setting: WasherSetting }) {
  const [attach, width] = useWidth(420);
  const passes = page.verdict?.passes ?? [];
  return (
    <Block title="Passes" aside="of all the gold fed; each later pass meets what is finer and flatter">
      {passes.length === 0 ? (
        <p className="text-ink-2">None: in such air the sand lies still.</p>
      ) : (
        <>
          <p className="mb-1 font-bold">{howMany(passes, page.worth !== null)}</p>
          <div ref={attach}>
            <PassBars width={width} setting={setting} passes={passes} />
          </div>
          <table className="mt-1 w-full border-collapse text-[13.5px]">
            <thead>
              <tr className="text-left text-ink-2">
                <th scope="col" className="font-normal">
                  pass
                </th>
                <th scope="col" className="font-normal">
                  held so far
                </th>
                <th scope="col" className="font-normal">
                  loses of what it meets
                </th>
                {page.worth !== null && (
                  <th scope="col" className="font-normal">
                    pays
                  </th>
                )}
              </tr>
            </thead>
            <tbody>
              {passes.map((p, i) => (
                <tr key={NAMES[i]} className="border-t border-rule">
                  <th scope="row" className="py-0.5 text-left font-normal">
                    {NAMES[i]?.toLowerCase()}
                  </th>
                  <td>
                    <Gold>
                      {percent(p.heldSoFar.middle)} ({band(p.heldSoFar)})
                    </Gold>
                  </td>
                  <td>
                    {percent(p.lostOfWhatItMeets.middle)} ({band(p.lostOfWhatItMeets)})
                  </td>
                  {p.pays !== null && <td>{inTen(p.pays)}</td>}
                </tr>
              ))}
            </tbody>
          </table>
          <p>
            <Link className="underline underline-offset-4" to={`/g/${page.ground.id}/run/haul`}>
              Or carry it to water?
            </Link>
          </p>
          {page.worth === null && (
            <p className="mt-1 text-[13px] text-ink-2">
              Pick a spot that was panned, and say in{' '}
              <Link className="underline underline-offset-4" to="/settings">
                Settings
              </Link>{' '}
              what a gram and an hour are worth: then it says which pass pays.
            </p>
          )}
        </>
      )}
    </Block>
  );
}

/** How many passes to run, in a sentence. */
function howMany(passes: readonly WeighedPass[], isWorthKnown: boolean): string {
  const [first, second] = passes;
  if (!first || !second) return '';
  const gains = second.heldSoFar.middle - first.heldSoFar.middle;
  if (!isWorthKnown)
    return `A second pass over the tailings brings ${percent(gains)} more of the gold and loses ${percent(second.lostOfWhatItMeets.middle)} of what it meets.`;
  const paying = passes.findIndex((p) => (p.pays ?? 0) <= PAYS_OFTEN);
  if (paying === 0) return 'At this grade not even the first pass brings what an hour is worth to you.';
  const runs = paying === -1 ? passes.length : paying;
  return runs === 1
    ? `Run it once: a second pass brings ${percent(gains)} more, and its hour costs more than that.`
    : `Run it ${runs === 2 ? 'twice' : `${runs} times`}: each pass up to there still brings what its hours are worth.`;
}

/** Of each size a bar: gold held by the first pass, the second, and so on; hatched what no pass holds. */
function PassBars({
  width,
  setting,
  passes,
}: {
  readonly width: number;
  readonly setting: WasherSetting;
  readonly passes: readonly WeighedPass[];
}) {
  const show = useShow();
  const [row, from] = [26, 66];
  const wide = width - from - 46;
  const shown = setting.gold.map((g, k) => ({ size_m: g.size_m, held: passes.map((p) => p.bySize[k] as Spread) }));
  return (
    <svg
      width={width}
      height={row * shown.length + 22}
      className="block"
      role="img"
      aria-label={shown
        .map((s) => `${show.grainSize(s.size_m)}: ${s.held.map((h) => percent(h.middle)).join(', ')}`)
        .join('; ')}
    >
      {shown.map(({ size_m, held }, i) => {
        const top = i * row + 4;
        const last = held.at(-1)?.middle ?? 0;
        const [first] = held;
        return (
          <g key={size_m}>
            <text x={from - 8} y={top + 14} fontSize="13" textAnchor="end" fontWeight="700">
              {show.grainSize(size_m)}
            </text>
            <rect x={from} y={top} width={wide} height="18" fill="url(#against)" opacity="0.35" />
            <rect
              x={from}
              y={top}
              width={wide * last}
              height="18"
              fill="var(--gold-band)"
              stroke="var(--gold)"
              strokeWidth="0.8"
            />
            <rect x={from} y={top} width={wide * (first?.middle ?? 0)} height="18" fill="var(--gold)" />
            {held.slice(1, -1).map((h, n) => (
              <path key={n} d={`M${from + wide * h.middle} ${top}v18`} stroke="var(--gold)" strokeWidth="1.4" />
            ))}
            {first && (
              <path
                d={`M${from + wide * first.low} ${top + 9}H${from + wide * first.high}`}
                stroke="var(--ink)"
                strokeWidth="2"
              />
            )}
            <rect x={from} y={top} width={wide} height="18" fill="none" stroke="var(--ink)" strokeWidth="1.2" />
            <text x={from + wide + 6} y={top + 14} fontSize="13" fontWeight="700" style={{ fill: 'var(--gold)' }}>
              {percent(first?.middle ?? 0)}
            </text>
          </g>
        );
      })}
      <text x={from} y={row * shown.length + 18} fontSize="12" style={{ fill: 'var(--ink-2)' }}>
        full: first pass, its band across; pale: up to the fourth
      </text>
    </svg>
  );
}
