import { useEffect, type ReactNode } from 'react';
import { spokenMany } from '../api/kinds.ts';
import { useListStates, type Needed } from '../records/useListStates.ts';
import { Fetching } from '../ui/Fetching.tsx';
import { Judgement } from '../ui/Judgement.tsx';
import { useGround } from './useGround.ts';

interface NeedsProps {
  /** What the words inside rest on. */
  readonly kinds: readonly Needed[];
  /** Work goes on inside without what is out of reach: it is said above, or, where it is said beside it already, not at all. */
  readonly without?: 'said' | 'quiet';
  /** Stands there while they are on their way, where a word of it would only make the page jump. */
  readonly meanwhile?: ReactNode;
  /** Sends for what is shown inside while the lists are on their way. */
  readonly soon?: () => Promise<unknown>;
  readonly children: ReactNode;
}

/**
 * Shows what rests on lists of a ground once they are here. Before that it says what is on its way, and what is out of
 * reach: nothing is said to be none because it has not been read.
 */
export function Needs({ kinds, without, meanwhile = null, soon, children }: NeedsProps) {
  const { ground } = useGround();
  const { states, arrived, askAgain } = useListStates(kinds, ground.id);
  useEffect(() => {
    void soon?.();
  }, [soon]);
  const named = (state: 'arriving' | 'away'): string => {
    const those = kinds
      .filter((_, i) => states[i] === state)
      .map((kind) => spokenMany(kind === 'pans' ? 'samples' : kind));
    return those.length > 1 ? `${those.slice(0, -1).join(', ')} and ${those.at(-1)}` : (those[0] ?? '');
  };
  if (states.includes('arriving'))
    return without === 'quiet' || meanwhile ? (
      meanwhile
    ) : (
      <Fetching what={`the ${named('arriving')} of ${ground.name}`} arrived={arrived} />
    );
  if (!states.includes('away') || without === 'quiet') return <>{children}</>;
  const missing = `The ${named('away')} of ${ground.name} have not reached this device.`;
  const ask = (
    <button type="button" className="min-h-11 underline underline-offset-4" onClick={askAgain}>
      Ask again
    </button>
  );
  if (!without)
    return <Judgement rests={<>What you log is kept here and sent as soon as it can be. {ask}</>}>{missing}</Judgement>;
  return (
    <>
      <p role="note" className="mb-3 flex flex-wrap items-center gap-x-4 border-l-4 border-ink pl-3">
        {missing} You can go on without them. {ask}
      </p>
      {children}
    </>
  );
}
