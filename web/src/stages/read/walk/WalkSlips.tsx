import type { StoredGround } from '@riffle/contract';
import { Suspense, useImperativeHandle, useState, type Ref } from 'react';
import type { Reading } from '../../../reading/useReading.ts';
import type { RibbonPlace } from '../../../ribbon/placeAt.ts';
import { late } from '../../../ui/late.ts';

const SignSheet = late(async () => (await import('../SignSheet.tsx')).SignSheet);
const SeaSheet = late(async () => (await import('../shore/SeaSheet.tsx')).SeaSheet);
const RiverSheet = late(async () => (await import('../RiverSheet.tsx')).RiverSheet);

export interface WalkSlipsHandle {
  readonly open: (slip: 'sign' | 'river') => void;
}
interface WalkSlipsProps {
  readonly ref: Ref<WalkSlipsHandle>;
  readonly ground: StoredGround;
  /** Where one stands; null where that is not known. */
  readonly place: RibbonPlace | null;
  readonly reading: Pick<Reading, 'signs' | 'readings'>;
}

/** The slips of the walk. Which is open is known here alone: the walk under a slip is not drawn anew when one comes. */
export function WalkSlips({ ref, ground, place, reading }: WalkSlipsProps) {
  const [open, setOpen] = useState<'sign' | 'river' | { readonly sign: string } | null>(null);
  useImperativeHandle(ref, () => ({ open: setOpen }), []);
  const close = (): void => setOpen(null);
  const sign = typeof open === 'object' && open ? reading.signs.find((s) => s.id === open.sign) : undefined;
  return (
    <Suspense>
      {open === 'river' &&
        (ground.kind === 'beach' ? (
          <SeaSheet ground={ground} onClose={close} />
        ) : (
          <RiverSheet ground={ground} readings={reading.readings} onClose={close} />
        ))}
      {open === 'sign' && (
        <SignSheet
          ground={ground}
          sign={undefined}
          place={place}
          onClose={close}
          onMore={(id) => setOpen({ sign: id })}
        />
      )}
      {sign && <SignSheet ground={ground} sign={sign} place={place} onClose={close} onMore={() => undefined} />}
    </Suspense>
  );
}
