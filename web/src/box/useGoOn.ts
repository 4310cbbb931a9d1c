import type { StoredRun } from '@riffle/contract';
import { trueNow } from '../api/trueClock.ts';
import { useWrite } from '../offline/outbox.ts';
import { justKept, useKeep } from '../records/useKeep.ts';
import { goneOn, stoppedAt } from './byHand.ts';

/** What a stint has of its own; the rest is as in the run before it. */
export type GoesOn = Pick<StoredRun, 'spotId'> & Partial<Pick<StoredRun, 'setupId' | 'layer'>>;

/**
 * The box stands otherwise from now on: the run up to here is stopped, and one more goes on from the same ground through the box as it stands now. Each
 * such stint has its own pace, tail pans and share of the clean-up; what was in the box stays in it.
 */
export function useGoOn() {
  const write = useWrite();
  const runs = useKeep('runs');
  /** @param now how it goes on: through which set-up, from where, from which layer @returns the stint's run, and the way back */
  return (run: StoredRun, now: GoesOn, at = trueNow()) => {
    const { groundId, setupId, bucket_L, bucketEntered, people, who, layer } = run;
    const stint = {
      groundId,
      setupId,
      startedAt: at,
      bucket_L,
      bucketEntered,
      people,
      who,
      layer,
      fuel_L: null,
      fuelEntered: null,
      note: '',
      ...now,
    };
    const stintId = runs.add(stint);
    write({ what: 'events', runId: run.id, groundId, events: [stoppedAt(at)] });
    return {
      stintId,
      undo: (): void => {
        runs.takeOut({ ...justKept(stint, stintId), tally: run.tally });
        // A moment after the stop, so that it is heard after it.
        const on = new Date(Date.parse(at) + 1).toISOString();
        write({ what: 'events', runId: run.id, groundId, events: [goneOn(on)] });
      },
    };
  };
}
