import { useCallback, useState } from 'react';
import { flushSync } from 'react-dom';

/** What the page leaves beside its content: margins, and the rail on a desk. Only the first guess; the true width is measured. */
const guess_px = (): number => window.innerWidth - (window.innerWidth < 640 ? 32 : 128 + 48);

/** Width of an element in px, followed as it changes. Attach the ref to the element. `first`: the guess before it stands, never wider than the page. */
export function useWidth(first = Infinity): [(element: HTMLElement | null) => (() => void) | undefined, number] {
  const [width, setWidth] = useState(() => Math.min(first, guess_px()));
  const attach = useCallback((element: HTMLElement | null) => {
    if (!element) return undefined;
    // Told after the layout and before the paint: nothing is ever shown at a guessed width, and a right guess costs nothing.
    const observer = new ResizeObserver(([entry]) => {
      // Taken out of sight it has none: it stays as wide as it was, and nothing is drawn into less than nothing.
      const width = Math.round(entry?.contentRect.width ?? 0);
      if (width > 0) flushSync(() => setWidth(width));
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [attach, width];
}
