/** A share of gold in words; below a thousandth it is called that. */
export const shareLost = (x: number): string =>
  x < 0.001 ? 'under 0.1 %' : x < 0.01 ? `${(x * 100).toFixed(1)} %` : `${Math.round(x * 100)} %`;
