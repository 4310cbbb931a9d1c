/** Runs as one remembers them: the latest first. */
export const latestFirst = <R extends { readonly startedAt: string }>(runs: readonly R[]): R[] =>
  [...runs].sort((a, b) => (a.startedAt < b.startedAt ? 1 : -1));
