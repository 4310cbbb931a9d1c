import { changeEntry, giveUpEntry } from './deviceStore.ts';
import { goOn, type RefusedWrite } from './outbox.ts';
import type { QueuedWrite } from './write.ts';

/** Sends a refused write again as it was, or mended; on top of the stored copy the person has seen when there is one. */
export async function sendAgain({ place, problem }: RefusedWrite, write: QueuedWrite): Promise<void> {
  const current = problem.current as { readonly version?: number } | undefined;
  const onTop =
    write.what === 'record' && current?.version !== undefined
      ? ({ ...write, record: { ...write.record, baseVersion: current.version } } as QueuedWrite)
      : write;
  await changeEntry(place, { write: onTop, refused: null, faults: 0 });
  goOn();
}

/** Gives a refused write up; the stored copy stands. */
export async function giveUp({ place }: RefusedWrite): Promise<void> {
  await giveUpEntry(place);
  goOn();
}
