/** Prints a figure beside a yardstick taken in the same run, and the figure over it. */
export function show(what, figure, unit, yardstick, against) {
  const digits = (v) => (v >= 100 ? v.toFixed(0) : v >= 1 ? v.toFixed(1) : v.toPrecision(2));
  const beside = `${yardstick}: ${digits(against)} ${unit}`;
  console.log([what, `${digits(figure)} ${unit}`, beside, `${(figure / against).toFixed(2)} x`].join('   '));
}
export const quantile = (times, q) =>
  [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(q * times.length))];
