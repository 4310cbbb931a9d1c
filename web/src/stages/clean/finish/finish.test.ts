import { describe, expect, test } from '@jest/globals';
import type { StoredJar } from '@riffle/contract';
import { CONTAINERS, weighFinish, weighSluice } from '@riffle/core';
import { finishWords } from './finishWords.ts';
import { fractionName, screenBetween } from './ladder.ts';
import {
  draftOf,
  finishFrom,
  jarRecord,
  markBefore,
  newJarDraft,
  readJar,
  seenAt,
  spoonOf,
  type JarDraft,
} from './readJar.ts';
import { newSluice, readSluice, sluiceAsDraft, sluiceRecord, sluiceSetting, timesTaken } from './readSluice.ts';

const jar = (some: Partial<JarDraft> = {}): JarDraft => ({ ...newJarDraft(false), name: 'Tub 2', ...some });
const read = (d: JarDraft) => readJar(d, CONTAINERS);
const show = { flow: (m3_s: number) => `${(m3_s * 60_000).toFixed(1)} L/min`, display: { system: 'metric' } } as never;
const words = (d: JarDraft, mark: string | null = null) => {
  const r = read(d);
  const setting = finishFrom(d, r, 18);
  const depth = r.depth.ok && r.depth.value > 0 ? r.depth.value : null;
  const record = d.way === 'finishing sluice' ? sluiceRecord(d.sluice) : null;
  const sluice = record && r.volume.ok ? weighSluice(sluiceSetting(record, d, r.volume.value)) : null;
  return finishWords(d, setting, depth, setting && weighFinish(setting), sluice, mark, show);
};

describe('the ladder of screens', () => {
  test('fractions as they are called, and the screen that parts one in two', () => {
    expect([fractionName(0.6, 0.3), fractionName(0.15, 0), fractionName(6.3, 2.36)]).toEqual([
      'minus 30 plus 50',
      'minus 100',
      'minus 1/4 in plus 8',
    ]);
    expect(screenBetween(2.36, 0.15)?.name).toBe('30');
    expect(screenBetween(0.6, 0.3)).toBeNull();
  });
});

describe('a jar as it is typed', () => {
  test('goes into the book as it is, and comes back the same', () => {
    const d = jar({ magnetShare: '25', magnetFound: '3', magnetElsewhere: '140', gold: { text: '812.4', unit: 'mg' } });
    const record = jarRecord(d, read(d), 'g');
    expect(record).toMatchObject({
      name: 'Tub 2',
      magnet: { washedShare: 0.25, found: 3, elsewhere: 140 },
      gold_mg: 812.4,
    });
    const again = draftOf({ ...record, id: 'j', madeAt: '2026-05-01T08:00:00.000Z' } as StoredJar, false);
    expect(jarRecord(again, read(again), 'g')).toEqual(record);
  });
  test.each([
    ['no name', { name: ' ' }],
    ['upside down', { coarsest_mm: 0.3, finest_mm: 0.6 }],
    ['nothing in it', { volume: { text: '0', unit: 'L' } }],
    ['more than all of the magnetics', { magnetShare: '140' }],
    ['half a color', { magnetShare: '20', magnetFound: '1.5' }],
  ] as const)('%s: not kept', (_name, some) => expect(jarRecord(jar(some), read(jar(some)), 'g')).toBeNull());
  test('a spoon is of a depth of water; without one there is none', () => {
    const d = jar({ depth: { text: '1.9', unit: 'mm' }, took: '1:40', level: ' 42 mm ' });
    expect(spoonOf(d, read(d), 'right')).toMatchObject({ depth_m: 0.0019, took_s: 100, level: '42 mm' });
    expect(spoonOf(jar(), read(jar()), 'right')).toBeNull();
  });
  test('what was seen at such a floor over such a fraction speaks, and its mark is known again; of other ones not', () => {
    const before = jar({ depth: { text: '1.9', unit: 'mm' }, level: '42 mm' });
    const spoon = spoonOf(before, read(before), 'right');
    const record = jarRecord({ ...before, spoons: spoon ? [spoon] : [] }, read(before), 'g');
    const kept = [{ ...record, id: 'j', madeAt: '2026-05-01T08:00:00.000Z' } as StoredJar];
    const now = jar();
    const setting = finishFrom(now, read(now), 18) ?? (undefined as never);
    expect(seenAt(now, setting, kept)).toEqual([{ depth_m: 0.0019, saw: 'right', took_s: null }]);
    expect(markBefore(now, setting, kept)).toBe('42 mm');
    const finer = jar({ coarsest_mm: 0.3, finest_mm: 0.15 });
    expect([seenAt(finer, setting, kept), markBefore(finer, setting, kept)]).toEqual([[], null]);
  });
});

