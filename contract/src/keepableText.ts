/** What a text column cannot hold: the NUL sign, and half of a sign that takes two (a lone surrogate). */
const UNKEEPABLE = /\0|\p{Surrogate}/u;
const EVERY_UNKEEPABLE = /\0|\p{Surrogate}/gu;

export const UNKEEPABLE_SAYS = 'Holds a sign that cannot be kept (NUL, or half of a two-part sign). Take it out.';

export const isKeepable = (text: string): boolean => !UNKEEPABLE.test(text);

/** A text without the signs that cannot be kept: they come from broken keyboards and pasted files, and show as nothing. */
export const keepableText = (text: string): string => (isKeepable(text) ? text : text.replace(EVERY_UNKEEPABLE, ''));

/** Where in a value of records, lists and texts the first text stands that cannot be kept, as a path of names and places; null: nowhere. */
export function unkeepableAt(value: unknown): readonly string[] | null {
  if (typeof value === 'string') return isKeepable(value) ? null : [];
  if (typeof value !== 'object' || value === null) return null;
  for (const [name, each] of Object.entries(value)) {
    if (!isKeepable(name)) return [keepableText(name)];
    const inside = unkeepableAt(each);
    if (inside) return [name, ...inside];
  }
  return null;
}

/** The same value with every text in it keepable; what holds nothing else stays the very same, and nothing is drawn anew for it. */
export const keepable = <T>(value: T): T => (unkeepableAt(value) ? cleaned(value) : value);

function cleaned<T>(value: T): T {
  if (typeof value === 'string') return keepableText(value) as T;
  // Files and dates have no texts in them.
  if (Array.isArray(value)) return value.map(cleaned) as T;
  if (typeof value !== 'object' || value === null || Object.getPrototypeOf(value) !== Object.prototype) return value;
  return Object.fromEntries(Object.entries(value).map(([name, each]) => [keepableText(name), cleaned(each)])) as T;
}
