import { createElement, use, type ComponentType } from 'react';

/** What was sent for has not reached this device. */
export interface NotHere extends Error {
  /** Lets it be drawn anew, and ends once it is here. Called by what stands in for it: before that React, which draws again at once, would ask without end. */
  readonly again: () => Promise<void>;
}
export const isNotHere = (error: unknown): error is NotHere => error instanceof Error && 'again' in error;

/**
 * A component whose code comes when it is first drawn, or earlier by `soon`. Draw it within `Suspense`. Without a signal
 * it throws `NotHere`, and asks again when it is drawn again: `lazy` of React would stay broken until the page is opened anew.
 */
export function late<P extends object>(load: () => Promise<ComponentType<P>>) {
  let has: ComponentType<P> | undefined;
  let coming: Promise<ComponentType<P>> | undefined;
  let here: Promise<void> | undefined;
  const forget = (): void => {
    coming = undefined;
  };
  const again = (): Promise<void> => {
    forget();
    return (here ??= untilHere(load).then(forget));
  };
  const ask = (): Promise<ComponentType<P>> =>
    (coming ??= load().then(
      (here) => (has = here),
      (error: unknown) => {
        throw Object.assign(new Error(String(error)), { again });
      },
    ));
  // What is here is drawn at once: even a promise that is kept would show what stands in for it first.
  const Late = (props: P) => createElement(has ?? use(ask()), props);
  /** Sends for it ahead of need. Should it not come, it is asked for again when it is to be drawn, and then says so. */
  Late.soon = (): Promise<unknown> => ask().catch(forget);
  Late.isHere = (): boolean => has !== undefined;
  return Late;
}

const AGAIN_MS = 5000;
/** Code that is sent for until it is here: with the next signal, or a while later. */
export const untilHere = <T>(load: () => Promise<T>): Promise<T> =>
  load().catch(async () => {
    await new Promise<unknown>((again) => {
      addEventListener('online', again, { once: true });
      setTimeout(again, AGAIN_MS);
    });
    return untilHere(load);
  });
