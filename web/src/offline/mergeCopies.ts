/** A record's fields; only what a person writes. */
type Copy = Readonly<Record<string, unknown>>;

/** Fields that say one thing together: a figure and how it was typed, a place and its parts. */
export interface Differing {
  /** What they are called together: "gold", "place". */
  readonly name: string;
  readonly fields: readonly string[];
}

export interface Merged {
  /** Mine with what only they changed; where both changed one thing, still mine. */
  readonly record: Copy;
  /** What both changed, each its own way. */
  readonly both: readonly Differing[];
  /** What only they changed: it is in the record already. */
  readonly theirs: readonly Differing[];
}

const NOT_COMPARED = new Set(['id', 'groundId', 'baseVersion']);
const PLACE = new Set(['distance_m', 'bank', 'offset_m', 'position']);

/** The thing a field is about: "gold" of "gold_mg" and "goldEntered"; "place" of all that says where. */
const aboutOf = (field: string): string =>
  PLACE.has(field) ? 'place' : field.replace(/Entered$/, '').replace(/_[A-Za-z0-9]+$/, '');

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * Three copies of one record put together, thing by thing: what one changed stands, what both changed alike stands, what
 * both changed each its own way is for a person. Taking a record out is a change of all of it: it goes with no other.
 * @param base as it was when mine was begun; null where that is not known: then everything that differs is for a person
 */
export function mergeCopies(base: Copy | null, mine: Copy, theirs: Copy): Merged {
  const groups = new Map<string, string[]>();
  for (const field of Object.keys(mine)) {
    if (NOT_COMPARED.has(field)) continue;
    const about = aboutOf(field);
    groups.set(about, [...(groups.get(about) ?? []), field]);
  }
  const record: Record<string, unknown> = { ...mine };
  const [both, taken]: [Differing[], Differing[]] = [[], []];
  const changed = (from: Copy, to: Copy, fields: readonly string[]): boolean =>
    fields.some((f) => !same(from[f], to[f]));
  const all = [...groups.values()].flat();
  if (base && mine.deleted !== theirs.deleted) {
    const theyDid = changed(base, theirs, all);
    const iDid = changed(base, mine, all);
    if (theyDid && iDid) return { record: mine, both: [{ name: 'deleted', fields: ['deleted'] }], theirs: [] };
  }
  for (const [name, fields] of groups) {
    if (!changed(mine, theirs, fields)) continue;
    const theyDid = base === null || changed(base, theirs, fields);
    const iDid = base === null || changed(base, mine, fields);
    if (theyDid && iDid) both.push({ name, fields });
    else if (theyDid) {
      for (const f of fields) record[f] = theirs[f];
      taken.push({ name, fields });
    }
  }
  return { record, both, theirs: taken };
}

/** A record with these things as they have them. */
export const withTheirs = (record: Copy, theirs: Copy, things: readonly Differing[]): Copy => ({
  ...record,
  ...Object.fromEntries(things.flatMap((t) => t.fields.map((f) => [f, theirs[f]]))),
});

/** A moment of a record (ISO) as a person reads it. */
type SayMoment = (at: string) => string;

/** A thing of a copy as a person would read it, its moments as `sayMoment` has them: as it was typed, else its words and figures. */
export function sayThing(copy: Copy, { name, fields }: Differing, sayMoment: SayMoment): string {
  const say = (value: unknown): string => sayValue(value, sayMoment);
  if (name === 'deleted') return copy.deleted === true ? 'taken out' : 'kept, and changed';
  const typed = fields.find((f) => f.endsWith('Entered'));
  const of = typed && copy[typed] !== null && copy[typed] !== undefined ? copy[typed] : undefined;
  if (of !== undefined) return say(of);
  if (name === 'place')
    return [copy.distance_m, copy.bank]
      .filter((v) => v !== undefined)
      .map((v) => (typeof v === 'number' ? `${Math.round(v)} m` : say(v)))
      .join(', ');
  return fields.map((f) => say(copy[f])).join(', ');
}

function sayValue(value: unknown, sayMoment: SayMoment): string {
  const say = (inner: unknown): string => sayValue(inner, sayMoment);
  if (value === null || value === undefined || value === '') return 'nothing';
  if (typeof value === 'number') return String(Math.round(value * 1000) / 1000);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return /^\d{4}-\d\d-\d\dT/.test(value) ? sayMoment(value) : value;
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.map(say).join('; ');
  const inner = value as Readonly<Record<string, unknown>>;
  if (typeof inner.text === 'string' && typeof inner.unit === 'string')
    return /[a-z°"'%]/i.test(inner.text) ? inner.text : `${inner.text} ${inner.unit}`;
  return Object.entries(inner)
    .filter(([, v]) => v !== null && v !== '' && typeof v !== 'object')
    .map(([k, v]) => `${k.replace(/_.*$/, '')} ${say(v)}`)
    .join(', ');
}
