import { expose } from 'comlink';
import { latest } from '../../../workers/steps.ts';
import {
  TableReader,
  unitsNamed,
  type RefusedCell,
  type TableContext,
  type TableField,
  type TableMapping,
} from './readTable.ts';

import { asCsv, rowsOf, type TableRows } from '../../../tables/rowsOf.ts';
import { localTime } from '../../../when/localTime.ts';
import { SeenBefore } from './seenBefore.ts';

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
  /** Rows that are in the book already, and their lines: left out unless a person wants them once more. */
  readonly again: readonly number[];
  readonly linesAgain: Blob;
  /** What the import would make, to take it back by; without the rows that are there already. */
  readonly ids: { readonly samples: readonly string[]; readonly spots: readonly string[] };
  /** The refused rows with their reasons, to be put right and brought again. */
  readonly refusedCsv: Blob;
}

const MOST_TOLD = 500;
let rows: TableRows['rows'] = [];
const { run, stop } = latest();

/** Reads row after row, telling how far it is, 0 to 1. */
function* readAll(reader: TableReader, seen: SeenBefore): Generator<number, TableChecked> {
  const parts: string[] = [];
  const [again, partsAgain]: [number[], string[]] = [[], []];
  const ids = { samples: [] as string[], spots: [] as string[] };
  const refused: RefusedCell[] = [];
  const refusedData: Record<string, string>[] = [];
  let [good, spots] = [0, 0];
  for (const [i, row] of rows.entries()) {
    const read = reader.read(row, i + 2);
    if ('message' in read) {
      if (refused.length < MOST_TOLD) refused.push(read);
      refusedData.push({ ...row, row: String(read.row), problem: `${read.column}: ${read.message}` });
    } else {
      const pan = read.find((line) => 'sample' in line);
      if (pan && 'sample' in pan && seen.has(pan.sample)) {
        again.push(i + 2);
        for (const line of read) partsAgain.push(JSON.stringify(line));
      } else {
        good++;
        for (const line of read) {
          if ('spot' in line) {
            spots++;
            ids.spots.push(line.spot.id);
          } else ids.samples.push(line.sample.id);
          parts.push(JSON.stringify(line));
        }
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
    again,
    linesAgain: new Blob([partsAgain.join('\n')]),
    ids,
    refusedCsv: asCsv(refusedData),
  };
}

export const tableWorker = {
  /** Reads a table from text. */
  see(text: string): TableSeen {
    const table = rowsOf(text);
    rows = table.rows;
    return { columns: table.columns, rows: rows.length, first: rows.slice(0, 4) };
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
    run(readAll(new TableReader(mapping, context), new SeenBefore(context.known, localTime(context.timeZone))), onStep),
  stop,
};
export type TableWorker = typeof tableWorker;
expose(tableWorker);
