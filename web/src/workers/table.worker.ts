import { expose } from 'comlink';
import Papa from 'papaparse';
import {
  TableReader,
  unitsNamed,
  type RefusedCell,
  type TableContext,
  type TableField,
  type TableMapping,
} from '../stages/sample/table/readTable.ts';

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

const breathe = (): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, 0);
  });
const MOST_TOLD = 500;
let rows: Record<string, string>[] = [];
let asked = 0;

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
  async check(
    mapping: TableMapping,
    context: TableContext,
    onStep: (done: number) => void,
  ): Promise<TableChecked | null> {
    const mine = ++asked;
    const reader = new TableReader(mapping, context);
    const parts: string[] = [];
    const refused: RefusedCell[] = [];
    const refusedData: Record<string, string>[] = [];
    let [good, spots] = [0, 0];
    for (let i = 0; i < rows.length; i++) {
      const read = reader.read(rows[i] as Record<string, string>, i + 2);
      if ('message' in read) {
        if (refused.length < MOST_TOLD) refused.push(read);
        refusedData.push({ ...rows[i], row: String(read.row), problem: `${read.column}: ${read.message}` });
      } else {
        good++;
        for (const line of read) {
          if ('spot' in line) spots++;
          parts.push(JSON.stringify(line));
        }
      }
      if (i % 2000 === 1999) {
        onStep((i + 1) / rows.length);
        await breathe();
        if (mine !== asked) return null;
      }
    }
    return {
      good,
      spots,
      refused,
      refusedRows: refusedData.length,
      lines: new Blob([parts.join('\n')]),
      refusedCsv: new Blob([Papa.unparse(refusedData)], { type: 'text/csv' }),
    };
  },
  stop(): void {
    asked++;
  },
};
export type TableWorker = typeof tableWorker;
expose(tableWorker);
