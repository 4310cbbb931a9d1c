import { COLOR_CLASSES, NO_COLORS, type ColorClass, type ColorCounts } from './colorWeights.ts';

/** A word for gold of a size. Several may mean one class. */
export interface SizeWord {
  readonly word: string;
  readonly size: ColorClass;
}

/** Words of the trade and the classes they are tied to until a crew says otherwise. Common practice, no source: crews differ. */
export const FIRST_SIZE_WORDS: readonly SizeWord[] = [
  { word: 'nugget', size: '+10' },
  { word: 'picker', size: '10-20' },
  { word: 'flake', size: '20-40' },
  { word: 'speck', size: '-40' },
  { word: 'flour', size: '-40' },
];

/** Numbers that people say in words. */
const SAID: Readonly<Record<string, number>> = {
  no: 0,
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  'a dozen': 12,
};
/** Most colors of a class that are counted. */
const MOST = 100_000;

export type WordCount =
  { readonly ok: true; readonly counts: ColorCounts } | { readonly ok: false; readonly problem: string };

/**
 * Colors as people say them, "3 flakes, 9 specks and a nugget", by class; said twice they add up; commas may be left out. "blank" or "nothing" is none.
 * A word may stand in the plural (-s, -es); a number is whole, in figures or up to twelve in words. What cannot be read is named, never guessed:
 * "some flakes" has no number, "10 bits" no known word.
 */
export function countByWords(said: string, words: readonly SizeWord[] = FIRST_SIZE_WORDS): WordCount {
  const text = said.trim().toLowerCase();
  if (text === 'blank' || text === 'nothing' || text === 'none') return { ok: true, counts: NO_COLORS };
  const counts: Record<ColorClass, number> = { ...NO_COLORS };
  // "fly speck" before "speck".
  const longestFirst = [...words].sort((a, b) => b.word.length - a.word.length);
  const parts = parted(text, longestFirst)
    .split(/\s*(?:,|;|\+|\band\b|&)\s*/)
    .filter((p) => p !== '');
  if (parts.length === 0) return { ok: false, problem: 'Say how many of which, “3 flakes, 9 specks”.' };
  for (const part of parts) {
    const said = longestFirst.flatMap(({ word, size }) => {
      const number = numberBefore(part, word.toLowerCase());
      return number === null ? [] : [{ size, number }];
    })[0];
    if (!said)
      return { ok: false, problem: `“${part}” holds no size word of yours: ${words.map((w) => w.word).join(', ')}.` };
    const n =
      said.number in SAID ? (SAID[said.number] as number) : /^\d+$/.test(said.number) ? Number(said.number) : NaN;
    if (!(n <= MOST))
      return { ok: false, problem: said.number === '' ? `How many ${part}?` : `“${said.number}” is no whole number.` };
    counts[said.size] = Math.min(MOST, counts[said.size] + n);
  }
  return { ok: true, counts };
}

/** Spoken lists have no commas: one belongs after a size word that a number follows. */
function parted(text: string, words: readonly SizeWord[]): string {
  const anyWord = words.map((w) => escaped(w.word.toLowerCase())).join('|');
  const anyNumber = `\\d|(?:${Object.keys(SAID).join('|')})\\b`;
  return words.length === 0
    ? text
    : text.replaceAll(new RegExp(`((?:${anyWord})(?:s|es)?)\\s+(?=${anyNumber})`, 'g'), '$1, ');
}
const escaped = (word: string): string => word.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** What stands before a word at the end of a part ("3" of "3 flakes", "5" of "5flakes", nothing of "flakes"); null when it does not end so. */
function numberBefore(part: string, word: string): string | null {
  const found = new RegExp(`^(.*\\s|\\d+)?${escaped(word)}(?:s|es)?$`).exec(part);
  return found && (found[1] ?? '').replace(/\bof\b/, '').trim();
}

/** Words of a class, in their order. */
export const wordsOf = (size: ColorClass, words: readonly SizeWord[]): string[] =>
  words.filter((w) => w.size === size).map((w) => w.word);

/** Counts as a person would say them, by the first word of each class; a class without a word goes by its sieve. "blank" for none. */
export function sayCounts(counts: ColorCounts, words: readonly SizeWord[] = FIRST_SIZE_WORDS): string {
  const said = COLOR_CLASSES.filter((c) => counts[c] > 0).map(
    (c) => `${counts[c]} ${wordsOf(c, words)[0] ?? c}${counts[c] === 1 || wordsOf(c, words).length === 0 ? '' : 's'}`,
  );
  return said.length === 0 ? 'blank' : said.join(', ');
}
