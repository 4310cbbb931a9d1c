import { getPosition, getTimes } from 'suncalc';
import { OutOfRange, requireWithin } from '../outOfRange.ts';

/** The sun over a civil day: minutes after 00:00 UTC of that date; below 0 or above 1440 where the place is far from Greenwich. */
export type Daylight =
  | { readonly kind: 'rises and sets'; readonly sunrise_min: number; readonly sunset_min: number }
  | { readonly kind: 'up all day' }
  | { readonly kind: 'down all day' };

/** What counts as light: the sun's upper edge above a sea horizon, or civil twilight (light enough to walk and pack by, not to see colors). */
export const LIGHTS_OF_DAY = ['sun', 'civil twilight'] as const;
export type LightOfDay = (typeof LIGHTS_OF_DAY)[number];

/** Altitude of the sun's centre above a flat horizon from which on there is that light; refraction is in the sun's. */
const LEAST_ALTITUDE_DEG = { sun: -0.833, 'civil twilight': -6 } as const;
const MINUTE_MS = 60_000;

/**
 * Sunrise and sunset, or dawn and dusk, of a date at a place, over a flat horizon; a canyon loses its sun sooner.
 * Source: the suncalc package (after Meeus 1998, Astronomical Algorithms), standard refraction included; held to the check
 * values within two minutes below 65 degrees of latitude.
 * @param date 'YYYY-MM-DD'
 * @throws OutOfRange for a date that is none, a latitude beyond 90 or a longitude beyond 180 degrees
 */
export function daylight(
  date: string,
  longitude_deg: number,
  latitude_deg: number,
  light: LightOfDay = 'sun',
): Daylight {
  requireWithin('longitude_deg', longitude_deg, -180, 180, '°');
  requireWithin('latitude_deg', latitude_deg, -90, 90, '°');
  const midnight = Date.parse(`${date}T00:00:00Z`);
  if (Number.isNaN(midnight)) throw new OutOfRange('date', date, 'a date as YYYY-MM-DD');
  // The solar day that is meant: noon at that longitude.
  const noon = new Date(midnight + (720 - 4 * longitude_deg) * MINUTE_MS);
  const times = getTimes(noon, latitude_deg, longitude_deg);
  const [from, to] = light === 'sun' ? [times.sunrise, times.sunset] : [times.dawn, times.dusk];
  if (from && to) {
    const after = (at: Date): number => (at.getTime() - midnight) / MINUTE_MS;
    return { kind: 'rises and sets', sunrise_min: after(from), sunset_min: after(to) };
  }
  // The light that does not change that day is there all day if it is there at noon.
  const { altitude } = getPosition(times.solarNoon, latitude_deg, longitude_deg);
  return { kind: altitude > LEAST_ALTITUDE_DEG[light] ? 'up all day' : 'down all day' };
}
