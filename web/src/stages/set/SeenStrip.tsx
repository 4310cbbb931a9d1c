import { SYMPTOM_IDS, type Seen } from '@riffle/core';
import { seenAfter, SymptomButton } from './SymptomButton.tsx';
import { Block } from '../../ui/Judgement.tsx';
import type { SetShow } from './setShow.ts';
import type { SetVerdictFound } from './solveSetup.ts';
import { SymptomDrawing } from './SymptomDrawing.tsx';
import { FAULT_WORDS, SYMPTOM_WORDS } from './symptomWords.ts';

interface SeenStripProps {
  readonly seen: Seen;
  readonly verdict: SetVerdictFound | null;
  /** Head and water in the units they were typed in. */
  readonly like: SetShow;
  readonly onChange: (seen: Seen) => void;
}

/** Faults named, and the least chance of one after the first. */
const MOST_FAULTS = 3;
const LEAST_CHANCE = 0.1;

/** For those who read the box and not its numbers: what is seen, each a tap; again for looked and not there; again for not looked. Below, what may be behind it. */
export function SeenStrip({ seen, verdict, like, onChange }: SeenStripProps) {
  // What is as it should be asks for no cause.
  const asked = SYMPTOM_IDS.some((id) => id !== 'clears' && seen[id]);
  return (
    <Block title="What do you see?" aside="tap what is there; tap again: looked, not there">
      <ul className="grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-4">
        {SYMPTOM_IDS.map((id) => {
          return (
            <li key={id}>
              <SymptomButton {...SYMPTOM_WORDS[id]} state={seen[id]} onTap={(to) => onChange(seenAfter(seen, id, to))}>
                <SymptomDrawing id={id} />
              </SymptomButton>
            </li>
          );
        })}
      </ul>
      {asked && verdict && (
        <div role="status" className="mt-2">
          {!verdict.fits && <p>A box as entered hardly shows that. Likeliest is:</p>}
          <ul>
            {verdict.faults
              .filter((f, i) => i === 0 || f.chance >= LEAST_CHANCE)
              .slice(0, MOST_FAULTS)
              .map((f) => {
                const words = FAULT_WORDS[f.fault];
                return (
                  <li key={f.fault} className="flex items-baseline gap-3 border-b border-rule py-1">
                    <b className="w-16 shrink-0">{Math.min(9, Math.max(1, Math.round(10 * f.chance)))} in 10</b>
                    <span>
                      {words.is}: <b>{words.do(f, like)}</b>
                      <span className="text-ink-2">; then {words.then}</span>
                    </span>
                  </li>
                );
              })}
          </ul>
        </div>
      )}
    </Block>
  );
}
