import type { StoredRig, StoredRun, StoredSetup } from '@riffle/contract';
import { trueNow } from '../../api/trueClock.ts';
import { useWrite } from '../../offline/outbox.ts';
import { justKept, useKeep } from '../../records/useKeep.ts';
import { undoToast } from '../../ui/undoToast.ts';
import { usePreferences } from '../../preferences/preferences.ts';
import { stoppedAt, goneOn } from './byHand.ts';
import { changedSetup, type Lever } from './changedSetup.ts';

/**
 * A lever moved while gravel runs begins a stint: the run up to here is stopped, and one more goes on from the same spot through the box as it stands
 * now. Each stint has its own pace, tail pans and clean-up share; what was in the box stays in it. `hold` takes a run in hand.
 */
export function useStint(run: StoredRun, setup: StoredSetup, rig: StoredRig, hold: (runId: string) => void) {
  const write = useWrite();
  const runs = useKeep('runs');
  const setups = useKeep('setups');
  const { system } = usePreferences().preferences.display;
  return {
    system,
    can: (lever: Lever): boolean => changedSetup(setup, rig, lever, system) !== null,
    /** @param spotId where the next bucket comes from @param says the change, in words */
    begin: (lever: Lever, spotId: string, says: string): void => {
      const changed = changedSetup(setup, rig, lever, system);
      if (!changed) return;
      const at = trueNow();
      const setting = { ...changed, setAt: at };
      const setupId = setups.add(setting);
      const { groundId, bucket_L, bucketEntered, people } = run;
      const stint = { groundId, setupId, spotId, startedAt: at, bucket_L, bucketEntered, people, note: '' };
      const stintId = runs.add(stint);
      write({ what: 'events', runId: run.id, groundId, events: [stoppedAt(at)] });
      hold(stintId);
      undoToast(`${says}: a stint begins.`, () => {
        runs.takeOut({ ...justKept(stint, stintId), tally: run.tally });
        setups.takeOut(justKept(setting, setupId));
        // A moment after the stop, so that it is heard after it.
        const on = new Date(Date.parse(at) + 1).toISOString();
        write({ what: 'events', runId: run.id, groundId, events: [goneOn(on)] });
        hold(run.id);
      });
    },
  };
}
