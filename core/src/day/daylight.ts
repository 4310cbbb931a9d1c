import { OutOfRange, requireWithin } from '../outOfRange.ts';

/** The sun over a civil day: minutes after 00:00 UTC of that date; below 0 or above 1440 where the place is far from Greenwich. */
export type Daylight =
  | { readonly kind: 'rises and sets'; readonly sunrise_min: number; readonly sunset_min: number }
  | { readonly kind: 'up all day' }
  | { readonly kind: 'down all day' };

/** Zenith of the sun's centre when its upper edge touches a sea horizon, standard refraction included. */
export const SUNRISE_ZENITH_DEG = 90.833;
/** Civil twilight: light enough to walk and pack by, not to see colors. */
export const TWILIGHT_ZENITH_DEG = 96;

const RAD = Math.PI / 180;

/** Declination (degrees) and equation of time (minutes) at a Julian date. Source: Meeus (1998), Astronomical Algorithms, ch. 25 and 28, low accuracy. */
function sun(julianDate: number): { declination_deg: number; equationOfTime_min: number } {
  const t = (julianDate - 2_451_545) / 36_525;
  const meanLongitude = (280.46646 + t * (36_000.76983 + 0.0003032 * t)) % 360;
  const anomaly = 357.52911 + t * (35_999.05029 - 0.0001537 * t);
  const eccentricity = 0.016708634 - t * (0.000042037 + 0.0000001267 * t);
  const centre =
    Math.sin(anomaly * RAD) * (1.914602 - t * (0.004817 + 0.000014 * t)) +
    Math.sin(2 * anomaly * RAD) * (0.019993 - 0.000101 * t) +
    Math.sin(3 * anomaly * RAD) * 0.000289;
  const node = 125.04 - 1934.136 * t;
  const longitude = meanLongitude + centre - 0.00569 - 0.00478 * Math.sin(node * RAD);
  const obliquity =
    23 + (26 + (21.448 - t * (46.815 + t * (0.00059 - 0.001813 * t))) / 60) / 60 + 0.00256 * Math.cos(node * RAD);
  const y = Math.tan((obliquity * RAD) / 2) ** 2;
  const equation =
    y * Math.sin(2 * meanLongitude * RAD) -
    2 * eccentricity * Math.sin(anomaly * RAD) +
    4 * eccentricity * y * Math.sin(anomaly * RAD) * Math.cos(2 * meanLongitude * RAD) -
    0.5 * y * y * Math.sin(4 * meanLongitude * RAD) -
    1.25 * eccentricity * eccentricity * Math.sin(2 * anomaly * RAD);
  return {
    declination_deg: Math.asin(Math.sin(obliquity * RAD) * Math.sin(longitude * RAD)) / RAD,
    equationOfTime_min: (4 * equation) / RAD,
  };
}

/**
 * Sunrise and sunset (or twilight, by zenith) of a date at a place, over a flat horizon; a canyon loses its sun sooner.
 *
 *   cos H = cos z / (cos lat cos dec) - tan lat tan dec;   event = 720 - 4 lon - EqT -/+ 4 H,  minutes UTC, the sun taken at the event
 *
 * Source: Meeus (1998), Astronomical Algorithms, ch. 15, 25, 28. Good to a minute below 65 degrees of latitude.
 * @param date 'YYYY-MM-DD'
 * @throws OutOfRange for a date that is none, a latitude beyond 90 or a longitude beyond 180 degrees
 */
export function daylight(
  date: string,
  longitude_deg: number,
  latitude_deg: number,
  zenith_deg = SUNRISE_ZENITH_DEG,
): Daylight {
  requireWithin('longitude_deg', longitude_deg, -180, 180, '°');
  requireWithin('latitude_deg', latitude_deg, -90, 90, '°');
  const midnight = Date.parse(`${date}T00:00:00Z`);
  if (Number.isNaN(midnight)) throw new OutOfRange('date', date, 'a date as YYYY-MM-DD');
  const julian = midnight / 86_400_000 + 2_440_587.5;
  const lat = latitude_deg * RAD;
  const event = (side: -1 | 1): number => {
    let at_min = 720 - 4 * longitude_deg;
    for (let i = 0; i < 6; i++) {
      const { declination_deg, equationOfTime_min } = sun(julian + at_min / 1440);
      const dec = declination_deg * RAD;
      const cos = (Math.cos(zenith_deg * RAD) - Math.sin(lat) * Math.sin(dec)) / (Math.cos(lat) * Math.cos(dec));
      if (!(Math.abs(cos) <= 1)) return cos < 0 ? Infinity : -Infinity;
      at_min = 720 - 4 * longitude_deg - equationOfTime_min + (side * 4 * Math.acos(cos)) / RAD;
    }
    return at_min;
  };
  const sunrise_min = event(-1);
  const sunset_min = event(1);
  if (Number.isFinite(sunrise_min) && Number.isFinite(sunset_min))
    return { kind: 'rises and sets', sunrise_min, sunset_min };
  return { kind: sunrise_min === Infinity || sunset_min === Infinity ? 'up all day' : 'down all day' };
}
