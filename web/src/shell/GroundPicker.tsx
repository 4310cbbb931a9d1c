import { Suspense } from 'react';
import { useSeen } from '../ui/useSeen.ts';
import type { GroundMenuProps } from './GroundMenu.tsx';
import { PickerFace } from './PickerFace.tsx';
import { late } from '../ui/late.ts';

const GroundMenu = late(async () => (await import('./GroundMenu.tsx')).GroundMenu);

/** Picks a ground and stays in the stage. The menu comes after the first sight of the page; pressed before, it opens as soon as it is there. */
export function GroundPicker(props: GroundMenuProps) {
  const seen = useSeen();
  const face = (
    <button
      type="button"
      className="block min-h-11 w-full text-left"
      aria-haspopup="menu"
      aria-expanded={props.open}
      onClick={() => props.onOpenChange(true)}
    >
      <PickerFace name={props.current?.name} />
    </button>
  );
  if (!seen && !props.open) return face;
  return (
    <Suspense fallback={face}>
      <GroundMenu {...props} />
    </Suspense>
  );
}
