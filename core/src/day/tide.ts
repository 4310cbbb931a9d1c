import { astro, constituents as knownConstituents } from '@neaps/tide-predictor';
import { bisect } from '../maths/bisect.ts';
import { OutOfRange, requireWithin } from '../outOfRange.ts';

/**
 * Constituents Riffle knows: speed in degrees an hour, and its argument in multiples of the hour angle of the mean sun T (15 degrees an
 * hour from midnight), the mean longitudes of moon s, sun h and lunar perigee p, and a constant in degrees.
 * Source: Schureman (1958), Manual of Harmonic Analysis and Prediction of Tides, Special Publication 98, table 2.
 */
export const TIDE_CONSTITUENTS = {
  M2: { speed_deg_h: 28.9841042, argument: [2, -2, 2, 0, 0] },
  S2: { speed_deg_h: 30, argument: [2, 0, 0, 0, 0] },
  N2: { speed_deg_h: 28.4397295, argument: [2, -3, 2, 1, 0] },
  K2: { speed_deg_h: 30.0821373, argument: [2, 0, 2, 0, 0] },
  K1: { speed_deg_h: 15.0410686, argument: [1, 0, 1, 0, 90] },
  O1: { speed_deg_h: 13.9430356, argument: [1, -2, 1, 0, -90] },
  P1: { speed_deg_h: 14.9589314, argument: [1, 0, -1, 0, -90] },
  Q1: { speed_deg_h: 13.3986609, argument: [1, -3, 1, 1, -90] },
  M4: { speed_deg_h: 57.9682084, argument: [4, -4, 4, 0, 0] },
} as const satisfies Readonly<
  Record<
    string,
    {
      readonly speed_deg_h: number;
      readonly argument: readonly [T: number, s: number, h: number, p: number, constant_deg: number];
    }
  >
>;
export type ConstituentName = keyof typeof TIDE_CONSTITUENTS;
export const CONSTITUENT_NAMES = Object.keys(TIDE_CONSTITUENTS) as ConstituentName[];

export interface Constituent {
  readonly name: ConstituentName;
  readonly amplitude_m: number;
  /** Phase lag at the time the hours count from, degrees. */
  readonly phase_deg: number;
}

/** A tide as constituents about a mean level; hours count from one instant, to which the phases belong. */
export interface Tide {
  readonly meanLevel_m: number;
  readonly constituents: readonly Constituent[];
}

export interface TideTurn {
  readonly time_h: number;
  readonly height_m: number;
  readonly kind: 'high' | 'low';
}

const RAD = Math.PI / 180;

/**
 * Height of the tide: Z0 + sum of A cos(speed t - phase), m above the datum of `meanLevel_m`.
 * The weather is not in it: wind and pressure move a beach's water by decimetres.
 * Source: Schureman (1958), as above.
 */
export const tideHeight_m = ({ meanLevel_m, constituents }: Tide, time_h: number): number =>
  constituents.reduce(
    (sum, c) => sum + c.amplitude_m * Math.cos((TIDE_CONSTITUENTS[c.name].speed_deg_h * time_h - c.phase_deg) * RAD),
    meanLevel_m,
  );

/** Rate of change, m/h. */
const rise_m_h = ({ constituents }: Tide, time_h: number): number =>
  constituents.reduce((sum, c) => {
    const speed = TIDE_CONSTITUENTS[c.name].speed_deg_h * RAD;
    return sum - c.amplitude_m * speed * Math.sin(speed * time_h - c.phase_deg * RAD);
  }, 0);

/** Times are looked for in steps of this, finer than any two turns or crossings that matter lie apart. */
const STEP_H = 0.1;

/** Where a function changes sign in [from, to], in order. */
function crossings(f: (t: number) => number, from_h: number, to_h: number): number[] {
  if (!(to_h - from_h <= 24 * 400 && from_h <= to_h))
    throw new OutOfRange('to_h', to_h, 'after from_h and within 400 days of it');
  const steps = Math.max(1, Math.ceil((to_h - from_h) / STEP_H));
  const found: number[] = [];
  let before = f(from_h);
  for (let i = 1; i <= steps; i++) {
    const a = from_h + ((to_h - from_h) * (i - 1)) / steps;
    const b = from_h + ((to_h - from_h) * i) / steps;
    const now = f(b);
    if (before < 0 !== now < 0) found.push(bisect(before < 0 ? f : (t) => -f(t), a, b));
    before = now;
  }
  return found;
}

/** High and low waters between two times, in order. @throws OutOfRange for more than 400 days */
export function tideTurns(tide: Tide, from_h: number, to_h: number): TideTurn[] {
  return crossings((t) => rise_m_h(tide, t), from_h, to_h).map((time_h) => ({
    time_h,
    height_m: tideHeight_m(tide, time_h),
    kind: rise_m_h(tide, time_h - 0.01) > 0 ? 'high' : 'low',
  }));
}

/** Stretches of time in [from, to] while the water stands lower than a level: when a beach can be worked. @throws OutOfRange for more than 400 days */
export function hoursBelow(
  tide: Tide,
  level_m: number,
  from_h: number,
  to_h: number,
): { from_h: number; to_h: number }[] {
  const above = (t: number): number => tideHeight_m(tide, t) - level_m;
  const edges = [from_h, ...crossings(above, from_h, to_h), to_h];
  return edges.slice(1).flatMap((end, i) => {
    const start = edges[i] as number;
    return end > start && above((start + end) / 2) < 0 ? [{ from_h: start, to_h: end }] : [];
  });
}

/**
 * Turns constants as tide tables print them (amplitude and Greenwich phase lag g) into phases that count from an instant:
 * phase = g - (V + u), amplitude x f.
 *
 * V (the argument of the equilibrium tide) and f, u (corrections for the 18.6-year motion of the moon's node) are those of the
 * @neaps/tide-predictor package, after Schureman (1958) and the IHO's tables; taken at the instant, they hold for weeks about it.
 * @throws OutOfRange for an amplitude that is negative or over 20 m
 */
export function fromGreenwich(constituents: readonly Constituent[], epoch_ms: number): Constituent[] {
  const sky = astro(new Date(epoch_ms));
  return constituents.map((c) => {
    requireWithin('amplitude_m', c.amplitude_m, 0, 20, 'm');
    const known = knownConstituents[c.name];
    if (!known) throw new OutOfRange('name', c.name, 'a constituent of the tide package');
    const { f, u } = known.correction(sky);
    const phase_deg = (c.phase_deg - known.value(sky) - u) % 360;
    return { name: c.name, amplitude_m: c.amplitude_m * f, phase_deg: (phase_deg + 360) % 360 };
  });
}
