import type { QueuedWrite } from './write.ts';

/** Whether a value of records, lists and texts has this text in it as a whole. */
function holds(value: unknown, text: string): boolean {
  if (value === text) return true;
  if (typeof value !== 'object' || value === null || value instanceof Blob) return false;
  return Object.values(value).some((each) => holds(each, text));
}

/** The id a write brings into the book; null for one that changes what is there already. */
function bringsIn(write: QueuedWrite): string | null {
  if (write.what === 'record') return write.record.baseVersion === 0 ? write.record.id : null;
  return write.what === 'laid out' ? write.whole.plan.id : null;
}

/**
 * The refused write that another hangs on: it would have brought in a record the other names (a sample's spot, a run's
 * taps). Sent alone, the other could only be refused as well.
 */
export function hangsOn(write: QueuedWrite, refused: readonly QueuedWrite[]): QueuedWrite | null {
  return (
    refused.find((r) => {
      const id = bringsIn(r);
      return id !== null && r.writeId !== write.writeId && holds(write, id);
    }) ?? null
  );
}
