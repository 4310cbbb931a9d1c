import {
  NUMBERS,
  numberProblem,
  PLAIN_PAN,
  textProblem,
  TEXTS,
  type TextLimit,
  type Sample,
  type Spot,
  type StoredSpot,
} from '@riffle/contract';
import {
  bankOf,
  centreLine,
  COLOR_CLASSES,
  convert,
  NO_COLORS,
  parseQuantity,
  volumeInLitres,
  type CentreLine,
  type ColorClass,
  type Position,
  type UnitKind,
} from '@riffle/core';
import type { PanOfRow } from './seenBefore.ts';
import { asWritten, readTableDate, type DateForm } from '../../../tables/dateForms.ts';
import { localTime } from '../../../when/localTime.ts';
import { v7 as uuidv7 } from 'uuid';

/** What a column of a person's table can be. */
export const FIELDS = [
  'spot',
  'distance',
  'across',
  'date',
  'depth',
  'volume',
  '+10',
  '10-20',
  '20-40',
  '-40',
  'black sand',
  'gold',
  'layer',
  'panner',
  'note',
] as const;
export type TableField = (typeof FIELDS)[number];
export const FIELD_WORDS: Readonly<Record<TableField, string>> = {
  spot: 'Spot',
  distance: 'Distance along',
  across: 'Out to the side (left +)',
  date: 'Date',
  depth: 'Depth',
  volume: 'Volume panned',
  '+10': 'Colors +10',
  '10-20': 'Colors 10–20',
  '20-40': 'Colors 20–40',
  '-40': 'Colors −40',
  'black sand': 'Black sand, 0 to 4',
  gold: 'Weighed gold',
  layer: 'Layer',
  panner: 'Panner',
  note: 'Note',
};
/** Fields with a unit: its kind and the units offered. */
export const FIELD_UNITS: Readonly<
  Partial<Record<TableField, { readonly kind: UnitKind; readonly units: readonly string[] }>>
> = {
  distance: { kind: 'length', units: ['m', 'ft', 'yd'] },
  across: { kind: 'length', units: ['m', 'ft', 'yd'] },
  depth: { kind: 'length', units: ['m', 'cm', 'ft', 'in'] },
  volume: { kind: 'volume', units: ['pan', 'L', 'bucket', 'gal', 'double handful'] },
  gold: { kind: 'mass', units: ['mg', 'g', 'grain', 'dwt', 'ozt'] },
};
/** How the person's columns are to be taken. */
export interface TableMapping {
  /** Which column holds a field; '' for none. */
  readonly columns: Readonly<Record<TableField, string>>;
  readonly units: Readonly<Partial<Record<TableField, string>>>;
  readonly dates: DateForm;
  readonly state: 'loose' | 'bank';
  /** The table writes 0,3 for 0.3. */
  readonly decimalComma: boolean;
  /** Cells that name another unit than their column's are read as they say; otherwise their rows are refused. */
  readonly mixedUnits: boolean;
}

export interface TableContext {
  readonly groundId: string;
  readonly length_m: number;
  /** The ground's line, so that spots made here stand on the map; null for a ground typed by name. */
  readonly line: readonly Position[] | null;
  readonly spots: readonly Pick<StoredSpot, 'id' | 'name'>[];
  /** The ground's clock, by which its days are read. */
  readonly timeZone: string;
  readonly own: Readonly<Record<string, number>>;
  /** Pans of the book: a row that is one of them is seen again. */
  readonly known: readonly PanOfRow[];
  /** When no date is given. */
  readonly now: string;
}

/** A row that is not taken: the column it fails in, and why. */
export interface RefusedCell {
  readonly row: number;
  readonly column: string;
  readonly message: string;
}
export type TableLine =
  { readonly spot: Spot & { baseVersion: 0 } } | { readonly row: number; readonly sample: Sample & { baseVersion: 0 } };

