import { expect, test } from '@jest/globals';
import type { StoredRig } from '@riffle/contract';
import { rigSections } from './rigSections.ts';

const section = {
  lining: 'riffles',
  width_m: 0.254,
  widthEntered: { text: '10', unit: 'in' },
  length_m: 1.2,
  lengthEntered: { text: '1.2', unit: 'm' },
} as const;

test('a box has the sections it was built of; one kept by an earlier Riffle has its one', () => {
  const built = [{ ...section, own: null, step_m: 0, stepEntered: null }];
  expect(rigSections({ sections: built } as unknown as StoredRig)).toBe(built);
  expect(rigSections({ id: 'r', ...section } as unknown as StoredRig)).toEqual(built);
});
