import Papa from 'papaparse';
import { Refusal } from '../http/problems.ts';
import { UNTOLD, type RawGroundFile, type TakenColumns } from './rawGroundFile.ts';

/** Which columns are what, as the person said; left out, as their names say. */
export type ColumnChoice = Partial<Omit<TakenColumns, 'all'>>;

const GUESSES = {
  latitude: /^(lat|latitude|y|northing_deg|breite)\b|^lat/i,
  longitude: /^(lon|lng|long|longitude|x|l(ä|ae)nge)\b|^(lon|lng)/i,
  name: /^(name|title|label|waypoint|place|spot)\b/i,
} as const;
const MOST_ROWS = 500_000;

/**
 * Reads a table (RFC 4180; also with ; or tabs between) whose rows are the points of a walk in their order. A row with a
 * name is a place too; where only some rows have one, those are places beside the walk and not points of it.
 * @throws Refusal COLUMNS, with the columns there are, where it cannot be told which hold latitude and longitude
 */
export function readCsv(text: string, choice: ColumnChoice): RawGroundFile {
  const { data, meta } = Papa.parse<Record<string, string>>(text, {
    header: true,
    skipEmptyLines: 'greedy',
    preview: MOST_ROWS + 1,
  });
  const all = (meta.fields ?? []).filter((f) => f.trim() !== '');
  if (data.length > MOST_ROWS)
    throw new Refusal('FILE_UNREADABLE', `The table has more than ${MOST_ROWS} rows. Send the walk alone.`);
  const named = (column: 'latitude' | 'longitude' | 'name'): string | null => {
    const said = choice[column];
    if (said !== undefined) return said !== null && all.includes(said) ? said : null;
    return all.find((f) => GUESSES[column].test(f.trim())) ?? null;
  };
  const latitude = named('latitude');
  const longitude = named('longitude');
  if (latitude === null || longitude === null || latitude === longitude)
    throw new Refusal(
      'COLUMNS',
      'Say which column is the latitude and which the longitude, in degrees.',
      [{ path: latitude === null ? 'latitude' : 'longitude', message: 'Choose a column.' }],
      { columns: all },
    );
  const name = named('name');

  const rows = data.map((row, i) => {
    const position = [degrees(row[longitude]), degrees(row[latitude])] as const;
    if (!position.every(Number.isFinite))
      throw new Refusal(
        'FILE_UNREADABLE',
        `Row ${i + 2}: “${row[latitude] ?? ''}”, “${row[longitude] ?? ''}” is no latitude and longitude. Write degrees, such as 46.5012 and -33.0031.`,
        [{ path: 'file', message: `Row ${i + 2} has no position.` }],
      );
    return { position, name: name === null ? '' : (row[name] ?? '').trim() };
  });
  const walked = rows.filter((r) => r.name === '');
  const points = (walked.length >= 2 ? walked : rows).map((r) => r.position);
  return {
    ...UNTOLD,
    format: 'CSV',
    name: '',
    lines: [{ name: '', segments: [points] }],
    places: rows.filter((r) => r.name !== '').map((r) => ({ ...r, properties: {} })),
    columns: { all, latitude, longitude, name },
  };
}

/** Degrees as tables write them: 46.5012, 46,5012, -33.5, 33 30 N, 46°30'4.3"N. NaN for anything else. */
export function degrees(written = ''): number {
  const text = written.trim().replaceAll(',', '.').toUpperCase();
  const match =
    /^([NSEW])?\s*([-+−]?)(\d+(?:\.\d+)?)(?:[°\s:]+(\d+(?:\.\d+)?))?(?:['′\s:]+(\d+(?:\.\d+)?))?[°'′"″\s]*([NSEW])?$/.exec(
      text,
    );
  if (!match) return NaN;
  const [, before, sign, whole, minutes = '0', seconds = '0', after] = match;
  if (Number(minutes) >= 60 || Number(seconds) >= 60) return NaN;
  const size = Number(whole) + Number(minutes) / 60 + Number(seconds) / 3600;
  return (sign === '-' || sign === '−') !== /[SW]/.test(before ?? after ?? '') ? -size : size;
}
