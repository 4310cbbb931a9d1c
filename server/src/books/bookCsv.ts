import type { Book } from '@riffle/contract';
import Papa from 'papaparse';

const round = (x: number, decimals: number): number => Number(x.toFixed(decimals));

/**
 * The book as CSV (RFC 4180: CRLF, quotes doubled), units in the headers, one line a source and one for the total.
 * Texts that a spreadsheet would take for a formula get a leading apostrophe. No positions: nothing here gives the place away.
 */
export function bookCsv(groundName: string, book: Book, spotName: (id: string) => string): string {
  const line = (source: string, a: Book['total'], note: string): unknown[] => [
    groundName,
    source,
    a.cleanups,
    a.buckets,
    round(a.volumeBank_L / 1000, 6),
    round(a.running_s / 3600, 4),
    a.person_s === null ? '' : round(a.person_s / 3600, 4),
    round(a.gold_mg, 4),
    a.volumeBank_L > 0 ? round(a.gold_mg / a.volumeBank_L, 6) : '',
    note,
  ];
  const data = [
    ...book.lines.map((l) =>
      line(
        l.spotIds.map(spotName).join(' + ') || 'no spot named',
        l,
        [
          l.spotIds.length > 1 ? 'mixed sources, not shared out' : '',
          l.mayHoldOldGold ? 'box was not rinsed clean before' : '',
        ]
          .filter(Boolean)
          .join('; '),
      ),
    ),
    line('total', book.total, ''),
  ];
  return `${Papa.unparse({ fields: FIELDS, data }, { newline: '\r\n', escapeFormulae: true })}\r\n`;
}

const FIELDS = [
  'ground',
  'source',
  'clean-ups',
  'buckets',
  'volume (m3 bank)',
  'time (h)',
  'person time (h)',
  'gold (mg)',
  'grade (g/m3 bank)',
  'note',
];
