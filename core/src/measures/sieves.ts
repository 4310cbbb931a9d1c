import { named } from './named.ts';
import { OutOfRange } from '../outOfRange.ts';

/**
 * Nominal apertures in mm by US designation.
 * Source: ASTM E11, table 1 (the metric apertures are those of ISO 565 R40/3 and its supplements).
 */
const APERTURE_MM: Readonly<Record<string, number>> = {
  '1 in': 25,
  '3/4 in': 19,
  '5/8 in': 16,
  '1/2 in': 12.5,
  '3/8 in': 9.5,
  '5/16 in': 8,
  '1/4 in': 6.3,
  'No. 4': 4.75,
  'No. 5': 4,
  'No. 6': 3.35,
  'No. 7': 2.8,
  'No. 8': 2.36,
  'No. 10': 2,
  'No. 12': 1.7,
  'No. 14': 1.4,
  'No. 16': 1.18,
  'No. 18': 1,
  'No. 20': 0.85,
  'No. 25': 0.71,
  'No. 30': 0.6,
  'No. 35': 0.5,
  'No. 40': 0.425,
  'No. 45': 0.355,
  'No. 50': 0.3,
  'No. 60': 0.25,
  'No. 70': 0.212,
  'No. 80': 0.18,
  'No. 100': 0.15,
  'No. 120': 0.125,
  'No. 140': 0.106,
  'No. 170': 0.09,
  'No. 200': 0.075,
  'No. 230': 0.063,
  'No. 270': 0.053,
  'No. 325': 0.045,
  'No. 400': 0.038,
};

const MESHES = Object.entries(APERTURE_MM).flatMap(([designation, mm]) => {
  const mesh = /^No\. (\d+)$/.exec(designation)?.[1];
  return mesh === undefined ? [] : [{ mesh: Number(mesh), mm }];
});

/** The mesh of the US sieve whose opening is nearest to a size (by ratio): 70 for 0.2 mm; 4 to 400. */
export function nearestMesh(mm: number): number {
  const away = (m: { readonly mm: number }): number => Math.abs(Math.log(m.mm / mm));
  return MESHES.reduce((best, m) => (away(m) < away(best) ? m : best)).mesh;
}

/**
 * Aperture of a US sieve such as "No. 20" or "1/4 in". A number outside the series is refused with its
 * neighbours ("mesh 250" is in no standard series), never guessed.
 * @throws OutOfRange naming the nearest designations
 */
export function sieveAperture_mm(designation: string): number {
  const aperture = named(APERTURE_MM, designation);
  if (aperture !== undefined) return aperture;
  const asked = Number(/^No\. (\d+)$/.exec(designation)?.[1]);
  const numbers = Object.keys(APERTURE_MM)
    .flatMap((d) => /^No\. (\d+)$/.exec(d)?.[1] ?? [])
    .map(Number);
  const below = numbers.filter((n) => n < asked).at(-1);
  const above = numbers.find((n) => n > asked);
  const near = [below, above].flatMap((n) => (n === undefined ? [] : [`No. ${n}`])).join(' or ');
  throw new OutOfRange(
    'sieve',
    designation,
    near ? `a sieve of ASTM E11; near it are ${near}` : 'a sieve of ASTM E11, such as No. 20 or 1/4 in',
  );
}
