/** The log odds of a chance, 0 < p < 1, and back. */
export const logit = (p: number): number => Math.log(p / (1 - p));
export const chanceOf = (logOdds: number): number => 1 / (1 + Math.exp(-logOdds));
