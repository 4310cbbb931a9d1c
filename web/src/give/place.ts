import type { PlaceGiven } from '@riffle/core';

/** What a person chose to give away of the place, as it is kept on the device. */
export interface Given {
  readonly way: PlaceGiven['way'];
  /** Side of the squares places fall into, where they are blurred. */
  readonly size_m: number;
  /** Names of the ground and its spots too. */
  readonly names: boolean;
}

/** Nothing is given unless it was chosen. */
export const NOTHING_GIVEN: Given = { way: 'none', size_m: 500, names: false };

export const WAYS = [
  { way: 'exact', label: 'exact' },
  { way: 'blurred', label: 'blurred' },
  { way: 'shifted', label: 'moved away' },
  { way: 'none', label: 'nothing' },
] as const satisfies readonly { readonly way: PlaceGiven['way']; readonly label: string }[];

/** Sizes of the squares, m. */
export const SIZES_M = [100, 500, 2000] as const;

/**
 * What was chosen, as it holds for a file: one without positions gives names or nothing; one with them, of which nothing is given, gives no names either. So
 * names said for a table never bring positions into the next map.
 */
export const givenFor = (given: Given, hasPositions: boolean): Given =>
  hasPositions ? { ...given, names: given.way !== 'none' && given.names } : { ...given, way: 'none' };

/** What is done to positions; what is moved away is turned otherwise in each file, so that two of them do not lie on each other. @param random 0 to 1 */
export const placeGiven = (given: Given, random: () => number = Math.random): PlaceGiven =>
  given.way === 'blurred'
    ? { way: 'blurred', size_m: given.size_m }
    : given.way === 'shifted'
      ? { way: 'shifted', turn_rad: 2 * Math.PI * random() }
      : { way: given.way };

export interface Names {
  readonly ground: string;
  readonly spot: (spotId: string) => string;
}

/** Names of a ground and its spots, or words that tell none: spots are numbered in the order they stand in. */
export function namesFor(
  given: Given,
  ground: { readonly name: string },
  spots: readonly { readonly id: string; readonly name: string }[],
): Names {
  if (given.names)
    return { ground: ground.name, spot: (id) => spots.find((s) => s.id === id)?.name ?? 'a spot since removed' };
  return {
    ground: 'A ground',
    spot: (id) => {
      const nth = spots.findIndex((s) => s.id === id);
      return nth < 0 ? 'a spot since removed' : `Spot ${nth + 1}`;
    },
  };
}

/** What a file gives away, in a sentence. */
export function saysGiven(given: Given): string {
  const names = given.names
    ? ' It names the ground and its spots: whoever knows the names knows the place.'
    : ' It names neither the ground nor its spots, and leaves remarks out.';
  if (given.way === 'none') return `No position is in it.${names}`;
  if (given.way === 'exact') return `Whoever has it knows where you dig.${names}`;
  if (given.way === 'blurred')
    return `Each place is only given to a square ${given.size_m >= 1000 ? `${given.size_m / 1000} km` : `${given.size_m} m`} wide.${names}`;
  return `All places are moved to the sea off Africa and turned together. A creek’s shape can still be recognized.${names}`;
}
