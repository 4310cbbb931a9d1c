export interface LabelWish {
  readonly id: string;
  readonly x: number;
  readonly text: string;
  readonly below: boolean;
  /** Who goes first where names would touch: higher before lower. */
  readonly weight: number;
}

/** About the width of a letter at 13 px. */
const LETTER_PX = 7;

/** Names that fit without touching, above and below the band; the weightiest first. */
export function placeLabels(
  wishes: readonly LabelWish[],
  left: number,
  right: number,
): Map<string, { x: number; text: string; below: boolean }> {
  const placed = new Map<string, { x: number; text: string; below: boolean }>();
  const taken: { from: number; to: number; below: boolean }[] = [];
  for (const wish of [...wishes].sort((a, b) => b.weight - a.weight)) {
    const half = (wish.text.length * LETTER_PX) / 2;
    const x = Math.min(right + 40 - half, Math.max(left + half, wish.x));
    const span = { from: x - half - 5, to: x + half + 5, below: wish.below };
    if (taken.some((t) => t.below === span.below && t.from < span.to && span.from < t.to)) continue;
    taken.push(span);
    placed.set(wish.id, { x, text: wish.text, below: wish.below });
  }
  return placed;
}
