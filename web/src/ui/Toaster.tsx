import { useEffect, useState } from 'react';
import { toast, Toaster as Sonner } from 'sonner';
import { takeToasts } from './toast.ts';

/** Room left to what stands below it, px. */
const GAP_PX = 10;
/** Never higher than this share of the screen: the answer is at the top. */
const HIGHEST = 0.55;

/** Above everything a thumb may be about to press: the bar of stages, the button that keeps, the buttons of a run. */
function roomBelow_px(): number {
  const tops = [...document.querySelectorAll('[data-stage-bar], [data-thumb]')]
    .map((e) => e.getBoundingClientRect())
    .filter((r) => r.height > 0 && r.top < window.innerHeight && r.bottom > window.innerHeight * (1 - HIGHEST))
    .map((r) => window.innerHeight - r.top);
  return Math.min(window.innerHeight * HIGHEST, Math.max(GAP_PX, ...tops.map((t) => t + GAP_PX)));
}

/** Where toasts appear: at the bottom, where they cover neither the answer nor whether all is saved, nor what is pressed. */
export default function Toaster() {
  const [bottom, setBottom] = useState(GAP_PX);
  useEffect(() => {
    let said: string | number | undefined;
    takeToasts((says, options) => {
      setBottom(roomBelow_px());
      // What offers nothing has had its say: it does not come back from under a later one, to lie on what is pressed next.
      if (said !== undefined) toast.dismiss(said);
      const id = toast(says, options);
      said = options?.action ? undefined : id;
      return id;
    });
  }, []);
  return (
    <Sonner
      position="bottom-center"
      offset={{ bottom }}
      mobileOffset={{ bottom, left: 12, right: 12 }}
      // One at a time, in the letters of the page: what is on its way out can no longer be pressed.
      visibleToasts={1}
      style={{ fontFamily: 'inherit' }}
      toastOptions={{
        unstyled: true,
        classNames: {
          toast:
            'lets-through-at-first flex w-full items-center gap-3 border-2 border-ink bg-picked px-4 py-2 text-ink data-[removed=true]:hidden data-[visible=false]:hidden',
          actionButton: 'ml-auto min-h-11 shrink-0 px-2 font-semibold underline underline-offset-4',
        },
      }}
    />
  );
}
