import type { StoredSign, StoredSpot } from '@riffle/contract';
import { sternberg, type Trace, type TracePoint } from '@riffle/core';
import { useShow } from '../../units/useShow.ts';
import { floatGrows, floatStones } from '../../reading/useTrace.ts';

interface TraceWordsProps {
  readonly trace: Trace;
  readonly spots: readonly StoredSpot[];
  readonly signs: readonly StoredSign[];
}

/** A break surer than this is said; below it only the last pay and the first blank are. */
const TELLS = 0.3;

/** The trail of colors and float in two sentences: where they stop, and what joins the creek there. */
export function TraceWords({ trace, spots, signs }: TraceWordsProps) {
  const show = useShow();
  const name = (id: string): string => spots.find((s) => s.id === id)?.name ?? 'a spot since removed';
  const float = floatTrend(signs, show.distance);
  return (
    <div className="flex flex-col gap-1.5">
      <p>{trace.kind === 'none' ? trace.reason : trace.certainty >= TELLS ? (
        <>
          <b>Colors stop between {name(trace.below.id)} and {name(trace.above.id)}</b>, {show.distance(trace.below.distance_m)} to {show.distance(trace.above.distance_m)}: {certaintyWords(trace.certainty)}. {joinsThere(trace.below, trace.above, spots)} Last pay {name(trace.lastPay.id)}{trace.firstBlank ? `, first blank above it ${name(trace.firstBlank.id)}` : ', and no blank above it yet'}.
        </>
      ) : trace.firstBlank ? (
        <>
          <b>Last pay {name(trace.lastPay.id)}, first blank above it {name(trace.firstBlank.id)}</b>, {show.distance(trace.lastPay.distance_m)} to {show.distance(trace.firstBlank.distance_m)}. The pans cannot tell yet whether colors stop there. {joinsThere(trace.lastPay, trace.firstBlank, spots)}
        </>
      ) : <><b>Colors go on up past {name(trace.lastPay.id)}</b>: walk on and pan above it.</>}</p>
      {float && <p>{float}</p>}
      <p className="text-[13px] text-ink-2">{trace.kind === 'break' ? 'A blank mouth lowers a draw, it does not condemn it: pan each side draw in that stretch, then climb it.' : ''}</p>
    </div>
  );
}

const certaintyWords = (c: number): string => (c > 0.8 ? `${Math.round(c * 100)} chances in 100` : c > 0.4 ? `likely, ${Math.round(c * 100)} in 100` : `a guess, ${Math.round(c * 100)} in 100`);

/** Draw mouths in or at the ends of a stretch. */
function joinsThere(below: TracePoint, above: TracePoint, spots: readonly StoredSpot[]): string {
  const mouths = spots.filter((s) => s.kind === 'draw mouth' && s.distance_m >= below.distance_m - 5 && s.distance_m <= above.distance_m + 5);
  return mouths.length === 0 ? 'No draw is marked there: look at the banks.' : `${mouths.map((m) => m.name).join(' and ')} ${mouths.length === 1 ? 'joins' : 'join'} there: try ${mouths.length === 1 ? 'it' : 'them'} first.`;
}

/** Float that grows upstream points up; said only when the fit's band leaves no doubt of its direction. */
function floatTrend(signs: readonly StoredSign[], distance: (m: number) => string): string | null {
  const stones = floatStones(signs);
  if (new Set(stones.map((s) => s.downstream_m)).size < 3) return null;
  if (!floatGrows(signs)) return 'Float shows no clear trend in size yet.';
  const { alpha_per_m } = sternberg(stones);
  return `Float grows upstream: it doubles about every ${distance(Math.round(Math.LN2 / alpha_per_m / 10) * 10)}, so its source lies above the largest.`;
}
