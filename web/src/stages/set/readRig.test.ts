import { describe, expect, test } from '@jest/globals';
import type { StoredRig } from '@riffle/contract';
import { readRigSection, rigDraft, rigProblem, sectionAfter, type RigSectionDraft } from './readRig.ts';

const typed = (some: Partial<RigSectionDraft> = {}): RigSectionDraft => ({
  key: 'a',
  lining: 'riffles',
  ownName: '',
  ownHeight: { text: '', unit: 'mm' },
  width: { text: '10', unit: 'in' },
  length: { text: '2', unit: 'ft' },
  step: { text: '', unit: 'mm' },
  ...some,
});
const read = (some: Partial<RigSectionDraft> = {}, isFirst = false) =>
  readRigSection(typed(some), { isFirst, isAlone: false });

describe('the sections of a box as they are typed', () => {
  test('as typed and in meters; no step is none', () => {
    expect(read().section).toMatchObject({ widthEntered: { text: '10', unit: 'in' }, step_m: 0, stepEntered: null });
    expect(read().section?.width_m).toBeCloseTo(0.254, 12);
    expect(read({ step: { text: '20', unit: 'mm' } }).section?.step_m).toBeCloseTo(0.02, 12);
  });
  test('a lining of one’s own has a name and a height; without a name it is the known one, whatever height is typed', () => {
    const height = (text: string) => ({ text, unit: 'mm' });
    expect(read({ ownHeight: height('16') }).section?.own).toBeNull();
    expect(read({ ownName: ' Home mat ', ownHeight: height('16') }).section?.own).toMatchObject({
      name: 'Home mat',
      height_m: 0.016,
    });
    expect(read({ ownName: 'Home mat' })).toMatchObject({ section: null, ownHeight: { ok: false } });
    expect(read({ ownName: 'Home mat', ownHeight: height('400') })).toMatchObject({ section: null });
  });
  test('the first has no step, whatever is typed', () =>
    expect(read({ step: { text: '20', unit: 'mm' } }, true).section).toMatchObject({ step_m: 0, stepEntered: null }));
  test('what is too narrow, too short or a fall is said at its field', () => {
    expect(read({ width: { text: '1', unit: 'in' } })).toMatchObject({ section: null, width: { ok: false } });
    expect(read({ length: { text: '5', unit: 'mm' } })).toMatchObject({ section: null, length: { ok: false } });
    expect(read({ step: { text: '3', unit: 'm' } })).toMatchObject({ section: null, step: { problem: /fall/ } });
  });
  test('one that is the whole box is told what a box may be', () => {
    const long = typed({ length: { text: '50', unit: 'ft' } });
    expect(readRigSection(long, { isFirst: true, isAlone: true }).length).toMatchObject({
      ok: false,
      problem: 'A box is between 0.2 m (8 in) and 10 m (33 ft) long.',
    });
  });
  test('short sections make a box together; all of them may be too long', () => {
    expect(rigProblem([read({ length: { text: '6', unit: 'in' } })])).toMatch(/0.2 m/);
    expect(rigProblem([read({ length: { text: '6', unit: 'in' } }), read()])).toBeNull();
    expect(
      rigProblem([read({ length: { text: '9', unit: 'm' } }), read({ length: { text: '9', unit: 'm' } })]),
    ).toMatch(/10 m/);
    expect(rigProblem([read({ length: { text: '', unit: 'm' } })])).toBeNull();
  });
  test('another stands at the tail, as wide and lined as the last, its length to be measured', () => {
    const two = sectionAfter([typed({ lining: 'cells' })], 'b');
    expect(two).toHaveLength(2);
    expect(two[1]).toMatchObject({
      key: 'b',
      lining: 'cells',
      width: { text: '10' },
      length: { text: '', unit: 'ft' },
    });
  });
  test('a kept box comes back as it was typed', () => {
    const rig = { sections: [read({ step: { text: '1', unit: 'in' } }).section] } as unknown as StoredRig;
    expect(rigDraft(rig, false)[0]).toMatchObject({
      length: { text: '2', unit: 'ft' },
      step: { text: '1', unit: 'in' },
    });
    expect(rigDraft(undefined, true)[0]).toMatchObject({ width: { unit: 'in' }, length: { unit: 'ft' } });
  });
});
