import type { StoredGround, StoredSign, StoredSpot } from '@riffle/contract';
import {
  floatTrend,
  LEAVES_VEIN_MM,
  mouthsThatFeed,
  mouthsWithin,
  type FloatTrend,
  type Mouth,
  type MouthNeeds,
  type Trace,
  type TracePoint,
} from '@riffle/core';
import { useState } from 'react';
import { useShow, type Show } from '../../units/useShow.ts';
import { numberTyped } from '../../units/numberTyped.ts';

interface TraceWordsProps {
  readonly ground: StoredGround;
  readonly trace: Trace;
  readonly spots: readonly StoredSpot[];
  readonly signs: readonly StoredSign[];
  readonly tried: readonly TracePoint[];
  readonly mouths: readonly Mouth[];
}

/** The trail of colors and float in two sentences: where they stop, and what joins the creek there. */
export function TraceWords({ ground, trace, spots, signs, tried, mouths }: TraceWordsProps) {
  const show = useShow();
  const name = (id: string): string => spots.find((s) => s.id === id)?.name ?? 'a spot since removed';
  const float = floatWords(floatTrend(signs, mouths, ground.length_m), show);
  return (
    <div className="flex flex-col gap-1.5">
      <p>
        {trace.kind === 'none' ? (
          trace.reason
        ) : trace.kind === 'fade' ? (
          <>
            <b>Colors thin out by degrees</b> going up, to about {Math.max(1, Math.round(100 * trace.left))} % of what
            the lowest places show; they stop nowhere yet. Gold that fades comes from far, or from more than one place:
            pan on up, and every draw.
          </>
        ) : (
          <>
            <b>
              Colors stop between {name(trace.below.id)} and {name(trace.above.id)}
            </b>
            , {show.distance(trace.below.distance_m)} to {show.distance(trace.above.distance_m)}:{' '}
            {certaintyWords(trace.certainty)}. {joinsThere(trace.below, trace.above, mouths)} Last pay{' '}
            {name(trace.lastPay.id)}
            {trace.firstBlank ? `, first blank above it ${name(trace.firstBlank.id)}` : ', and no blank above it yet'}.
          </>
        )}
      </p>
      {float && <p>{float}</p>}
      <Feeding tried={tried} mouths={mouths} />
      <p className="text-[13px] text-ink-2">
        {trace.kind === 'break'
          ? 'A blank mouth lowers a draw, it does not condemn it: pan each side draw in that stretch, then climb it.'
          : ''}
      </p>
    </div>
  );
}

const certaintyWords = (c: number): string => `${Math.round(c * 100)} chances in 100`;

/** Draw mouths in or at the ends of a stretch. */
function joinsThere(below: TracePoint, above: TracePoint, mouths: readonly Mouth[]): string {
  const there = mouthsWithin(mouths, below.distance_m, above.distance_m);
  const blank = there.filter((m) => m.own?.colors === 0);
  const first = there.filter((m) => !blank.includes(m));
  if (there.length === 0) return 'No draw is marked there: look at the banks.';
  const names = (some: readonly Mouth[]): string => some.map((m) => m.name).join(' and ');
  return [
    first.length > 0 &&
      `${capital(names(first))} ${first.length === 1 ? 'joins' : 'join'} there: try ${first.length === 1 ? 'it' : 'them'} first.`,
    blank.length > 0 &&
      `${capital(names(blank))} ${blank.length === 1 ? 'joins' : 'join'} there too; ${blank.length === 1 ? 'its mouth was' : 'their mouths were'} blank.`,
  ]
    .filter(Boolean)
    .join(' ');
}
const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);

/** Draws that must bring gold, for the pans below and above their mouths differ beyond luck; and what their own pans say to it. */
function Feeding({ tried, mouths }: { tried: readonly TracePoint[]; mouths: readonly Mouth[] }) {
  const show = useShow();
  const [share, setShare] = useState('15');
  const percent = numberTyped(share);
  const isShare = percent >= 1 && percent <= 90;
  const feeding = mouthsThatFeed(mouths, tried, isShare ? percent / 100 : 0.15);
  if (feeding.length === 0) return null;
  const in10 = (perLitre: number): string => (10 * perLitre).toFixed(1);
  return (
    <p>
      {feeding.map((f) => (
        <span key={`${f.mouth.name} ${f.mouth.distance_m}`}>
          <b>{capital(f.mouth.name)}</b>: {in10(f.below)} colors in {show.volume(10)} below it, {in10(f.above)} above.
          To make that difference it must carry {in10(f.needs.middle)} ({in10(f.needs.low)}–{in10(f.needs.high)}).{' '}
          {ownWords(f)}{' '}
        </span>
      ))}
      <label className="text-[13px] whitespace-nowrap text-ink-2">
        A draw brings{' '}
        <input
          className="written w-14 text-right"
          inputMode="decimal"
          aria-label="Share of the water and gravel a draw brings, percent"
          aria-invalid={!isShare}
          value={share}
          onChange={(e) => setShare(e.target.value)}
        />{' '}
        % of water and gravel
      </label>
      {!isShare && <span className="block text-[12.5px] text-danger">▲ Between 1 and 90 %.</span>}
    </p>
  );
}

function ownWords({ own, mouth }: MouthNeeds): string {
  const pans = mouth.own && `${mouth.own.colors === 1 ? '1 color' : `${mouth.own.colors} colors`}`;
  switch (own) {
    case 'carries it':
      return `Its own pans, ${pans}, bear that out: climb it.`;
    case 'too poor for it':
      return `Its own pans, ${pans}, are too poor for that: look at the other bank and the bed above it.`;
    case 'may carry it':
      return `Its own pans, ${pans}, do not rule it out: pan it again.`;
    case null:
      return 'Pan it and see.';
  }
}

/** Float that grows upstream points up; said only when the fit's band leaves no doubt of its direction. */
function floatWords(trend: FloatTrend, { distance, smallLength }: Show): string | null {
  if (trend.kind === 'too few') return null;
  if (trend.kind === 'no trend') return 'Float shows no clear trend in size yet.';
  const { above, draw } = trend;
  const grows = `Float grows upstream: it doubles about every ${distance(Math.round(trend.doubles_m / 10) * 10)}`;
  if (draw)
    return `${grows}, and the largest lies where ${draw.name} joins: it may have come out of there, so look up the draw before going on.`;
  if (!above) return `${grows}, and the largest is as large as it leaves a vein: its source is near.`;
  const far = `${distance(above.low_m)} to ${above.high_m < 20_000 ? distance(above.high_m) : 'far more'} above the largest, if pieces leave the vein ${smallLength(LEAVES_VEIN_MM / 1000)} large`;
  return trend.beyondTheLine
    ? `${grows}. Its source lies ${far}: past the upper end of this line.`
    : `${grows}, so its source lies ${far}.`;
}
