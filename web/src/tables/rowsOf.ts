import Papa from 'papaparse';

/** A table as it was written: its columns in order, and its rows by column. */
export interface TableRows {
  readonly columns: readonly string[];
  readonly rows: readonly Readonly<Record<string, string>>[];
}

/** Reads a table from text: commas, semicolons or tabs between cells (RFC 4180; pasted cells come with tabs). The first line names the columns. */
export function rowsOf(text: string): TableRows {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, '').trim(), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim(),
  });
  return { columns: (meta.fields ?? []).filter((f) => f !== ''), rows: data };
}

/** A table as a CSV file. */
export const asCsv = (rows: readonly Readonly<Record<string, string>>[]): Blob =>
  new Blob([Papa.unparse([...rows])], { type: 'text/csv' });
