/** A water hole as it was marked: how far along the ground, and whether its water lasts, where anyone looked. */
export interface WaterHole {
  readonly distance_m: number;
  readonly traits: Readonly<Record<string, string>>;
}

/** The answer to "Water" of a hole that fails when it is needed most. */
export const DRY_IN_SUMMER = 'dry in summer';
const sureness = ({ traits: { holds } }: WaterHole): number =>
  holds === 'holds all year' ? 2 : holds === DRY_IN_SUMMER ? 0 : 1;

/**
 * The hole to go to when the first is dry, m along the ground within any range; null where no second one is marked. The first is the one likeliest
 * to hold: one that holds all year before one nobody looked at, and one that fails in summer last. Common practice, no source (W62: have a second one).
 */
export function secondWater<H extends WaterHole>(holes: readonly H[]): H | null {
  return [...holes].sort((a, b) => sureness(b) - sureness(a) || a.distance_m - b.distance_m)[1] ?? null;
}
