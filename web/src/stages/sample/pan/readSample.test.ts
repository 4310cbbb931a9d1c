import { localTime } from '../../../when/localTime.ts';
import { describe, expect, test } from '@jest/globals';
import type { StoredLot, StoredPit } from '@riffle/contract';
import { COLOR_MG, NO_COLORS, groundColors } from '@riffle/core';
import { asUsual, newSample, readSample, sampleRecord, type SampleDraft } from './readSample.ts';

const pan = (some: Partial<SampleDraft> = {}): SampleDraft => ({
  ...newSample(undefined, 'Wren', false),
  depth: { text: '0.3', unit: 'm' },
  volume: { text: '10', unit: 'L' },
  state: 'bank',
  ...some,
});
const fine = (n: number) => ({ ...NO_COLORS, '-40': n });
const pit = {
  id: 'p',
  name: 'Pit 2',
  layers: [{ thickness_m: 0.5 }, { thickness_m: 0.61 }],
  crevice: null,
} as unknown as StoredPit;
const read = (d: SampleDraft, US = false) =>
  readSample(d, {
    swell_percent: 25,
    counted: NO_COLORS,
    colors: groundColors([], 25),
    pits: [pit],
    containers: {},
    US,
    local: localTime(null),
  });
const about = { groundId: 'g', spotId: 's', lotId: null, seenWith: null };

describe('a pan as it was typed', () => {
  test('its grade by hand: colors of the table’s weight over the ground they came from', () => {
    const { grade, volumeBank_L } = read(pan({ counts: fine(6) }));
    expect(volumeBank_L).toBe(10);
    expect(grade).toMatchObject({ kind: 'band', grade_mg_L: expect.closeTo((6 * COLOR_MG['-40']) / 10, 12) });
  });
  test('loose it swelled: a quarter more volume is a quarter more grade', () => {
    const [bank, loose] = [read(pan({ counts: fine(6) })).grade, read(pan({ counts: fine(6), state: 'loose' })).grade];
    expect(bank?.kind === 'band' && loose?.kind === 'band' ? loose.grade_mg_L / bank.grade_mg_L : NaN).toBeCloseTo(
      1.25,
      9,
    );
  });
  test('nothing counted is a blank with a limit; weighed gold stands for all of it', () => {
    expect(read(pan()).grade?.kind).toBe('blank');
    expect(read(pan({ counts: fine(3), gold: { text: '5', unit: 'mg' } })).grade).toMatchObject({
      restsOn: 'weight',
      grade_mg_L: expect.closeTo(0.5, 9),
    });
  });
  test('without a volume there is no answer yet', () =>
    expect(read(pan({ volume: { text: '', unit: 'pan' } })).grade).toBeNull());
  test.each([
    ['depthProblem', { depth: { text: '31', unit: 'm' } }, /hand-dug/],
    ['depthProblem', { depth: { text: '1.3', unit: 'm' }, pitId: 'p' }, /Pit 2 ends at 1\.11 m/],
    ['volumeProblem', { volume: { text: '0', unit: 'L' } }, /needs the volume/],
    ['volumeProblem', { volume: { text: '20000', unit: 'L' } }, /a run, not a sample/],
    ['goldProblem', { gold: { text: '0', unit: 'mg' } }, /Leave it empty/],
    ['goldProblem', { gold: { text: 'a bit', unit: 'mg' } }, /./],
  ] as const)('%s: %j', (field, some, says) => {
    const d = pan(some);
    expect(read(d)[field]).toMatch(says);
    expect(sampleRecord(d, read(d), about)).toBeNull();
  });
  test('in feet the pit’s end is said in feet', () =>
    expect(read(pan({ depth: { text: '5', unit: 'ft' }, pitId: 'p' }), true).depthProblem).toMatch(/ends at 3\.6 ft/));
  test.each([
    ['took', { took: 'long' }],
    ['took', { took: '2000' }],
    ['bucket', { nth: '5', of: '4' }],
    ['bucket', { nth: '1' }],
    ['bucket', { nth: '0', of: '4' }],
    ['bucket', { nth: '2', of: '61' }],
    ['grownIn', { grownIn: '3' }],
    ['grownIn', { grownIn: '-1' }],
    ['fromSafetyPan', { fromSafetyPan: '3' }],
  ] as const)('%s is wrong: %j', (field, some) => {
    const d = pan({ counts: fine(2), ...some });
    expect(Object.keys(read(d).factProblems)).toEqual([field]);
    expect(sampleRecord(d, read(d), about)).toBeNull();
  });
});

