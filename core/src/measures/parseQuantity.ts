import { CONTAINERS } from './containers.ts';
import { unitSize, UNITS, type UnitKind } from './units.ts';
import { named } from './named.ts';

/** What a person typed, kept as typed. `unit` is the unit the field stood on when the text names none. */
export interface Entered {
  readonly text: string;
  readonly unit: string;
}

export type Parsed =
  | { readonly ok: true; readonly value: number; readonly unit: string }
  | { readonly ok: false; readonly problem: string };

/** Spellings people use, by kind, to the unit's own name. Ambiguous ones ("mil", "mesh") are left out on purpose: the answer is a question. */
const SPELLINGS: Readonly<Record<UnitKind | 'pitch', Readonly<Record<string, string>>>> = {
  length: {
    '"': 'in',
    inch: 'in',
    inches: 'in',
    "'": 'ft',
    foot: 'ft',
    feet: 'ft',
    yard: 'yd',
    yards: 'yd',
    meter: 'm',
    meters: 'm',
    metre: 'm',
    metres: 'm',
    mile: 'mi',
    miles: 'mi',
  },
  volume: {
    l: 'L',
    liter: 'L',
    liters: 'L',
    litre: 'L',
    litres: 'L',
    ml: 'mL',
    gallon: 'gal',
    gallons: 'gal',
    'us gal': 'gal',
    gals: 'gal',
    'm³': 'm3',
    'yd³': 'yd3',
    'ft³': 'ft3',
    cuyd: 'yd3',
    'cu yd': 'yd3',
    yards: 'yd3',
    yard: 'yd3',
    quart: 'qt',
    quarts: 'qt',
    pans: 'pan',
    handfuls: 'handful',
    'double handfuls': 'double handful',
    scoops: 'scoop',
    buckets: 'bucket',
    wheelbarrows: 'wheelbarrow',
    bags: 'bag',
    bkt: 'bucket',
  },
  mass: {
    gr: 'grain',
    grains: 'grain',
    gn: 'grain',
    gram: 'g',
    grams: 'g',
    gm: 'g',
    gms: 'g',
    pennyweight: 'dwt',
    pennyweights: 'dwt',
    'troy oz': 'ozt',
    'oz t': 'ozt',
    toz: 'ozt',
    pound: 'lb',
    pounds: 'lb',
    lbs: 'lb',
  },
  flow: {
    'l/s': 'L/s',
    lps: 'L/s',
    'l/min': 'L/min',
    lpm: 'L/min',
    'us gpm': 'gpm',
    'm³/s': 'm3/s',
    'm³/h': 'm3/h',
    igpm: 'imp gpm',
  },
  area: {
    'm²': 'm2',
    'km²': 'km2',
    'sq km': 'km2',
    'ft²': 'ft2',
    'sq ft': 'ft2',
    hectare: 'ha',
    hectares: 'ha',
    acres: 'acre',
    ac: 'acre',
    'mi²': 'sq mi',
    'square miles': 'sq mi',
  },
  time: {
    sec: 's',
    secs: 's',
    second: 's',
    seconds: 's',
    minute: 'min',
    minutes: 'min',
    hour: 'h',
    hours: 'h',
    hr: 'h',
  },
  pitch: {
    'in per ft': 'in/ft',
    'inch per foot': 'in/ft',
    'inches per foot': 'in/ft',
    '"/ft': 'in/ft',
    'in / ft': 'in/ft',
    percent: '%',
    pct: '%',
    deg: '°',
    degree: '°',
    degrees: '°',
    'in drop': 'in',
    'mm drop': 'mm',
    'cm drop': 'cm',
  },
};

const PITCH_UNITS = ['in/ft', '%', '°', 'in', 'mm', 'cm', 'm', 'ft'];

const NUMBER =
  /^([+-]?)(?:(\d+)[ -]+(\d+)\/(\d+)|(\d+)\/(\d+)|(\d+(?:,\d{3})+(?:\.\d+)?|\d*\.?\d+(?:e[+-]?\d+)?|\d+\.))\s*/i;

