import { describe, expect, test } from '@jest/globals';
import { centreLine } from '../ground/centreLine.ts';
import { localPlane, type Position } from '../ground/localPlane.ts';
import { normalDraw, seededRandom } from '../maths/random.ts';
import { guessRate, guessSigns, unseenGuesses, type GuessedSign } from './guessSigns.ts';

/**
 * A meander after Langbein & Leopold (1966), USGS Prof. Paper 422-H: the direction swings as a sine of the distance along it. Walked from the foot up,
 * a point each `step_m`, with the scatter of a receiver.
 */
function meander(
  bends: number,
  bendLength_m: number,
  swing_deg: number,
  scatter_m = 0,
  step_m = 5,
  seed = 1,
): Position[] {
  const random = seededRandom(seed);
  const plane = localPlane([-33, 46.5]);
  let [x, y] = [0, 0];
  const points: Position[] = [];
  for (let s = 0; s <= bends * bendLength_m; s += step_m) {
    points.push(plane.toPosition({ x_m: x + scatter_m * normalDraw(random), y_m: y + scatter_m * normalDraw(random) }));
    const direction = ((swing_deg * Math.PI) / 180) * Math.sin((Math.PI * s) / bendLength_m + Math.PI / 2);
    x += step_m * Math.cos(direction);
    y += step_m * Math.sin(direction);
  }
  return points;
}
const ofLine = (line: readonly Position[]) => ({ line, length_m: centreLine(line).length_m });
const bendsOf = (line: readonly Position[]): GuessedSign[] =>
  guessSigns(ofLine(line)).filter((g) => g.kind === 'inside bend');

describe('the creek reads itself: bends', () => {
  test('finds each bend of a meander at its apex, on alternating inner banks', () => {
    // Direction is a cosine: it turns most at odd half lengths, ten bends of 120 m.
    const found = bendsOf(meander(10, 120, 60));
    expect(found).toHaveLength(10);
    found.forEach((g, i) => expect(Math.abs(g.distance_m - (60 + 120 * i))).toBeLessThan(15));
    expect(new Set(found.map((g, i) => (g.bank === 'left') === (i % 2 === 0))).size).toBe(1);
    // Going up the first bend turns right (the cosine falls); coming down it turns left: its inside is the left bank.
    expect(found[0]?.bank).toBe('left');
  });
  test('through the scatter of a receiver it still finds most and makes up few', () => {
    let [hits, made, all] = [0, 0, 0];
    for (let seed = 1; seed <= 20; seed++) {
      const walked = meander(10, 120, 60, 2, 12, seed);
      const found = bendsOf(walked);
      // Scatter makes a line longer: the true bends are looked up on the line as it was walked.
      const [truth, asWalked] = [centreLine(meander(10, 120, 60)), centreLine(walked)];
      const bends = Array.from({ length: 10 }, (_, i) => asWalked.locate(truth.positionAt(60 + 120 * i)).distance_m);
      const isReal = (g: GuessedSign): boolean => bends.some((m) => Math.abs(m - g.distance_m) < 35);
      hits += found.filter(isReal).length;
      made += found.filter((g) => !isReal(g)).length;
      all += 10;
    }
    expect(hits / all).toBeGreaterThan(0.8);
    expect(made / (hits + made)).toBeLessThan(0.15);
  });
  test('a straight reach and a gentle swing have none; a ground without a line neither', () => {
    expect(bendsOf(meander(10, 120, 0))).toEqual([]);
    expect(bendsOf(meander(3, 900, 25))).toEqual([]);
    expect(guessSigns({ line: null, length_m: 900 })).toEqual([]);
  });
});

describe('the creek reads itself: the bed', () => {
  /** A straight line of 1,200 m with a height every 10 m. */
  const bed = (height: (d: number) => number): Position[] => {
    const plane = localPlane([-33, 46.5]);
    return Array.from({ length: 121 }, (_, i) => {
      const [lon, lat] = plane.toPosition({ x_m: i * 10, y_m: 0 });
      return [lon, lat, height(i * 10)] as unknown as Position;
    });
  };
  test('a fall of two metres in an even bed is a step, marked at its foot', () => {
    const found = guessSigns(ofLine(bed((d) => 0.02 * d + (d > 600 ? 2 : 0))));
    expect(found.filter((g) => g.kind === 'step').map((g) => g.distance_m)).toEqual([600]);
  });
  test('where a steep reach runs out on a flat one there is slack, and the steep straight reach may be a narrows', () => {
    const found = guessSigns(ofLine(bed((d) => 0.005 * Math.min(d, 800) + 0.05 * Math.max(0, d - 800))));
    const slack = found.filter((g) => g.kind === 'slack');
    expect(slack).toHaveLength(1);
    expect(Math.abs((slack[0]?.distance_m ?? 0) - 800)).toBeLessThan(60);
    expect(found.some((g) => g.kind === 'narrows' && g.distance_m > 800)).toBe(true);
  });
  test('heights that scatter by metres say nothing of the bed', () => {
    const random = seededRandom(5);
    const found = guessSigns(ofLine(bed((d) => 0.02 * d + 2 * normalDraw(random))));
    expect(found.filter((g) => g.kind !== 'inside bend').length).toBeLessThanOrEqual(1);
  });
});

describe('what looking teaches', () => {
  const line = meander(10, 120, 60);
  test('what was looked at is asked no more, and each answer moves how far the next guess is trusted', () => {
    const before = bendsOf(line);
    const looked = before.slice(0, 3).map((g) => ({ kind: g.kind, distance_m: g.distance_m + 8, seen: false }));
    const after = guessSigns(ofLine(line), looked);
    expect(after).toHaveLength(before.length - 3);
    // Four looks assumed, 2.8 of them right; three more were wrong.
    expect(guessRate('inside bend', looked)).toBeCloseTo(2.8 / 7, 12);
    expect(after[0]?.sure).toBeCloseTo(2.8 / 7, 12);
  });
  test('a sign or spot of the kind that is marked there is no guess any more', () => {
    const [first, second] = bendsOf(line);
    if (!first || !second) throw new Error('no bends');
    const left = unseenGuesses([first, second], [{ kind: 'inside bend', distance_m: first.distance_m - 20 }]);
    expect(left).toEqual([second]);
    expect(unseenGuesses([first], [{ kind: 'bedrock', distance_m: first.distance_m }])).toEqual([first]);
  });
});
