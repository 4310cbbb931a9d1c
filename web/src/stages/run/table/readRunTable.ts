import { MOST, NUMBERS, numberProblem, textProblem, TEXTS } from '@riffle/contract';
import { convert, parseQuantity, volumeInLitres, type Entered, type UnitKind } from '@riffle/core';
import { asWritten, readTableDate, type DateForm } from '../../../tables/dateForms.ts';
import type { LocalTime } from '../../../when/localTime.ts';
import { readDuration } from '../../../when/readDuration.ts';
import { readWhen } from '../../../when/readWhen.ts';
import { numberTyped } from '../../../units/numberTyped.ts';

/** What a column of an old table of runs can be. A row is a run: one spot, one stint. */
export const RUN_FIELDS = [
  'date',
  'began',
  'stopped',
  'hours',
  'spot',
  'buckets',
  'volume',
  'people',
  'who',
  'layer',
  'fuel',
  'gold',
  'note',
] as const;
export type RunField = (typeof RUN_FIELDS)[number];
export const RUN_FIELD_WORDS: Readonly<Record<RunField, string>> = {
  date: 'Day',
  began: 'Began',
  stopped: 'Stopped',
  hours: 'Hours it was fed',
  spot: 'Spot',
  buckets: 'Buckets',
  volume: 'Volume, loose',
  people: 'How many of you',
  who: 'Who',
  layer: 'Layer',
  fuel: 'Fuel burnt',
  gold: 'Gold weighed',
  note: 'Note',
};
export const RUN_FIELD_UNITS: Readonly<
  Partial<Record<RunField, { readonly kind: UnitKind; readonly units: readonly string[] }>>
> = {
  volume: { kind: 'volume', units: ['L', 'm3', 'gal', 'yd3', 'ft3'] },
  fuel: { kind: 'volume', units: ['L', 'gal'] },
  gold: { kind: 'mass', units: ['mg', 'g', 'grain', 'dwt', 'ozt'] },
};

/** How the person's columns are to be taken, and what stands for what the table does not tell. */
export interface RunMapping {
  /** Which column holds a field; '' for none. */
  readonly columns: Readonly<Record<RunField, string>>;
  readonly units: Readonly<Partial<Record<RunField, string>>>;
  readonly dates: DateForm;
  /** The table writes 0,3 for 0.3. */
  readonly decimalComma: boolean;
  /** Hours of a row that tells none, as typed; empty: such a row is refused. */
  readonly usualHours: string;
  /** Spot of a row that names none; empty: such a row is refused. */
  readonly usualSpotId: string;
}

const NAMES: Readonly<Record<RunField, RegExp>> = {
  date: /^(date|day|when)$/i,
  began: /began|begin|start|from/i,
  stopped: /stop|end|until|\bto$/i,
  hours: /hours?|hrs|duration|^time/i,
  spot: /spot|place|location|site|hole|where/i,
  buckets: /bucket|pail/i,
  volume: /vol|yard|loose|litre|liter/i,
  people: /people|crew|hands|how many/i,
  who: /^(who|names)$/i,
  layer: /layer|stratum|horizon/i,
  fuel: /fuel|petrol|gasoline/i,
  gold: /gold|weight|recover|^au\b/i,
  note: /note|remark|comment/i,
};

/** Guesses which column is which by its name, and its unit by what stands in brackets or after an underscore. */
export function guessRunMapping(columns: readonly string[]): RunMapping {
  const free = new Set(columns);
  const chosen = Object.fromEntries(
    RUN_FIELDS.map((f) => {
      const hit = [...free].find((c) => NAMES[f].test(c.trim()));
      if (hit !== undefined) free.delete(hit);
      return [f, hit ?? ''];
    }),
  ) as Record<RunField, string>;
  const units = Object.fromEntries(
    Object.entries(RUN_FIELD_UNITS).map(([f, { units: known }]) => {
      const said = /[_ ([]\s*([A-Za-z0-9³]+)[)\]]?$/.exec(chosen[f as RunField])?.[1]?.toLowerCase() ?? '';
      const named = said.replace('³', '3').replace(/^yards?$/, 'yd3');
      return [f, known.find((u) => u.toLowerCase() === named || `${u.toLowerCase()}s` === named) ?? known[0]];
    }),
  );
  return {
    columns: chosen,
    units,
    dates: 'year-month-day',
    decimalComma: false,
    usualHours: '',
    usualSpotId: '',
  };
}

