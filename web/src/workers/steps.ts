import { expose, type ProxyMarked } from 'comlink';

/** Steps go by so fast that a word after each would take longer than the step. */
const SAY_EVERY_MS = 40;

/** Lets messages in between steps, so that work can be stopped. */
const breathe = (): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, 0);
  });

/** Work of which only the latest counts: what is asked for takes the place of what is under way. */
export interface Latest {
  /** Takes steps to their end, saying how far it is now and then; null when other work was asked for meanwhile, or it was stopped. */
  readonly run: <Step, Result>(steps: Iterator<Step, Result>, say: (step: Step) => void) => Promise<Result | null>;
  readonly stop: () => void;
}

export function latest(): Latest {
  let asked = 0;
  return {
    async run(steps, say) {
      const mine = ++asked;
      for (let said = performance.now(); ;) {
        const step = steps.next();
        if (step.done) return step.value;
        if (performance.now() - said < SAY_EVERY_MS) continue;
        say(step.value);
        await breathe();
        if (mine !== asked) return null;
        said = performance.now();
      }
    },
    stop() {
      asked++;
    },
  };
}

/** A thread that solves one problem at a time, as `useWork` asks it to. */
export interface WorkThread<Problem, Step, Result> {
  readonly work: (problem: Problem, say: ((step: Step) => void) & ProxyMarked) => Promise<Result | null>;
  readonly stop: () => void;
}

/**
 * Makes this thread solve problems by steps. `handOver` names what of a result is moved, not copied, to the page.
 */
export function exposeWork<Problem, Step, Result>(
  begin: (problem: Problem) => Iterator<Step, Result>,
  handOver: (result: Result) => Result = (result) => result,
): void {
  const { run, stop } = latest();
  expose({
    async work(problem, say) {
      const result = await run(begin(problem), say);
      return result === null ? null : handOver(result);
    },
    stop,
  } satisfies WorkThread<Problem, Step, Result>);
}
