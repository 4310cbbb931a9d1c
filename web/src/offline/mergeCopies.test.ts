import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { localTime } from '../when/localTime.ts';
import { mergeCopies, sayThing as sayThingAt, withTheirs, type Differing } from './mergeCopies.ts';

const sayThing = (copy: Readonly<Record<string, unknown>>, thing: Differing) =>
  sayThingAt(copy, thing, localTime('Atlantic/Azores').dayTime);

const base = {
  id: 's',
  groundId: 'g',
  deleted: false,
  name: 'Otter bar',
  note: '',
  distance_m: 520,
  bank: 'right',
  offset_m: 6,
  position: [-33, 46.5],
  gold_mg: null as number | null,
  goldEntered: null as { text: string; unit: string } | null,
};

describe('two copies of one record', () => {
  test('changes of different things go together', () => {
    const merged = mergeCopies(base, { ...base, note: 'two boulders' }, { ...base, name: 'Otter Bar, low' });
    expect(merged.both).toEqual([]);
    expect(merged.record).toEqual({ ...base, note: 'two boulders', name: 'Otter Bar, low' });
    expect(merged.theirs.map((t) => t.name)).toEqual(['name']);
  });
  test('the same change of both is no difference', () => {
    const copy = { ...base, note: 'blank' };
    expect(mergeCopies(base, copy, copy)).toMatchObject({ both: [], theirs: [] });
  });
  test('one thing changed by both is for a person, a figure with how it was typed, a place whole', () => {
    const mine = { ...base, gold_mg: 5, goldEntered: { text: '5', unit: 'mg' }, distance_m: 525 };
    const theirs = { ...base, gold_mg: 6, goldEntered: { text: '6 mg', unit: 'mg' }, bank: 'left' };
    const { both, record } = mergeCopies(base, mine, theirs);
    expect(both.map((b) => b.name)).toEqual(['place', 'gold']);
    expect(record).toEqual(mine);
    expect(both.map((b) => [sayThing(mine, b), sayThing(theirs, b)])).toEqual([
      ['525 m, right', '520 m, left'],
      ['5 mg', '6 mg'],
    ]);
    expect(withTheirs(record, theirs, both)).toEqual(theirs);
  });
  test('taken out by one and changed by the other: nothing is done without a person', () => {
    const gone = { ...base, deleted: true };
    const changed = { ...base, note: 'x' };
    for (const [mine, theirs] of [
      [gone, changed],
      [changed, gone],
    ] as const) {
      const { both, record } = mergeCopies(base, mine, theirs);
      expect(both.map((b) => b.name)).toEqual(['deleted']);
      expect(record).toEqual(mine);
    }
    expect(sayThing(gone, { name: 'deleted', fields: ['deleted'] })).toBe('taken out');
    // Taken out by them, and by me nothing changed: it stays out.
    expect(mergeCopies(base, base, gone).both).toEqual([]);
  });
  test('where it is not known what mine was begun on, all that differs is for a person', () => {
    expect(mergeCopies(null, { ...base, note: 'a' }, { ...base, name: 'b' }).both.map((b) => b.name)).toEqual([
      'name',
      'note',
    ]);
  });
  test('whoever comes second, the same record comes out where nothing is contested, and no change is lost', () => {
    const change = fc.record({ name: fc.string(), note: fc.string(), gold_mg: fc.nat() }, { requiredKeys: [] });
    fc.assert(
      fc.property(change, change, (a, b) => {
        const [mine, theirs] = [
          { ...base, ...a },
          { ...base, ...b },
        ];
        const [one, other] = [mergeCopies(base, mine, theirs), mergeCopies(base, theirs, mine)];
        expect(one.both).toEqual(other.both);
        if (one.both.length > 0) return;
        expect(one.record).toEqual(other.record);
        for (const [k, v] of [...Object.entries(a), ...Object.entries(b)])
          if (v !== base[k as 'name']) expect(one.record[k]).toBe(v);
      }),
    );
  });
});
