import { expect, jest, test } from '@jest/globals';
import { bucketsAhead } from './bucketsAhead.ts';

test('buckets count ahead of the list until it has them, each once, and whoever shows the count is told', () => {
  const ahead = bucketsAhead();
  const told = jest.fn();
  const leave = ahead.subscribe(told);
  ahead.add('a');
  ahead.add('b');
  expect(ahead.ids()).toEqual(['a', 'b']);
  const before = ahead.ids();
  ahead.letGo(() => false);
  expect(ahead.ids()).toBe(before);
  expect(told).toHaveBeenCalledTimes(2);
  ahead.letGo((id) => id === 'a');
  expect(ahead.ids()).toEqual(['b']);
  leave();
  ahead.letGo(() => true);
  expect(ahead.ids()).toEqual([]);
  expect(told).toHaveBeenCalledTimes(3);
});
