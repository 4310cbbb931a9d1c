/** Buckets tapped a moment ago, by event id, of which the run's list has not been told yet: see `useWrite`. */
export interface BucketsAhead {
  readonly add: (eventId: string) => void;
  /** Lets go of those the list has by now: taken out of it later, they count no more. */
  readonly letGo: (isInList: (eventId: string) => boolean) => void;
  /** The same list until it changes. */
  readonly ids: () => readonly string[];
  readonly subscribe: (listener: () => void) => () => void;
}

export function bucketsAhead(): BucketsAhead {
  let ids: readonly string[] = [];
  const listeners = new Set<() => void>();
  const become = (now: readonly string[]): void => {
    ids = now;
    listeners.forEach((listener) => listener());
  };
  return {
    add: (eventId) => become([...ids, eventId]),
    letGo: (isInList) => {
      const left = ids.filter((id) => !isInList(id));
      if (left.length < ids.length) become(left);
    },
    ids: () => ids,
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}
