import { Suspense, useState } from 'react';
import { useOutbox } from '../offline/outbox.ts';
import { plural } from '../ui/plural.ts';
import { late } from '../ui/late.ts';

const RefusedSheet = late(async () => (await import('./RefusedSheet.tsx')).RefusedSheet);

/** Always in sight: all is saved, how many writes wait, which were refused and why. A refused one is kept until the person decides. */
export function SyncState() {
  const { isRead, waiting, refused, unkept } = useOutbox();
  const [open, setOpen] = useState(false);

  if (unkept > 0) {
    return (
      <span role="alert" className="text-[13px] font-semibold text-danger">
        ▲ {plural(unkept, 'entry', 'entries')} not kept: this device has no room. Keep this page open until it is sent.
      </span>
    );
  }
  if (refused.length === 0) {
    return (
      <span role="status" className="text-[13px] text-ink-2">
        {waiting.length === 0
          ? isRead
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
