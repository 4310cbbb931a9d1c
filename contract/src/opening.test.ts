import { expect, test } from '@jest/globals';
import { isPartOf, listsOfPage, pageAt } from './opening.ts';

const GROUND = '01900000-0000-7000-8000-00000000aaaa';

test.each([
  [`/g/${GROUND}/sample/bags`, 'sample/bags'],
  [`/g/${GROUND}/day/`, 'day'],
  [`/g/${GROUND}`, `g/${GROUND}`],
  ['/settings', 'settings'],
  ['/', ''],
])('a path leads within its ground: %s', (path, page) => expect(pageAt(path)).toBe(page));

test.each([
  ['sample', 'sample/*', true],
  ['sample/bags', 'sample/*', true],
  ['samples', 'sample/*', false],
  ['sample/bags', 'sample', false],
  ['day', 'day', true],
])('the page %s takes in what stands at %s: %s', (page, at, isPart) => expect(isPartOf(page, at)).toBe(isPart));

test('a page without lists of its own has none, whatever it is called', () => {
  expect(listsOfPage('read')).toEqual([]);
  expect(listsOfPage('constructor')).toEqual([]);
});
