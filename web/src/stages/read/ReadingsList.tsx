import type { ReactNode } from 'react';
import { TextButton } from '../../ui/TextButton.tsx';
import { useLocalTime } from '../../when/useLocalTime.ts';

interface Read {
  readonly id: string;
  readonly readAt: string;
}
interface ReadingsListProps<R extends Read> {
  readonly readings: readonly R[];
  /** What one of them is called: "the reading". */
  readonly called: string;
  /** What one says, after its day. */
  readonly says: (reading: R) => ReactNode;
  readonly onPutRight: (reading: R) => void;
  readonly onTakeOut: (reading: R) => void;
}
const SHOWN = 30;

/** The last readings of a stake or a sea, newest first, each to be put right or taken out. */
export function ReadingsList<R extends Read>({ readings, called, says, onPutRight, onTakeOut }: ReadingsListProps<R>) {
  const local = useLocalTime();
  return (
    <ul className="mt-4">
      {[...readings]
        .sort((a, b) => (a.readAt < b.readAt ? 1 : -1))
        .slice(0, SHOWN)
        .map((r) => (
          <li key={r.id} className="flex flex-wrap items-center gap-x-3 border-b border-rule">
            <span className="w-24 text-ink-2">{local.dayTime(r.readAt)}</span>
            <span className="grow">{says(r)}</span>
            <TextButton aria-label={`Put right ${called} of ${local.dayTime(r.readAt)}`} onClick={() => onPutRight(r)}>
              put right
            </TextButton>
            <TextButton aria-label={`Take out ${called} of ${local.dayTime(r.readAt)}`} onClick={() => onTakeOut(r)}>
              take out
            </TextButton>
          </li>
        ))}
    </ul>
  );
}

/** Says over the fields that they hold a kept reading, and how to leave it alone. */
export function BeingPutRight({ says, onLeave }: { readonly says: string; readonly onLeave: () => void }) {
  return (
    <p className="flex flex-wrap items-baseline gap-x-3" role="status">
      <b>{says} is put right.</b>
      <TextButton onClick={onLeave}>leave it as it was</TextButton>
    </p>
  );
}
