import { describe, expect, test } from '@jest/globals';
import { aBox } from '../../test/aBox.ts';
import { FAULT_IDS, faultsOf } from './faults.ts';
import { USUAL_MIX } from './goldMix.ts';
import { boxLength_m } from './solveBox.ts';
import type { Seen } from './symptoms.ts';
import { drawnBoxes } from './weighBox.ts';

const drawn = drawnBoxes(USUAL_MIX, 10);
const usual = aBox();
const faults = (seen: Seen, fed_m3 = 0) => faultsOf(usual, drawn, seen, fed_m3);
const firstOf = (seen: Seen): string => faults(seen)[0]?.fault ?? '';

describe('what may be wrong with a box', () => {
  test('each fault stands there once, and their chances sum to 1', () => {
    const found = faults({ 'stones stall': true });
    expect(found.map((f) => f.fault).sort()).toEqual([...FAULT_IDS].sort());
    expect(found.reduce((sum, f) => sum + f.chance, 0)).toBeCloseTo(1, 12);
    expect(found.map((f) => f.chance)).toEqual(found.map((f) => f.chance).sort((a, b) => b - a));
  });
  // What the trade says of each sign: common practice, no source (work facts).
  test.each([
    [{ 'stones stall': true, 'one side': false, packs: false, clears: false }, ['too slow', 'coarse']],
    [{ packs: true, 'stones stall': false, scoured: false, 'one side': false }, ['overfed']],
    [{ scoured: true, 'fines low': true, packs: false }, ['too fast']],
    [{ 'one side': true, packs: false }, ['out of level']],
    [{ 'mat black': true, packs: false, 'one side': false }, ['full']],
  ] as const)('%j is first of all %j', (seen, wanted) => expect(wanted).toContain(firstOf(seen)));
  test('that nothing is wrong is the likelier the less is seen of what was looked for', () => {
    const none = (seen: Seen): number => faults(seen).find((f) => f.fault === 'none')?.chance ?? NaN;
    const quiet = none({ 'stones stall': false, packs: false, scoured: false, 'one side': false, 'mat black': false });
    expect(quiet).toBeGreaterThan(2 * none({ 'stones stall': true, packs: true }));
  });
  test('too slow asks for a little head or water, too fast to take a little away', () => {
    const of = (fault: string) => faults({ 'stones stall': true }).find((f) => f.fault === fault);
    const [slow, fast] = [of('too slow'), of('too fast')];
    expect(slow?.head_m).toBeGreaterThan(0);
    expect(slow?.water_m).toBeGreaterThan(0);
    expect(slow?.head_m).toBeLessThan(0.3 * usual.slope * boxLength_m(usual.sections));
    expect(fast?.head_m).toBeLessThan(0);
    expect(fast?.water_m).toBeLessThan(0);
    expect(of('full')).toMatchObject({ head_m: null, water_m: null });
  });
});
