import { COLOR_CLASSES, type ColorClass } from '@riffle/core';
import { useState } from 'react';
import { Block } from '../../../ui/Judgement.tsx';
import { CLASS_NAMES } from '../pan/SizePan.tsx';
import { useSizeWords } from './useSizeWords.ts';

/** The crew's words for sizes, each tied to one class of the pan: they stand on the counter, and a count can be said in them. */
export function SizeWordList() {
  const { words, own, add, takeOut } = useSizeWords();
  const [typed, setTyped] = useState<{ size: ColorClass; text: string; problem: string | null } | null>(null);
  const keep = (): void => {
    if (!typed) return;
    const problem = add(typed.size, typed.text);
    setTyped(problem ? { ...typed, problem } : null);
  };
  return (
    <Block title="Your words for sizes" aside={own ? undefined : 'the trade’s, until you change one'}>
      <ul>
        {COLOR_CLASSES.map((size) => {
          const mine = words.filter((w) => w.size === size);
          const name = CLASS_NAMES[size].name;
          const problem = typed?.size === size ? typed.problem : null;
          return (
            <li key={size} className="flex min-h-12 flex-wrap items-center gap-x-3 border-b border-rule py-1">
              <b className="w-14">{name}</b>
              {mine.map((w) => (
                <span key={w.word} className="inline-flex items-center border border-ink pl-2">
                  {w.word}
                  <button
                    type="button"
                    className="min-h-11 px-2 text-ink-2 underline underline-offset-4"
                    aria-label={`Take out the word ${w.word}`}
                    disabled={words.length === 1}
                    onClick={() => takeOut(w.word)}
                  >
                    out
                  </button>
                </span>
              ))}
              <form
                className="flex items-center gap-2"
                onSubmit={(e) => {
                  e.preventDefault();
                  keep();
                }}
              >
                <input
                  aria-label={`Another word for ${name}`}
                  aria-invalid={problem !== null}
                  placeholder="another word"
                  className="written w-32"
                  value={typed?.size === size ? typed.text : ''}
                  onChange={(e) => setTyped({ size, text: e.target.value, problem: null })}
                />
                {typed?.size === size && typed.text !== '' && (
                  <button type="submit" className="min-h-11 underline underline-offset-4">
                    add
                  </button>
                )}
              </form>
              {problem && (
                <span role="alert" className="basis-full text-[12.5px] text-danger">
                  ▲ {problem}
                </span>
              )}
            </li>
          );
        })}
      </ul>
      <p className="mt-1 text-ink-2">
        Crews mean different sizes by the same word; the sieves beside them do not. On the pan a count can be said: “3{' '}
        {words.find((w) => w.size === '20-40')?.word ?? 'of yours'}s, a nugget”.
      </p>
    </Block>
  );
}
