import { useEffect, useState } from 'react';

/** The clock, ms since 1970, read anew every so often. */
export function useNow(every_ms: number): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), every_ms);
    return () => clearInterval(timer);
  }, [every_ms]);
  return now;
}
