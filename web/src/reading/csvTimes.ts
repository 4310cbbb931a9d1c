import { localTime, type LocalTime } from '../when/localTime.ts';
import { readClock, readDay } from '../when/readWhen.ts';
import type { Row } from './csvReadings.ts';

/** The times of a file's lines: as they stand there, and when that was, ms; NaN where it is no time. */
export interface CsvTimes {
  readonly said: readonly string[];
  readonly at_ms: readonly number[];
}

/** A moment with its zone: ISO 8601, or as letters write it (RFC 5322), "Fri, 1 May 2026 08:00:00 GMT". */
const ZONED = /^\d{4}-\d{2}-\d{2}[T ]\d{2}:\d{2}(:\d{2}([.,]\d+)?)? ?(Z|[+-]\d{2}(:?\d{2})?)$/i;
const LETTER = /^([a-z]{3}, )?\d{1,2} [a-z]{3} \d{4} \d{2}:\d{2}(:\d{2})? (GMT|UTC?|[+-]\d{4})$/i;
/** A day with its year, and the hour behind it. */
const PARTED = /^(\d{4}[-/]\d{1,2}[-/]\d{1,2}|.*?[ /.-]\d{4})(?:[T,]? *(.+))?$/i;
const STROKES = /^(\d{1,2})[-/](\d{1,2})[-/](\d{4})\b/;
/** A file that gives days alone means the middle of them. */
const NOON_S = 12 * 3600;
const DAY_MS = 86_400_000;
/** Every day of a file has its year: none is reckoned from the day it is. */
const ANY_DAY = '2000-01-01';

/**
 * The column of times of a file, or its day and hour of two columns. A moment that names its zone is that moment; others
 * are by the ground's clock, or Greenwich's where the column's name says UTC or GMT. Which of two figures is the day, one
 * line past the twelfth tells for the whole file.
 * @returns null where no column is named as one of times
 * @throws Error in words for the person, where no line tells day from month
 */
export function csvTimes(rows: readonly Row[], columns: readonly string[], local: LocalTime): CsvTimes | null {
  const named = columns.filter((c) => /time|date/i.test(c) && !/zone/i.test(c));
  const [first] = named;
  if (first === undefined) return null;
  const day = named.find((c) => /date/i.test(c) && !/time/i.test(c));
  const hour = named.find((c) => /time/i.test(c) && !/date/i.test(c));
  const isApart = day !== undefined && hour !== undefined && readSeconds(rows[0]?.[hour]) !== null;
  const said = rows.map((row) =>
    (isApart ? `${row[day] ?? ''} ${row[hour] ?? ''}` : (row[first] ?? '')).trim().replace(/\s+/g, ' '),
  );
  const inGreenwich = /utc|gmt/i.test(isApart ? `${day} ${hour}` : first);
  const by = byClock(inGreenwich ? localTime('UTC') : local, isDayFirst(said));
  return { said, at_ms: said.map((text) => readTime(text, by)) };
}

/** A moment of a day as a file writes it; NaN where that is no day. */
type ByClock = (day: string, second: number) => number;

/** Files have many lines of one day: it is read once, and where all its hours are 60 minutes they are counted from midnight. */
function byClock(local: LocalTime, dayFirst: boolean): ByClock {
  const days = new Map<string, (second: number) => number>();
  const read = (day: string): ((second: number) => number) => {
    const ordered = day.replace(STROKES, dayFirst ? '$3-$2-$1' : '$3-$1-$2');
    const told = readDay(/[a-z]/i.test(day) ? day.replaceAll('-', ' ') : ordered, ANY_DAY);
    if (!told.ok) return () => NaN;
    const { iso } = told;
    const midnight_ms = local.at(iso).getTime();
    const next = new Date(Date.parse(`${iso}T00:00Z`) + DAY_MS).toISOString().slice(0, 10);
    return local.at(next).getTime() - midnight_ms === DAY_MS
      ? (second) => midnight_ms + 1000 * second
      : (second) => local.at(`${iso}T${new Date(1000 * second).toISOString().slice(11, 19)}`).getTime();
  };
  return (day, second) => {
    const at = days.get(day) ?? read(day);
    days.set(day, at);
    return at(second);
  };
}

function readTime(text: string, by: ByClock): number {
  if (ZONED.test(text))
    return Date.parse(
      text
        .toUpperCase()
        .replace(/^(\S{10}) /, '$1T')
        .replace(' ', '')
        .replace(',', '.')
        .replace(/([+-]\d{2}):?(\d{2})?$/, (_, hours: string, minutes = '00') => `${hours}:${minutes}`),
    );
  if (LETTER.test(text)) return Date.parse(text);
  const [, day = '', clock] = PARTED.exec(text) ?? [];
  const second = clock === undefined ? NOON_S : readSeconds(clock);
  return second === null ? NaN : by(day, second);
}

/** Seconds after midnight of "8:20:30", "8.20", "8:20 am"; null where it is no hour. */
function readSeconds(clock = ''): number | null {
  const [, hour = '', seconds = '0', half = ''] =
    /^(\d{1,2}(?:[:.]?\d{2})?)(?::([0-5]\d)(?:[.,]\d+)?)?( ?[ap]\.?m?\.?)?$/i.exec(clock.trim()) ?? [];
  const minutes = readClock(hour + half);
  return minutes === null ? null : minutes * 60 + Number(seconds);
}

/** @throws Error in words for the person, where no line tells day from month, or some tell otherwise */
function isDayFirst(said: readonly string[]): boolean {
  const both = said.flatMap((text) => {
    const [, a, b] = STROKES.exec(text) ?? [];
    return a === undefined ? [] : [{ text, a: Number(a), b: Number(b) }];
  });
  const dayFirst = both.some((s) => s.a > 12);
  const unsure = both.find((s) => s.a !== s.b);
  if (unsure && dayFirst === both.some((s) => s.b > 12))
    throw new Error(
      `Day or month first? “${unsure.text}” can be read both ways, and the lines of this file ${dayFirst ? 'are written both ways' : 'do not tell'}. Write its days like 2026-07-28.`,
    );
  return dayFirst;
}
