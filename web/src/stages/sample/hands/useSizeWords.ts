import { textProblem, TEXTS } from '@riffle/contract';
import { FIRST_SIZE_WORDS, type ColorClass, type SizeWord } from '@riffle/core';
import { useRecords } from '../../../records/useRecords.ts';
import { useKeep } from '../../../records/useKeep.ts';

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
  const keep = useKeep('size-words');
  const own = kept.length > 0;
  const words = own ? kept : FIRST_SIZE_WORDS;
  /** The first change makes the trade's words the crew's own, so that the others stay as they are. */
  const makeOwn = (but?: string): void => {
    if (!own) for (const w of FIRST_SIZE_WORDS) if (w.word !== but) keep.add({ word: w.word, size: w.size });
  };
  return {
    words,
    own,
    add: (size, typed) => {
      const word = typed.trim().toLowerCase();
      const problem = textProblem(TEXTS.sizeWord, word);
      if (problem) return problem;
      if (/[\d,;+&]/.test(word)) return 'No figures or commas: they would be read as a count.';
      if (words.some((w) => w.word.toLowerCase() === word)) return `“${word}” means a size already.`;
      makeOwn();
      keep.add({ word, size });
      return null;
    },
    takeOut: (word) => {
      makeOwn(word);
      const record = kept.find((w) => w.word === word);
      if (record) keep.takeOut(record);
    },
  };
}
