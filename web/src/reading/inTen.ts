/** Chance in tenths, as people say it: never none, never sure. */
export const inTen = (chance: number): string => `${Math.min(9, Math.max(1, Math.round(chance * 10)))} in 10`;
