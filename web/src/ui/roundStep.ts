/**
 * The round step (1, 2 or 5 times a power of ten) at or above `rough`, so that marks a step apart are never closer than
 * asked; any unit, above 0. The usual package of scales takes the nearest instead, and its labels then touch.
 */
export function stepAtLeast(rough: number): number {
  const ten = powerBelow(rough);
  const times = rough / ten;
  return (times <= 1 ? 1 : times <= 2 ? 2 : times <= 5 ? 5 : 10) * ten;
}

/** The round step at or below `rough`: what is a step long is never longer than asked. */
export function stepAtMost(rough: number): number {
  const ten = powerBelow(rough);
  const times = rough / ten;
  return (times >= 5 ? 5 : times >= 2 ? 2 : 1) * ten;
}

const powerBelow = (value: number): number => 10 ** Math.floor(Math.log10(value));