export interface RunTableContext {
  readonly spots: readonly { readonly id: string; readonly name: string }[];
  /** A full bucket of the set-up the runs are taken for. */
  readonly bucket_L: number;
  readonly bucketEntered: Entered;
  readonly local: LocalTime;
  /** The crew's own containers, litres by name. */
  readonly own: Readonly<Record<string, number>>;
  readonly now: string;
  /** Runs of the book: a row that is one of them is seen again. */
  readonly known: readonly {
    readonly startedAt: string;
    readonly spotId: string;
    readonly tally: { readonly volumeLoose_L: number };
  }[];
}

/** A row as it goes into the book. */
export interface TableRun {
  readonly row: number;
  readonly spotId: string;
  readonly startedAt: string;
  readonly until: string;
  readonly buckets: number;
  /** Each of its buckets: the total is the table's, to the litre. */
  readonly bucket_L: number;
  readonly bucketEntered: Entered;
  readonly people: number | null;
  readonly who: string;
  readonly layer: string;
  /** Null: not told. */
  readonly fuel_L: number | null;
  readonly fuelEntered: Entered | null;
  /** Null: not weighed, or not told. */
  readonly gold_mg: number | null;
  readonly goldEntered: Entered | null;
  readonly note: string;
  /** The table told no hour: it begins when most do. */
  readonly noHour: boolean;
  /** It is in the book already. */
  readonly again: boolean;
}
export interface RefusedRun {
  readonly row: number;
  readonly column: string;
  readonly message: string;
}
export interface RunTableRead {
  readonly runs: readonly TableRun[];
  readonly refused: readonly RefusedRun[];
}

/** When work begins where nobody wrote the hour. Common practice, no source. */
const USUAL_START = '09:00';
/** A longer stint is two days in one row. */
const LONGEST_H = 18;
const SAME_RUN_L = 0.5;

class Wrong extends Error {
  readonly field: RunField;
  constructor(field: RunField, message: string) {
    super(message);
    this.field = field;
  }
}

/** Reads the rows of a table into runs; what cannot be taken is told by row and column. Line 1 is the header. */
export function readRunTable(
  rows: readonly Readonly<Record<string, string>>[],
  mapping: RunMapping,
  context: RunTableContext,
): RunTableRead {
  const runs: TableRun[] = [];
  const refused: RefusedRun[] = [];
  rows.forEach((cells, i) => {
    try {
      runs.push(readRow(cells, i + 2, mapping, context));
    } catch (error) {
      if (!(error instanceof Wrong)) throw error;
      refused.push({
        row: i + 2,
        column: mapping.columns[error.field] || RUN_FIELD_WORDS[error.field],
        message: error.message,
      });
    }
  });
  return { runs, refused };
}

