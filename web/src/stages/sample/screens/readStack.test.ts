import { describe, expect, test } from '@jest/globals';
import type { StoredScreening } from '@riffle/contract';
import {
  curveOf,
  measuredBy,
  newScreen,
  newStack,
  readStack as readAny,
  stackAsDraft,
  stackRecord as recordOf,
  type StackDraft,
} from './readStack.ts';

const readStack = (d: StackDraft) => readAny(d, {});
const stackRecord = (d: StackDraft, groundId: string, spotId: string, now?: string) =>
  recordOf(d, readStack(d), groundId, spotId, now);
const kg = (text: string) => ({ text, unit: 'kg' });
/** 6, 4, 4, 3, 2 kg on the usual stack and 1 kg through it: 20 kg. */
const stack = (some: Partial<StackDraft> = {}): StackDraft => {
  const empty = newStack(false);
  return {
    ...empty,
    screens: empty.screens.map((s, i) => ({ ...s, kept: kg(['6', '4', '4', '3', '2'][i] ?? '') })),
    through: kg('1'),
    ...some,
  };
};
const withScreen = (nth: number, some: Partial<StackDraft['screens'][number]>): StackDraft => ({
  ...stack(),
  screens: stack().screens.map((s, i) => (i === nth ? { ...s, ...some } : s)),
});

describe('a stack as it was typed', () => {
  test('percent passing by hand', () => {
    const { curve, problem } = readStack(stack({ wentIn: kg('20') }));
    expect(problem).toBeNull();
    expect(curve?.points.map((p) => p.passing_percent)).toEqual(
      expect.arrayContaining([70, 50, 30, 15, 5].map((v) => expect.closeTo(v, 9))),
    );
    expect(curve?.closure_percent).toBeCloseTo(100, 9);
  });
  test('pounds and grams are one mass; water comes off the amounts and leaves the shares', () => {
    const wet = readStack(stack({ moisture: '8', wentIn: { text: '44.0925', unit: 'lb' } }));
    expect(wet.curve?.foundAgain).toBeCloseTo(20 / 1.08, 6);
    expect(wet.curve?.closure_percent).toBeCloseTo(100, 3);
    expect(wet.curve?.points[0]?.passing_percent).toBeCloseTo(
      readStack(stack()).curve?.points[0]?.passing_percent ?? NaN,
      9,
    );
  });
  test.each([
    ['moisture', stack({ moisture: '140' }), /0 to 100/],
    ['moisture in words', stack({ moisture: 'wet' }), /0 to 100/],
    ['more out than in', stack({ wentIn: kg('15') }), /More came out/],
    ['one opening twice', withScreen(1, { name: '1/2 in' }), /same opening/],
    [
      'nothing anywhere',
      { ...stack(), screens: stack().screens.map((s) => ({ ...s, kept: kg('0') })), through: kg('0') },
      /Nothing was kept/,
    ],
  ])('%s is a problem', (_name, draft, says) => {
    expect(readStack(draft).problem).toMatch(says);
    expect(stackRecord(draft, 'g', 's')).toBeNull();
  });
  test.each([
    ['an empty field', withScreen(2, { kept: kg('') })],
    ['a screen in no series', withScreen(3, { name: '250 mesh' })],
    ['half a piece of gold', withScreen(0, { colors: '0.5' })],
    ['nothing through yet', stack({ through: kg('') })],
    ['a word for what went in', stack({ wentIn: kg('much') })],
  ])('%s waits: no curve, nothing kept', (_name, draft) => {
    expect(readStack(draft).curve).toBeNull();
    expect(stackRecord(draft, 'g', 's')).toBeNull();
  });
  test('gold seen: nothing typed is nobody looked, 0 is looked and none', () => {
    expect(readStack(withScreen(0, { colors: '' })).screens[0]?.colors).toBeNull();
    expect(readStack(withScreen(0, { colors: '0' })).screens[0]?.colors).toBe(0);
  });
  test('measured by volume nothing of the weights is left; a new screen measures as the others do', () => {
    const byVolume = measuredBy(stack(), 'volume', true);
    expect([byVolume.through, byVolume.screens[0]?.kept, newScreen('volume', false).kept]).toEqual([
      { text: '', unit: 'gal' },
      { text: '', unit: 'gal' },
      { text: '', unit: 'L' },
    ]);
    expect(byVolume.screens.map((s) => s.name)).toEqual(stack().screens.map((s) => s.name));
  });
});

test('kept and read again a stack has the same curve', () => {
  const draft = stack({ wentIn: kg('20.4'), moisture: '5', screens: withScreen(3, { colors: '2' }).screens });
  const record = stackRecord(draft, 'g', 's', '2026-05-01T08:00:00.000Z');
  expect(record).toMatchObject({
    spotId: 's',
    moisture_percent: 5,
    wentIn: expect.closeTo(20.4, 9),
    through: expect.closeTo(1, 9),
    screenedAt: '2026-05-01T08:00:00.000Z',
  });
  expect(record?.screens.map((s) => s.colors)).toEqual([null, null, null, 2, null]);
  expect(curveOf(record as unknown as StoredScreening)).toEqual(readStack(draft).curve);
});

test('a stack of the book taken up again is what was typed: kept untouched it is the same', () => {
  const typed = { ...stack({ wentIn: kg('20'), moisture: '4', note: 'wet' }) };
  const draft = { ...typed, screens: typed.screens.map((k, i) => ({ ...k, colors: i === 2 ? '1' : '' })) };
  const { id: _a, ...record } = stackRecord(draft, 'g', 's', '2026-05-01T08:00:00.000Z') ?? { id: '' };
  const kept = { ...record, id: 'k', version: 1, updatedAt: '' } as unknown as StoredScreening;
  const { id: _b, ...again } = stackRecord(stackAsDraft(kept), 'g', 's', '2026-05-01T08:00:00.000Z') ?? { id: '' };
  expect(again).toEqual(record);
});
