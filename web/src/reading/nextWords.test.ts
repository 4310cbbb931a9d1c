import { describe, expect, test } from '@jest/globals';
import type { RankedPlace } from '@riffle/core';
import { hopeWords, nextWords, stepWords, type NextStep } from './nextWords.ts';

const at = (name: string, some: Partial<RankedPlace['place']> = {}, panned: RankedPlace['panned'] = null) =>
  ({ place: { name, spotId: 'a', signIds: [], ...some }, panned, chance: 0.4 }) as unknown as RankedPlace;

const step = (some: Partial<NextStep>): NextStep => {
  const bare = {
    does: 'pan' as const,
    looksFor: null,
    id: 'a',
    digs: null,
    could: 'lead' as const,
    instead: 'a',
    chance: 0.3,
    worth_mg_L: 0.1,
    at: at('Otter bar'),
    digsAt: null,
    insteadAt: null,
    ...some,
  };
  return { ...bare, hope: hopeWords(bare), stepAt: (far) => stepWords(bare, far) };
};
const panned = { colors: 3 } as unknown as RankedPlace['panned'];

describe('the one line on what to find out next', () => {
  test.each([
    ['a first pan where nothing pays yet', {}, 'Pan Otter bar next: 4 in 10 that it pays.'],
    [
      'a pan more, against the place one digs',
      { at: at('Otter bar', {}, panned), digsAt: 'Long pool' },
      'Pan Otter bar once more: 3 in 10 that it beats Long pool.',
    ],
    [
      'the place one digs may fall',
      { at: at('Otter bar', {}, panned), could: 'fall' as const, digsAt: 'Otter bar', insteadAt: 'Long pool' },
      'Pan Otter bar once more: 3 in 10 that it falls behind Long pool.',
    ],
    [
      'the scale',
      { does: 'weigh' as const, at: at('Otter bar', {}, panned) },
      'Weigh the gold of a few counted pans first: 3 in 10 that Otter bar pays after all.',
    ],
    [
      'a look at a spot',
      { does: 'look' as const, looksFor: 'slack' as const, chance: 0.5 },
      'Look for a slack below fast water at Otter bar, before you dig: 5 in 10 that it is there.',
    ],
    [
      'a look where nothing has a name',
      {
        does: 'look' as const,
        looksFor: 'inside bend' as const,
        chance: 0.7,
        at: at('Inside of a bend, guessed', { spotId: null }),
      },
      'Look first for the inside of a bend: 7 in 10 that it is there.',
    ],
    ['what hardly changes anything', { chance: 0.02, digsAt: 'Long pool' }, 'No single pan would change where to dig.'],
  ])('%s', (_what, some, says) => expect(nextWords(step(some))).toBe(says));
  test('how far along stands where it is asked for', () =>
    expect(step({ does: 'look', looksFor: 'step' }).stepAt(', 410 m up the creek')).toBe(
      'Look for the foot of a step at Otter bar, 410 m up the creek, before you dig',
    ));
  test('nothing to say is said', () => expect(nextWords(null)).toBe('No single pan would change where to dig.'));
});
