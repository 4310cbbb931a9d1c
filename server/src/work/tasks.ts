import { GroundFile, type FileChoices } from '@riffle/contract';
import { fileText } from '../ground/fileText.ts';
import { readGroundFile, type ReadGround } from '../ground/readGroundFile.ts';
import { SUMS } from '../sums/sums.ts';

interface FileToRead {
  readonly bytes: Uint8Array;
  readonly choices: FileChoices;
}

/**
 * What is worked out beside the thread that answers: all whose cost the sender decides. Each takes and gives plain data.
 */
export const TASKS = {
  sum: ({ name, input }: { name: string; input: unknown }): unknown =>
    SUMS.find((s) => s.name === name)?.compute(input as never),
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
