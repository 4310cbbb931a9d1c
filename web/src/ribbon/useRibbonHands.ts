import type { StoredSpot } from '@riffle/contract';
import { useEffect, useRef, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import type { RibbonScale } from './ribbonScale.ts';
import type { RibbonView } from './useRibbonView.ts';

/** How far a finger may slip and still have tapped, px. */
const SLIP_PX = 5;

/** Trackpad and wheel: a pinch zooms about the pointer, a sideways stroke moves the ribbon, an upright one scrolls the page. */
export function useRibbonWheel(svg: RefObject<SVGSVGElement | null>, view: RibbonView, scale: RibbonScale): void {
  useEffect(() => {
    const element = svg.current;
    // Pinch on a trackpad arrives as ctrl + wheel; React's own listener could not stop the page from zooming with it.
    const onWheel = (event: WheelEvent): void => {
      if (event.ctrlKey) {
        event.preventDefault();
        const px = event.clientX - (element?.getBoundingClientRect().left ?? 0);
        view.zoom(Math.exp(-event.deltaY / 120), scale.distanceAt(px));
      } else if (Math.abs(event.deltaX) > Math.abs(event.deltaY)) {
        event.preventDefault();
        view.pan(-event.deltaX / scale.px_per_m);
      }
    };
    element?.addEventListener('wheel', onWheel, { passive: false });
    return () => element?.removeEventListener('wheel', onWheel);
  }, [svg, view, scale]);
}

/** Dragging moves the ribbon; what was no drag is a tap at a point of the drawing. */
export function useRibbonDrag(view: RibbonView, scale: RibbonScale, onTap: (px: number, py: number) => void) {
  const press = useRef<{ x: number; from_m: number; moved: boolean } | null>(null);
  const at = (event: PointerEvent): [number, number] => {
    const box = event.currentTarget.getBoundingClientRect();
    return [event.clientX - box.left, event.clientY - box.top];
  };
  return {
    onPointerDown: (event: PointerEvent): void => {
      press.current = { x: at(event)[0], from_m: scale.from_m, moved: false };
    },
    onPointerMove: (event: PointerEvent): void => {
      const p = press.current;
      if (!p || event.buttons === 0) return;
      const by = at(event)[0] - p.x;
      if (Math.abs(by) <= SLIP_PX && !p.moved) return;
      p.moved = true;
      view.pan(p.from_m + by / scale.px_per_m - scale.from_m);
    },
    onPointerUp: (event: PointerEvent): void => {
      const tapped = press.current?.moved === false;
      press.current = null;
      if (tapped) onTap(...at(event));
    },
    onPointerLeave: (): void => {
      press.current = null;
    },
  };
}

/** Arrow keys walk from spot to spot (upstream lies to the left), + and - zoom, 0 shows all. */
export function useRibbonKeys(
  view: RibbonView,
  ordered: readonly StoredSpot[],
  picked: string | null,
  onPick: (spotId: string) => void,
): (event: KeyboardEvent) => void {
  // Where the arrow keys stand: a held key is quicker than the pick comes back.
  const walked = useRef(picked);
  // Picks of one's own come back one after another; a late one must not undo a later step.
  const asked = useRef<string[]>([]);
  useEffect(() => {
    const own = asked.current.indexOf(picked ?? '');
    asked.current = own >= 0 ? asked.current.slice(own + 1) : [];
    if (own < 0) walked.current = picked;
  }, [picked]);

  const walk = (step: 1 | -1): void => {
    const at = ordered.findIndex((s) => s.id === walked.current);
    const next = ordered[at < 0 ? 0 : Math.min(ordered.length - 1, Math.max(0, at + step))];
    if (!next || next.id === walked.current) return;
    asked.current.push(next.id);
    walked.current = next.id;
    onPick(next.id);
    if (next.distance_m < view.from_m || next.distance_m > view.to_m)
      view.pan(next.distance_m - (view.from_m + view.to_m) / 2);
  };
  const does: Record<string, () => void> = {
    ArrowLeft: () => walk(1),
    ArrowRight: () => walk(-1),
    '+': () => view.zoom(1.6, ordered.find((s) => s.id === picked)?.distance_m),
    '-': () => view.zoom(1 / 1.6),
    '0': () => view.all(),
  };
  return (event) => {
    const act = does[event.key === '=' ? '+' : event.key];
    if (!act) return;
    act();
    event.preventDefault();
  };
}
