import { Suspense } from 'react';
import { Fetching } from '../../ui/Fetching.tsx';
import { SetScreen } from './SetScreen.tsx';
import { useRigInHand } from './useRigInHand.ts';
import { late } from '../../ui/late.ts';

const WasherScreen = late(async () => (await import('./washer/WasherScreen.tsx')).WasherScreen);

/** Sets the rig in hand: a box by its water, a dry washer by its air. */
export function SetStage() {
  const inHand = useRigInHand();
  return inHand.rig?.washer ? (
    <Suspense fallback={<Fetching what="the dry washer" />}>
      <WasherScreen key={inHand.rig.id} rigInHand={inHand} rig={inHand.rig} />
    </Suspense>
  ) : (
    <SetScreen rigInHand={inHand} />
  );
}
