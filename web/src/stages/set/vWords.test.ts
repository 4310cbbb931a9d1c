import { expect, test } from '@jest/globals';
import { vWords } from './BoxEnd.tsx';

const mm = (m: number): string => `${Math.round(m * 1000)} mm`;
const water = { runs: 'shooting' as const, jump_m: null, vCloses_m: 0.314, lift_m: 0, froude: 1.6 };

test.each([
  [water, 'The V at the mouth closes 310 mm down.'],
  [{ ...water, vCloses_m: null }, 'The V at the mouth runs on past the tail.'],
  [{ ...water, froude: 1.05 }, 'Just fast enough for a V at the mouth: it comes and goes.'],
  [
    { ...water, runs: 'slow' as const, vCloses_m: null, froude: 0.95 },
    'Just fast enough for a V at the mouth: it comes and goes.',
  ],
  [
    { ...water, runs: 'slow' as const, vCloses_m: null, froude: 0.6 },
    'No V at the mouth: the water is too slow for one.',
  ],
  [
    { ...water, runs: 'slow' as const, vCloses_m: null, lift_m: 0.05 },
    'No V at the mouth: the pool below holds the water back.',
  ],
  [
    { ...water, runs: 'drowned' as const, jump_m: 0.2, vCloses_m: null, lift_m: 0.02 },
    'No V: it jumps 200 mm below the mouth.',
  ],
  [
    { ...water, runs: 'drowned' as const, jump_m: 0, vCloses_m: null, lift_m: 0.1 },
    'No V: it is drowned to the mouth.',
  ],
])('what the mouth should look like: %j', (of, says) => expect(vWords(of, mm)).toBe(says));
