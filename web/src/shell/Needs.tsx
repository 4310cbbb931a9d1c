import { type ReactNode } from 'react';
import { spokenMany, type Kind } from '../api/kinds.ts';
import { useListStates } from '../records/useListStates.ts';
import { useGround } from './useGround.ts';

interface NeedsProps {
  /** What the words inside rest on. */
  readonly kinds: readonly Kind[];
  /** Without a word of its own where something is out of reach: it is said beside it. */
  readonly quiet?: boolean;
  readonly children: ReactNode;
}

/**
 * Shows what rests on lists of a ground once they are here. Before that it says what is on its way; what cannot be had is
 * named above what can be done without it. So nothing is said to be none because it has not been read.
 */
export function Needs({ kinds, quiet = false, children }: NeedsProps) {
  const { ground } = useGround();
  const { states, askAgain } = useListStates(kinds, ground.id);
  const named = (state: 'arriving' | 'away'): string => {
    const those = kinds.filter((_, i) => states[i] === state).map(spokenMany);
    return those.length > 1 ? `${those.slice(0, -1).join(', ')} and ${those.at(-1)}` : (those[0] ?? '');
  };
  if (states.includes('arriving'))
    return (
      <p role="status" className="py-6 font-serif text-[22px] text-ink-2">
        Fetching the {named('arriving')} of {ground.name} ...
      </p>
    );
  return (
    <>
      {states.includes('away') && !quiet && (
        <p role="note" className="mb-3 flex flex-wrap items-center gap-x-4 border-l-4 border-ink pl-3">
          The {named('away')} of {ground.name} have not reached this device: what stands here is without them.
          <button type="button" className="min-h-11 underline underline-offset-4" onClick={askAgain}>
            Ask again
          </button>
        </p>
      )}
      {children}
    </>
  );
}
