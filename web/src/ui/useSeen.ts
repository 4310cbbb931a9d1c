import { useEffect, useState } from 'react';

/** Whether anything was seen since the page was opened. */
let opened = false;

/** Becomes true once what was drawn first has been seen: after the next paint. For what may come a moment later. */
export function useSeen(): boolean {
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    let later: ReturnType<typeof setTimeout>;
    // The frame is painted after its callbacks have run; what is set from a task after that comes with the next one.
    const frame = requestAnimationFrame(() => {
      later = setTimeout(() => {
        opened = true;
        setSeen(true);
      }, 0);
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(later);
    };
  }, []);
  return seen;
}

/** The same for what comes a moment after the page was opened, its room kept until then, and at once with every screen after: words first, on a slow phone. */
export function useOpened(): boolean {
  const seen = useSeen();
  return opened || seen;
}