/**
 * Reads "2/3 bucket", "1 1/2 in", "5 gal", "0.14 g", "7 gr", ".5", "1,200 ft".
 * The value comes back in the unit that was typed (or `defaultUnit` when none was).
 * Containers of the crew's own are units too (`own`, also in the plural); "heaped", "level" and "three-quarter full" are understood of containers.
 * A decimal comma is not guessed at: "1,5" is refused with the remedy. Common practice, no source.
 */
export function parseQuantity(
  kind: UnitKind | 'pitch',
  text: string,
  defaultUnit: string,
  own: readonly string[] = [],
): Parsed {
  const typed = text.trim();
  if (typed === '') return refuse('Nothing is typed yet.');
  if (/^[+-]?\d+,\d+(?![\d,])/.test(typed) && !/^[+-]?\d{1,3}(,\d{3})+/.test(typed))
    return refuse('Write the decimal with a point, such as 1.5.');
  const match = NUMBER.exec(typed);
  if (!match) return refuse(`“${typed}” does not start with a number. Write one such as 2, 0.5 or 2/3.`);
  const [whole, sign, mixed, mixedTop, mixedBottom, top, bottom, plain] = match;
  const value =
    (sign === '-' ? -1 : 1) *
    (mixed !== undefined
      ? Number(mixed) + Number(mixedTop) / Number(mixedBottom)
      : top !== undefined
        ? Number(top) / Number(bottom)
        : Number(plain?.replaceAll(',', '')));
  if (!Number.isFinite(value)) return refuse(`“${whole.trim()}” is not a finite number.`);
  const said = typed.slice(whole.length).trim();
  if (said === '') return { ok: true, value, unit: defaultUnit };
  const { fill, rest } = kind === 'volume' ? fillSaid(said) : { fill: 1, rest: said };
  const unit = rest === '' ? defaultUnit : unitFor(kind, rest, own);
  if (fill !== 1 && unit !== undefined && unit in UNITS.volume)
    return refuse('Level, heaped and three-quarter are said of pans and buckets, not of units.');
  if (unit === undefined)
    return refuse(`“${said}” is not a unit of ${kind} here. Use ${unitNames(kind, own).join(', ')}.`);
  return { ok: true, value: value * fill, unit };
}

/** How full a container was: words beside it, over its level fill. A heaped pan holds about a quarter more. Common practice, no source. */
const FILLS: readonly (readonly [words: RegExp, fill: number])[] = [
  [/\b(three[- ]quarters?( full)?|3\/4 full)\b/i, 0.75],
  [/\bhalf[- ]full\b/i, 0.5],
  [/\bheap(ed|ing)\b/i, 1.25],
  [/\b(level|full)\b/i, 1],
];

/** Takes the word of fill out of what was said: "heaped pans", "pans, three-quarter full". */
function fillSaid(said: string): { fill: number; rest: string } {
  const found = FILLS.find(([words]) => words.test(said));
  return found
    ? { fill: found[1], rest: said.replace(found[0], '').replace(/^[\s,]+|[\s,]+$/g, '') }
    : { fill: 1, rest: said };
}

function refuse(problem: string): Parsed {
  return { ok: false, problem };
}

function unitNames(kind: UnitKind | 'pitch', own: readonly string[]): string[] {
  if (kind === 'pitch') return PITCH_UNITS;
  return kind === 'volume'
    ? [...Object.keys(UNITS.volume), ...Object.keys(CONTAINERS), ...own]
    : Object.keys(UNITS[kind]);
}

function unitFor(kind: UnitKind | 'pitch', said: string, own: readonly string[]): string | undefined {
  const names = unitNames(kind, own);
  const plain = said.toLowerCase().replace(/\.$/, '').replace(/\s+/g, ' ');
  return (
    names.find((n) => n === said) ??
    named(SPELLINGS[kind], plain) ??
    names.find((n) => n.toLowerCase() === plain || `${n.toLowerCase()}s` === plain)
  );
}

/**
 * Loose volume in litres of a parsed volume; containers count at the crew's own sizes where given.
 * A container is a loose measure: whether the number means bank or loose is asked beside it.
 */
export function volumeInLitres(value: number, unit: string, own: Readonly<Record<string, number>> = {}): number {
  const container = named(own, unit) ?? named<number>(CONTAINERS, unit);
  return value * (container ?? unitSize('volume', unit));
}
