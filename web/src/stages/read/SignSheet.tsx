import type { StoredGround, StoredSign } from '@riffle/contract';
import { useDeferredValue } from 'react';
import type { RibbonPlace } from '../../ribbon/placeAt.ts';
import { Sheet } from '../../ui/Sheet.tsx';
import { PickKind } from './PickKind.tsx';
import { signName } from '../../ground/signOrder.ts';
import { SignMeasures } from './SignMeasures.tsx';

interface SignSheetProps {
  readonly ground: StoredGround;
  /** The sign to add to; left out for a new one. */
  readonly sign: StoredSign | undefined;
  /** The picked spot, or where the ribbon was tapped; null for where one stands. */
  readonly place: RibbonPlace | null;
  readonly onClose: () => void;
  /** Opens the sheet again on the sign just kept. */
  readonly onMore: (signId: string) => void;
}

/** Two taps: open, and the kind. It is kept at once where one stands; measures can be added afterwards. */
export function SignSheet({ ground, sign, place, onClose, onMore }: SignSheetProps) {
  // The slip answers the tap at once; its kinds come a frame later, where the phone is slow.
  const answered = useDeferredValue(true, false);
  return (
    <Sheet title={sign ? signName(sign.kind, ground.kind) : 'What do you see?'} onClose={onClose}>
      {sign ? (
        <SignMeasures key={sign.id} ground={ground} sign={sign} onClose={onClose} />
      ) : !answered ? (
        <div className="min-h-[60dvh]" />
      ) : (
        <PickKind ground={ground} place={place} onClose={onClose} onMore={onMore} />
      )}
    </Sheet>
  );
}
