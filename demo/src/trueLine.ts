import { localPlane, type Position } from '@riffle/core';
import type { TrueGround } from './truth.ts';

/** A meandering line from the foot up, a point every 4 m or so, with heights. */
export function drawLine(g: TrueGround): Position[] {
  const plane = localPlane(g.foot);
  const bearing = (g.bearing_deg * Math.PI) / 180;
  // Meanders make the line longer than its axis: walk the axis until the line is long enough.
  const points: Position[] = [];
  let walked = 0;
  let before: { x_m: number; y_m: number } | null = null;
  for (let along = 0; walked < g.length_m; along += 3.5) {
    const side =
      g.bend_m * Math.sin((2 * Math.PI * along) / g.wave_m) +
      0.35 * g.bend_m * Math.sin((2 * Math.PI * along) / (0.61 * g.wave_m) + 1);
    const at = {
      x_m: along * Math.sin(bearing) + side * Math.cos(bearing),
      y_m: along * Math.cos(bearing) - side * Math.sin(bearing),
    };
    walked += before ? Math.hypot(at.x_m - before.x_m, at.y_m - before.y_m) : 0;
    const [lon, lat] = plane.toPosition(at);
    points.push([lon, lat, 12 + bedHeight_m(g, walked)]);
    before = at;
  }
  return points;
}

/** Height of the bed above the foot: an even fall, pools and riffles on it, and a step of bedrock where the truth has one. */
function bedHeight_m(g: TrueGround, distance_m: number): number {
  const pools = 0.18 * g.wave_m * g.fall * Math.sin((2 * Math.PI * distance_m) / (0.5 * g.wave_m));
  const steps = g.steps.reduce((sum, s) => sum + s.rise_m / (1 + Math.exp((s.distance_m - distance_m) / 6)), 0);
  return distance_m * g.fall + pools + steps;
}
