import { describe, expect, test } from '@jest/globals';
import type { StoredGround, StoredRig } from '@riffle/contract';
import { USUAL_MIX } from '@riffle/core';
import { newSetup, readSetup, setupRecord, settingOf, surfaceOf, type SetupDraft } from './readSetup.ts';
import { pitchText } from '../../box/pitchText.ts';

const rig = {
  id: 'r',
  sections: [{ lining: 'riffles', width_m: 0.254, length_m: 1.2, step_m: 0 }],
} as unknown as StoredRig;
const ground = { id: 'g' } as StoredGround;
const read = (some: Partial<SetupDraft> = {}, of: StoredRig | undefined = rig) => {
  const draft = { ...newSetup(false), ...some };
  const readings = readSetup(draft, of, {});
  return { draft, readings, ...settingOf(draft, readings, of, USUAL_MIX) };
};

describe('a box as it is typed', () => {
  test('half an inch to the foot is a slope of 1 in 24; a drop in mm is over the length of the box', () => {
    expect(read().solved?.setting.slope).toBeCloseTo(1 / 24, 9);
    expect(read({ pitch: { text: '60', unit: 'mm' } }).solved?.setting.slope).toBeCloseTo(0.05, 9);
  });
  test('water by depth or by flow', () => {
    expect(read().solved?.setting.water).toEqual({ known: 'depth', depth_m: 0.02 });
    const flow = read({ known: 'flow', flow: { text: '5', unit: 'L/s' } });
    expect(flow.solved?.setting.water).toEqual({ known: 'flow', flow_m3_s: 0.005 });
  });
  test('a pool over the tail drowns it, an empty field lets it fall free; a river there is no deeper than the walls', () => {
    const surface = (tail: string, pitch = '3/4') => {
      const { solved, readings } = read({ tail: { text: tail, unit: 'mm' }, pitch: { text: pitch, unit: 'in/ft' } });
      return surfaceOf(solved, readings);
    };
    expect(surface('')).toMatchObject({ runs: 'shooting', lift_m: 0, jump_m: null });
    expect(surface('80')?.runs).toBe('drowned');
    expect(surface('9000')?.points.at(-1)?.depth_m).toBeLessThanOrEqual(0.5);
    expect(surface('', '1/8')?.runs).toBe('slow');
    expect(surfaceOf(null, read().readings)).toBeNull();
  });
  test('a pace in minutes a bucket is a feed; an empty one is fed as advised; level unless it is said', () => {
    expect(read().solved?.setting).toMatchObject({ feed_m3_s: null, crossFall_m: 0 });
    const fed = read({ pace: '5', crossFall: { text: '6', unit: 'mm' } }).solved;
    expect(1000 * (fed?.setting.feed_m3_s ?? NaN)).toBeCloseTo(18.93 / 300, 3);
    expect(fed?.setting.crossFall_m).toBeCloseTo(0.006, 12);
    expect(read({ pace: 'fast' })).toMatchObject({ solved: null, readings: { pace: { ok: false } } });
  });
  test('a river in the box, a wall of a box and ice are each refused in words', () => {
    expect(read({ depth: { text: '600', unit: 'mm' } })).toMatchObject({ solved: null, problem: /river/ });
    expect(read({ pitch: { text: '60', unit: '%' } }).problem).toMatch(/0.2 % and 40 %/);
    expect(read({ temperature: { text: '-3', unit: '°C' } }).readings.temperature).toMatchObject({ ok: false });
  });
  test('Fahrenheit is read by its letter too', () => {
    for (const temperature of [
      { text: '50', unit: '°F' },
      { text: '50 F', unit: '°C' },
    ])
      expect(read({ temperature }).readings.temperature).toEqual({ ok: true, value: 10 });
  });
  test('into the book goes how the water was known, and nothing while a field is wrong', () => {
    const { draft, readings, solved } = read();
    expect(setupRecord(draft, readings, solved, rig, ground, null)).toMatchObject({
      groundId: 'g',
      rigId: 'r',
      depth_m: 0.02,
      depthEntered: { text: '20', unit: 'mm' },
      flow_m3_s: null,
      flowEntered: null,
    });
    const wrong = read({ scoop: { text: 'heaped', unit: 'scoop' } });
    expect(setupRecord(wrong.draft, wrong.readings, wrong.solved, rig, ground, null)).toBeNull();
    expect(setupRecord(draft, readings, solved, undefined, ground, null)).toBeNull();
  });
  test.each([
    ['%', '4.17'],
    ['°', '2.39'],
    ['in', '1.97'],
    ['mm', '50'],
    ['cm', '5.0'],
    ['in/ft', '0.500'],
  ])('a dragged head is written in %s as %s', (unit, text) => expect(pitchText(1 / 24, unit, 1.2)).toBe(text));
});
