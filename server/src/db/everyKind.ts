import { agreements, goldEntries, trials } from '../books/queries.ts';
import { cleanups, forecasts, jars, lifts } from '../clean/queries.ts';
import { daySheets } from '../day/queries.ts';
import { grounds, spots } from '../ground/queries.ts';
import { attachments, outlines } from '../map/queries.ts';
import { gaugeReadings, permissions, signs, swellReadings } from '../read/queries.ts';
import { runs, workRounds } from '../run/queries.ts';
import {
  containers,
  looks,
  sweeps,
  lots,
  pits,
  samplePlans,
  samples,
  screenings,
  seedings,
  sizeWords,
} from '../sample/queries.ts';
import { boxTests, rigs, setups } from '../set/queries.ts';

/** Every kind of record, for what goes over all of them. */
export const EVERY_KIND = [
  grounds,
  spots,
  signs,
  gaugeReadings,
  swellReadings,
  permissions,
  daySheets,
  outlines,
  attachments,
  samples,
  lots,
  pits,
  screenings,
  looks,
  sweeps,
  samplePlans,
  containers,
  seedings,
  sizeWords,
  rigs,
  setups,
  boxTests,
  runs,
  workRounds,
  lifts,
  cleanups,
  forecasts,
  jars,
  trials,
  goldEntries,
  agreements,
] as const;
