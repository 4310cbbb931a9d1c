import { centreLine, seededRandom, type Position } from '@riffle/core';

/** Walking pace of the simulated receiver, m/s, and a fix each second. */
const PACE_M_S = 1.1;

/** Two hex digits of the exclusive or of all between $ and *. Source: NMEA 0183, checksum field. */
export const nmeaChecksum = (sentence: string): string =>
  [...sentence]
    .reduce((sum, c) => sum ^ c.charCodeAt(0), 0)
    .toString(16)
    .toUpperCase()
    .padStart(2, '0');

const sentence = (body: string): string => `$${body}*${nmeaChecksum(body)}`;
const degrees = (value: number, wide: number): string => {
  const whole = Math.floor(Math.abs(value));
  return `${String(whole).padStart(wide, '0')}${((Math.abs(value) - whole) * 60).toFixed(5).padStart(8, '0')}`;
};

/**
 * A walk up a line as a receiver would say it: GGA and RMC sentences (NMEA 0183), one pair a second, a few metres unsure,
 * with a gap of no fix under trees on the way. The same seed walks the same walk.
 */
export function walkNmea(line: readonly Position[], start: Date, seed = 11): string {
  const centre = centreLine(line);
  const random = seededRandom(seed);
  const seconds = Math.min(7200, Math.ceil(centre.length_m / PACE_M_S));
  let drift = 0;
  const lines: string[] = [];
  for (let s = 0; s <= seconds; s++) {
    drift = 0.95 * drift + 1.2 * (random() - 0.5);
    const walked = Math.min(centre.length_m, s * PACE_M_S);
    const [lon, lat] = centre.positionAt(walked, Math.abs(drift) + 1.5, drift < 0 ? 'left' : 'right');
    const at = new Date(start.getTime() + 1000 * s).toISOString();
    const time = `${at.slice(11, 19).replaceAll(':', '')}.00`;
    const day = `${at.slice(8, 10)}${at.slice(5, 7)}${at.slice(2, 4)}`;
    const under = s > 0.4 * seconds && s < 0.4 * seconds + 12;
    const place = `${degrees(lat, 2)},${lat < 0 ? 'S' : 'N'},${degrees(lon, 3)},${lon < 0 ? 'W' : 'E'}`;
    lines.push(
      under
        ? sentence(`GPGGA,${time},,,,,0,02,9.9,,M,,M,,`)
        : sentence(`GPGGA,${time},${place},1,08,${(0.9 + 0.4 * random()).toFixed(1)},12.0,M,47.0,M,,`),
    );
    lines.push(
      under ? sentence(`GPRMC,${time},V,,,,,,,${day},,`) : sentence(`GPRMC,${time},A,${place},2.1,0.0,${day},,`),
    );
  }
  return `${lines.join('\r\n')}\r\n`;
}
