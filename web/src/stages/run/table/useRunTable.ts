import type { StoredRig, StoredSetup } from '@riffle/contract';
import { v7 as uuidv7 } from 'uuid';
import { rigSections } from '../../../api/rigSections.ts';
import { fromPaper } from '../../../box/byHand.ts';
import { useWrite } from '../../../offline/outbox.ts';
import { justKept, useKeep } from '../../../records/useKeep.ts';
import { plural } from '../../../ui/plural.ts';
import { undoToast } from '../../../ui/undoToast.ts';
import { NO_TALLY } from '../noTally.ts';
import type { TableRun } from './readRunTable.ts';

/** Long enough to look at the book and think better of it. */
const UNDO_MS = 60_000;

/** Writes the runs of a table into the book, their gold as clean-ups of the whole box; taken back in a tap. Needs no signal. */
export function useRunTable(
  groundId: string,
  setup: StoredSetup | undefined,
  rig: StoredRig | undefined,
): (runs: readonly TableRun[]) => void {
  const write = useWrite();
  const ofRuns = useKeep('runs');
  const ofCleanups = useKeep('cleanups');
  return (rows) => {
    if (!setup) return;
    const built = rig ? rigSections(rig) : [];
    const length_m = built.reduce((sum, s) => sum + s.length_m, 0) || 1;
    const wayBack = rows.map((row) => {
      const { spotId, startedAt, until, bucket_L, bucketEntered, people, who, layer, fuel_L, fuelEntered, note } = row;
      const id = uuidv7();
      const told = { people, who, layer, fuel_L, fuelEntered, note };
      const run = { groundId, setupId: setup.id, spotId, startedAt, bucket_L, bucketEntered, ...told };
      ofRuns.add({ ...run, id });
      write({
        what: 'events',
        runId: id,
        groundId,
        events: fromPaper(startedAt, until, [{ spotId, count: row.buckets }], bucket_L),
      });
      const cleanup = row.gold_mg !== null &&
        row.goldEntered !== null && {
          groundId,
          runIds: [id],
          rinseOutOf: [],
          cleanedAt: until,
          sections: [
            {
              name: 'whole box',
              from_m: 0,
              to_m: length_m,
              lining: built.at(-1)?.lining ?? ('riffles' as const),
              gold_mg: row.gold_mg,
              goldEntered: row.goldEntered,
              colors: null,
              bySize: [],
              weighing: null,
            },
          ],
          screens: [],
          blackSand_g: null,
          blackSandEntered: null,
          rinsedClean: 'unknown' as const,
          worked_s: null,
          note: '',
        };
      const cleanupId = cleanup ? ofCleanups.add(cleanup) : '';
      return () => {
        if (cleanup) ofCleanups.takeOut(justKept(cleanup, cleanupId));
        ofRuns.takeOut({ ...justKept(run, id), tally: NO_TALLY });
      };
    });
    undoToast(
      `${plural(rows.length, 'run')} of the table ${rows.length === 1 ? 'is' : 'are'} in the book.`,
      () => {
        for (const back of wayBack) back();
      },
      { lasts_ms: UNDO_MS },
    );
  };
}
