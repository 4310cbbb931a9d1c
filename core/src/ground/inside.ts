/** Whether a place lies in a polygon. Source: even-odd rule (Shimrat 1962). */
export function inside(
  outline: readonly { readonly x_m: number; readonly y_m: number }[],
  x: number,
  y: number,
): boolean {
  let within = false;
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
    const [a, b] = [outline[i] as { x_m: number; y_m: number }, outline[j] as { x_m: number; y_m: number }];
    if (a.y_m > y !== b.y_m > y && x < ((b.x_m - a.x_m) * (y - a.y_m)) / (b.y_m - a.y_m) + a.x_m) within = !within;
  }
  return within;
}
