import {
  asPans,
  GroundFile,
  type FileChoices,
  type PannedGround as PannedGroundSaid,
  type Pans,
  type StoredGround,
  type StoredPit,
  type StoredSpot,
} from '@riffle/contract';
import { pannedGround, panningPace, type WeightSchool } from '@riffle/core';
import { fileText } from '../ground/fileText.ts';
import { readGroundFile, type ReadGround } from '../ground/readGroundFile.ts';
import { SUMS } from '../sums/sums.ts';

/** A list holds what was taken out too, for devices that still keep it. */
const standing = <R extends { readonly deleted: boolean }>(list: string): R[] =>
  (JSON.parse(list) as R[]).filter((r) => !r.deleted);

interface FileToRead {
  readonly bytes: Uint8Array;
  readonly choices: FileChoices;
}

interface PansToGrade {
  readonly ground: StoredGround;
  /** Its spots and pits, and its `Pans`, as the database has written them. */
  readonly spots: string;
  readonly pits: string;
  readonly pans: string;
  readonly school: WeightSchool;
}

/**
 * What is worked out beside the thread that answers: all whose cost the sender decides. Each takes and gives plain data.
 */
export const TASKS = {
  sum: ({ name, input }: { name: string; input: unknown }): unknown =>
    SUMS.find((s) => s.name === name)?.compute(input as never),
  /** As JSON: it is kept and sent as it is. */
  pannedGround: ({ ground, spots, pits, pans, school }: PansToGrade): string => {
    const columns = JSON.parse(pans) as Pans;
    const samples = asPans(columns);
    return JSON.stringify({
      asOf: columns.asOf,
      panned: pannedGround(samples, ground.swell_percent, school, standing<StoredPit>(pits)),
      pace: panningPace(ground, standing<StoredSpot>(spots), samples),
    } satisfies PannedGroundSaid);
  },
  /** A whole file: its points too. */
  groundFile: ({ bytes, choices }: FileToRead): ReadGround => readGroundFile(fileText(bytes), choices),
  /** What a file holds, in as many points as are drawn. */
  groundFileTold: ({ bytes, choices }: FileToRead): GroundFile =>
    GroundFile.parse(readGroundFile(fileText(bytes), choices)),
};
export type Tasks = typeof TASKS;

export interface Task<W extends keyof Tasks = keyof Tasks> {
  readonly what: W;
  readonly input: Parameters<Tasks[W]>[0];
}
