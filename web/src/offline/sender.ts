import type { Problem } from '@riffle/contract';
import { isFault, isPassing, Refused } from '../api/client.ts';
import { spokenRecord } from '../api/spokenRecord.ts';
import { changeEntry, landEntry, readDevice, type Entry } from './deviceStore.ts';
import { hangsOn } from './hangsOn.ts';
import { OUTBOX } from './outboxName.ts';
import type { QueuedWrite } from './write.ts';
import { sendWrite } from './sendWrite.ts';

/** How often the server may come to a fault over a write before it steps aside, so that the others pass. */
const MOST_FAULTS = 3;
const HANGS_ON = 'HANGS_ON';

/**
 * Sends what waits in the outbox, in order, one write after another, while no other page of this device does: whichever
 * page is open, or the service worker, sends what any of them wrote. True when nothing waits any more, false when the
 * rest is better tried later. `moved` is called whenever the outbox has changed.
 */
export function sendWaiting(crewId: string, moved: () => void): Promise<boolean> {
  return navigator.locks.request(OUTBOX, async () => {
    for (;;) {
      const { entries } = await readDevice(crewId);
      const refused = entries.filter((e) => e.refused);
      // What was let go waits now, and is not seen to in what was read before.
      if (await letGo(refused)) continue;
      const next = entries.find((e) => !e.refused && !e.landed);
      if (!next) return true;
      const passed = await sendOne(next, refused);
      moved();
      if (!passed) return false;
    }
  });
}

/** Sends one write, and notes what came of it. False when it is to be sent again later. */
async function sendOne({ place, write, faults }: Entry, refused: readonly Entry[]): Promise<boolean> {
  const first = hangsOn(
    write,
    refused.map((r) => r.write),
  );
  if (first) {
    await changeEntry(place, { refused: hangingOn(first) });
    return true;
  }
  try {
    await landEntry(place, await sendWrite(write));
    return true;
  } catch (error) {
    if (!(error instanceof Refused) || isPassing(error)) return false;
    if (isFault(error) && faults + 1 < MOST_FAULTS) {
      await changeEntry(place, { faults: faults + 1 });
      return false;
    }
    await changeEntry(place, (await merged(write, error.problem)) ?? { refused: error.problem });
    return true;
  }
}

/** A change of a record that another changed too, in other things: put together, on top of theirs. Null where it is for a person. */
async function merged(write: QueuedWrite, { code, current }: Problem): Promise<{ write: QueuedWrite } | null> {
  if (code !== 'CHANGED' || write.what !== 'record' || !write.base || typeof current !== 'object' || !current)
    return null;
  const { mergeCopies } = await import('./mergeCopies.ts');
  const theirs = current as Readonly<Record<string, unknown>>;
  const { record, both } = mergeCopies(write.base as Readonly<Record<string, unknown>>, write.record, theirs);
  if (both.length > 0) return null;
  return {
    write: { ...write, base: theirs, record: { ...record, baseVersion: theirs.version } } as unknown as QueuedWrite,
  };
}

const hangingOn = (first: QueuedWrite): Problem => ({
  type: 'about:blank',
  title: 'Waits for another',
  status: 424,
  code: HANGS_ON,
  detail: `It hangs on ${first.what === 'record' ? `the ${spokenRecord(first.kind, first.record)}` : 'a plan of samples'}, which was refused. Mend or drop that first; this goes along by itself.`,
});

/** What hung on a refused write and hangs on none any more waits again. True where there was any. */
async function letGo(refused: readonly Entry[]): Promise<boolean> {
  const writes = refused.map((r) => r.write);
  const free = refused.filter((r) => r.refused?.code === HANGS_ON && !hangsOn(r.write, writes));
  for (const { place } of free) await changeEntry(place, { refused: null });
  return free.length > 0;
}
