import { useEffect, useState, type Dispatch, type SetStateAction } from 'react';

const keyOf = (name: string): string => `riffle-draft-${name}`;

/** What is kept under a name; null when nothing is, or it cannot be read. */
export function keptDraft<T>(name: string): T | null {
  try {
    return JSON.parse(localStorage.getItem(keyOf(name)) ?? 'null') as T | null;
  } catch {
    return null;
  }
}

/** State that survives a reload and a dead battery, kept on this device under a name until `clear` is called. */
export function useDraft<T>(name: string, first: () => T): [T, Dispatch<SetStateAction<T>>, () => void] {
  const key = keyOf(name);
  const [draft, setDraft] = useState<T>(() => ({ ...first(), ...keptDraft<T>(name) }));
  useEffect(() => localStorage.setItem(key, JSON.stringify(draft)), [key, draft]);
  const clear = (): void => {
    localStorage.removeItem(key);
    setDraft(first());
  };
  return [draft, setDraft, clear];
}
