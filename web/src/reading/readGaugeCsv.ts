import type { Level } from '@riffle/core';
import {
  csvNumber,
  csvTable,
  csvTime_ms,
  inMetres,
  refuseEmpty,
  unitOfColumn,
  type LengthUnit,
  type RefusedLine,
} from './csvReadings.ts';

/** What a gauge's file holds: levels in order, and the lines that could not be read. */
export interface GaugeFile {
  readonly levels: readonly Level[];
  readonly refused: readonly RefusedLine[];
  readonly unit: LengthUnit;
}
const LEVEL = /level|stage|height|gauge/gi;

/**
 * Reads a gauge's CSV (RFC 4180): a column of times and one of levels, its unit in the header ("level_cm", "stage (ft)").
 * @throws Error in words for the person, when there is no such column or the unit is not said
 */
export function readGaugeCsv(text: string): GaugeFile {
  const { rows, columns } = csvTable(text);
  const time = columns.find((c) => /time|date/i.test(c));
  const level = columns.find((c) => new RegExp(LEVEL.source, 'i').test(c));
  if (!time || !level)
    throw new Error('The file needs a column of times and one of levels, named in its first line: time, level_cm.');
  const unit = unitOfColumn(level, LEVEL, 'level_cm, level_m or level_ft');
  const levels: Level[] = [];
  const refused: RefusedLine[] = [];
  rows.forEach((row, i) => {
    const at_ms = csvTime_ms(row[time]);
    const value = csvNumber(row[level]);
    const level_m = inMetres(value, unit);
    if (Number.isNaN(at_ms)) refused.push({ line: i + 2, why: `“${row[time] ?? ''}” is no time` });
    else if (Number.isNaN(value)) refused.push({ line: i + 2, why: `“${row[level] ?? ''}” is no level` });
    else if (!(level_m >= -20 && level_m <= 30))
      refused.push({ line: i + 2, why: `${value} ${unit} is no river’s level` });
    else levels.push({ at_ms, level_m });
  });
  refuseEmpty(levels, refused);
  return { levels: levels.sort((a, b) => a.at_ms - b.at_ms), refused, unit };
}
