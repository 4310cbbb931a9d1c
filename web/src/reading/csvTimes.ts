import { isValid, parse } from 'date-fns';
import type { LocalTime } from '../when/localTime.ts';
import { clockText, readClock } from '../when/readWhen.ts';
import type { Row } from './csvReadings.ts';

/** The times of a file's lines: as they stand there, and when that was, ms; NaN where it is no time. */
export interface CsvTimes {
  readonly said: readonly string[];
  readonly at_ms: readonly number[];
}

/** A moment with its zone: ISO 8601, or as letters write it (RFC 5322), "Fri, 1 May 2026 08:00:00 GMT". */
const ZONED = /^\d{4}-\d{2}-\d{2}[T ]\d{2}:\d{2}(:\d{2}([.,]\d+)?)? ?(Z|[+-]\d{2}(:?\d{2})?)$/i;
const LETTER = /^([a-z]{3}, )?\d{1,2} [a-z]{3} \d{4} \d{2}:\d{2}(:\d{2})? (GMT|UTC?|[+-]\d{4})$/i;
const ISO = /^(\d{4})[-/](\d{1,2})[-/](\d{1,2})(?:[T ]+(.+))?$/i;
const STROKES = /^(\d{1,2})([-/.])(\d{1,2})\2(\d{4})(?:,? +(.+))?$/;
const NAMED = /^(\d{1,2}[- ][a-z]{3,9}[- ]\d{4}|[a-z]{3,9} \d{1,2},? \d{4})(?:,? +(.+))?$/i;
/** A file that gives days alone means the middle of them. */
const NO_CLOCK = '12:00:00';

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
  const dayFirst = isDayFirst(said);
  const inGreenwich = /utc|gmt/i.test(isApart ? `${day} ${hour}` : first);
  return { said, at_ms: said.map((text) => readTime(text, dayFirst, inGreenwich ? null : local)) };
}

/** @param local null: Greenwich's */
function readTime(text: string, dayFirst: boolean, local: LocalTime | null): number {
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
  const on = (year: string, month: string, date: string, clock: string | undefined): number =>
    at(parse(`${year}-${month}-${date}`, 'yyyy-M-d', new Date(0)), clock, local);
  const iso = ISO.exec(text);
  if (iso) return on(iso[1] ?? '', iso[2] ?? '', iso[3] ?? '', iso[4]);
  const strokes = STROKES.exec(text);
  if (strokes) {
    const [, a = '', stroke, b = '', year = '', clock] = strokes;
    return stroke === '.' || dayFirst ? on(year, b, a, clock) : on(year, a, b, clock);
  }
  const [, words, clock] = NAMED.exec(text) ?? [];
  if (words === undefined) return NaN;
  const plain = words.replaceAll(/[-,]/g, ' ').replaceAll(/ +/g, ' ');
  const forms = ['d MMM yyyy', 'd MMMM yyyy', 'MMM d yyyy', 'MMMM d yyyy'];
  return at(forms.map((form) => parse(plain, form, new Date(0))).find(isValid), clock, local);
}

function at(day: Date | undefined, clock: string | undefined, local: LocalTime | null): number {
  const time = clock === undefined ? NO_CLOCK : readSeconds(clock);
  if (!day || !isValid(day) || time === null) return NaN;
  const two = (n: number): string => String(n).padStart(2, '0');
  const moment = `${String(day.getFullYear()).padStart(4, '0')}-${two(day.getMonth() + 1)}-${two(day.getDate())}T${time}`;
  return local ? local.at(moment).getTime() : Date.parse(`${moment}Z`);
}

/** "08:20:30" of "8:20:30", "8.20", "8:20 am"; null where it is no hour. */
function readSeconds(clock = ''): string | null {
  const [, hour = '', seconds = '00', half = ''] =
    /^(\d{1,2}(?:[:.]?\d{2})?)(?::([0-5]\d)(?:[.,]\d+)?)?( ?[ap]\.?m?\.?)?$/i.exec(clock.trim()) ?? [];
  const minutes = readClock(hour + half);
  return minutes === null ? null : `${clockText(minutes)}:${seconds}`;
}

function isDayFirst(said: readonly string[]): boolean {
  const both = said.flatMap((text) => {
    const [, a, stroke, b] = STROKES.exec(text) ?? [];
    return stroke === undefined || stroke === '.' ? [] : [{ text, a: Number(a), b: Number(b) }];
  });
  const dayFirst = both.some((s) => s.a > 12);
  const unsure = both.find((s) => s.a !== s.b);
  if (unsure && dayFirst === both.some((s) => s.b > 12))
    throw new Error(
      `Day or month first? “${unsure.text}” can be read both ways, and the lines of this file ${dayFirst ? 'are written both ways' : 'do not tell'}. Write its days like 2026-07-28.`,
    );
  return dayFirst;
}
