import { convert } from '@riffle/core';
import Papa from 'papaparse';

const UNITS = ['cm', 'm', 'ft', 'in', 'mm'] as const;
export type LengthUnit = (typeof UNITS)[number];
/** A line that could not be read. */
export interface RefusedLine {
  readonly line: number;
  readonly why: string;
}
export type Row = Readonly<Record<string, string>>;

/** A CSV (RFC 4180) with its first line of names: rows, and the names as they stand. */
export function csvTable(text: string): { readonly rows: readonly Row[]; readonly columns: readonly string[] } {
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), { header: true, skipEmptyLines: 'greedy' });
  return { rows: data, columns: meta.fields ?? [] };
}

const unitIn = (column: string, words: RegExp): LengthUnit | undefined => {
  const rest = column.replace(words, '');
  return UNITS.find((u) => new RegExp(`(^|[^a-z])${u}([^a-z]|$)`, 'i').test(rest));
};

/** The column named by one of these words: one that says its unit before one that only shares a word ("gauge_id"). */
export function columnOf(columns: readonly string[], words: RegExp): string | undefined {
  const named = columns.filter((c) => c.replace(words, '') !== c);
  return named.find((c) => unitIn(c, words)) ?? named[0];
}

/** The unit of length a column's name says, beside the words that tell what it is. @throws Error in words for the person */
export function unitOfColumn(column: string, words: RegExp, examples: string): LengthUnit {
  const unit = unitIn(column, words);
  if (!unit) throw new Error(`The column “${column}” does not say its unit. Name it ${examples}.`);
  return unit;
}

/** What loggers write where they measured nothing: -999, -9999.0. Common practice, no source. */
const NOTHING_MEASURED = /^-9{3,}([.,]0+)?$/;
/** A figure with a point or a decimal comma; NaN where there is none, or nothing was measured. */
export const csvNumber = (text = ''): number =>
  text.trim() === '' || NOTHING_MEASURED.test(text.trim()) ? NaN : Number(text.trim().replace(',', '.'));

export const inMetres = (value: number, unit: LengthUnit): number => convert('length', value, unit, 'm');

/** Says why nothing of a file could be taken. @throws Error in words for the person, unless something was read */
export function refuseEmpty(read: readonly unknown[], refused: readonly RefusedLine[]): void {
  if (read.length === 0)
    throw new Error(
      refused[0]
        ? `No line of it could be read; line ${refused[0].line}: ${refused[0].why}.`
        : 'The file holds no reading.',
    );
}
