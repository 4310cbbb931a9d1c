import { useCallback, useSyncExternalStore } from 'react';

/** How many records of a long list have come so far, by the list's name, while it is on its way. */
const soFar = new Map<string, number>();
const listeners = new Set<() => void>();

/** Null: it is here, or was given up. */
export function tellArrived(hash: string, count: number | null): void {
  if (count === null) soFar.delete(hash);
  else soFar.set(hash, count);
  for (const listener of listeners) listener();
}

/** Records that have come so far of lists on their way; 0 where none is long. */
export function useArrived(hashes: readonly string[]): number {
  const subscribe = useCallback((listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, []);
  return useSyncExternalStore(subscribe, () => hashes.reduce((sum, hash) => sum + (soFar.get(hash) ?? 0), 0));
}
