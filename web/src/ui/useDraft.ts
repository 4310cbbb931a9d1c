import { useEffect, useState, type Dispatch, type SetStateAction } from 'react';

/** State that survives a reload and a dead battery, kept on this device under a name until `clear` is called. */
export function useDraft<T>(name: string, first: () => T): [T, Dispatch<SetStateAction<T>>, () => void] {
  const key = `riffle-draft-${name}`;
  const [draft, setDraft] = useState<T>(() => {
    try {
      const kept = localStorage.getItem(key);
      return kept === null ? first() : { ...first(), ...(JSON.parse(kept) as T) };
    } catch {
      return first();
    }
  });
  useEffect(() => localStorage.setItem(key, JSON.stringify(draft)), [key, draft]);
  const clear = (): void => {
    localStorage.removeItem(key);
    setDraft(first());
  };
  return [draft, setDraft, clear];
}
