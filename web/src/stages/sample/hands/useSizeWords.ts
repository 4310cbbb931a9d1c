import { FIRST_SIZE_WORDS, type ColorClass, type SizeWord } from '@riffle/core';
import { v7 as uuidv7 } from 'uuid';
import { useRecords } from '../../../api/records.ts';
import { useWrite } from '../../../offline/writes.ts';

export interface SizeWords {
  /** The crew's own words; the trade's until they have any. */
  readonly words: readonly SizeWord[];
  readonly own: boolean;
  /** Why a word cannot be added; null when it was. */
  readonly add: (size: ColorClass, word: string) => string | null;
  readonly takeOut: (word: string) => void;
}

/** The crew's words for sizes of gold. */
export function useSizeWords(): SizeWords {
  const kept = useRecords('size-words').items;
  const write = useWrite();
  const own = kept.length > 0;
  const words = own ? kept : FIRST_SIZE_WORDS;
  const put = (word: string, size: ColorClass): void =>
    write({ what: 'record', kind: 'size-words', record: { id: uuidv7(), deleted: false, word, size, baseVersion: 0 } });
  /** The first change makes the trade's words the crew's own, so that the others stay as they are. */
  const makeOwn = (but?: string): void => {
    if (!own) for (const w of FIRST_SIZE_WORDS) if (w.word !== but) put(w.word, w.size);
  };
  return {
    words,
    own,
    add: (size, typed) => {
      const word = typed.trim().toLowerCase();
      if (word === '') return 'Which word?';
      if (/[\d,;+&]/.test(word)) return 'No figures or commas: they would be read as a count.';
      if (word.length > 30) return 'At most 30 characters.';
      if (words.some((w) => w.word.toLowerCase() === word)) return `“${word}” means a size already.`;
      makeOwn();
      put(word, size);
      return null;
    },
    takeOut: (word) => {
      makeOwn(word);
      const record = kept.find((w) => w.word === word);
      if (!record) return;
      const { version, updatedAt, ...said } = record;
      write({ what: 'record', kind: 'size-words', record: { ...said, deleted: true, baseVersion: version } });
    },
  };
}
