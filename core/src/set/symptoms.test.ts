import { describe, expect, test } from '@jest/globals';
import { aBox } from '../../test/aBox.ts';
import { USUAL_MIX } from './goldMix.ts';
import { remedyFor, seeBox, SYMPTOM_IDS, type Seen } from './symptoms.ts';
import { drawnBoxes, weighBox } from './weighBox.ts';

const drawn = drawnBoxes(USUAL_MIX, 10);
const usual = aBox();
const see = (seen: Seen, setting = usual, fed_m3 = 0) => seeBox(setting, drawn, seen, fed_m3);

describe('what one sees at a box', () => {
  test('nothing looked for changes nothing', () => {
    const { effective, causes, drawn: after } = see({});
    expect(effective).toBeCloseTo(256, 6);
    expect(causes).toEqual([]);
    expect(after.weights.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
  });
  test('stones that stall make stalling likelier, and stones that clear less so', () => {
    const before = weighBox(usual, drawn).stalls;
    expect(weighBox(usual, see({ 'stones stall': true }).drawn).stalls).toBeGreaterThan(1.8 * before);
    expect(weighBox(usual, see({ 'stones stall': false, clears: true }).drawn).stalls).toBeLessThan(before);
  });
  test('stall: stubborn stones or less head than measured is behind it; looked for and not there points the other way', () => {
    const [first] = see({ 'stones stall': true }).causes;
    expect(['rolling', 'referenceShields', 'depthError_m', 'medianOfScreen', 'roughness', 'headError_m']).toContain(
      first?.input,
    );
    const seen = see({ 'stones stall': true }).causes.find((c) => c.input === 'rolling');
    const not = see({ 'stones stall': false }).causes.find((c) => c.input === 'rolling');
    if (seen && not) expect(seen.side).not.toBe(not.side);
    for (const c of see({ 'stones stall': true }).causes) {
      expect(c.chance).toBeGreaterThan(0.5);
      expect(c.chance).toBeLessThanOrEqual(1);
    }
  });
  test('each symptom makes its own cause the first', () => {
    expect(see({ 'one side': true }).causes[0]).toMatchObject({ input: 'levelError_m', side: 'more' });
    expect(see({ 'mat black': true }, usual, 0.06).causes[0]).toMatchObject({ input: 'blackSand', side: 'more' });
    expect(see({ 'fines low': true }).causes[0]?.input).toBe('catchScale');
    expect(see({ packs: true }, aBox({}, { feed_m3_s: 6e-5 })).causes[0]).toMatchObject({
      input: 'boxFactor',
      side: 'less',
    });
  });
  test('what no such box shows does not fit it: all at once, and opposites', () =>
    expect(
      see({ 'stones stall': true, clears: true, scoured: true, packs: true, 'no V': true, 'fines low': true }).fits,
    ).toBe(false));
  test('every symptom can be asked of any box', () => {
    for (const id of SYMPTOM_IDS) {
      const found = see({ [id]: true }, aBox({ pitch_in_ft: 1, depth_mm: 30 }), 0.05);
      expect(Number.isFinite(found.effective)).toBe(true);
    }
  });
});

describe('what to do about it', () => {
  const remedy = (seen: Seen, setting = usual) => remedyFor(setting, see(seen, setting), seen);
  const kinds = (seen: Seen, setting = usual): string[] => {
    const found = remedy(seen, setting);
    return found.kind === 'change' ? found.levers.map((l) => l.kind) : [found.kind];
  };
  test('a box that packs is fed slower first, and packs less for it', () => {
    const fed = aBox({}, { feed_m3_s: 6e-5 });
    const found = remedy({ packs: true }, fed);
    expect(kinds({ packs: true }, fed)).toEqual(['slower']);
    const { drawn: weighed } = see({ packs: true }, fed);
    if (found.kind !== 'change') throw new Error(found.kind);
    expect(weighBox(found.setting, weighed).load.middle).toBeLessThan(weighBox(fed, weighed).load.middle);
  });
  test('one side heavy is leveled; stones that stall are given head or water, and stall less', () => {
    expect(kinds({ 'one side': true })).toEqual(['level']);
    const seen = { 'stones stall': true } as const;
    for (const kind of kinds(seen)) expect(['head', 'water']).toContain(kind);
    const found = remedy(seen);
    if (found.kind !== 'change') throw new Error(found.kind);
    expect(found.after.stalls).toBeLessThan(weighBox(usual, see(seen).drawn).stalls);
  });
});
