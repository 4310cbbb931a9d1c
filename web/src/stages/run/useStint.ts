import type { StoredRig, StoredRun, StoredSetup } from '@riffle/contract';
import { trueNow } from '../../api/trueClock.ts';
import { useGoOn } from '../../box/useGoOn.ts';
import { usePreferences } from '../../preferences/preferences.ts';
import { justKept, useKeep } from '../../records/useKeep.ts';
import { undoToast } from '../../ui/undoToast.ts';
import { changedSetup, type Lever } from './changedSetup.ts';

/** A lever moved while gravel runs: the setting it makes is kept, and the run goes on with it. `hold` takes a run in hand. */
export function useStint(run: StoredRun, setup: StoredSetup, rig: StoredRig, hold: (runId: string) => void) {
  const goOn = useGoOn();
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
      const { stintId, undo } = goOn(run, setupId, spotId, at);
      hold(stintId);
      undoToast(`${says}: a stint begins.`, () => {
        undo();
        setups.takeOut(justKept(setting, setupId));
        hold(run.id);
      });
    },
  };
}
