import { expect, test } from '@jest/globals';
import library from 'jstat';
import { dryBesideWet } from './dryBesideWet.ts';

const pan = (panner: string, way: 'wet' | 'dry', putIn: number, cameBack: number) => ({ panner, way, putIn, cameBack });

test('dry beside wet of the same hands; who practised one way only is not judged', () => {
  const [wren, ...others] = dryBesideWet([
    pan('Wren', 'wet', 40, 36),
    pan('Wren', 'dry', 20, 12),
    pan('Wren', 'dry', 20, 12),
    pan('Alder', 'dry', 20, 10),
    pan('', 'dry', 20, 10),
    { panner: 'Teal', putIn: 10, cameBack: 9 },
  ]);
  expect(others).toEqual([]);
  expect(wren?.panner).toBe('Wren');
  expect(wren?.ratio.middle).toBeCloseTo(0.6 / 0.9, 9);
  // Clopper and Pearson's 90 % by the beta quantiles of the jStat library: 24 of 40 and 36 of 40.
  const { jStat } = library;
  const [dryLow, dryHigh] = [jStat.beta.inv(0.05, 24, 17), jStat.beta.inv(0.95, 25, 16)];
  const [wetLow, wetHigh] = [jStat.beta.inv(0.05, 36, 5), jStat.beta.inv(0.95, 37, 4)];
  const apart = (a: number, b: number): number => Math.exp(Math.hypot(Math.log(a), Math.log(b)));
  expect(wren?.ratio.low).toBeCloseTo(0.6 / 0.9 / apart(0.6 / dryLow, wetHigh / 0.9), 6);
  expect(wren?.ratio.high).toBeCloseTo((0.6 / 0.9) * apart(dryHigh / 0.6, 0.9 / wetLow), 6);
});
test('nothing came back dry: no ratio is made up', () =>
  expect(dryBesideWet([pan('Wren', 'wet', 10, 9), pan('Wren', 'dry', 10, 0)])).toEqual([]));
