import type { StoredRig } from '@riffle/contract';
import type { BoxEvidence, BoxWindow, GoldShare, WaterSurface } from '@riffle/core';
import { useMemo } from 'react';
import { useContainers } from '../../records/useContainers.ts';
import { useDraft } from '../../ui/useDraft.ts';
import { useWork } from '../../workers/useThread.ts';
import {
  newSetup,
  reachOf,
  readSetup,
  settingOf,
  surfaceOf,
  type SetupDraft,
  type SetupReadings,
  type SettingRead,
} from './readSetup.ts';
import type { SetProblem, SetResult, SetStep, SetVerdictFound } from './solveSetup.ts';

export interface SetupInHand extends SettingRead {
  readonly draft: SetupDraft;
  readonly change: (some: Partial<SetupDraft>) => void;
  readonly readings: SetupReadings;
  /** What is said of it; of the setting before while this one is weighed, null before the first. */
  readonly verdict: SetVerdictFound | null;
  readonly window: BoxWindow | null;
  /** The words and drawings are of the setting as it stands. */
  readonly settled: boolean;
  readonly failed: string | null;
  /** The water of the middle box, from its mouth to its tail. */
  readonly surface: WaterSurface | null;
}

const open = (): Worker => new Worker(new URL('./set.worker.ts', import.meta.url), { type: 'module' });

/** How a box stands on a ground: as it is typed or dragged; the middle box at once, what is said of all of them a moment later. */
export function useSetup(
  groundId: string,
  rig: StoredRig | undefined,
  US: boolean,
  gold: readonly GoldShare[],
  screens_m: readonly number[],
  evidence: readonly BoxEvidence[],
  medianOf_m: (stone_m: number) => number | null,
  fed_m3: number,
): SetupInHand {
  const [draft, setDraft] = useDraft<SetupDraft>(`setup-${groundId}`, () => newSetup(US));
  const containers = useContainers();
  // A draft kept by an earlier version has no cross fall and no pace.
  const whole = useMemo(() => ({ ...newSetup(US), ...draft }), [draft, US]);
  const readings = useMemo(() => readSetup(whole, rig, containers), [whole, rig, containers]);
  const read = useMemo(
    () => settingOf(whole, readings, rig, gold, medianOf_m),
    [whole, readings, rig, gold, medianOf_m],
  );
  const reach = useMemo(() => reachOf(readings, rig, screens_m), [readings, rig, screens_m]);
  const problem = useMemo(
    (): SetProblem | null => read.solved && { setting: read.solved.setting, reach, seen: whole.seen, evidence, fed_m3 },
    [read.solved, reach, whole.seen, evidence, fed_m3],
  );
  const work = useWork<SetProblem, SetStep, SetResult>(open, problem);
  return {
    draft: whole,
    readings,
    ...read,
    // What was seen was seen at the box as it stood.
    change: (some) => setDraft((before) => ({ ...before, ...('note' in some ? {} : { seen: {} }), ...some })),
    verdict: work.said?.verdict ?? work.solved?.result.verdict ?? null,
    window: work.said?.window ?? work.solved?.result.window ?? null,
    settled: work.solved?.problem === problem,
    failed: work.failed,
    surface: useMemo(() => surfaceOf(read.solved, readings), [read.solved, readings]),
  };
}
