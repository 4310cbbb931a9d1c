import { describe, expect, test } from '@jest/globals';
import type { StoredRig } from '@riffle/contract';
import { asLined } from './relined.ts';

const section = (lining: string, own: { name: string; height_m: number } | null = null) => ({
  lining,
  own,
  width_m: 0.25,
  widthEntered: { text: '25', unit: 'cm' },
  length_m: 0.6,
  lengthEntered: { text: '60', unit: 'cm' },
  step_m: 0,
  stepEntered: null,
});
const box = (id: string, name: string, ...sections: object[]): StoredRig =>
  ({ id, name, sections, leakPoints: ['under the lip'], washer: null, note: 'bent', version: 3 }) as never;
const TEN = box('ten', 'Short Ten', section('ribbed', { name: 'black mat', height_m: 0.004 }), section('riffles'));

describe('a box lined otherwise', () => {
  test('is a new one that says so, its frame and its leak points as before; what stays keeps its own height', () => {
    const lined = asLined([TEN], TEN, ['ribbed', 'carpet']);
    expect(lined).not.toHaveProperty('id');
    expect(lined).not.toHaveProperty('version');
    expect(lined).toMatchObject({
      name: 'Short Ten, lined with black mat and bare carpet',
      leakPoints: ['under the lip'],
      note: '',
    });
    expect(lined.sections.map((s) => [s.lining, s.own?.height_m ?? null, s.length_m])).toEqual([
      ['ribbed', 0.004, 0.6],
      ['carpet', null, 0.6],
    ]);
  });
  test('lined so before it is that one again, and never a box of another name', () => {
    const beside = box('beside', 'Long Tom', section('carpet'), section('carpet'));
    expect(asLined([beside], TEN, ['carpet', 'carpet'])).not.toHaveProperty('id');
    const before = box('before', 'Short Ten, lined with bare carpet', section('carpet'), section('carpet'));
    expect(asLined([TEN, before], TEN, ['carpet', 'carpet'])).toBe(before);
    // And back: the frame is named once.
    const back = asLined([before], before, ['riffles', 'carpet']);
    expect(back.name).toBe('Short Ten, lined with raised riffles on carpet and bare carpet');
  });
  test('a name too long for both says that much', () => {
    const long = box('long', 'x'.repeat(60), section('ribbed'));
    expect(asLined([], long, ['riffles']).name).toBe(`${'x'.repeat(60)}, lined otherwise`);
  });
});
