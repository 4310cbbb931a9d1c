import { expect, test } from '@jest/globals';
import { namesIn } from './namesIn.ts';

test('names as people write them, each once', () => {
  expect(namesIn('Wren, Ada and Bo')).toEqual(['Wren', 'Ada', 'Bo']);
  expect(namesIn('Ada + ada; Anders & Sandy')).toEqual(['ada', 'Anders', 'Sandy']);
  expect(namesIn(' , ')).toEqual([]);
});
