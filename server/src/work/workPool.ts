import { Piscina } from 'piscina';
import { availableParallelism } from 'node:os';
import { Refusal, type FieldError, type ProblemCode } from '../http/problems.ts';
import type { Tasks } from './tasks.ts';
import type { Outcome } from './worker.ts';

/** Runs tasks in threads, so that a long one holds no other answer up. */
export interface WorkPool {
  run<W extends keyof Tasks>(what: W, input: Parameters<Tasks[W]>[0]): Promise<ReturnType<Tasks[W]>>;
  close(): Promise<void>;
}

export interface WorkLimits {
  /** A task that has no answer after this long, its wait for a thread included, is given up. */
  readonly longest_ms: number;
  /** Tasks that wait for a thread; one more is sent away. */
  readonly mostWaiting: number;
  /** What one task may take of memory. */
  readonly most_MB: number;
}
const LIMITS: WorkLimits = { longest_ms: 20_000, mostWaiting: 50, most_MB: 768 };
/** A thread without work ends after this. */
const IDLE_MS = 60_000;

// Built, the worker lies beside the server; from sources (tests, development) it needs a loader first.
const WORKER = new URL(import.meta.url.endsWith('.ts') ? './workerFromSources.mjs' : './worker.js', import.meta.url)
  .href;

// One processor is left to the thread that answers.
const THREADS = Math.max(1, availableParallelism() - 1);

export function openWorkPool(some: Partial<WorkLimits> = {}): WorkPool {
  const limits = { ...LIMITS, ...some };
  const pool = new Piscina<{ what: string; input: unknown }, Outcome>({
    filename: WORKER,
    minThreads: 0,
    maxThreads: THREADS,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: limits.most_MB },
  });
  // A thread that could not start or died at rest is replaced at the next task; without a listener it would end the process.
  pool.on('error', () => undefined);
  let inHand = 0;
  return {
    run: async <W extends keyof Tasks>(what: W, input: Parameters<Tasks[W]>[0]) => {
      if (inHand >= THREADS + limits.mostWaiting)
        throw new Refusal('BUSY', 'Many are working something out at once. Send it again in a moment.');
      inHand++;
      const outcome = await pool
        .run({ what, input }, { signal: AbortSignal.timeout(limits.longest_ms) })
        .catch((error: Error) => {
          throw asTooLong(error, limits);
        })
        .finally(() => inHand--);
      if ('answer' in outcome) return outcome.answer as ReturnType<Tasks[W]>;
      const { code, detail, errors, extra } = outcome.refused;
      throw new Refusal(code as ProblemCode, detail, errors as readonly FieldError[] | undefined, extra);
    },
    close: () => pool.destroy(),
  };
}

function asTooLong(error: Error & { code?: string }, { longest_ms }: WorkLimits): Error {
  if (error.name === 'AbortError' || error.name === 'TimeoutError')
    return new Refusal('TOO_LONG', `It was given up after ${longest_ms / 1000} s. Send less at once.`);
  if (error.code === 'ERR_WORKER_OUT_OF_MEMORY')
    return new Refusal('TOO_LONG', 'It needs more memory than one call may take. Send less at once.');
  return error;
}
