import { keepable } from '@riffle/contract';
import { useCallback, useEffect, useState, type Dispatch, type SetStateAction } from 'react';
import { CREW_ID } from '../api/opening.ts';

const keyOf = (name: string): string => `riffle-draft-${CREW_ID}-${name}`;

/** What is kept under a name for this crew; null when nothing is, or it cannot be read. */
export function keptDraft<T>(name: string): T | null {
  try {
    // Drafts of an earlier Riffle named no crew.
    const kept = localStorage.getItem(keyOf(name)) ?? localStorage.getItem(`riffle-draft-${name}`);
    return JSON.parse(kept ?? 'null') as T | null;
  } catch {
    return null;
  }
}

/** Keeps a value under a name for this crew. */
export const keepDraft = (name: string, value: unknown): void =>
  localStorage.setItem(keyOf(name), JSON.stringify(value));

/** State that survives a reload and a dead battery, kept on this device under a name until `clear` is called. */
export function useDraft<T>(name: string, first: () => T): [T, Dispatch<SetStateAction<T>>, () => void] {
  const [draft, set] = useState<T>(() => keepable({ ...first(), ...keptDraft<T>(name) }));
  // What no database holds (pasted, mostly) is left out as it is typed: nothing that is seen gets lost on its way.
  const setDraft = useCallback<Dispatch<SetStateAction<T>>>(
    (next) => set((before) => keepable(typeof next === 'function' ? (next as (before: T) => T)(before) : next)),
    [],
  );
  useEffect(() => keepDraft(name, draft), [name, draft]);
  const clear = (): void => {
    localStorage.removeItem(keyOf(name));
    localStorage.removeItem(`riffle-draft-${name}`);
    setDraft(first());
  };
  return [draft, setDraft, clear];
}
