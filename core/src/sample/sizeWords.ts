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
    const bySieve = saidBySieve(part);
    if (bySieve && 'problem' in bySieve) return { ok: false, problem: bySieve.problem };
    const said =
      longestFirst.flatMap(({ word, size }) => {
        const number = numberBefore(part, word.toLowerCase());
        return number === null ? [] : [{ size, number }];
      })[0] ?? bySieve;
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

/** Sieves between the classes, and what lies on each side of one: finer first. */
const BELOW_SIEVE: readonly (readonly [mesh: number, size: ColorClass])[] = [
  [40, '-40'],
  [20, '20-40'],
  [10, '10-20'],
];
const SPOKEN_CLASS: Readonly<Record<ColorClass, string>> = {
  '+10': '“plus 10”',
  '10-20': '“10 to 20”',
  '20-40': '“20 to 40”',
  '-40': '“minus 40”',
};

/**
 * A size said by a sieve, "4 minus 40", "2 of 10 to 20". One that holds several classes ("minus 8") is asked about with what it
 * may be, and so is "5 mil", which is a millimetre to some and a thousandth of an inch to others. Null where no sieve is named.
 */
function saidBySieve(part: string): { number: string; size: ColorClass } | { problem: string } | null {
  const mil = /(?:^|\s)([\d.]+)\s*mils?$/.exec(part);
  if (mil)
    return {
      problem: `“${mil[1]} mil” is ${mil[1]} mm or ${mil[1]} thousandths of an inch (${Number((Number(mil[1]) * 0.0254).toPrecision(3))} mm). Count it by your own words, or by a sieve: “4 minus 40”.`,
    };
  const between = /^(.*?)(?:\s+of)?\s*\b(10|20)\s*(?:to|-|–)\s*(20|40)(?:\s*mesh)?$/.exec(part);
  if (between && between[1]?.trim() !== '' && Number(between[3]) === 2 * Number(between[2]))
    return { number: (between[1] ?? '').trim(), size: between[2] === '10' ? '10-20' : '20-40' };
  const cut = /^(.*?)(?:\s+of)?\s*\b(minus|under|plus|over)\s*(\d+)(?:\s*mesh)?$/.exec(part);
  if (!cut) return null;
  const [, before = '', side = '', meshText = ''] = cut;
  const mesh = Number(meshText);
  // A class lies below its own sieve and above the next finer one.
  const finer = side === 'minus' || side === 'under';
  const may: ColorClass[] = finer
    ? BELOW_SIEVE.filter(([m], i) => m >= mesh || (BELOW_SIEVE[i - 1]?.[0] ?? Infinity) > mesh).map(([, size]) => size)
    : [...BELOW_SIEVE.filter(([m]) => m < mesh).map(([, size]) => size), '+10' as const];
  const [only] = may;
  if (only && may.length === 1) return { number: before.trim(), size: only };
  return {
    problem: `“${side} ${mesh}” is all that ${finer ? 'passes' : 'stays on'} ${mesh} mesh: ${may.map((c) => SPOKEN_CLASS[c]).join(' or ')}? Say which.`,
  };
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
