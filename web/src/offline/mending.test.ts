import { describe, expect, test } from '@jest/globals';
import type { RefusedWrite } from './outbox.ts';
import { spokenField, withMended, wrongFields } from './mending.ts';
import type { QueuedWrite } from './write.ts';

const write = {
  what: 'record',
  kind: 'cleanups',
  record: { id: 'c', groundId: 'g', note: 'x', sections: [{ gold_mg: -1 }, { gold_mg: 2 }], baseVersion: 0 },
  writeId: 'w',
  crewId: 'crew',
} as unknown as QueuedWrite;
const refused = (paths: string[]): RefusedWrite => ({
  place: 1,
  write,
  problem: {
    type: 'about:blank',
    title: '',
    status: 400,
    code: 'INVALID',
    detail: '',
    errors: paths.map((path) => ({ path, message: `wrong: ${path}` })),
  },
});

describe('mending a refused write', () => {
  test('fields the server named that hold a text or a number', () => {
    expect(wrongFields(refused(['sections.0.gold_mg', 'note', 'sections', 'groundId', 'sections.7.gold_mg']))).toEqual([
      { path: 'sections.0.gold_mg', message: 'wrong: sections.0.gold_mg', value: -1 },
      { path: 'note', message: 'wrong: note', value: 'x' },
    ]);
  });
  test('puts the field right and leaves the rest', () => {
    expect(withMended(write, 'sections.0.gold_mg', 3)).toEqual({
      ...write,
      record: { id: 'c', groundId: 'g', note: 'x', sections: [{ gold_mg: 3 }, { gold_mg: 2 }], baseVersion: 0 },
    });
  });
  test('called as people would', () => {
    expect(['name', 'distance_m', 'sections.0.gold_mg', 'takenAt'].map(spokenField)).toEqual([
      'Name',
      'Distance, m',
      'Gold, mg',
      'Taken at',
    ]);
  });
});