/** Guesses which column is which by its name, and its unit by what stands in brackets or after an underscore ("depth_ft", "gold (mg)"). */
export function guessMapping(columns: readonly string[]): TableMapping {
  const NAMES: Readonly<Record<TableField, RegExp>> = {
    spot: /^(spot|place|location|site|hole)( name)?$/i,
    distance: /dist|chainage|along/i,
    across: /across|offset|\bout\b/i,
    date: /date|taken|when|day/i,
    depth: /depth/i,
    volume: /vol|pans?$|amount/i,
    '+10': /^(colou?rs?[ _]?)?(\+ ?10|over[ _]?10|coarse|nuggets?)$/i,
    '10-20': /10 ?[-–_ ] ?20|medium|pickers?/i,
    '20-40': /20 ?[-–_ ] ?40|^fine|flakes?/i,
    '-40': /^(colou?rs?[ _]?)?([-−] ?40|under[ _]?40|very fine|flour|specks?)$/i,
    'black sand': /black/i,
    gold: /gold|weight|^au/i,
    layer: /layer|horizon/i,
    panner: /panner|^who$|^by$/i,
    note: /note|remark|comment/i,
  };
  const free = new Set(columns);
  const chosen = Object.fromEntries(
    FIELDS.map((f) => {
      const hit =
        [...free].find((c) => NAMES[f].test(c.trim())) ??
        [...free].find((c) =>
          NAMES[f].test(c.replace(/[_ ]?[([]?(m|cm|ft|in|l|litres?|gal|mg|g|grains?|pans?)[)\]]?$/i, '').trim()),
        );
      if (hit !== undefined) free.delete(hit);
      return [f, hit ?? ''];
    }),
  ) as Record<TableField, string>;
  const units = Object.fromEntries(
    FIELDS.flatMap((f) => {
      const known = FIELD_UNITS[f];
      if (!known) return [];
      const said = /[_ ([]\s*([A-Za-z ]+?)[)\]]?$/.exec(chosen[f])?.[1]?.toLowerCase() ?? '';
      return [
        [
          f,
          known.units.find(
            (u) => u.toLowerCase() === said || `${u.toLowerCase()}s` === said || (u === 'L' && /^lit/.test(said)),
          ) ?? known.units[0],
        ],
      ];
    }),
  ) as TableMapping['units'];
  return { columns: chosen, units, dates: 'year-month-day', state: 'loose', decimalComma: false, mixedUnits: false };
}

/** Units named in the cells of a column, with how often each; '' for cells that name none. */
export function unitsNamed(field: TableField, cells: Iterable<string>): Map<string, number> {
  const kind = FIELD_UNITS[field]?.kind;
  const found = new Map<string, number>();
  if (!kind) return found;
  for (const cell of cells) {
    if (cell.trim() === '') continue;
    const parsed = parseQuantity(kind, cell.replace(/^(\d+),(\d+)/, '$1.$2'), '');
    if (parsed.ok) found.set(parsed.unit, (found.get(parsed.unit) ?? 0) + 1);
  }
  return found;
}

/** Columns kept as they are typed, and how long each may be. */
const TEXT_COLUMNS: readonly (readonly [TableField, TextLimit])[] = [
  ['spot', TEXTS.name],
  ['depth', TEXTS.entered],
  ['volume', TEXTS.entered],
  ['gold', TEXTS.entered],
  ['layer', TEXTS.layer],
  ['panner', TEXTS.panner],
  ['note', TEXTS.note],
];

/** Reads the rows of a table into samples, and into spots where a row names one that is not there and says how far along it lies. Line 1 is the header. */
export class TableReader {
  readonly #mapping: TableMapping;
  readonly #context: TableContext;
  readonly #spots: Map<string, string>;
  readonly #centre: CentreLine | null;

  constructor(mapping: TableMapping, context: TableContext) {
    this.#mapping = mapping;
    this.#context = context;
    this.#centre = context.line ? centreLine(context.line) : null;
    this.#spots = new Map(context.spots.map((s) => [s.name.trim().toLowerCase(), s.id]));
  }

