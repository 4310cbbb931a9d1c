import type { PanSays } from '@riffle/core';
import type { SampleInHand } from './useSampleDraft.ts';

const SAYS: readonly { readonly value: PanSays; readonly label: string; readonly hint: string }[] = [
  { value: 'blank', label: 'blank', hint: 'no color' },
  { value: 'some', label: 'some', hint: 'color that does not pay' },
  { value: 'rich', label: 'rich', hint: 'as much as pays' },
];

interface SayBeforeProps {
  readonly inHand: SampleInHand;
  readonly spotId: string;
  /** What Riffle would say of this pan now; null where it cannot. */
  readonly riffle: PanSays | null;
}

/**
 * One tap before the count: what will it hold? Riffle keeps its own word beside it unseen, so that later it shows whose eye is better.
 * Once a color is counted it is too late to say; nothing is asked again.
 */
export function SayBefore({ inHand: { draft, colors, change }, spotId, riffle }: SayBeforeProps) {
  const foretold = draft.foretold?.spotId === spotId ? draft.foretold : null;
  // It stays where it is: what moved away here would move the pan under a finger that counts.
  const late = colors > 0;
  return (
    <div className="mb-3">
      <p id="say-before" className="mb-1 text-[13px] text-ink-2">
        {late
          ? foretold
            ? 'Said before you panned'
            : 'Counting: too late to say before'
          : 'Before you pan: what will it hold?'}
      </p>
      <div role="group" aria-labelledby="say-before" className="grid grid-cols-3 border-2 border-ink">
        {SAYS.map(({ value, label, hint }) => {
          const isSaid = foretold?.said === value;
          return (
            <button
              key={value}
              type="button"
              aria-pressed={isSaid}
              disabled={late}
              title={hint}
              className={`min-h-12 border-ink not-first:border-l-2 ${isSaid ? 'bg-ink font-semibold text-paper' : 'disabled:text-ink-2'}`}
              onClick={() => change({ foretold: isSaid ? null : { spotId, said: value, riffle } })}
            >
              {label}
            </button>
          );
        })}
      </div>
    </div>
  );
}
