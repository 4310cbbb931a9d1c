import { describe, expect, test } from '@jest/globals';
import type { StoredSwellReading } from '@riffle/contract';
import { localTime } from '../../../when/localTime.ts';
import { newSea, readSea, seaAsDraft, type SeaDraft } from './readSea.ts';

const local = localTime('Etc/GMT+2');
const sea = (some: Partial<SeaDraft> = {}): SeaDraft => ({
  ...newSea(false, '2026-05-02T06:00'),
  height: { text: '3.4', unit: 'm' },
  period: '11',
  ...some,
});

describe('the sea as it is written down', () => {
  test('a swell in feet and seconds; of a swell nothing is kept of the berm', () => {
    const { record } = readSea(sea({ height: { text: '4 ft', unit: 'm' }, period: '8,5 s', berm: 'cut' }), local);
    expect(record).toMatchObject({ period_s: 8.5, isStorm: false, cut_m: null, readAt: '2026-05-02T08:00:00.000Z' });
    expect(record?.height_m).toBeCloseTo(1.2192, 9);
  });
  test('a storm: nobody looked, it stood whole, it was cut by so much', () => {
    const of = (some: Partial<SeaDraft>) => readSea(sea({ kind: 'storm', ...some }), local).record?.cut_m;
    expect([of({}), of({ berm: 'whole' }), of({ berm: 'cut', cut: { text: '80 cm', unit: 'm' } })]).toEqual([
      null,
      0,
      0.8,
    ]);
  });
  test.each([
    [{ height: { text: '40', unit: 'm' } }, 'height'],
    [{ period: '' }, 'period'],
    [{ period: 'long' }, 'period'],
    [{ period: '1' }, 'period'],
    [{ kind: 'storm', berm: 'cut', cut: { text: '0', unit: 'm' } }, 'cut'],
    [{ kind: 'storm', berm: 'cut' }, 'cut'],
    [{ at: '' }, 'at'],
  ] as const)('%j is said at %s, and nothing is kept', (some, field) => {
    const { problems, record } = readSea(sea(some), local);
    expect(problems[field]).not.toBeNull();
    expect(record).toBeNull();
  });
  test('a kept storm is taken in hand as it was written', () => {
    const kept = { ...readSea(sea({ kind: 'storm', berm: 'whole' }), local).record } as StoredSwellReading;
    expect(readSea(seaAsDraft(kept, false, local), local).record).toEqual(kept);
  });
});
