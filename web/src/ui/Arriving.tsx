import type { ReactNode } from 'react';

/** Whether a list is here, on its way, or out of reach: asked for in vain, and not kept on this device. */
export type ListState = 'here' | 'arriving' | 'away';

interface ArrivingProps {
  /** Of every list the words below rest on. */
  readonly lists: readonly { readonly state: ListState }[];
  /** What is on its way, as people call it: "the runs of Halloway Creek". */
  readonly what: string;
  readonly children: ReactNode;
}

/**
 * Shows what rests on lists once they are here. Before that it says that they are on their way, and where they cannot be
 * had it says so above what can be done without: nothing is ever said to be none because it has not been read.
 */
export function Arriving({ lists, what, children }: ArrivingProps) {
  if (lists.some((l) => l.state === 'arriving'))
    return (
      <p role="status" className="py-6 font-serif text-[22px] text-ink-2">
        Fetching {what} ...
      </p>
    );
  return (
    <>
      {lists.some((l) => l.state === 'away') && (
        <p role="note" className="border-l-4 border-ink py-1 pl-3">
          Some of {what} has not reached this device yet. What stands here is without it.
        </p>
      )}
      {children}
    </>
  );
}
