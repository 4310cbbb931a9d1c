import { useMutationState } from '@tanstack/react-query';
import { lazy, Suspense, useState, useSyncExternalStore } from 'react';
import { outbox } from '../offline/queryClient.ts';
import { useWaiting, WRITE_KEY, type QueuedWrite } from '../offline/writes.ts';

const RefusedSheet = lazy(async () => ({ default: (await import('./RefusedSheet.tsx')).RefusedSheet }));

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
  return (
    <>
      <button
        type="button"
        className="min-h-11 text-left text-[13px] font-semibold text-danger underline underline-offset-4"
        onClick={() => setOpen(true)}
      >
        ▲ {refused.length} refused: see why
      </button>
      {open && (
        <Suspense>
          <RefusedSheet refused={refused} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