  /** Lines of one row, or what is wrong with it. */
  read(cells: Readonly<Record<string, string>>, row: number): readonly TableLine[] | RefusedCell {
    const { columns, units, dates, state, decimalComma, mixedUnits } = this.#mapping;
    const { groundId, length_m, own, now } = this.#context;
    const cell = (f: TableField): string => (columns[f] === '' ? '' : asWritten((cells[columns[f]] ?? '').trim()));
    const wrong = (f: TableField, message: string): RefusedCell => ({
      row,
      column: columns[f] || FIELD_WORDS[f],
      message,
    });
    const amount = (f: TableField): number | null | RefusedCell => {
      const typed = cell(f);
      if (typed === '') return null;
      const { kind } = FIELD_UNITS[f] ?? { kind: 'length' as const };
      const unit = units[f] ?? '';
      const said = decimalComma ? typed.replace(/^([+-]?\d+),(\d+)/, '$1.$2') : typed;
      const parsed = parseQuantity(kind, said, unit, Object.keys(own));
      if (!parsed.ok)
        return wrong(
          f,
          /,/.test(said)
            ? `“${typed}”: a decimal comma. Say that this table writes them.`
            : `“${typed}”: ${parsed.problem}`,
        );
      if (parsed.unit !== unit && !mixedUnits)
        return wrong(
          f,
          `“${typed}” is in ${parsed.unit}, its column in ${unit}. Say that cells may name their own unit.`,
        );
      return kind === 'volume'
        ? volumeInLitres(parsed.value, parsed.unit, own)
        : convert(kind, parsed.value, parsed.unit, kind === 'length' ? 'm' : 'mg');
    };
    const isWrong = (v: unknown): v is RefusedCell => typeof v === 'object' && v !== null && 'message' in v;

    const [distance, across, depth, volume, gold] = (['distance', 'across', 'depth', 'volume', 'gold'] as const).map(
      amount,
    );
    for (const v of [distance, across, depth, volume, gold]) if (isWrong(v)) return v;
    const [distance_m, across_m, depth_m, volume_L, gold_mg] = [distance, across, depth, volume, gold] as (
      number | null
    )[];
    const counts: Record<ColorClass, number> = { ...NO_COLORS };
    for (const c of COLOR_CLASSES) {
      const typed = cell(c);
      if (typed === '') continue;
      if (!/^\d{1,6}$/.test(typed) || Number(typed) > NUMBERS.colors.most)
        return wrong(c, `“${typed}” is no whole number of colors.`);
      counts[c] = Number(typed);
    }
    const counted = COLOR_CLASSES.some((c) => cell(c) !== '');
    if (volume_L === null || volume_L === undefined)
      return wrong('volume', counted ? 'A count without a volume gives no grade.' : 'How much was panned is missing.');
    const volumeProblem = numberProblem(NUMBERS.sampleVolume_L, volume_L);
    if (volumeProblem) return wrong('volume', volumeProblem);
    const depthProblem = numberProblem(NUMBERS.depth_m, depth_m ?? 0);
    if (depthProblem) return wrong('depth', depthProblem);
    if (gold_mg !== null && gold_mg !== undefined && !(gold_mg > 0))
      return wrong('gold', 'Leave it empty where nothing was weighed.');
    const goldProblem =
      gold_mg === null || gold_mg === undefined ? null : numberProblem(NUMBERS.sampleGold_mg, gold_mg);
    if (goldProblem) return wrong('gold', goldProblem);
    for (const [f, limit] of TEXT_COLUMNS) {
      const problem = cell(f) === '' ? null : textProblem(limit, cell(f));
      if (problem) return wrong(f, problem);
    }
    const sand = cell('black sand');
    if (sand !== '' && !/^[0-4]$/.test(sand)) return wrong('black sand', `“${sand}” is not 0 to 4.`);
    const day = cell('date');
    const at = day === '' ? now : readTableDate(day, dates, localTime(this.#context.timeZone));
    if (at === null) return wrong('date', `“${day}” is no date as ${dates}.`);

    const lines: TableLine[] = [];
    const name = cell('spot');
    const key = (name || `${Math.round(distance_m ?? NaN)} m`).toLowerCase();
    let spotId = this.#spots.get(key);
    if (!spotId) {
      if (distance_m === null || distance_m === undefined)
        return wrong(
          'spot',
          name === '' ? 'Neither a spot nor a distance.' : `There is no spot “${name}”, and no distance to make it at.`,
        );
      if (!(distance_m >= 0 && distance_m <= length_m))
        return wrong('distance', `It lies beyond this ground (${Math.round(length_m)} m).`);
      const { bank, offset_m } = bankOf(across_m ?? 0);
      spotId = uuidv7();
      this.#spots.set(key, spotId);
      lines.push({
        spot: {
          id: spotId,
          deleted: false,
          groundId,
          name: name || `${Math.round(distance_m)} m`,
          kind: 'other',
          distance_m,
          bank,
          offset_m,
          position: this.#centre?.positionAt(distance_m, offset_m, bank) ?? null,
          worksBelow_m: null,
          worksBelowEntered: null,
          samplePlanId: null,
          note: '',
          baseVersion: 0,
        },
      });
    }
    lines.push({
      row,
      sample: {
        id: uuidv7(),
        deleted: false,
        groundId,
        spotId,
        takenAt: at,
        depth_m: depth_m ?? 0,
        depthEntered: { text: cell('depth') || '0', unit: units.depth ?? 'm' },
        volume_L,
        volumeEntered: { text: cell('volume'), unit: units.volume ?? 'L' },
        volumeState: state,
        counts,
        blackSand: sand === '' ? 0 : Number(sand),
        gold_mg: gold_mg ?? null,
        goldEntered:
          gold_mg === null || gold_mg === undefined ? null : { text: cell('gold'), unit: units.gold ?? 'mg' },
        ...PLAIN_PAN,
        layer: cell('layer'),
        panner: cell('panner'),
        note: cell('note'),
        baseVersion: 0,
      },
    });
    return lines;
  }
}
