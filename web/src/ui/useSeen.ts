import { useEffect, useState } from 'react';

/** Becomes true once what was drawn first has been seen: after the next paint. For what may come a moment later. */
export function useSeen(): boolean {
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    let later: ReturnType<typeof setTimeout>;
    // The frame is painted after its callbacks have run; what is set from a task after that comes with the next one.
    const frame = requestAnimationFrame(() => {
      later = setTimeout(() => setSeen(true), 0);
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(later);
    };
  }, []);
  return seen;
}
