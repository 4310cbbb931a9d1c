/** Things gathered by what matters of them. */
export interface Alike<T> {
  /** One of each kind, in the order in which they came. */
  readonly kinds: readonly T[];
  /** The place of each thing's kind among the kinds. */
  readonly kindOf: readonly number[];
}

/**
 * Gathers what is the same: many places of a ground found the same in as much, and what it takes long to work out is worked out once for all of them.
 * @param what the words or figures by which two are the same
 */
export function alike<T>(things: readonly T[], what: (thing: T) => string): Alike<T> {
  const places = new Map<string, number>();
  const kinds: T[] = [];
  const kindOf = things.map((thing) => {
    const key = what(thing);
    const known = places.get(key);
    if (known !== undefined) return known;
    places.set(key, kinds.length);
    return kinds.push(thing) - 1;
  });
  return { kinds, kindOf };
}
