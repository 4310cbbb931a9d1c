import { describe, expect, test } from '@jest/globals';
import type { StoredGround } from '@riffle/contract';
import { groundAsDraft, readGround, type GroundDraft } from './readGround.ts';

const ground = {
  id: 'g',
  name: 'Sixpence Draw',
  kind: 'creek',
  swell_percent: 18,
  length_m: 300,
  line: null,
  note: '',
  profile: [],
  tide: null,
  joins: null,
  timeZone: null,
  lookedAt: [],
  fedBy: null,
  catchment_m2: null,
  catchmentEntered: null,
} as unknown as StoredGround;
const creek = { ...ground, id: 'c', name: 'Halloway Creek', length_m: 1200 };
const read = (some: Partial<GroundDraft> = {}, of = ground) =>
  readGround({ ...groundAsDraft(of), ...some }, of, [creek], (m) => `${m} m`);

describe("a ground's own facts", () => {
  test('untouched, they change nothing', () =>
    expect(read().change).toEqual({
      name: 'Sixpence Draw',
      kind: 'creek',
      swell_percent: 18,
      timeZone: null,
      lookedAt: [],
      fedBy: null,
      catchment_m2: null,
      catchmentEntered: null,
      note: '',
      tide: null,
      faceSlope: null,
      faceSlopeEntered: null,
      profile: [],
      joins: null,
      length_m: 300,
    }));
  test('a typed ground takes a new length, one with a line keeps its own', () => {
    const length = { text: '1', unit: 'km' };
    expect(read({ length }).change?.length_m).toBe(1000);
    const walked = { ...ground, line: [[0, 0]] } as unknown as StoredGround;
    expect(read({ length }, walked).change?.length_m).toBe(300);
  });
  test('what drains into it is read in the unit it was typed in; what is no area is said', () => {
    const of = (text: string, unit = 'ha') => read({ catchment: { text, unit } });
    expect(of('40').change).toMatchObject({ catchment_m2: 400_000, catchmentEntered: { text: '40', unit: 'ha' } });
    expect(of('1/2 sq mi').change?.catchment_m2).toBeCloseTo(1_294_994, 0);
    expect(of('100', 'acre').change?.catchment_m2).toBeCloseTo(404_685.6, 1);
    expect(of('40 m').problems.catchment).toMatch(/not a unit/);
    expect(of('0').problems.catchment).not.toBeNull();
    expect(of('').change?.catchment_m2).toBeNull();
  });
  test('a mouth past the end of the creek, or no distance, is said at its field; without a creek it does not matter', () => {
    const joinsAt = { text: '1300', unit: 'm' };
    expect(read({ joinsId: 'c', joinsAt }).problems.joins).toBe('Halloway Creek is 1200 m long.');
    expect(read({ joinsId: 'c', joinsAt: { text: '', unit: 'm' } }).change).toBeNull();
    expect(read({ joinsAt }).change?.joins).toBeNull();
    expect(read({ joinsId: 'c', joinsAt: { text: '893', unit: 'm' }, joinsBank: 'right' }).change?.joins).toEqual({
      groundId: 'c',
      distance_m: 893,
      bank: 'right',
    });
  });
  test.each([
    [{ name: '  ' }, 'name'],
    [{ swell: '' }, 'swell'],
    [{ swell: '140' }, 'swell'],
    [{ length: { text: '0', unit: 'm' } }, 'length'],
    [{ tide: { mean: '1', below: '', way: '', margin: '30', table: 'M2 0.6 48' } }, 'tide'],
    [{ faceSlope: { text: '80', unit: '%' } }, 'faceSlope'],
    [{ faceSlope: { text: '2', unit: 'in' } }, 'faceSlope'],
  ] as const)('%j is said at %s', (some, field) => {
    const { problems, change } = read(some);
    expect(problems[field]).not.toBeNull();
    expect(change).toBeNull();
  });
  test('the face of a beach is kept as rise over run, however it is typed; nothing typed is not known', () => {
    const of = (text: string, unit: string) => read({ faceSlope: { text, unit } }).change?.faceSlope;
    expect(of('9', '%')).toBeCloseTo(0.09, 9);
    expect(of('1', 'in/ft')).toBeCloseTo(1 / 12, 9);
    expect(of('5', '°')).toBeCloseTo(0.0875, 4);
    expect(of('', '%')).toBeNull();
  });
  test('a percent sign is read', () => expect(read({ swell: '25 %' }).change?.swell_percent).toBe(25));
});
