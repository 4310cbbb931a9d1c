import { grouped } from '@riffle/core';
import { useState } from 'react';
import { plural } from '../../../ui/plural.ts';
import { TextButton } from '../../../ui/TextButton.tsx';
import { useLastImport } from './lastImport.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';

/** The last table that came in, and the way to take all of it back, or in again. What was changed since stays. */
export function TakeBack({ groundId }: { groundId: string }) {
  const local = useLocalTime();
  const { last, move } = useLastImport(groundId);
  const [said, setSaid] = useState('');
  const [moving, setMoving] = useState(false);
  if (!last) return null;
  const go = (isBack: boolean): void => {
    setMoving(true);
    move(isBack)
      .then(
        ({ samples, spots }) =>
          setSaid(
            `${plural(samples, 'sample')}${spots > 0 ? ` and ${plural(spots, 'spot')}` : ''} ${isBack ? 'taken back' : 'in the book again'}${
              isBack && samples < last.stored
                ? `; ${plural(last.stored - samples, 'one', 'others')} changed since and left`
                : ''
            }.`,
          ),
        (error: Error) => setSaid(navigator.onLine ? error.message : 'Taking an import back needs a signal.'),
      )
      .finally(() => setMoving(false));
  };
  return (
    <p className="flex flex-wrap items-center gap-x-3 text-ink-2">
      <span>
        The table of {local.dayTime(last.at)}: {grouped(last.stored)} samples
        {last.isBack && ', taken back'}.
      </span>
      <TextButton disabled={moving} onClick={() => go(!last.isBack)}>
        {last.isBack ? 'bring it in again' : 'take it back'}
      </TextButton>
      {said && <span role="status">{said}</span>}
    </p>
  );
}
