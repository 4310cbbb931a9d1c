/** What a table has under a name that somebody typed. Its own names only: every object has a `constructor` too. */
export const named = <T>(table: Readonly<Record<string, T>>, name: string): T | undefined =>
  Object.hasOwn(table, name) ? table[name] : undefined;
