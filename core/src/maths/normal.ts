import { gammaCdf } from './gamma.ts';

/** Share of a standard normal below z. P(1/2, z^2/2) is the share within ±z (Abramowitz & Stegun 26.4.19 with one degree of freedom). */
export const normalCdf = (z: number): number => (z === 0 ? 0.5 : 0.5 * (1 + Math.sign(z) * gammaCdf(z ** 2 / 2, 0.5)));