function readRow(
  cells: Readonly<Record<string, string>>,
  row: number,
  { columns, units, dates, decimalComma, usualHours, usualSpotId }: RunMapping,
  { spots, bucket_L, bucketEntered, local, own, now, known }: RunTableContext,
): TableRun {
  const cell = (f: RunField): string => (columns[f] === '' ? '' : asWritten((cells[columns[f]] ?? '').trim()));
  const said = (f: RunField): string => (decimalComma ? cell(f).replace(/^(\d+),(\d+)/, '$1.$2') : cell(f));
  const amount = (f: 'volume' | 'fuel' | 'gold'): number | null => {
    if (cell(f) === '') return null;
    const { kind = 'mass' } = RUN_FIELD_UNITS[f] ?? {};
    const parsed = parseQuantity(kind, said(f), units[f] ?? '', Object.keys(own));
    if (!parsed.ok)
      throw new Wrong(
        f,
        /^\d+,\d/.test(said(f))
          ? `“${cell(f)}”: a decimal comma. Say that this table writes them.`
          : `“${cell(f)}”: ${parsed.problem}`,
      );
    if (parsed.value < 0) throw new Wrong(f, 'Less than nothing.');
    return f !== 'gold'
      ? volumeInLitres(parsed.value, parsed.unit, own)
      : convert('mass', parsed.value, parsed.unit, 'mg');
  };

  if (cell('date') === '') throw new Wrong('date', 'The day is missing.');
  const noon = readTableDate(cell('date'), dates, local);
  if (noon === null) throw new Wrong('date', `“${cell('date')}” is no day as ${dates}.`);
  const day = local.isoDay(noon);
  const clock = (f: 'began' | 'stopped'): string | null => {
    if (cell(f) === '') return null;
    const read = readWhen(cell(f), day);
    if (!read.ok || read.iso.slice(0, 10) !== day) throw new Wrong(f, `“${cell(f)}” is no hour of a day.`);
    return local.at(read.iso).toISOString();
  };
  const [beganAt, stoppedAt] = [clock('began'), clock('stopped')];
  const fed = said('hours') || usualHours.trim();
  const duration = fed === '' ? null : readDuration(fed, 'h');
  if (duration?.ok === false) throw new Wrong('hours', `“${fed}”: ${duration.problem}`);
  if (beganAt === null || stoppedAt === null)
    if (duration === null)
      throw new Wrong('hours', 'How long it was fed is missing: its hours, or when it began and stopped.');
  const length_ms = 1000 * (duration?.ok ? duration.value : 0);
  const startedAt =
    beganAt ??
    (stoppedAt === null
      ? local.at(`${day}T${USUAL_START}`).toISOString()
      : new Date(Date.parse(stoppedAt) - length_ms).toISOString());
  const until = stoppedAt ?? new Date(Date.parse(startedAt) + length_ms).toISOString();
  const took_h = (Date.parse(until) - Date.parse(startedAt)) / 3.6e6;
  if (!(took_h > 0)) throw new Wrong('stopped', 'It stopped before it began.');
  if (took_h > LONGEST_H) throw new Wrong('hours', `More than ${LONGEST_H} hours: a row for each day.`);
  if (until > now) throw new Wrong('date', 'That is still to come.');

  const name = cell('spot');
  const spotId = name === '' ? usualSpotId : spots.find((s) => s.name.trim().toLowerCase() === name.toLowerCase())?.id;
  if (!spotId)
    throw new Wrong('spot', name === '' ? 'Its spot is missing.' : `There is no spot “${name}” on this ground.`);

  const counted = said('buckets');
  if (counted !== '' && !(numberTyped(counted) > 0))
    throw new Wrong('buckets', `“${cell('buckets')}” is no number of buckets.`);
  const typed_L = amount('volume');
  const volume_L = typed_L ?? (counted === '' ? null : numberTyped(counted) * bucket_L);
  if (volume_L === null) throw new Wrong('buckets', 'How much was fed is missing: buckets, or a volume.');
  const buckets = Math.max(1, Math.round(counted === '' ? volume_L / bucket_L : numberTyped(counted)));
  if (buckets >= MOST.eventsAtOnce)
    throw new Wrong('buckets', `At most ${MOST.eventsAtOnce - 1} buckets in one run: a row for each day.`);
  const each_L = volume_L / buckets;
  const tooMuch = numberProblem(NUMBERS.bucket_L, each_L);
  if (tooMuch) throw new Wrong(typed_L === null ? 'buckets' : 'volume', `A bucket of it: ${tooMuch}`);
  const isFull = Math.abs(each_L - bucket_L) < 1e-6;

  const hands = cell('people');
  if (hands !== '' && !/^\d{1,3}$/.test(hands)) throw new Wrong('people', `“${hands}” is no number of people.`);
  const people = hands === '' ? null : Number(hands);
  const peopleWrong = people === null ? null : numberProblem(NUMBERS.people, people);
  if (peopleWrong) throw new Wrong('people', peopleWrong);
  const fuel_L = amount('fuel');
  const fuelWrong = fuel_L === null ? null : numberProblem(NUMBERS.fuel_L, fuel_L);
  if (fuelWrong) throw new Wrong('fuel', fuelWrong);
  const gold_mg = amount('gold');
  const goldWrong = gold_mg === null ? null : numberProblem(NUMBERS.sectionGold_mg, gold_mg);
  if (goldWrong) throw new Wrong('gold', goldWrong);
  const words = (f: 'who' | 'layer' | 'note'): string => {
    const wrong = textProblem(TEXTS[f], cell(f));
    if (wrong) throw new Wrong(f, wrong);
    return cell(f);
  };
  return {
    row,
    spotId,
    startedAt,
    until,
    buckets,
    bucket_L: each_L,
    bucketEntered: isFull ? bucketEntered : { text: String(Number(each_L.toFixed(2))), unit: 'L' },
    people,
    who: words('who'),
    layer: words('layer'),
    fuel_L,
    fuelEntered: fuel_L === null ? null : { text: said('fuel'), unit: units['fuel'] ?? 'L' },
    gold_mg,
    goldEntered: gold_mg === null ? null : { text: said('gold'), unit: units['gold'] ?? 'mg' },
    note: words('note'),
    noHour: beganAt === null && stoppedAt === null,
    again: known.some(
      (r) =>
        local.isoDay(r.startedAt) === day &&
        r.spotId === spotId &&
        Math.abs(r.tally.volumeLoose_L - volume_L) < SAME_RUN_L,
    ),
  };
}
