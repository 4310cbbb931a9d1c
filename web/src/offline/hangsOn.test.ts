import { describe, expect, test } from '@jest/globals';
import { hangsOn } from './hangsOn.ts';
import type { QueuedWrite } from './write.ts';

const record = (kind: string, fields: object, baseVersion = 0, writeId = JSON.stringify([kind, fields])): QueuedWrite =>
  ({ what: 'record', kind, record: { ...fields, baseVersion }, writeId, crewId: 'c' }) as unknown as QueuedWrite;
const ground = record('grounds', { id: 'g' });
const spot = record('spots', { id: 's', groundId: 'g' });
const sample = record('samples', { id: 'p', groundId: 'g', spotId: 's' });
const taps = { what: 'events', runId: 'r', groundId: 'g', events: [], writeId: 't', crewId: 'c' } as QueuedWrite;

describe('what hangs on a refused write', () => {
  test('a sample on its new spot, taps on their new run, a clean-up on a run among several', () => {
    expect(hangsOn(sample, [spot])).toBe(spot);
    const run = record('runs', { id: 'r', groundId: 'g' });
    expect(hangsOn(taps, [run])).toBe(run);
    expect(hangsOn(record('cleanups', { id: 'c', runIds: ['q', 'r'] }), [run])).toBe(run);
  });
  test('a change that was refused holds nothing up: the record itself is in the book', () =>
    expect(hangsOn(sample, [record('spots', { id: 's', groundId: 'g' }, 3)])).toBeNull());
  test('a later change of the same record hangs on its first write', () =>
    expect(hangsOn(record('spots', { id: 's', groundId: 'g' }, 1, 'later'), [spot])).toBe(spot));
  test('nothing hangs on itself, nor on what it does not name', () => {
    expect(hangsOn(spot, [spot])).toBeNull();
    expect(hangsOn(sample, [record('signs', { id: 'x', groundId: 'g' })])).toBeNull();
    expect(hangsOn(ground, [spot, sample])).toBeNull();
  });
  test('a file hangs on the record that says what it is; its bytes are not searched', () => {
    const attachment = record('attachments', { id: 'a', groundId: 'g' });
    const file = {
      what: 'file',
      groundId: 'g',
      attachmentId: 'a',
      bytes: new Blob(['a']),
      writeId: 'f',
      crewId: 'c',
    } as QueuedWrite;
    expect(hangsOn(file, [attachment])).toBe(attachment);
  });
});