describe('a pan as a record', () => {
  test('holds what was typed as it was typed, and what it comes to', () => {
    const d = pan({
      depth: { text: '1 1/2', unit: 'ft' },
      volume: { text: '2', unit: 'gal' },
      counts: fine(4),
      nth: '2',
      of: '4',
      took: '12',
      grownIn: '1',
      panner: ' Wren ',
      pitId: 'p',
      layerId: 'l2',
      layer: 'gravel',
    });
    expect(sampleRecord(d, read(d), { ...about, lotId: 'l' }, null, '2026-05-01T08:00:00.000Z')).toMatchObject({
      spotId: 's',
      lotId: 'l',
      takenAt: '2026-05-01T08:00:00.000Z',
      depth_m: expect.closeTo(0.4572, 6),
      depthEntered: { text: '1 1/2', unit: 'ft' },
      volume_L: expect.closeTo(7.5708, 3),
      volumeEntered: { text: '2', unit: 'gal' },
      bucket: { nth: 2, of: 4 },
      took_min: 12,
      grownIn: 1,
      fromSafetyPan: 0,
      panner: 'Wren',
      pitId: 'p',
      layerId: 'l2',
      layer: 'gravel',
      gold_mg: null,
      goldEntered: null,
      baseVersion: 0,
    });
  });
  test('a layer of a pit is held by its id only with the pit', () =>
    expect(sampleRecord(pan({ layerId: 'l2' }), read(pan()), about)).toMatchObject({ pitId: null, layerId: null }));
  test('of a tap made before Riffle had reckoned, its word is filled in; one it had given stands, and without a tap it gives none', () => {
    const tapped = (riffle: 'rich' | null) => pan({ foretold: { spotId: 's', said: 'some', riffle } });
    const kept = (d: SampleDraft, spotId = 's') => sampleRecord(d, read(d), { ...about, spotId }, 'blank');
    expect(kept(tapped(null))).toMatchObject({ saidBefore: 'some', riffleSaid: 'blank' });
    expect(kept(tapped('rich'))).toMatchObject({ saidBefore: 'some', riffleSaid: 'rich' });
    expect(kept(pan())).toMatchObject({ saidBefore: null, riffleSaid: null });
    expect(kept(tapped(null), 'another')).toMatchObject({ saidBefore: null, riffleSaid: null });
  });
  test('what is too long is said by its field and nothing is cut', () => {
    const d = pan({ panner: 'w'.repeat(81), note: 'n'.repeat(4001) });
    expect(read(d).textProblems).toEqual({
      panner: expect.stringMatching(/at most 80/),
      note: expect.stringMatching(/at most 4,000/),
    });
    expect(sampleRecord(d, read(d), about)).toBeNull();
  });
  test('minutes not said are not zero minutes', () =>
    expect(sampleRecord(pan(), read(pan()), about)?.took_min).toBeNull());
  test('a bag brings its depth, volume and layer along', () => {
    const lot = { toDepth_m: 0.6096, volumeEntered: { text: '2', unit: 'bucket' }, layer: 'pay' } as StoredLot;
    expect(newSample(lot, '', true)).toMatchObject({
      depth: { text: '2', unit: 'ft' },
      volume: { text: '2', unit: 'bucket' },
      layer: 'pay',
    });
    expect(newSample(lot, '', false).depth).toEqual({ text: '0.61', unit: 'm' });
  });
});

describe('a pan as the last time', () => {
  const usual = {
    depth: { text: '0.4', unit: 'm' },
    volume: { text: '2', unit: 'pan' },
    state: 'bank' as const,
    way: 'quick test' as const,
    panner: '',
  };
  test('stands in the fields until one is touched; a bag’s stands as the bag says; with nothing usual they are empty', () => {
    const fresh = newSample(undefined, '', false);
    expect(asUsual(fresh, usual)).toMatchObject({ depth: usual.depth, volume: usual.volume, state: 'bank' });
    expect(asUsual({ ...fresh, asUsual: false }, usual).volume.text).toBe('');
    expect(asUsual(newSample({ toDepth_m: 1 } as StoredLot, '', false), usual).depth.text).not.toBe('0.4');
    expect(asUsual(fresh, null)).toBe(fresh);
  });
});
