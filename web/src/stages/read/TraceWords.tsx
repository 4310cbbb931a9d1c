import type { StoredSign, StoredSpot } from '@riffle/contract';
import { mustCarry, sourceAbove, sternberg, type Trace, type TracePoint, floatGrows, floatStones } from '@riffle/core';
import { useState } from 'react';
import type { Draw } from '../../ribbon/Ribbon.tsx';
import { useShow, type Show } from '../../units/useShow.ts';

interface TraceWordsProps {
  readonly trace: Trace;
  readonly spots: readonly StoredSpot[];
  readonly signs: readonly StoredSign[];
  readonly tried: readonly TracePoint[];
  readonly draws: readonly Draw[];
}

/** A break surer than this is said; below it only the last pay and the first blank are. */
const TELLS = 0.3;

/** The trail of colors and float in two sentences: where they stop, and what joins the creek there. */
export function TraceWords({ trace, spots, signs, tried, draws }: TraceWordsProps) {
  const show = useShow();
  const name = (id: string): string => spots.find((s) => s.id === id)?.name ?? 'a spot since removed';
  const float = floatTrend(signs, show);
  return (
    <div className="flex flex-col gap-1.5">
      <p>
        {trace.kind === 'none' ? (
          trace.reason
        ) : trace.certainty >= TELLS ? (
          <>
            <b>
              Colors stop between {name(trace.below.id)} and {name(trace.above.id)}
            </b>
            , {show.distance(trace.below.distance_m)} to {show.distance(trace.above.distance_m)}:{' '}
            {certaintyWords(trace.certainty)}. {joinsThere(trace.below, trace.above, spots)} Last pay{' '}
            {name(trace.lastPay.id)}
            {trace.firstBlank ? `, first blank above it ${name(trace.firstBlank.id)}` : ', and no blank above it yet'}.
          </>
        ) : trace.firstBlank ? (
          <>
            <b>
              Last pay {name(trace.lastPay.id)}, first blank above it {name(trace.firstBlank.id)}
            </b>
            , {show.distance(trace.lastPay.distance_m)} to {show.distance(trace.firstBlank.distance_m)}. The pans cannot
            tell yet whether colors stop there. {joinsThere(trace.lastPay, trace.firstBlank, spots)}
          </>
        ) : (
          <>
            <b>Colors go on up past {name(trace.lastPay.id)}</b>: walk on and pan above it.
          </>
        )}
      </p>
      {float && <p>{float}</p>}
      <Mixing tried={tried} spots={spots} draws={draws} />
      <p className="text-[13px] text-ink-2">
        {trace.kind === 'break'
          ? 'A blank mouth lowers a draw, it does not condemn it: pan each side draw in that stretch, then climb it.'
          : ''}
      </p>
    </div>
  );
}

const certaintyWords = (c: number): string =>
  c > 0.8
    ? `${Math.round(c * 100)} chances in 100`
    : c > 0.4
      ? `likely, ${Math.round(c * 100)} in 100`
      : `a guess, ${Math.round(c * 100)} in 100`;

/** Draw mouths in or at the ends of a stretch. */
function joinsThere(below: TracePoint, above: TracePoint, spots: readonly StoredSpot[]): string {
  const mouths = spots.filter(
    (s) => s.kind === 'draw mouth' && s.distance_m >= below.distance_m - 5 && s.distance_m <= above.distance_m + 5,
  );
  return mouths.length === 0
    ? 'No draw is marked there: look at the banks.'
    : `${mouths.map((m) => m.name).join(' and ')} ${mouths.length === 1 ? 'joins' : 'join'} there: try ${mouths.length === 1 ? 'it' : 'them'} first.`;
}

/** Size in which quartz is taken to leave its vein. Common practice, no source: blocks of a hand or two. */
const LEAVES_VEIN_MM = 250;

/** Is a draw's water and gravel enough to explain the drop at its mouth? What it would have to carry, and what its own pans say. */
function Mixing({
  tried,
  spots,
  draws,
}: {
  tried: readonly TracePoint[];
  spots: readonly StoredSpot[];
  draws: readonly Draw[];
}) {
  const show = useShow();
  const [share, setShare] = useState('15');
  const mouths = [
    ...spots.filter((s) => s.kind === 'draw mouth').map((s) => ({ name: s.name, distance_m: s.distance_m })),
    ...draws,
  ].filter((m, i, all) => all.findIndex((o) => Math.abs(o.distance_m - m.distance_m) < 25) === i);
  const percent = Number(share.replace(',', '.'));
  const rate = (points: readonly TracePoint[]): number | null =>
    points.length === 0
      ? null
      : points.reduce((s, p) => s + p.colors, 0) / points.reduce((s, p) => s + p.volumeBank_L, 0);
  const said = mouths.flatMap((m) => {
    const below = rate(
      tried
        .filter((p) => p.distance_m < m.distance_m - 10)
        .sort((a, b) => b.distance_m - a.distance_m)
        .slice(0, 3),
    );
    const above = rate(
      tried
        .filter((p) => p.distance_m > m.distance_m + 10)
        .sort((a, b) => a.distance_m - b.distance_m)
        .slice(0, 3),
    );
    if (below === null || above === null || below <= above || !(percent >= 1 && percent <= 90)) return [];
    return [
      { name: m.name, below, above, needs: mustCarry({ flow: 100 - percent, concentration: above }, percent, below) },
    ];
  });
  if (said.length === 0) return null;
  const in10 = (perLitre: number): string => `${(10 * perLitre).toFixed(1)} colors in ${show.volume(10)}`;
  return (
    <p>
      {said.map((m) => (
        <span key={m.name}>
          <b>{m.name}</b>: {in10(m.below)} in the three places below it, {in10(m.above)} above. To make that difference
          it must carry {in10(m.needs)}: pan it and see.{' '}
        </span>
      ))}
      <label className="text-[13px] whitespace-nowrap text-ink-2">
        A draw brings{' '}
        <input
          className="written w-14 text-right"
          inputMode="decimal"
          aria-label="Share of the water and gravel a draw brings, percent"
          aria-invalid={!(percent >= 1 && percent <= 90)}
          value={share}
          onChange={(e) => setShare(e.target.value)}
        />{' '}
        % of water and gravel
      </label>
      {!(percent >= 1 && percent <= 90) && (
        <span className="block text-[12.5px] text-danger">▲ Between 1 and 90 %.</span>
      )}
    </p>
  );
}

/** Float that grows upstream points up; said only when the fit's band leaves no doubt of its direction. */
function floatTrend(signs: readonly StoredSign[], { distance, smallLength }: Show): string | null {
  const stones = floatStones(signs);
  if (new Set(stones.map((s) => s.downstream_m)).size < 3) return null;
  if (!floatGrows(signs)) return 'Float shows no clear trend in size yet.';
  const { alpha_per_m } = sternberg(stones);
  const largest = Math.max(...stones.map((s) => s.size_mm));
  const above = largest < LEAVES_VEIN_MM ? sourceAbove(sternberg(stones), largest, LEAVES_VEIN_MM) : null;
  const vein = above
    ? `: ${distance(above.low_m)} to ${above.high_m < 20_000 ? distance(above.high_m) : 'far more'} above it, if pieces leave the vein ${smallLength(LEAVES_VEIN_MM / 1000)} large`
    : '';
  return `Float grows upstream: it doubles about every ${distance(Math.round(Math.LN2 / alpha_per_m / 10) * 10)}, so its source lies above the largest${vein}.`;
}
