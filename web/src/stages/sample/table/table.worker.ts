import { expose } from 'comlink';
import Papa from 'papaparse';
import { latest } from '../../../workers/steps.ts';
import {
  TableReader,
  unitsNamed,
  type RefusedCell,
  type TableContext,
  type TableField,
  type TableMapping,
} from './readTable.ts';

/** What a table holds at first sight. */
export interface TableSeen {
  readonly columns: readonly string[];
  readonly rows: number;
  readonly first: readonly Readonly<Record<string, string>>[];
}
/** What of it can be taken. `lines` are ready to be sent, one JSON object each. */
export interface TableChecked {
  readonly good: number;
  readonly spots: number;
  readonly refused: readonly RefusedCell[];
  readonly refusedRows: number;
  readonly lines: Blob;
  /** The refused rows with their reasons, to be put right and brought again. */
  readonly refusedCsv: Blob;
}

const MOST_TOLD = 500;
let rows: Record<string, string>[] = [];
const { run, stop } = latest();

/** Reads row after row, telling how far it is, 0 to 1. */
function* readAll(reader: TableReader): Generator<number, TableChecked> {
  const parts: string[] = [];
  const refused: RefusedCell[] = [];
  const refusedData: Record<string, string>[] = [];
  let [good, spots] = [0, 0];
  for (const [i, row] of rows.entries()) {
    const read = reader.read(row, i + 2);
    if ('message' in read) {
      if (refused.length < MOST_TOLD) refused.push(read);
      refusedData.push({ ...row, row: String(read.row), problem: `${read.column}: ${read.message}` });
    } else {
      good++;
      for (const line of read) {
        if ('spot' in line) spots++;
        parts.push(JSON.stringify(line));
      }
    }
    yield (i + 1) / rows.length;
  }
  return {
    good,
    spots,
    refused,
    refusedRows: refusedData.length,
    lines: new Blob([parts.join('\n')]),
    refusedCsv: new Blob([Papa.unparse(refusedData)], { type: 'text/csv' }),
  };
}

export const tableWorker = {
  /** Reads a table from text: commas, semicolons or tabs between cells (RFC 4180; pasted cells come with tabs). */
  see(text: string): TableSeen {
    const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, '').trim(), {
      header: true,
      skipEmptyLines: 'greedy',
      transformHeader: (h) => h.trim(),
    });
    rows = data;
    return { columns: (meta.fields ?? []).filter((f) => f !== ''), rows: rows.length, first: rows.slice(0, 4) };
  },
  /** Units the cells of a column name. */
  units(field: TableField, column: string): [string, number][] {
    return [
      ...unitsNamed(
        field,
        (function* cells() {
          for (const r of rows) yield r[column] ?? '';
        })(),
      ),
    ];
  },
  /** Reads every row; null when another check was asked for meanwhile, or it was stopped. */
  check: (mapping: TableMapping, context: TableContext, onStep: (done: number) => void): Promise<TableChecked | null> =>
    run(readAll(new TableReader(mapping, context)), onStep),
  stop,
};
export type TableWorker = typeof tableWorker;
expose(tableWorker);