describe('what is said of a jar', () => {
  test('the water to let over it; then up, down or left as it is', () => {
    expect(words(jar()).says).toMatch(
      /^Let 2\.\d.mm of water over it, [\d.]+ L\/min: black sand creeps off, gold stays\.$/,
    );
    expect(words(jar({ depth: { text: '0.8', unit: 'mm' } })).says).toMatch(/^Turn the water up to/);
    expect(words(jar({ depth: { text: '6', unit: 'mm' } })).says).toMatch(/^Turn the water down to/);
    expect(words(jar({ depth: { text: '2.2', unit: 'mm' } })).says).toMatch(/^Leave the water: a spoon takes/);
    expect(words(jar(), '42 mm in the tube').rests).toContain('Your mark for it: 42 mm in the tube.');
  });
  test('unsized is screened first, at a screen between; too fine is panned', () => {
    expect(words(jar({ coarsest_mm: 2.36, finest_mm: 0 })).says).toBe(
      'No water parts minus 8: screen it at 50 mesh first.',
    );
    expect(words(jar({ coarsest_mm: 0.15, finest_mm: 0.075 })).says).toBe(
      'Too fine for a floor: pan minus 100 plus 200.',
    );
  });
  test('over riffles: minus 8 first, then wide open', () => {
    expect(words(jar({ way: 'finishing sluice', coarsest_mm: 6.3, finest_mm: 0 })).says).toContain('minus 8 first');
    expect(words(jar({ way: 'finishing sluice', coarsest_mm: 2.36, finest_mm: 0 })).says).toContain('Water wide open');
    expect(words(jar({ way: 'pan' })).says).toBe('Pan minus 30 plus 50 by itself.');
  });
});

describe('a finishing sluice', () => {
  const bucket = (some: Partial<JarDraft> = {}): JarDraft =>
    jar({ way: 'finishing sluice', coarsest_mm: 0.6, finest_mm: 0.3, volume: { text: '25', unit: 'L' }, ...some });
  test('as such a sluice stands, two buckets two thirds full take some hours, and most gold lies at its head', () => {
    const { says, rests } = words(bucket());
    expect(says).toMatch(/this jar takes \d\.\d.h \(/);
    expect(Number(/hold (\d+)/.exec(rests)?.[1])).toBeGreaterThan(25);
  });
  test('too coarse: it is screened first, whatever the sluice', () =>
    expect(words(bucket({ coarsest_mm: 6.3, finest_mm: 2.36 })).says).toMatch(/Screen it to minus 8 first/));
  test.each([
    ['riffles', '0'],
    ['riffles', '3.5'],
    ['black', 'half'],
    ['black', '0'],
    ['took', 'long'],
  ] as const)('%s of “%s” is said at its field, and the jar is not kept', (field, text) => {
    const d = bucket({ sluice: { ...newSluice(false), [field]: text } });
    expect(readSluice(d.sluice)[field].ok).toBe(false);
    expect(jarRecord(d, read(d), 'g')).toBeNull();
  });
  test('kept, taken in hand again, and timed: the next is told by how long it took', () => {
    const d = bucket({ sluice: { ...newSluice(false), took: '3 h' } });
    const record = jarRecord(d, read(d), 'g');
    expect(record?.sluice?.took_s).toBe(10_800);
    expect(sluiceAsDraft(record?.sluice ?? null, false).took).toBe('3 h 0 min');
    const stored = { ...record, id: 'a', madeAt: '2026-05-02T08:00:00.000Z' } as StoredJar;
    const [times] = timesTaken([stored], null);
    const setting = sluiceSetting(record?.sluice as NonNullable<StoredJar['sluice']>, d, 25);
    expect(times ?? 0).toBeCloseTo(3 / weighSluice(setting).hours.middle, 6);
    expect(timesTaken([stored], 'a')).toEqual([]);
    expect(timesTaken([{ ...stored, sluice: undefined } as never], null)).toEqual([]);
  });
});
