import type { Position } from '@riffle/core';
import { parseNmeaSentence } from 'nmea-simple';
import { Refusal } from '../http/problems.ts';
import { UNTOLD, type RawGroundFile } from './rawGroundFile.ts';

/**
 * Reads a log of NMEA 0183 as a receiver says it: the walk through every fix. GGA sentences with their heights where there
 * are any, RMC otherwise. Damaged sentences, and those without a fix, are passed over.
 * @throws Refusal when there is no fix in it
 */
export function readNmea(text: string): RawGroundFile {
  const walks: Record<'GGA' | 'RMC', Position[]> = { GGA: [], RMC: [] };
  for (const line of text.split(/\r?\n/)) {
    try {
      const packet = parseNmeaSentence(line.trim());
      if (packet.sentenceId === 'GGA' && packet.fixType !== 'none')
        walks.GGA.push([packet.longitude, packet.latitude, packet.altitudeMeters]);
      else if (packet.sentenceId === 'RMC' && packet.status === 'valid')
        walks.RMC.push([packet.longitude, packet.latitude]);
    } catch {
      /* damaged, or a sentence about something else */
    }
  }
  const points = walks.GGA.length > 1 ? walks.GGA : walks.RMC;
  if (points.length === 0)
    throw new Refusal('FILE_UNREADABLE', 'The receiver had no fix anywhere in this log. Take one under open sky.');
  return { ...UNTOLD, format: 'NMEA', lines: [{ name: '', segments: [points] }], places: [], name: '' };
}
