import { Refused } from '../api/client.ts';
import { spokenRecord } from '../api/kinds.ts';
import { giveUp, sendAgain } from '../offline/queryClient.ts';
import type { QueuedWrite, Write } from '../offline/writes.ts';
import { Button } from '../ui/Button.tsx';
import { plural } from '../ui/plural.ts';
import { Sheet } from '../ui/Sheet.tsx';

interface RefusedSheetProps {
  readonly refused: readonly { readonly write: QueuedWrite; readonly error: Error | null }[];
  readonly onClose: () => void;
}

/** What the server refused, each with its reason, kept until the person decides. */
export function RefusedSheet({ refused, onClose }: RefusedSheetProps) {
  // Theirs was looked at: ours goes on top of it.
  const currentOf = (error: Error | null) =>
    error instanceof Refused ? (error.problem.current as { version?: number } | undefined) : undefined;
  return (
    <Sheet title="Refused, and kept here" onClose={onClose}>
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
  );
}

function describe(write: Write): string {
  switch (write.what) {
    case 'laid out':
      return `the plan “${write.whole.plan.name}” with ${write.whole.lots.length} bags`;
    case 'file':
      return 'the picture or paper itself';
    case 'events':
      return `${plural(write.events.length, 'tap')} of a run`;
    case 'record':
      return spokenRecord(write.kind, write.record);
  }
}
