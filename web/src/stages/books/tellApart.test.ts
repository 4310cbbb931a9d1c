import { describe, expect, test } from '@jest/globals';
import type { StoredRig, StoredSetup } from '@riffle/contract';
import { localTime } from '../../when/localTime.ts';
import { tellApart, type ToldBy } from './tellApart.ts';

const rig = (id: string, name: string, ...linings: string[]): StoredRig =>
  ({
    id,
    name,
    sections: linings.map((lining) => ({ lining, own: null, width_m: 0.25, length_m: 1, step_m: 0 })),
  }) as never;
const setup = (id: string, rigId: string, text: string): StoredSetup =>
  ({ id, rigId, pitchEntered: { text, unit: 'in/ft' } }) as never;
const BEHIND = {
  // Weighed on the last evening of June by the ground's own clock, two hours west of Greenwich.
  cleanups: [
    { id: 'one', cleanedAt: '2026-07-01T01:00:00.000Z', runIds: ['a'], rinseOutOf: [] },
    { id: 'two', cleanedAt: '2026-07-09T12:00:00.000Z', runIds: ['b', 'a', 'gone'], rinseOutOf: [] },
    { id: 'rinsed', cleanedAt: '2026-07-20T12:00:00.000Z', runIds: [], rinseOutOf: ['one'] },
  ],
  runs: [
    { id: 'a', setupId: 'flat', people: 2, who: 'Wren and ada', layer: 'rust gravel' },
    { id: 'b', setupId: 'steep', people: null, who: 'Ada', layer: '' },
  ],
  setups: [setup('flat', 'short', '1/2'), setup('steep', 'long', '3/4')],
  rigs: [rig('short', 'Short Ten', 'riffles'), rig('long', 'Long Tom', 'riffles', 'riffles')],
};
const words = (by: ToldBy): string[] =>
  ['one', 'two'].map((id) => tellApart(by, BEHIND, localTime('Etc/GMT+2'))({ id }));

describe('clean-ups told apart', () => {
  test('by what their runs were, all of it where they differ', () => {
    expect(words('box')).toEqual(['Short Ten', 'Long Tom + Short Ten']);
    expect(words('pitch')).toEqual(['“1/2 in/ft”', '“1/2 in/ft” + “3/4 in/ft”']);
    expect(words('people')).toEqual(['2', '2 + not said']);
    expect(words('layer')).toEqual(['rust gravel', 'not said + rust gravel']);
    expect(words('who')).toEqual(['Ada + Wren', 'Ada + Wren']);
    const [one, two] = words('lining');
    expect(one).toBe(two);
  });
  test('by the day of the ground they were weighed on', () => {
    expect(words('month')).toEqual(['2026-06', '2026-07']);
    expect(words('year')).toEqual(['2026', '2026']);
  });
  test('what was rinsed out later by the runs it came from', () =>
    expect(tellApart('box', BEHIND, localTime('UTC'))({ id: 'rinsed' })).toBe('Short Ten'));
  test('one that is not here is not known', () =>
    expect(tellApart('box', BEHIND, localTime('UTC'))({ id: 'none' })).toBe('not known'));
});
