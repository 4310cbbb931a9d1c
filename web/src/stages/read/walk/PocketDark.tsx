import { useEffect, useRef, useState } from 'react';
import { useShow } from '../../../units/useShow.ts';
import type { Walk } from './useWalk.ts';
import { useKeepAwake } from '../../../ui/useKeepAwake.ts';

/** Held so long it lets go: no pocket holds a finger still. */
const HOLD_MS = 900;

/** A dark screen for the pocket: nothing on it can be tapped by a leg, and its bells ring on. */
export function PocketDark({ walk, said, onEnd }: { walk: Walk; said: string; onEnd: () => void }) {
  const show = useShow();
  const [held, setHeld] = useState(false);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  useKeepAwake(true);
  useEffect(() => () => clearTimeout(timer.current), []);
  const hold = (): void => {
    setHeld(true);
    timer.current = setTimeout(onEnd, HOLD_MS);
  };
  const letGo = (): void => {
    setHeld(false);
    clearTimeout(timer.current);
  };
  return (
    <div className="fixed inset-0 z-40 flex touch-none flex-col justify-between bg-black p-6 text-[#9a9184] select-none">
      <div>
        <p className="text-[64px] leading-none font-bold tabular-nums">
          {walk.next ? show.distance(Math.max(0, walk.next.ahead_m)) : ''}
        </p>
        <p className="mt-2 text-[20px]">{walk.next?.name}</p>
        {said && <p className="mt-6 text-[24px] font-bold text-[#cfc5b4]">{said}</p>}
      </div>
      <button
        type="button"
        className={`min-h-24 border-2 border-current text-[20px] ${held ? 'text-[#f3f0e7]' : ''}`}
        onPointerDown={hold}
        onPointerUp={letGo}
        onPointerLeave={letGo}
        onContextMenu={(e) => e.preventDefault()}
        // A keyboard is in no pocket.
        onKeyDown={(e) => {
          if (e.key === 'Enter' || e.key === ' ') onEnd();
        }}
      >
        {held ? 'Keep holding ...' : 'Hold to light the screen'}
      </button>
    </div>
  );
}
