/** A disc in the lane of grades, px. */
export interface Disc {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

/** Room a figure takes beside its disc, px; the picked one has its unit. */
const [LABEL_PX, PICKED_PX] = [36, 78];
/** So many are named, the richest, and lines stand so far apart. */
const [MOST_NAMED, LINE_PX] = [3, 14];

/** On which side of its disc a figure stands so that it covers nothing: the picked one's first and then the richest; where neither side is free only the picked one is said. */
export function sidesOf(
  discs: readonly Disc[],
  picked: string | null,
  left: number,
  right: number,
): ReadonlyMap<string, 'left' | 'right'> {
  const named = new Map<string, 'left' | 'right'>();
  const taken: { x1: number; x2: number; y: number }[] = [];
  const first = [...discs]
    .sort((a, b) => Number(b.id === picked) - Number(a.id === picked) || a.y - b.y)
    .slice(0, MOST_NAMED);
  for (const d of first) {
    const wide = d.id === picked ? PICKED_PX : LABEL_PX;
    const spans = { left: [d.x - d.r - wide, d.x - d.r], right: [d.x + d.r, d.x + d.r + wide] } as const;
    const isFree = ([x1, x2]: readonly [number, number]): boolean =>
      x1 > left - 4 &&
      x2 < right + 4 &&
      discs.every((o) => o.id === d.id || o.x + o.r < x1 || o.x - o.r > x2 || Math.abs(o.y - d.y) > o.r + 7) &&
      taken.every((t) => t.x2 < x1 || t.x1 > x2 || Math.abs(t.y - d.y) > LINE_PX);
    const side = (['left', 'right'] as const).find((to) => isFree(spans[to])) ?? (d.id === picked ? 'left' : null);
    if (!side) continue;
    named.set(d.id, side);
    taken.push({ x1: spans[side][0], x2: spans[side][1], y: d.y });
  }
  return named;
}

interface GradeNamesProps {
  readonly discs: readonly Disc[];
  readonly picked: string | null;
  readonly left: number;
  readonly right: number;
  readonly words: (id: string) => string;
}

/** Figures beside the picked disc and the richest. */
export default function GradeNames({ discs, picked, left, right, words }: GradeNamesProps) {
  const sides = sidesOf(discs, picked, left, right);
  return discs.map((d) => {
    const side = sides.get(d.id);
    return (
      side && (
        <text
          key={d.id}
          className="halo"
          x={side === 'left' ? d.x - d.r - 4 : d.x + d.r + 4}
          y={d.y + 4}
          fontSize="13"
          fontWeight="700"
          textAnchor={side === 'left' ? 'end' : 'start'}
          style={{ fill: 'var(--gold)' }}
        >
          {words(d.id)}
        </text>
      )
    );
  });
}
