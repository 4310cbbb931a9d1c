/** West, south, east, north. */
export type Extent = readonly [number, number, number, number];

/** What is wrong with a picture, in words for the person who chose it. */
export class Unusable extends Error {}

/** Six numbers: pixel width, two turns, pixel height (negative), centre of the upper left pixel. Source: the world file convention. */
export function readWorldFile(text: string): {
  readonly px: number;
  readonly py: number;
  readonly x: number;
  readonly y: number;
} {
  const numbers = text
    .trim()
    .split(/\s+/)
    .map((t) => Number(t.replace(',', '.')));
  const [px, turn1, turn2, py, x, y] = numbers;
  if (
    numbers.length < 6 ||
    numbers.slice(0, 6).some(Number.isNaN) ||
    px === undefined ||
    py === undefined ||
    x === undefined ||
    y === undefined
  )
    throw new Unusable('The world file must hold six numbers, one a line.');
  if (Math.abs(turn1 ?? 0) > 1e-12 || Math.abs(turn2 ?? 0) > 1e-12)
    throw new Unusable('This picture is turned. Save it north up and try again.');
  if (!(px > 0) || !(py < 0))
    throw new Unusable('The world file’s first number must be above 0 and its fourth below 0.');
  return { px, py, x, y };
}

/** Numbers that can be longitude and latitude are taken for them; larger ones for metres of web Mercator. */
export const projectionOf = (extent: Extent): 'EPSG:4326' | 'EPSG:3857' =>
  extent.every((v, i) => Math.abs(v) <= (i % 2 ? 90 : 180)) ? 'EPSG:4326' : 'EPSG:3857';
