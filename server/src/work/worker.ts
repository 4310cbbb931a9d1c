import { OutOfRange } from '@riffle/core';
import { Refusal } from '../http/problems.ts';
import { TASKS, type Task } from './tasks.ts';

/** What a thread gives back. An error loses its class on the way between threads, so a refusal goes as plain data. */
export type Outcome =
  | { readonly answer: unknown }
  | {
      readonly refused: {
        readonly code: string;
        readonly detail: string;
        readonly errors: unknown;
        readonly extra?: Readonly<Record<string, unknown>>;
      };
    };

/** One task in a thread of its own. */
export default function work({ what, input }: Task): Outcome {
  try {
    return { answer: TASKS[what](input as never) };
  } catch (error) {
    if (error instanceof Refusal)
      return { refused: { code: error.code, detail: error.message, errors: error.errors, extra: error.extra } };
    if (error instanceof OutOfRange)
      return {
        refused: { code: 'INVALID', detail: error.message, errors: [{ path: error.field, message: error.message }] },
      };
    throw error;
  }
}
