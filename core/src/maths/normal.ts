import { requireWithin } from '../outOfRange.ts';
import { gammaCdf } from './gamma.ts';

/** Share of a standard normal below z. P(1/2, z^2/2) is the share within ±z (Abramowitz & Stegun 26.4.19 with one degree of freedom). */
export const normalCdf = (z: number): number => (z === 0 ? 0.5 : 0.5 * (1 + Math.sign(z) * gammaCdf(z ** 2 / 2, 0.5)));

/** The z below which a standard normal lies with the given chance, to 1e-9: Newton's steps from the logistic curve. */
export function normalQuantile(chance: number): number {
  requireWithin('chance', chance, 1e-12, 1 - 1e-12);
  let z = Math.max(-3, Math.min(3, Math.log(chance / (1 - chance)) / 1.702));
  for (let i = 0; i < 60; i++) {
    const step = (normalCdf(z) - chance) / (Math.exp(-(z ** 2) / 2) / Math.sqrt(2 * Math.PI));
    z -= Math.max(-0.5, Math.min(0.5, step));
    if (Math.abs(step) < 1e-10) break;
  }
  return z;
}
