import { NUMBERS } from '@riffle/contract';
import type { Swell } from '@riffle/core';
import { columnOf, csvNumber, csvTable, inMetres, refuseEmpty, unitOfColumn, type RefusedLine } from './csvReadings.ts';
import { csvTimes } from './csvTimes.ts';
import type { LocalTime } from '../when/localTime.ts';

export interface SwellAt extends Swell {
  readonly at_ms: number;
}
/** What a buoy's file holds: the swell in order of time, and the lines that could not be read. */
export interface SwellFile {
  readonly swell: readonly SwellAt[];
  readonly refused: readonly RefusedLine[];
}
const HEIGHT = /significant|wave|swell|height|hs|hm0|swh|wvht/gi;
const PERIOD = /period|^tp\b|^dpd|^tp_/i;

/**
 * Reads a buoy's CSV (RFC 4180): a column of times, one of wave heights with its unit in the header ("wave_height_m", "Hs (ft)"), one of periods in seconds.
 * @param local the clock its times are by, where they name none
 * @throws Error in words for the person, when a column is missing, the unit is not said, or its days can be read two ways
 */
export function readSwellCsv(text: string, local: LocalTime): SwellFile {
  const { rows, columns } = csvTable(text);
  const times = csvTimes(rows, columns, local);
  const period = columns.find((c) => PERIOD.test(c));
  const height = columnOf(
    columns.filter((c) => c !== period),
    HEIGHT,
  );
  if (!times || !height || !period)
    throw new Error(
      'The file needs columns of times, of wave heights and of periods, named in its first line: time, wave_height_m, period_s.',
    );
  const unit = unitOfColumn(height, HEIGHT, 'wave_height_m or wave_height_ft');
  const swell: SwellAt[] = [];
  const refused: RefusedLine[] = [];
  rows.forEach((row, i) => {
    const at_ms = times.at_ms[i] ?? NaN;
    const value = csvNumber(row[height]);
    const height_m = inMetres(value, unit);
    const period_s = csvNumber(row[period]);
    const line = i + 2;
    if (Number.isNaN(at_ms)) refused.push({ line, why: `“${times.said[i] ?? ''}” is no time` });
    else if (!(height_m > 0 && height_m <= NUMBERS.waveHeight_m.most))
      refused.push({ line, why: `“${row[height] ?? ''}” is no wave’s height` });
    else if (!(period_s >= NUMBERS.wavePeriod_s.least && period_s <= NUMBERS.wavePeriod_s.most))
      refused.push({ line, why: `“${row[period] ?? ''}” s is no wave’s period` });
    else swell.push({ at_ms, height_m, period_s });
  });
  refuseEmpty(swell, refused);
  return { swell: swell.sort((a, b) => a.at_ms - b.at_ms), refused };
}
