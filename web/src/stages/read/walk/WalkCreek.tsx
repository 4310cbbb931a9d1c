import { aheadBy, handOf } from '@riffle/core';
import { useMemo } from 'react';
import { claimWords } from '../../../ground/claims.ts';
import { creekShape } from '../../../ribbon/creekShape.ts';
import { SignMark } from '../../../ribbon/SignMarks.tsx';
import { stonePath } from '../../../ui/stonePath.ts';
import { useShow } from '../../../units/useShow.ts';
import type { Walk } from './useWalk.ts';

const [WIDE, HIGH] = [358, 236];
/** The creek's own part of the drawing; right of it stand the distances. */
const [MIDDLE, HALF, LABELS_AT] = [84, 26, 186];
const BEHIND_DRAWN_M = 30;
/** As much ahead is drawn as the next few places need, within these. */
const [LEAST_M, MOST_M, NEXT_FEW] = [90, 320, 4];
const LINE_HIGH = 19;
/** A stone for each so many metres, left and right by turns. */
const STONE_EVERY_M = 7;

interface Label {
  readonly ahead_m: number;
  readonly text: string;
  readonly bold: boolean;
  readonly weight: number;
}

/** The stretch ahead as one sees it, the way one walks upward: banks, places by their rank, edges, and how far each is. */
export function WalkCreek({ walk }: { walk: Walk }) {
  const show = useShow();
  const { ground, way, where, ahead, shut, next } = walk;
  const shape = useMemo(() => creekShape(ground), [ground]);
  if (!where) return null;
  const here_m = where.distance_m;
  const far = ahead[Math.min(NEXT_FEW, ahead.length) - 1]?.ahead_m ?? LEAST_M;
  const reach_m = Math.min(MOST_M, Math.max(LEAST_M, far * 1.15));
  const y = (ahead_m: number): number => HIGH - 26 - ((HIGH - 48) * ahead_m) / reach_m;
  const along = (ahead_m: number): number => here_m + (way === 'up' ? ahead_m : -ahead_m);
  // Walking up, the left bank is on the right hand.
  const bend = (ahead_m: number): number => {
    const d = Math.min(ground.length_m, Math.max(0, along(ahead_m)));
    return MIDDLE + shape.bend(d) * (way === 'up' ? 20 : -20);
  };
  const steps = Array.from({ length: 25 }, (_, i) => -BEHIND_DRAWN_M + ((1.15 * reach_m + BEHIND_DRAWN_M) * i) / 24);
  const bank = (side: -1 | 1): string =>
    steps.map((m, i) => `${i ? 'L' : 'M'}${(bend(m) + side * HALF).toFixed(1)} ${y(m).toFixed(1)}`).join('');
  const water = `${bank(-1)}${[...steps]
    .reverse()
    .map((m) => `L${(bend(m) + HALF).toFixed(1)} ${y(m).toFixed(1)}`)
    .join('')}Z`;
  const xOf = (markBank: 'left' | 'right' | 'mid', ahead_m: number): number => {
    const hand = handOf(markBank, way);
    return bend(ahead_m) + (hand === 'left' ? -HALF - 17 : hand === 'right' ? HALF + 17 : 0);
  };
  const inSight = ahead.filter((m) => m.ahead_m <= reach_m * 1.05);
  const edges = shut
    .flatMap((s) => [
      { s, at_m: s.from_m },
      { s, at_m: s.to_m },
    ])
    .map(({ s, at_m }) => ({ s, ahead_m: aheadBy(way, here_m, at_m) }))
    .filter((e) => e.ahead_m > -BEHIND_DRAWN_M && e.ahead_m <= reach_m);
  const labels = spread(
    [
      {
        ahead_m: 0,
        text: where.accuracy_m === null ? 'you' : `you, ±${show.distance(Math.max(1, where.accuracy_m))}`,
        bold: true,
        weight: 9,
      },
      ...inSight.map((m, i) => ({ ahead_m: m.ahead_m, text: m.name, bold: m === next, weight: 8 - i })),
      ...edges.map((e) => ({ ahead_m: e.ahead_m, text: claimWords(e.s), bold: true, weight: 8.5 })),
    ],
    y,
  );
  const stones = Array.from({ length: Math.ceil((reach_m + BEHIND_DRAWN_M) / STONE_EVERY_M) }, (_, i) => {
    // Stones stay where they lie as one walks past them.
    const first = Math.ceil((along(way === 'up' ? -BEHIND_DRAWN_M : reach_m) - 0) / STONE_EVERY_M);
    const seed = first + i;
    const m = aheadBy(way, here_m, seed * STONE_EVERY_M);
    const side = seed % 2 === 0 ? -1 : 1;
    return {
      key: seed,
      d: stonePath(bend(m) + side * (HALF + 9 + ((seed * 7) % 26)), y(m), 5 + (seed % 3), 3.4, seed),
    };
  });
  const flow = way === 'up' ? 1 : -1;
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      className="w-full max-w-[440px] sm:row-span-3"
      role="img"
      aria-label={`Ahead: ${inSight.length === 0 ? 'no marked place' : inSight.map((m) => `${m.name} in ${show.distance(Math.max(0, m.ahead_m))}`).join(', ')}.`}
    >
      <path d={water} fill="var(--water-body)" />
      <path d={bank(-1)} fill="none" stroke="var(--ink)" strokeWidth="1.8" />
      <path d={bank(1)} fill="none" stroke="var(--ink)" strokeWidth="1.8" />
      {stones.map((s) => (
        <path key={s.key} d={s.d} fill="var(--paper)" stroke="var(--ink)" strokeWidth="0.9" />
      ))}
      {[0.3, 0.68].map((share) => {
        const m = reach_m * share;
        return (
          <path
            key={share}
            d={`M${bend(m)} ${y(m) - 13 * flow}v${26 * flow}m-5 ${-8 * flow}l5 ${8 * flow}l5 ${-8 * flow}`}
            fill="none"
            stroke="var(--water)"
            strokeWidth="2.4"
          />
        );
      })}
      {shut.map((s) => {
        const [a, b] = [aheadBy(way, here_m, s.from_m), aheadBy(way, here_m, s.to_m)];
        const [low, high] = [Math.max(-BEHIND_DRAWN_M, Math.min(a, b)), Math.min(reach_m, Math.max(a, b))];
        return high > low ? (
          <rect
            key={s.id}
            x="2"
            width="166"
            y={y(high)}
            height={y(low) - y(high)}
            fill="url(#against)"
            opacity="0.55"
          />
        ) : null;
      })}
      {edges.map((e) => (
        <path
          key={`${e.s.id} ${e.ahead_m}`}
          d={`M2 ${y(e.ahead_m)}H168`}
          stroke="var(--danger)"
          strokeWidth="4"
          strokeDasharray="9 5"
        />
      ))}
      {inSight.map((m) => {
        const [x, top] = [xOf(m.bank, m.ahead_m), y(Math.max(m.ahead_m, -BEHIND_DRAWN_M))];
        const isNext = m === next;
        return (
          <g key={m.id} transform={`translate(${x} ${top})`}>
            {isNext && <circle r="17" fill="var(--paper)" stroke="var(--ink)" strokeWidth="2.6" />}
            {m.kinds[0] && !isNext && <SignMark kind={m.kinds[0]} />}
            <rect
              x="-9"
              y="-9"
              width="18"
              height="18"
              fill={isNext ? 'var(--ink)' : 'var(--paper)'}
              stroke="var(--ink)"
              strokeWidth="1.6"
            />
            <text
              y="5"
              fontSize="14"
              fontWeight="700"
              textAnchor="middle"
              style={{ fill: isNext ? 'var(--paper)' : 'var(--ink)' }}
            >
              {m.rank ?? '·'}
            </text>
          </g>
        );
      })}
      <g transform={`translate(${bend(0)} ${y(0)})`}>
        {where.accuracy_m !== null && (
          <circle
            r={Math.min(60, Math.max(12, (where.accuracy_m / reach_m) * (HIGH - 48)))}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.6"
            strokeDasharray="3 4"
          />
        )}
        <path d="M0 -11L8 9L0 4L-8 9Z" fill="var(--ink)" stroke="var(--paper)" strokeWidth="1.4" />
      </g>
      <path d={`M${LABELS_AT - 10} 8V${HIGH - 8}`} stroke="var(--rule)" strokeWidth="1" />
      {labels.map((l) => (
        <g key={`${l.ahead_m} ${l.text}`}>
          <path
            d={`M${LABELS_AT - 14} ${y(l.ahead_m)}h8L${LABELS_AT} ${l.at}`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.2"
          />
          <text x={LABELS_AT + 52} y={l.at + 5} fontSize="14.5" fontWeight={l.bold ? 700 : 500} textAnchor="end">
            {l.ahead_m === 0 ? '' : show.distance(Math.max(0, l.ahead_m))}
          </text>
          <text x={LABELS_AT + 58} y={l.at + 5} fontSize="14.5" fontWeight={l.bold ? 700 : 500}>
            {fit(l.text, WIDE - LABELS_AT - 58)}
          </text>
        </g>
      ))}
    </svg>
  );
}

/** About the width of a letter at 14.5 px. */
const LETTER = 7.4;
const fit = (words: string, room: number): string => {
  const most = Math.floor(room / LETTER);
  return words.length <= most ? words : `${words.slice(0, most - 1).trimEnd()}…`;
};

/** Labels on lines of their own, each as near its place as the others let it; where they do not all fit, what weighs least goes. */
function spread(labels: readonly Label[], y: (ahead_m: number) => number): (Label & { at: number })[] {
  const most = Math.floor((HIGH - 12) / LINE_HIGH);
  const kept = [...labels].sort((a, b) => b.weight - a.weight).slice(0, most);
  const placed = kept.sort((a, b) => y(a.ahead_m) - y(b.ahead_m)).map((l) => ({ ...l, at: y(l.ahead_m) }));
  for (let i = 0; i < placed.length; i++) {
    const above = placed[i - 1];
    const l = placed[i]!;
    l.at = Math.max(l.at, above ? above.at + LINE_HIGH : 10);
  }
  for (let i = placed.length - 1; i >= 0; i--) {
    const below = placed[i + 1];
    const l = placed[i]!;
    l.at = Math.min(l.at, below ? below.at - LINE_HIGH : HIGH - 10);
  }
  return placed;
}
