import { WASHER_SYMPTOMS, type WasherSymptom } from '@riffle/core';
import { Block } from '../../../ui/Judgement.tsx';
import type { WasherOnPage } from './useWasherScreen.ts';
import { WASHER_SYMPTOM_WORDS } from './washerWords.tsx';

/** What is seen at the washer, each a tap; again for looked and not there; again for not looked. */
export function WasherSeen({ page: { draft, change } }: { readonly page: WasherOnPage }) {
  const { seen } = draft;
  const next = (id: WasherSymptom): void => {
    const { [id]: now, ...others } = seen;
    change({ seen: now === undefined ? { ...others, [id]: true } : now ? { ...others, [id]: false } : others });
  };
  return (
    <Block title="What do you see?" aside="tap what is there; tap again: looked, not there">
      <ul className="grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-3">
        {WASHER_SYMPTOMS.map((id) => {
          const state = seen[id];
          const { name, look } = WASHER_SYMPTOM_WORDS[id];
          return (
            <li key={id}>
              <button
                type="button"
                className={`flex min-h-12 w-full flex-col border-t-[5px] p-2 text-left ${state === undefined ? 'border-rule' : state ? 'border-ink bg-picked' : 'border-dashed border-ink-2'}`}
                aria-pressed={state === true}
                aria-label={`${name}${state === undefined ? '' : state ? ', seen' : ', looked and not there'}`}
                onClick={() => next(id)}
              >
                <b className={state === false ? 'line-through' : ''}>{name}</b>
                <span className="text-[13px] text-ink-2">{state === false ? 'looked, not there' : look}</span>
              </button>
            </li>
          );
        })}
      </ul>
    </Block>
  );
}
