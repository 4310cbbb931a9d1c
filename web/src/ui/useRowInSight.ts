import { useEffect, useRef, type RefObject } from 'react';

/** Attach to a list that scrolls by itself: the row that is pressed in comes into sight when another is, and the page stays where it is. */
export function useRowInSight(picked: string | null): RefObject<HTMLDivElement | null> {
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const box = list.current;
    const row = box?.querySelector('[aria-pressed="true"]')?.closest('tr, li');
    if (!box || !row) return;
    const [at, within] = [row.getBoundingClientRect(), box.getBoundingClientRect()];
    if (at.top < within.top) box.scrollTop -= within.top - at.top;
    else if (at.bottom > within.bottom) box.scrollTop += at.bottom - within.bottom;
  }, [picked]);
  return list;
}
