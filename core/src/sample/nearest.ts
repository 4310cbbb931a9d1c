import type { PlaneValue } from './variogram.ts';

/**
 * Finds the nearest of many points fast: points lie in square cells, and rings of cells are looked at outward until nothing nearer can come.
 * Answers their places in the list, nearest first.
 */
export function nearestOf(points: readonly PlaneValue[]): (x_m: number, y_m: number, count: number) => number[] {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const p of points) {
    x0 = Math.min(x0, p.x_m);
    y0 = Math.min(y0, p.y_m);
    x1 = Math.max(x1, p.x_m);
    y1 = Math.max(y1, p.y_m);
  }
  const size = Math.max(
    (x1 - x0) / 64,
    (y1 - y0) / 64,
    Math.sqrt(((x1 - x0) * (y1 - y0) * 3) / points.length) || 0,
    1e-6,
  );
  const [columns, rows] = [Math.floor((x1 - x0) / size) + 1, Math.floor((y1 - y0) / size) + 1];
  const cells: number[][] = Array.from({ length: columns * rows }, () => []);
  points.forEach((p, i) =>
    (cells[Math.floor((p.y_m - y0) / size) * columns + Math.floor((p.x_m - x0) / size)] as number[]).push(i),
  );
  const far = new Float64Array(points.length);
  return (x_m, y_m, count) => {
    const wanted = Math.min(count, points.length);
    const [cx, cy] = [
      Math.min(columns - 1, Math.max(0, Math.floor((x_m - x0) / size))),
      Math.min(rows - 1, Math.max(0, Math.floor((y_m - y0) / size))),
    ];
    const found: number[] = [];
    for (let ring = 0; ring <= Math.max(columns, rows); ring++) {
      for (let r = Math.max(0, cy - ring); r <= Math.min(rows - 1, cy + ring); r++) {
        const step = r === cy - ring || r === cy + ring ? 1 : Math.max(1, 2 * ring);
        for (let c = cx - ring; c <= cx + ring; c += step) {
          if (c < 0 || c >= columns) continue;
          for (const i of cells[r * columns + c] as number[]) {
            const p = points[i] as PlaneValue;
            far[i] = (p.x_m - x_m) ** 2 + (p.y_m - y_m) ** 2;
            found.push(i);
          }
        }
      }
      if (found.length < wanted) continue;
      // Everything nearer than the searched square's edge has been seen.
      const edge = Math.min(
        x_m - (x0 + (cx - ring) * size),
        x0 + (cx + ring + 1) * size - x_m,
        y_m - (y0 + (cy - ring) * size),
        y0 + (cy + ring + 1) * size - y_m,
      );
      let sure = 0;
      if (edge > 0) for (const i of found) if ((far[i] as number) <= edge * edge) sure++;
      if (sure >= wanted) break;
    }
    return found.sort((a, b) => (far[a] as number) - (far[b] as number) || a - b).slice(0, wanted);
  };
}
