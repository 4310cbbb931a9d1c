import type { Level } from '@riffle/core';
import {
  columnOf,
  csvNumber,
  csvTable,
  inMetres,
  refuseEmpty,
  unitOfColumn,
  type LengthUnit,
  type RefusedLine,
} from './csvReadings.ts';
import { csvTimes } from './csvTimes.ts';
import type { LocalTime } from '../when/localTime.ts';

/** What a gauge's file holds: levels in order, and the lines that could not be read. */
export interface GaugeFile {
  readonly levels: readonly Level[];
  readonly refused: readonly RefusedLine[];
  readonly unit: LengthUnit;
}
const LEVEL = /level|stage|height|gauge/gi;

/**
 * Reads a gauge's CSV (RFC 4180): a column of times and one of levels, its unit in the header ("level_cm", "stage (ft)").
 * @param local the clock its times are by, where they name none
 * @throws Error in words for the person, when there is no such column, the unit is not said, or its days can be read two ways
 */
export function readGaugeCsv(text: string, local: LocalTime): GaugeFile {
  const { rows, columns } = csvTable(text);
  const times = csvTimes(rows, columns, local);
  const level = columnOf(columns, LEVEL);
  if (!times || !level)
    throw new Error('The file needs a column of times and one of levels, named in its first line: time, level_cm.');
  const unit = unitOfColumn(level, LEVEL, 'level_cm, level_m or level_ft');
  const levels: Level[] = [];
  const refused: RefusedLine[] = [];
  rows.forEach((row, i) => {
    const at_ms = times.at_ms[i] ?? NaN;
    const value = csvNumber(row[level]);
    const level_m = inMetres(value, unit);
    if (Number.isNaN(at_ms)) refused.push({ line: i + 2, why: `“${times.said[i] ?? ''}” is no time` });
    else if (Number.isNaN(value)) refused.push({ line: i + 2, why: `“${row[level] ?? ''}” is no level` });
    else if (!(level_m >= -20 && level_m <= 30))
      refused.push({ line: i + 2, why: `${value} ${unit} is no river’s level` });
    else levels.push({ at_ms, level_m });
  });
  refuseEmpty(levels, refused);
  return { levels: levels.sort((a, b) => a.at_ms - b.at_ms), refused, unit };
}
