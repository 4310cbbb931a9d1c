import type { Spread } from '@riffle/core';

/** A chance in ten, as it is said. */
export const inTen = (chance: number): string =>
  chance > 0.945 ? 'nearly always' : chance < 0.03 ? 'hardly ever' : `${Math.round(10 * chance) || 1} times in 10`;
/** A share with its band, in percent. */
export const percentBand = ({ low, middle, high }: Spread): string =>
  `${middle > 0.985 ? '98+' : Math.round(100 * middle)} % (${Math.round(100 * low)}–${Math.round(100 * high)})`;
