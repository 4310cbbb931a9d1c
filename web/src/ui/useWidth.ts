import { useCallback, useState } from 'react';

/** Width of an element in px, followed as it changes. Attach the ref to the element. */
export function useWidth(first = 960): [(element: HTMLElement | null) => (() => void) | undefined, number] {
  const [width, setWidth] = useState(first);
  const attach = useCallback((element: HTMLElement | null) => {
    if (!element) return undefined;
    // Measured before the first paint, so that nothing is ever drawn at the guessed width.
    setWidth(Math.round(element.getBoundingClientRect().width));
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setWidth(Math.round(entry.contentRect.width));
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [attach, width];
}
