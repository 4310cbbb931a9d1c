import { parseNmeaSentence } from 'nmea-simple';
import type { PositionFix } from '@riffle/core';

/** Metres of horizontal error for each unit of dilution, at best. Common practice, no source. */
const METRES_PER_DILUTION = 4;

/** Positions in a log of NMEA 0183, one for each GGA sentence; null where the receiver had no fix. Sentences that are damaged or not understood are passed over. */
export function fixesOf(log: string): (PositionFix | null)[] {
  return log.split(/\r?\n/).flatMap((line) => {
    try {
      const packet = parseNmeaSentence(line.trim());
      if (packet.sentenceId !== 'GGA') return [];
      return packet.fixType === 'none'
        ? [null]
        : [
            {
              lon: packet.longitude,
              lat: packet.latitude,
              accuracy_m: Math.max(2, packet.horizontalDilution * METRES_PER_DILUTION),
            },
          ];
    } catch {
      return [];
    }
  });
}
