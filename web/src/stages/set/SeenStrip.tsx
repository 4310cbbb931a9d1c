import { SYMPTOM_IDS, type Seen, type SymptomId } from '@riffle/core';
import { Block } from '../../ui/Judgement.tsx';
import type { SetVerdictFound } from './solveSetup.ts';
import { SymptomDrawing } from './SymptomDrawing.tsx';
import { causeWords, SYMPTOM_WORDS } from './symptomWords.ts';

interface SeenStripProps {
  readonly seen: Seen;
  readonly verdict: SetVerdictFound | null;
  readonly onChange: (seen: Seen) => void;
}

/** Causes named. */
const MOST_CAUSES = 3;

/** For those who read the box and not its numbers: what is seen, each a tap; again for looked and not there; again for not looked. Below, what may be behind it. */
export function SeenStrip({ seen, verdict, onChange }: SeenStripProps) {
  const next = (id: SymptomId): void => {
    const { [id]: now, ...others } = seen;
    onChange(now === undefined ? { ...others, [id]: true } : now ? { ...others, [id]: false } : others);
  };
  const asked = Object.keys(seen).length > 0;
  return (
    <Block title="What do you see?" aside="tap what is there; tap again: looked, not there">
      <ul className="grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-4">
        {SYMPTOM_IDS.map((id) => {
          const state = seen[id];
          const { name, look } = SYMPTOM_WORDS[id];
          return (
            <li key={id}>
              <button
                type="button"
                className={`flex min-h-12 w-full flex-col border-t-[5px] p-2 text-left ${state === undefined ? 'border-rule' : state ? 'border-ink bg-picked' : 'border-dashed border-ink-2'}`}
                aria-pressed={state === true}
                aria-label={`${name}${state === undefined ? '' : state ? ', seen' : ', looked and not there'}`}
                onClick={() => next(id)}
              >
                <SymptomDrawing id={id} />
                <b className={state === false ? 'line-through' : ''}>{name}</b>
                <span className="text-[13px] text-ink-2">{state === false ? 'looked, not there' : look}</span>
              </button>
            </li>
          );
        })}
      </ul>
      {asked && verdict && (
        <div role="status" className="mt-2">
          {!verdict.fits ? (
            <p>
              <b>This does not fit the box as entered.</b> Measure pitch and water again, or look once more.
            </p>
          ) : (
            <ul>
              {verdict.causes.slice(0, MOST_CAUSES).map((c) => (
                <li key={c.input} className="flex items-baseline gap-3 border-b border-rule py-1">
                  <b className="w-16 shrink-0">{Math.min(9, Math.round(10 * c.chance))} in 10</b>
                  {causeWords(c)}
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </Block>
  );
}
