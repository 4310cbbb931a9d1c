import { describe, expect, test } from '@jest/globals';
import { newSetup, type SetupDraft } from './readSetup.ts';
import { settingFrom, settingSearch, withoutSetting } from './setLink.ts';

const draft = (some: Partial<SetupDraft> = {}): SetupDraft => ({ ...newSetup(false), ...some });
const through = (d: SetupDraft) => settingFrom(new URLSearchParams(settingSearch(d, 'rig')));

describe('a setting in a link', () => {
  test('comes back as it was typed, with the box', () => {
    const d = draft({ pitch: { text: '1 1/2', unit: 'in/ft' }, pace: '4.5', crossFall: { text: '3', unit: 'mm' } });
    const { rigId, draft: back } = through(d) ?? {};
    expect(rigId).toBe('rig');
    for (const field of ['pitch', 'depth', 'stone', 'bucket', 'crossFall', 'pace', 'known'] as const)
      expect(back?.[field]).toEqual(d[field]);
  });
  test('of depth and flow only the one that is known is carried', () => {
    const { draft: back } = through(draft({ known: 'flow', flow: { text: '2.2', unit: 'L/s' } })) ?? {};
    expect(back).toMatchObject({ known: 'flow', flow: { text: '2.2', unit: 'L/s' } });
    expect(back?.depth).toBeUndefined();
  });
  test('says nothing of the ground: no note, no water to be had there', () => {
    const search = settingSearch(draft({ note: 'behind the mill', creek: { text: '3', unit: 'L/s' } }), 'rig');
    expect(search).not.toMatch(/mill|creek/);
  });
  test('an address without a pitch carries none, and what it carried can be taken off', () => {
    expect(settingFrom(new URLSearchParams('spot=x'))).toBeNull();
    expect(withoutSetting(new URLSearchParams(`spot=x&${settingSearch(draft(), 'rig')}`)).toString()).toBe('spot=x');
  });
  test('nonsense is carried as it is, to be told at its field', () =>
    expect(settingFrom(new URLSearchParams('pitch=steep&depth=20'))?.draft).toMatchObject({
      pitch: { text: 'steep', unit: '' },
      depth: { text: '20', unit: '' },
    }));
});
