import { describe, expect, test } from '@jest/globals';
import type { StoredGround, StoredRig } from '@riffle/contract';
import { USUAL_MIX } from '@riffle/core';
import {
  newWasherDraft,
  puffsByPulleys,
  readWasher,
  washerFrom,
  washerRecord,
  type WasherDraft,
} from './readWasher.ts';
import { readWasherRig, washerRigDraft, type WasherRigDraft } from './readWasherRig.ts';

const typed = (some: Partial<WasherRigDraft> = {}): WasherRigDraft => ({
  ...washerRigDraft(undefined, false),
  name: ' The bellows ',
  width: { text: '30', unit: 'cm' },
  length: { text: '90', unit: 'cm' },
  ...some,
});
const built = (some: Partial<WasherRigDraft> = {}): StoredRig => {
  const { rig } = readWasherRig(typed(some));
  if (!rig) throw new Error('not read');
  return { ...rig, id: 'w' } as StoredRig;
};
const BLOWER = { drive: 'blower', freeFlow: { text: '80', unit: 'L/s' }, shutoff: '1500' } as const;

describe('a dry washer as it is typed', () => {
  test('goes into the book in meters, liters and Pascals, each as it was typed beside it', () => {
    const { rig } = readWasherRig(typed({ usableAh: '40', drawnA: '8,5' }));
    expect(rig?.name).toBe('The bellows');
    expect(rig?.sections?.[0]).toMatchObject({ width_m: 0.3, length_m: 0.9, widthEntered: { text: '30', unit: 'cm' } });
    expect(rig?.washer).toMatchObject({
      riffle_m: 0.012,
      spacing_m: 0.09,
      drive: { kind: 'bellows', stroke_L: 6.5, motor: { speed_rpm: 1750, pulley_mm: 40, drivenPulley_mm: 250 } },
      battery: { usable_Ah: 40, drawn_A: 8.5 },
    });
    expect(readWasherRig(typed(BLOWER)).rig?.washer?.drive).toMatchObject({ kind: 'blower', freeFlow_m3_s: 0.08 });
  });
  test('turns of a motor written with their thousands parted are no thousandth of them', () => {
    expect(readWasherRig(typed({ rpm: '1,750' })).readings.rpm).toEqual({ ok: true, value: 1750 });
  });
  test('what one opens again is what one kept', () => {
    for (const some of [{}, BLOWER, { drive: 'cranked' }, { usableAh: '40', drawnA: '8' }] as const) {
      const again = readWasherRig(washerRigDraft(built(some), true)).rig;
      expect(again).toEqual(readWasherRig(typed(some)).rig);
    }
  });
  test.each<[string, Partial<WasherRigDraft>, string]>([
    ['width', { width: { text: '9', unit: 'm' } }, 'wide'],
    ['stroke', { stroke: { text: '0.01', unit: 'L' } }, 'A puff is at least 0.1 L.'],
    ['rpm', { rpm: 'fast' }, 'Write a number.'],
    ['motorPulley', { motorPulley: '2' }, 'At least 5 mm across.'],
    ['drawnA', { usableAh: '40' }, 'Write a number.'],
    ['shutoff', { ...BLOWER, shutoff: '' }, 'Write a number.'],
  ])('%s out of reason is told there, and nothing is kept', (field, some, problem) => {
    const { readings, rig } = readWasherRig(typed(some));
    const reading = readings[field as keyof typeof readings];
    expect(reading.ok ? '' : reading.problem).toContain(problem);
    expect(rig).toBeNull();
  });
  test('what a drive does not have is not asked of it; a washer without a name is not kept', () => {
    expect(readWasherRig(typed({ ...BLOWER, stroke: { text: 'much', unit: 'L' }, rpm: '' })).rig).not.toBeNull();
    expect(readWasherRig(typed({ drive: 'cranked', rpm: '', motorPulley: '' })).rig).not.toBeNull();
    expect(readWasherRig(typed({ name: ' ' }))).toMatchObject({ rig: null, wrongName: expect.any(String) });
  });
});

