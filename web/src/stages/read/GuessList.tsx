import type { StoredGround } from '@riffle/contract';
import { signKind, type GuessedSign } from '@riffle/core';
import { useState } from 'react';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import { inTen } from '../../reading/inTen.ts';
import { useKeep } from '../../records/useKeep.ts';
import { Button } from '../../ui/Button.tsx';
import { toast } from '../../ui/toast.ts';
import { useShow } from '../../units/useShow.ts';
import { bareSign } from './readSign.ts';

/** So many stand there at first. */
const LISTED = 5;

interface GuessListProps {
  readonly ground: StoredGround;
  readonly guesses: readonly GuessedSign[];
  /** Shows a place on the ribbon. */
  readonly onShow: (guess: GuessedSign) => void;
}

/** What the line alone hints at, going up; one tap says whether it is there. */
export function GuessList({ ground, guesses, onShow }: GuessListProps) {
  const show = useShow();
  const { add } = useKeep('signs');
  const { change } = useKeep('grounds');
  const [listsAll, setListsAll] = useState(false);
  const words = GROUND_WORDS[ground.kind];
  const answer = (g: GuessedSign, seen: boolean): void => {
    const looked = (ground as Partial<StoredGround>).lookedAt ?? [];
    if (seen) add(bareSign(ground, g.kind, g));
    change(ground, { lookedAt: [...looked, { kind: g.kind, distance_m: g.distance_m, seen }] });
    const at = `at ${show.distance(g.distance_m)}`;
    toast(seen ? `Kept: ${g.kind} ${at}.` : `Struck: no ${g.kind} ${at}.`);
  };
  return (
    <>
      <ul>
        {(listsAll ? guesses : guesses.slice(0, LISTED)).map((g) => (
          <li
            key={g.id}
            className="grid grid-cols-[minmax(0,1fr)_auto_auto] items-center gap-x-3 border-b border-rule py-1"
          >
            <button type="button" className="min-h-11 min-w-0 text-left leading-snug" onClick={() => onShow(g)}>
              <b>{signKind(g.kind).says}</b>{' '}
              <span className="text-[13px] text-ink-2">
                {show.distance(g.distance_m)} {words.along}, {words.banks[g.bank]}; such guesses are right{' '}
                {inTen(g.sure)}
              </span>
            </button>
            <Button onClick={() => answer(g, true)}>There</Button>
            <Button look="quiet" onClick={() => answer(g, false)}>
              Not there
            </Button>
          </li>
        ))}
      </ul>
      {!listsAll && guesses.length > LISTED && (
        <Button look="quiet" onClick={() => setListsAll(true)}>
          {`All ${guesses.length}`}
        </Button>
      )}
    </>
  );
}
