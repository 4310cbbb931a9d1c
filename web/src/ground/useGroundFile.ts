import type { GroundFile } from '@riffle/contract';
import { useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { call, Refused } from '../api/client.ts';

const LARGEST_BYTES = 32 * 1024 * 1024;

/** How a file is to be read, as the calls take it: which of its lines, which of its columns. */
export type FileReading = Readonly<Partial<Record<'stretch' | 'latitude' | 'longitude' | 'nameColumn', string>>>;

export interface FileInHand {
  readonly id: string;
  readonly file: File;
  readonly read: GroundFile;
  readonly choices: FileReading;
}

/** How far a file has come to being a ground. */
export type FileStep =
  | { readonly at: 'choose' }
  /** A table that does not tell which columns it means. */
  | { readonly at: 'columns'; readonly file: File; readonly columns: readonly string[] }
  /** Lines that lie apart: one of them is the ground. */
  | ({ readonly at: 'stretch' } & FileInHand)
  | ({ readonly at: 'sheet' } & FileInHand);

/** A file on its way to being a ground. Nothing is stored by any of it. */
export function useGroundFile() {
  const [step, setStep] = useState<FileStep>({ at: 'choose' });
  const [problem, setProblem] = useState<string | null>(null);
  const [reading, setReading] = useState(false);
  const latest = useRef(0);

  /** Of two readings on their way the one asked for last counts, whichever is answered first. */
  const read = async (file: File, choices: FileReading): Promise<void> => {
    const asked = ++latest.current;
    setProblem(null);
    setReading(true);
    try {
      const query = new URLSearchParams(choices).toString();
      const told = await call<GroundFile>('POST', `/ground-files${query && `?${query}`}`, file);
      if (asked !== latest.current) return;
      const inHand = { id: uuidv7(), file, read: told, choices };
      setStep({ at: told.stretches.length > 1 && choices.stretch === undefined ? 'stretch' : 'sheet', ...inHand });
    } catch (error) {
      if (asked !== latest.current) return;
      const columns = error instanceof Refused ? (error.problem as { columns?: readonly string[] }).columns : undefined;
      if (columns) setStep({ at: 'columns', file, columns });
      setProblem(
        `“${file.name}”: ${!(error instanceof Refused) ? 'the server cannot be reached. The file was not changed; drop it again when it is back.' : (error as Error).message}`,
      );
    } finally {
      if (asked === latest.current) setReading(false);
    }
  };

  return {
    step,
    problem,
    reading,
    take: (file: File | undefined): void => {
      if (!file) return;
      if (file.size <= LARGEST_BYTES) {
        // What was asked of the file before it is not asked of this one.
        setStep({ at: 'choose' });
        return void read(file, {});
      }
      setProblem(
        `“${file.name}” is ${Math.round(file.size / 1024 / 1024)} MB; the most is 32 MB. Save the track alone, without pictures or other layers, and drop it again.`,
      );
    },
    /** Reads the file in hand again, another way; null: asks which of its lines is meant. */
    readAs: (choices: FileReading | null): void => {
      if (step.at === 'choose') return;
      if (choices) void read(step.file, { ...('choices' in step && step.choices), ...choices });
      else if (step.at === 'sheet') setStep({ ...step, at: 'stretch' });
    },
    back: (): void => {
      latest.current++;
      setReading(false);
      setProblem(null);
      setStep({ at: 'choose' });
    },
  };
}
