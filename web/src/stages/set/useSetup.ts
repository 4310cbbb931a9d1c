import type { StoredRig } from '@riffle/contract';
import { goldSizes } from '@riffle/core';
import { useMemo } from 'react';
import { useContainers } from '../../records/useContainers.ts';
import { useDraft } from '../../ui/useDraft.ts';
import { newSetup, readSetup, solveSetup, type SetupDraft, type SetupReadings, type SolvedSetup } from './readSetup.ts';

export interface SetupInHand extends SolvedSetup {
  readonly draft: SetupDraft;
  readonly change: (some: Partial<SetupDraft>) => void;
  readonly readings: SetupReadings;
}

/** How a box stands on a ground: as it is typed or dragged, worked out at once. */
export function useSetup(groundId: string, rig: StoredRig | undefined, US: boolean): SetupInHand {
  const [draft, setDraft] = useDraft<SetupDraft>(`setup-${groundId}`, () => newSetup(US));
  const containers = useContainers();
  const readings = useMemo(() => readSetup(draft, rig?.length_m, containers), [draft, rig?.length_m, containers]);
  const temperature = readings.temperature.ok ? readings.temperature.value : null;
  const gold = useMemo(() => (temperature === null ? null : goldSizes(temperature)), [temperature]);
  const solved = useMemo(() => solveSetup(draft, readings, rig, gold), [draft, readings, rig, gold]);
  return { draft, readings, ...solved, change: (some) => setDraft((before) => ({ ...before, ...some })) };
}
