import { fileText } from '../ground/fileText.ts';
import { readGroundFile, type ReadGround } from '../ground/readGroundFile.ts';
import { SUMS } from '../sums/sums.ts';

/**
 * What is worked out beside the thread that answers: all whose cost the sender decides. Each takes and gives plain data.
 */
export const TASKS = {
  sum: ({ name, input }: { name: string; input: unknown }): unknown =>
    SUMS.find((s) => s.name === name)?.compute(input as never),
  /** A whole file: its points too. */
  groundFile: (bytes: Uint8Array): ReadGround => readGroundFile(fileText(bytes)),
  /** What a file holds, in as many points as are drawn. */
  groundFileTold: (bytes: Uint8Array): Omit<ReadGround, 'points' | 'properties' | 'swell_percent' | 'note'> => {
    const {
      points: _points,
      properties: _properties,
      swell_percent: _swell,
      note: _note,
      ...told
    } = readGroundFile(fileText(bytes));
    return told;
  },
};
export type Tasks = typeof TASKS;

export interface Task<W extends keyof Tasks = keyof Tasks> {
  readonly what: W;
  readonly input: Parameters<Tasks[W]>[0];
}
