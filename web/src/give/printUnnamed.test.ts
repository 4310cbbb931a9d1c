import { expect, test } from '@jest/globals';
import { without } from './printUnnamed.ts';

test('the longest name goes first, and every time it stands there', () => {
  const withheld = [
    { name: 'Otter', instead: 'Spot 1' },
    { name: 'Otter bar', instead: 'Spot 2' },
    { name: ' ', instead: '!' },
  ];
  expect(without('Otter bar, then Otter, then Otter bar', withheld)).toBe('Spot 2, then Spot 1, then Spot 2');
  expect(without('nothing of it', withheld)).toBe('nothing of it');
});
