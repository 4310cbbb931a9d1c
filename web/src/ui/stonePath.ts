/**
 * Outline of one worn stone: a rounded polygon within an ellipse of those half axes, always the same for its seed.
 * Coordinates in px.
 */
export function stonePath(cx: number, cy: number, rx: number, ry: number, seed: number): string {
  const corners = 7;
  const points = Array.from({ length: corners }, (_, k): [number, number] => {
    const angle = ((k + 0.22 * Math.sin(seed * 3.1 + k * 2.3)) / corners) * 2 * Math.PI;
    const out = 0.9 + 0.12 * Math.sin(seed * 1.7 + k * 4.1);
    // A squared-off ellipse: worn stones are flat above and below.
    const flat = (v: number): number => Math.sign(v) * Math.abs(v) ** 0.72;
    return [cx + rx * out * flat(Math.cos(angle)), cy + ry * out * flat(Math.sin(angle))];
  });
  const middle = (k: number): [number, number] => {
    const [a, b] = [points[k % corners] as [number, number], points[(k + 1) % corners] as [number, number]];
    return [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  };
  const px = ([x, y]: readonly [number, number]): string => `${x.toFixed(1)} ${y.toFixed(1)}`;
  return `M${px(middle(0))}${points.map((_, k) => `Q${px(points[(k + 1) % corners] as [number, number])} ${px(middle(k + 1))}`).join('')}Z`;
}