describe('how a dry washer stands, as it is typed', () => {
  const ground = { id: 'g' } as StoredGround;
  const read = (some: Partial<WasherDraft> = {}, rig = built()) => {
    const draft = { ...newWasherDraft(false), ...some };
    const readings = readWasher(draft, rig, {});
    return { draft, readings, ...washerFrom(draft, readings, rig, USUAL_MIX) };
  };
  test('its puffs go by its pulleys until they are counted: 1,750 turns, 40 mm on 250', () => {
    // By hand: 1750 x 40 / 250, less 3 % that the belt slips.
    expect(puffsByPulleys(built())).toBeCloseTo(271.6, 9);
    expect(read().solved?.setting.drive).toMatchObject({ kind: 'bellows', stroke_m3: 0.0065 });
    expect(read({ air: '245' }).solved?.setting.drive).toMatchObject({ puffs_min: 245 });
    expect(puffsByPulleys(built({ drive: 'cranked' }))).toBeNull();
    expect(puffsByPulleys(built(BLOWER))).toBeNull();
  });
  test('a blower at half its speed gives half the air at a quarter of the pressure (fan laws)', () => {
    expect(read({ air: '50 %' }, built(BLOWER)).solved?.setting.drive).toEqual({
      kind: 'blower',
      shutoff_Pa: 375,
      freeFlow_m3_s: 0.04,
    });
  });
  test('pitch as a drop is over the length of its tray; heat in Fahrenheit, height above the sea and pace are read', () => {
    const { solved } = read({
      pitch: { text: '135', unit: 'mm' },
      temperature: { text: '95', unit: '°F' },
      altitude: { text: '3,000', unit: 'ft' },
      pace: '4',
      bucket: { text: '20', unit: 'L' },
    });
    expect(solved?.setting.slope).toBeCloseTo(0.15, 9);
    expect(solved?.setting.temperature_C).toBeCloseTo(35, 9);
    expect(solved?.setting.altitude_m).toBeCloseTo(914.4, 6);
    expect(solved?.setting.feed_m3_s).toBeCloseTo(0.02 / 240, 9);
  });
  test.each<[keyof ReturnType<typeof readWasher>, Partial<WasherDraft>, string]>([
    ['air', { air: 'plenty' }, 'Write puffs a minute, such as 270.'],
    ['air', { air: '5' }, 'At least 10 puffs a minute.'],
    ['temperature', { temperature: { text: 'hot', unit: '°C' } }, 'Write a number such as 30.'],
    ['altitude', { altitude: { text: '9', unit: 'km' } }, 'At most 6,000 m.'],
    ['pace', { pace: '0' }, 'Write minutes such as 12, or nothing.'],
  ])('%s out of reason is told there, and nothing is worked out', (field, some, problem) => {
    const { readings, solved, draft } = read(some);
    expect(readings[field]).toEqual({ ok: false, problem });
    expect(solved).toBeNull();
    expect(washerRecord(draft, readings, solved, built(), ground, null)).toBeNull();
  });
  test('so flat that nothing rolls is said in words', () => {
    expect(read({ pitch: { text: '1', unit: '%' } })).toMatchObject({
      solved: null,
      problem: 'Flatter than 2 % nothing rolls over the riffles.',
    });
  });
  test('is kept with its air, its pass and everything as it was typed; no water is told of it', () => {
    const { draft, readings, solved } = read({ air: '245', pass: '2', squeeze: 'falls apart', isClayey: true });
    expect(washerRecord(draft, readings, solved, built(), ground, 's')).toMatchObject({
      groundId: 'g',
      rigId: 'w',
      spotId: 's',
      depth_m: null,
      flow_m3_s: null,
      air: {
        drive: { kind: 'bellows', puffs_min: 245 },
        driveEntered: '245',
        pass: 2,
        squeeze: 'falls apart',
        isClayey: true,
      },
    });
  });
});
