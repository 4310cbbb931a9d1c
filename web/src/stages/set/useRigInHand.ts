import type { StoredRig, StoredSetup } from '@riffle/contract';
import { useCallback, useMemo } from 'react';
import { useRecords } from '../../records/useRecords.ts';
import { useGround } from '../../shell/useGround.ts';
import { useDraft } from '../../ui/useDraft.ts';

/** Which of the crew's rigs is in hand on this ground. */
export interface RigInHand {
  readonly rigs: readonly StoredRig[];
  readonly rig: StoredRig | undefined;
  readonly choose: (rigId: string) => void;
  /** Kept settings of this ground, the latest first. */
  readonly latestFirst: readonly StoredSetup[];
}

/** The rig taken last on this device, or set last on this ground; where neither is, one that suits it: a dry washer where there is no water. */
export function useRigInHand(): RigInHand {
  const { ground } = useGround();
  const rigs = useRecords('rigs').items;
  const setups = useRecords('setups', ground.id).items;
  const latestFirst = useMemo(() => [...setups].sort((a, b) => (a.setAt < b.setAt ? 1 : -1)), [setups]);
  // Which rig is in hand is kept with how it stands: after a reload it is the same one.
  const [{ rigId }, setChosen] = useDraft<{ readonly rigId: string | null }>(`setup-box-${ground.id}`, () => ({
    rigId: null,
  }));
  const isDry = ground.kind === 'wash';
  const rig =
    rigs.find((r) => r.id === (rigId ?? latestFirst[0]?.rigId)) ??
    rigs.find((r) => Boolean(r.washer) === isDry) ??
    rigs[0];
  const choose = useCallback((id: string): void => setChosen({ rigId: id }), [setChosen]);
  return { rigs, rig, choose, latestFirst };
}
