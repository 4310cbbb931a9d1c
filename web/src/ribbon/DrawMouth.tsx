import type { BandLevels } from './across.ts';

/** A draw comes in over its bank; its name is underlined, since it opens. */
export function DrawMouth({
  x,
  levels,
  bank,
  reach,
  label,
  y,
}: {
  x: number;
  levels: BandLevels;
  bank: 'left' | 'right';
  reach: number;
  label: { x: number; text: string } | undefined;
  y: number;
}) {
  const isLeft = bank === 'left';
  const edge = isLeft ? levels.bankTop : levels.bankBottom;
  const water = isLeft ? levels.waterTop : levels.waterBottom;
  const out = edge + (isLeft ? -reach : reach);
  return (
    <g aria-hidden="true">
      <path
        d={`M${x - 9} ${out}Q${x - 2} ${edge} ${x - 3.5} ${water}M${x + 9} ${out}Q${x + 2} ${edge} ${x + 3.5} ${water}`}
        fill="none"
        stroke="var(--paper)"
        strokeWidth="5"
      />
      <path
        d={`M${x - 7} ${out}Q${x - 1} ${edge} ${x} ${water}Q${x + 1} ${edge} ${x + 7} ${out}Z`}
        fill="var(--water-body)"
        stroke="var(--water)"
        strokeWidth="1.6"
      />
      {label && (
        <text
          className="cursor-pointer halo"
          x={label.x}
          y={y}
          fontSize="13"
          textAnchor="middle"
          textDecoration="underline"
          style={{ fontFamily: 'var(--font-serif)' }}
        >
          {label.text}
        </text>
      )}
    </g>
  );
}
