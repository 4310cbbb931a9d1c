import { useMutationState } from '@tanstack/react-query';
import { useState, useSyncExternalStore } from 'react';
import { Refused } from '../api/client.ts';
import { KINDS } from '../api/kinds.ts';
import { plural } from '../ui/plural.ts';
import { giveUp, outbox, sendAgain } from '../offline/queryClient.ts';
import { useWaiting, WRITE_KEY, type QueuedWrite, type Write } from '../offline/writes.ts';
import { Button } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';

function describe(write: Write): string {
  switch (write.what) {
    case 'laid out':
      return `the plan “${write.whole.plan.name}” with ${write.whole.lots.length} bags`;
    case 'file':
      return 'the picture or paper itself';
    case 'events':
      return `${plural(write.events.length, 'tap')} of a run`;
    case 'record': {
      const { kind, record } = write;
      const name = 'name' in record ? record.name : 'tag' in record ? record.tag : 'word' in record ? record.word : '';
      return `${KINDS[kind].spoken}${name === '' ? '' : ` “${name}”`}`;
    }
  }
}

/** Always in sight: all is saved, how many writes wait, which were refused and why. A refused one is kept until the person decides. */
export function SyncState() {
  const waiting = useWaiting();
  const known = useSyncExternalStore(outbox.subscribe, outbox.isRead);
  const refused = useMutationState({
    filters: { mutationKey: WRITE_KEY, status: 'error' },
    select: (m) => ({ write: m.state.variables as QueuedWrite, error: m.state.error }),
  });
  const [open, setOpen] = useState(false);

  if (refused.length === 0) {
    return (
      <span role="status" className="text-[13px] text-ink-2">
        {waiting.length === 0
          ? known
            ? 'All saved'
            : 'Opening ...'
          : `${waiting.length} wait${waiting.length === 1 ? 's' : ''} for signal`}
      </span>
    );
  }
  // Theirs was looked at: ours goes on top of it.
  const currentOf = (error: Error | null) =>
    error instanceof Refused ? (error.problem.current as { version?: number } | undefined) : undefined;
  return (
    <>
      <button
        type="button"
        className="min-h-11 text-left text-[13px] font-semibold text-danger underline underline-offset-4"
        onClick={() => setOpen(true)}
      >
        ▲ {refused.length} refused: see why
      </button>
      <Sheet open={open} onOpenChange={setOpen} title="Refused, and kept here">
        <ul className="flex flex-col gap-4">
          {refused.map(({ write, error }) => (
            <li key={write.writeId} className="border-t border-rule pt-3">
              <p className="font-semibold">{describe(write)}</p>
              <p className="text-danger">{error?.message}</p>
              <div className="mt-2 flex gap-2">
                <Button onClick={() => sendAgain(write, currentOf(error))}>Send mine again</Button>
                <Button look="danger" onClick={() => giveUp(write)}>
                  Drop mine
                </Button>
              </div>
            </li>
          ))}
        </ul>
      </Sheet>
    </>
  );
}
