import { convert, type Level } from '@riffle/core';
import Papa from 'papaparse';

const UNITS = ['cm', 'm', 'ft', 'in', 'mm'] as const;
export type GaugeUnit = (typeof UNITS)[number];

/** What a gauge's file holds: levels in order, and the lines that could not be read. */
export interface GaugeFile {
  readonly levels: readonly Level[];
  readonly refused: readonly { readonly line: number; readonly why: string }[];
  readonly unit: GaugeUnit;
}

/**
 * Reads a gauge's CSV (RFC 4180): a column of times and one of levels, its unit in the header ("level_cm", "stage (ft)").
 * @throws Error in words for the person, when there is no such column or the unit is not said
 */
export function readGaugeCsv(text: string): GaugeFile {
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), { header: true, skipEmptyLines: 'greedy' });
  const columns = meta.fields ?? [];
  const time = columns.find((c) => /time|date/i.test(c));
  const level = columns.find((c) => /level|stage|height|gauge/i.test(c));
  if (!time || !level)
    throw new Error('The file needs a column of times and one of levels, named in its first line: time, level_cm.');
  const unit = UNITS.find((u) =>
    new RegExp(`(^|[^a-z])${u}([^a-z]|$)`, 'i').test(level.replace(/level|stage|height|gauge/gi, '')),
  );
  if (!unit) throw new Error(`The column “${level}” does not say its unit. Name it level_cm, level_m or level_ft.`);
  const levels: Level[] = [];
  const refused: { line: number; why: string }[] = [];
  data.forEach((row, i) => {
    const at_ms = Date.parse((row[time] ?? '').trim().replace(/^(\d{4}-\d{2}-\d{2}) (\d)/, '$1T$2'));
    const value = Number((row[level] ?? '').trim().replace(',', '.'));
    const level_m = convert('length', value, unit, 'm');
    if (Number.isNaN(at_ms)) refused.push({ line: i + 2, why: `“${row[time] ?? ''}” is no time` });
    else if ((row[level] ?? '').trim() === '' || Number.isNaN(value))
      refused.push({ line: i + 2, why: `“${row[level] ?? ''}” is no level` });
    else if (!(level_m >= -20 && level_m <= 30))
      refused.push({ line: i + 2, why: `${value} ${unit} is no river’s level` });
    else levels.push({ at_ms, level_m });
  });
  if (levels.length === 0)
    throw new Error(
      refused.length > 0
        ? `No line of it could be read; line ${refused[0]?.line}: ${refused[0]?.why}.`
        : 'The file holds no reading.',
    );
  return { levels: levels.sort((a, b) => a.at_ms - b.at_ms), refused, unit };
}
