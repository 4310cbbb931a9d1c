import { WASHER_SYMPTOMS } from '@riffle/core';
import { seenAfter, SymptomButton } from '../SymptomButton.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import type { WasherOnPage } from './useWasherScreen.ts';
import { WasherSymptomDrawing } from './WasherSymptomDrawing.tsx';
import { WASHER_SYMPTOM_WORDS } from './washerWords.tsx';

/** What is seen at the washer, each a tap; again for looked and not there; again for not looked. */
export function WasherSeen({ page: { draft, change } }: { readonly page: WasherOnPage }) {
  const { seen } = draft;
  return (
    <Block title="What do you see?" aside="tap what is there; tap again: looked, not there">
      <ul className="grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-3">
        {WASHER_SYMPTOMS.map((id) => {
          return (
            <li key={id}>
              <SymptomButton
                {...WASHER_SYMPTOM_WORDS[id]}
                state={seen[id]}
                onTap={(to) => change({ seen: seenAfter(seen, id, to) })}
              >
                <WasherSymptomDrawing id={id} />
              </SymptomButton>
            </li>
          );
        })}
      </ul>
    </Block>
  );
}
