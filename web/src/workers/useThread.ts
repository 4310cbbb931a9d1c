import { proxy, wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState, type RefObject } from 'react';
import type { WorkThread } from './steps.ts';

/** What is still being typed or dragged is not worked on; what a screen opens with is. */
const SETTLED_AFTER_MS = 130;

/** A thread of its own for as long as the screen stands. `open` is read once. */
export function useThread<T>(open: () => Worker): RefObject<Remote<T> | null> {
  const remote = useRef<Remote<T> | null>(null);
  const opening = useRef(open);
  useEffect(() => {
    const thread = opening.current();
    remote.current = wrap<T>(thread);
    return () => thread.terminate();
  }, []);
  return remote;
}

export interface Work<Problem, Step, Result> {
  /** The last result and what it answers; it stands while the next is worked out. */
  readonly solved: { readonly problem: Problem; readonly result: Result } | null;
  /** The last word of work that has not come to its end. */
  readonly said: Step | null;
  /** How far it is, 0 to 1; null when it rests. */
  readonly working: number | null;
  readonly failed: string | null;
  readonly stop: () => void;
}

/** Has a thread solve a problem, anew whenever it changes. Work under way gives way to the next. */
export function useWork<Problem, Step extends { readonly done: number }, Result>(
  open: () => Worker,
  problem: Problem | null,
): Work<Problem, Step, Result> {
  const thread = useThread<WorkThread<Problem, Step, Result>>(open) as RefObject<WorkThread<
    Problem,
    Step,
    Result
  > | null>;
  const [solved, setSolved] = useState<Work<Problem, Step, Result>['solved']>(null);
  const [said, setSaid] = useState<Step | null>(null);
  const [working, setWorking] = useState<number | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const isFirst = useRef(true);
  useEffect(() => {
    const remote = thread.current;
    if (!problem || !remote) return undefined;
    const settled_ms = isFirst.current ? 0 : SETTLED_AFTER_MS;
    isFirst.current = false;
    let current = true;
    // Words on the way come through a channel of their own: the last of them may arrive after the result.
    let over = false;
    const say = (step: Step): void => {
      if (!current || over) return;
      setWorking(step.done);
      setSaid(step);
    };
    const end = (result: Result | null): void => {
      over = true;
      if (!current) return;
      setWorking(null);
      if (result === null) return;
      setSaid(null);
      setSolved({ problem, result });
    };
    const fail = (error: Error): void => {
      over = true;
      if (!current) return;
      setWorking(null);
      setFailed(error.message);
    };
    const timer = setTimeout(() => {
      setWorking(0);
      setFailed(null);
      remote.work(problem, proxy(say)).then(end, fail);
    }, settled_ms);
    return () => {
      current = false;
      clearTimeout(timer);
      remote.stop();
    };
  }, [problem, thread]);
  return {
    solved,
    said,
    working: problem ? working : null,
    failed,
    stop: () => {
      thread.current?.stop();
      setWorking(null);
    },
  };
}
