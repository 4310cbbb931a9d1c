import type { GroundFile } from '@riffle/contract';
import { localPlane, type Position } from '@riffle/core';
import { useMemo } from 'react';
import { Button } from '../ui/Button.tsx';
import { Judgement } from '../ui/Judgement.tsx';
import { useWidth } from '../ui/useWidth.ts';
import { useShow } from '../units/useShow.ts';

type Stretch = GroundFile['stretches'][number];

interface ChooseStretchProps {
  readonly fileName: string;
  readonly stretches: readonly Stretch[];
  readonly onChoose: (stretch: number) => void;
  readonly onBack: () => void;
}

/** Lines of one file that lie apart: the person says which is the ground. */
export function ChooseStretch({ fileName, stretches, onChoose, onBack }: ChooseStretchProps) {
  const show = useShow();
  const apart = useMemo(() => distancesApart_m(stretches), [stretches]);
  return (
    <div className="flex max-w-4xl flex-col gap-5 pt-3">
      <Judgement rests="They lie apart, so they are not joined. Bring the file in again for each that is a ground of its own.">
        Which of these {stretches.length} lines of {fileName} is the ground?
      </Judgement>
      <div className="grid grid-cols-1 gap-6 lg:grid-cols-[1fr_22rem]">
        <ol className="flex flex-col lg:order-2">
          {stretches.map((s, i) => (
            <li key={i} className="border-b border-rule">
              <button
                type="button"
                className="flex min-h-14 w-full items-center gap-3 text-left"
                onClick={() => onChoose(i)}
              >
                <span className="grid size-8 shrink-0 place-items-center border-2 border-ink font-semibold">
                  {i + 1}
                </span>
                <span className="min-w-0">
                  <span className="block font-semibold underline decoration-rule underline-offset-4">
                    {show.distance(s.length_m)}
                    {s.name && `, ${s.name}`}
                  </span>
                  {i > 0 && (
                    <span className="block text-[13px] text-ink-2">{show.distance(apart[i] ?? 0)} from line 1</span>
                  )}
                </span>
              </button>
            </li>
          ))}
        </ol>
        <Sketch stretches={stretches} />
      </div>
      <Button look="quiet" className="self-start" onClick={onBack}>
        Another file
      </Button>
    </div>
  );
}

/** From the first line to each other one, between their nearest ends. */
function distancesApart_m(stretches: readonly Stretch[]): number[] {
  const ends = (s: Stretch | undefined): Position[] => [s?.line[0], s?.line.at(-1)].filter((p) => p !== undefined);
  const first = ends(stretches[0]);
  return stretches.map((s) =>
    Math.min(
      ...first.flatMap((a) => {
        const plane = localPlane(a);
        return ends(s).map((b) => {
          const { x_m, y_m } = plane.toPlane(b);
          return Math.hypot(x_m, y_m);
        });
      }),
    ),
  );
}

const MARGIN = 30;

/** All lines as they lie to each other, north up, each with its number. */
function Sketch({ stretches }: { stretches: readonly Stretch[] }) {
  const [attach, width] = useWidth(600);
  const height = Math.round(Math.max(200, width * 0.6));
  const lines = useMemo(() => {
    const plane = localPlane(stretches[0]?.line[0] ?? [0, 0]);
    const drawn = stretches.map((s) => s.line.map(plane.toPlane));
    const all = drawn.flat();
    const range = (of: (p: (typeof all)[number]) => number): [number, number] => [
      Math.min(...all.map(of)),
      Math.max(...all.map(of)),
    ];
    const [x0, x1] = range((p) => p.x_m);
    const [y0, y1] = range((p) => p.y_m);
    const perMetre = Math.min((width - 2 * MARGIN) / (x1 - x0 || 1), (height - 2 * MARGIN) / (y1 - y0 || 1));
    return drawn.map((points) =>
      points.map(({ x_m, y_m }) => [
        width / 2 + (x_m - (x0 + x1) / 2) * perMetre,
        height / 2 - (y_m - (y0 + y1) / 2) * perMetre,
      ]),
    );
  }, [stretches, width, height]);
  return (
    <div ref={attach} className="min-w-0">
      <svg
        width={width}
        height={height}
        className="block border-[1.4px] border-ink"
        role="img"
        aria-label={`${stretches.length} lines from above`}
      >
        {lines.map((points, i) => (
          <g key={i}>
            <polyline
              points={points.map((p) => p.join(',')).join(' ')}
              fill="none"
              stroke="var(--water)"
              strokeWidth="5"
              strokeLinejoin="round"
              strokeLinecap="round"
            />
            <text
              className="halo"
              x={(points[0]?.[0] ?? 0) + 8}
              y={(points[0]?.[1] ?? 0) - 8}
              fontSize="17"
              fontWeight="700"
            >
              {i + 1}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}
