/** Screens a concentrate is parted by, coarsest first: as they are called, and their opening, mm (ISO 565 and ASTM E11). */
export const LADDER = [
  { name: '1/4 in', mm: 6.3 },
  { name: '8', mm: 2.36 },
  { name: '16', mm: 1.18 },
  { name: '30', mm: 0.6 },
  { name: '50', mm: 0.3 },
  { name: '100', mm: 0.15 },
  { name: '200', mm: 0.075 },
] as const;

/** Finest gold of what passed all screens, m: no floor holds finer. Stated assumption. */
export const PAN_FINEST_MM = 0.075;

/** A screen as it is called: “minus 30 plus 50”. */
export function fractionName(coarsest_mm: number, finest_mm: number): string {
  const called = (mm: number): string => LADDER.find((s) => s.mm === mm)?.name ?? `${mm} mm`;
  return finest_mm === 0 ? `minus ${called(coarsest_mm)}` : `minus ${called(coarsest_mm)} plus ${called(finest_mm)}`;
}

/** The screen that parts a fraction best in two: nearest to the middle of its ends in logarithms; null where there is none between. */
export function screenBetween(coarsest_mm: number, finest_mm: number): (typeof LADDER)[number] | null {
  const low = Math.max(finest_mm, PAN_FINEST_MM);
  const middle = Math.sqrt(coarsest_mm * low);
  const away = (s: (typeof LADDER)[number]): number => Math.abs(Math.log(s.mm / middle));
  return [...LADDER].filter((s) => s.mm < coarsest_mm && s.mm > low).sort((a, b) => away(a) - away(b))[0] ?? null;
}
