import { useEffect } from 'react';

/** Runs an action on a key, never while someone types or a slip lies open. */
export function useKeys(keys: Readonly<Record<string, (pressed: KeyboardEvent) => void>>): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement;
      if (
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        target.matches('input, textarea, select, [contenteditable]') ||
        document.querySelector('[role="dialog"]')
      )
        return;
      const action = keys[event.key];
      if (!action) return;
      event.preventDefault();
      action(event);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [keys]);
}
