import type { StoredSpot } from '@riffle/contract';

/** Words beside a disc. */
export interface Beside {
  readonly text: string;
  readonly side: 'left' | 'right';
}

/** Names beside discs on broad ground: at most so many, a letter about so wide, a line so high, px. */
const [MOST_BESIDE, LETTER_PX, LINE_PX] = [4, 7.2, 18];

/** Which names stand beside their discs, the picked place's first and then the richest's, each on the side where it covers no other place. */
export function namedBeside(
  spots: readonly StoredSpot[],
  words: (spot: StoredSpot) => string,
  weight: (spot: StoredSpot) => number,
  x: (distance_m: number) => number,
  y: (spot: StoredSpot) => number,
  right: number,
): ReadonlyMap<string, Beside> {
  const richest = spots
    .filter((s) => weight(s) > 0)
    .sort((a, b) => weight(b) - weight(a))
    .slice(0, MOST_BESIDE + 2);
  const placed = new Map<string, Beside>();
  const taken: { x1: number; x2: number; y: number }[] = spots.map((s) => ({
    x1: x(s.distance_m) - 9,
    x2: x(s.distance_m) + 9,
    y: y(s),
  }));
  for (const s of richest) {
    if (placed.size === MOST_BESIDE) break;
    const [at, text] = [x(s.distance_m), words(s)];
    const wide = text.length * LETTER_PX + 13;
    const sides = [
      { side: 'right', x1: at + 10, x2: at + wide },
      { side: 'left', x1: at - wide, x2: at - 10 },
    ] as const;
    const free = sides.find(
      ({ x1, x2 }) =>
        x1 > 0 && x2 < right + 44 && taken.every((t) => t.x2 < x1 || t.x1 > x2 || Math.abs(t.y - y(s)) > LINE_PX),
    );
    const to = free ?? (weight(s) === Infinity ? sides[0] : undefined);
    if (!to) continue;
    taken.push({ x1: to.x1, x2: to.x2, y: y(s) });
    placed.set(s.id, { text, side: to.side });
  }
  return placed;
}
