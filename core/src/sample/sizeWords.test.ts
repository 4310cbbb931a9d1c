import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { COLOR_CLASSES, NO_COLORS } from './colorWeights.ts';
import { countByWords, FIRST_SIZE_WORDS, sayCounts, wordsOf } from './sizeWords.ts';

// What a word means is common practice with no source; how a sentence is read is Riffle's own.
describe('colors as people say them', () => {
  test.each([
    ['3 flakes, 9 specks', { '20-40': 3, '-40': 9 }],
    ['a nugget and two pickers', { '+10': 1, '10-20': 2 }],
    ['4 minus 40', { '-40': 4 }],
    ['two under 60 mesh', { '-40': 2 }],
    ['1 plus 10, 3 of 10 to 20, 5 20-40', { '+10': 1, '10-20': 3, '20-40': 5 }],
    ['3 flakes, 4 minus 40', { '20-40': 3, '-40': 4 }],
    ['12 flour', { '-40': 12 }],
    ['1 picker 2 flakes', { '10-20': 1, '20-40': 2 }],
    ['two flakes', { '20-40': 2 }],
    ['a nugget three flakes a dozen specks', { '+10': 1, '20-40': 3, '-40': 12 }],
    ['1 speck + 2 flour', { '-40': 3 }],
    ['  4 FLAKES;1 Picker ', { '20-40': 4, '10-20': 1 }],
    ['5flakes', { '20-40': 5 }],
    ['no flakes, 2 specks', { '-40': 2 }],
    ['blank', {}],
    ['Nothing', {}],
    ['a dozen specks', { '-40': 12 }],
  ])('%s', (said, expected) => expect(countByWords(said)).toEqual({ ok: true, counts: { ...NO_COLORS, ...expected } }));
  test.each([
    ['', /how many of which/],
    ['some flakes', /“some” is no whole number/],
    ['flakes', /How many flakes/],
    ['5 mil', /“5 mil” is 5 mm or 5 thousandths of an inch \(0\.127 mm\)/],
    ['2 of 5 mil', /5 thousandths/],
    ['3 minus 8', /“minus 8” is all that passes 8 mesh: “minus 40” or “20 to 40” or “10 to 20”\? Say which/],
    ['3 minus 20', /“minus 40” or “20 to 40”\?/],
    ['3 minus 30', /“minus 40” or “20 to 40”\?/],
    ['3 plus 20', /stays on 20 mesh: “10 to 20” or “plus 10”\?/],
    ['minus 40', /How many minus 40/],
    ['10 bits', /no size word of yours: nugget, picker/],
    ['1.5 flakes', /“1.5” is no whole number/],
    ['-3 flakes', /“-3” is no whole number/],
    ['3 flakes, about 9 specks', /“about 9”/],
    ['200000 flakes', /no whole number/],
  ])('not “%s”', (said, problem) => {
    expect(countByWords(said)).toEqual({ ok: false, problem: expect.stringMatching(problem) });
  });
  test('a crew’s own words count, odd signs and all', () => {
    const own = [
      { word: 'fly speck', size: '-40' as const },
      { word: 'match head', size: '+10' as const },
      { word: 'bit (flat)', size: '20-40' as const },
    ];
    expect(countByWords('4 fly specks, 1 match head, 2 bit (flat)', own)).toEqual({
      ok: true,
      counts: { ...NO_COLORS, '-40': 4, '+10': 1, '20-40': 2 },
    });
    expect(countByWords('3 flakes', own)).toMatchObject({ ok: false });
    expect(countByWords('4 fly specks one match head 2 bit (flat)', own)).toEqual({
      ok: true,
      counts: { ...NO_COLORS, '-40': 4, '+10': 1, '20-40': 2 },
    });
    // The longer word wins, whatever their order.
    expect(countByWords('7 fly specks, 2 specks', [...FIRST_SIZE_WORDS, { word: 'fly speck', size: '10-20' }])).toEqual(
      { ok: true, counts: { ...NO_COLORS, '10-20': 7, '-40': 2 } },
    );
    expect([wordsOf('-40', FIRST_SIZE_WORDS), wordsOf('-40', own), wordsOf('10-20', own)]).toEqual([
      ['speck', 'flour'],
      ['fly speck'],
      [],
    ]);
  });
  test('what is said can be read again', () =>
    fc.assert(
      fc.property(fc.tuple(...COLOR_CLASSES.map(() => fc.nat(500))), (n) => {
        const counts = { ...NO_COLORS, ...Object.fromEntries(COLOR_CLASSES.map((c, i) => [c, n[i]])) };
        expect(countByWords(sayCounts(counts))).toEqual({ ok: true, counts });
      }),
      { seed: 1849, numRuns: 100 },
    ));
  test('a class without a word goes by its sieve', () =>
    expect(sayCounts({ ...NO_COLORS, '10-20': 2 }, [])).toBe('2 10-20'));
});
