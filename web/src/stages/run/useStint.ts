import type { StoredRig, StoredRun, StoredSetup } from '@riffle/contract';
import { trueNow } from '../../api/trueClock.ts';
import { useGoOn, type GoesOn } from '../../box/useGoOn.ts';
import { usePreferences } from '../../preferences/preferences.ts';
import { justKept, useKeep } from '../../records/useKeep.ts';
import { undoToast } from '../../ui/undoToast.ts';
import { changedSetup, type Lever } from './changedSetup.ts';
import { asLined, type Linings } from './relined.ts';

/** Something changed while gravel runs: what it makes is kept, and the run goes on with it. `hold` takes a run in hand. */
export function useStint(run: StoredRun, setup: StoredSetup, rig: StoredRig, hold: (runId: string) => void) {
  const goOn = useGoOn();
  const setups = useKeep('setups');
  const rigs = useKeep('rigs');
  const { system } = usePreferences().preferences.display;
  const begin = (now: GoesOn, says: string, at: string, takeBack: () => void = () => undefined): void => {
    const { stintId, undo } = goOn(run, now, at);
    hold(stintId);
    undoToast(`${says}: a stint begins.`, () => {
      undo();
      takeBack();
      hold(run.id);
    });
  };
  return {
    system,
    can: (lever: Lever): boolean => changedSetup(setup, rig, lever, system) !== null,
    /** @param spotId where the next bucket comes from @param says the change, in words */
    move: (lever: Lever, spotId: string, says: string): void => {
      const changed = changedSetup(setup, rig, lever, system);
      if (!changed) return;
      const at = trueNow();
      const setting = { ...changed, setAt: at };
      const setupId = setups.add(setting);
      begin({ setupId, spotId }, says, at, () => setups.takeOut(justKept(setting, setupId)));
    },
    /** The box lined otherwise, from the head down: as one of the crew's boxes is, or as a new one. */
    reline: (known: readonly StoredRig[], linings: Linings, spotId: string): void => {
      const at = trueNow();
      const lined = asLined(known, rig, linings);
      const rigId = 'id' in lined ? lined.id : rigs.add(lined);
      const { id: _id, deleted: _deleted, version: _version, updatedAt: _at, ...before } = setup;
      const setting = { ...before, rigId, setAt: at, note: '' };
      const setupId = setups.add(setting);
      begin({ setupId, spotId }, lined.name, at, () => {
        setups.takeOut(justKept(setting, setupId));
        if (!('id' in lined)) rigs.takeOut(justKept(lined, rigId));
      });
    },
    /** Another layer is fed. */
    feed: (layer: string, spotId: string): void =>
      begin({ layer, spotId }, layer === '' ? 'No layer told' : `From ${layer}`, trueNow()),
  };
}
