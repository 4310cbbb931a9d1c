import { grouped } from '@riffle/core';
import type { StoredSign } from '@riffle/contract';
import { memo, useDeferredValue, useMemo, useState } from 'react';
import { SignMark } from '../../ribbon/SignMarks.tsx';
import { asTyped } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';

/** A list longer than this can be searched; no more rows than that stand on the page at once. */
const FILTER_FROM = 12;
const MOST_SHOWN = 80;

/** Signs as a list, those passed by first with what they need; each opens to be added to. */
export function SignList({ signs, onOpen }: { signs: readonly StoredSign[]; onOpen: (signId: string) => void }) {
  const [sought, setSought] = useState('');
  // Typing stays quick while a long list follows a moment later.
  const word = useDeferredValue(sought.trim().toLowerCase());
  const ordered = useMemo(
    () =>
      [...signs].sort(
        (a, b) => Number(b.comeBackWith !== '') - Number(a.comeBackWith !== '') || a.distance_m - b.distance_m,
      ),
    [signs],
  );
  const found = useMemo(
    () =>
      word === ''
        ? ordered
        : ordered.filter((s) =>
            `${s.kind} ${Object.values(s.traits).join(' ')} ${s.note} ${s.comeBackWith}`.toLowerCase().includes(word),
          ),
    [ordered, word],
  );
  const shown = useMemo(() => found.slice(0, MOST_SHOWN), [found]);
  if (signs.length === 0)
    return <p className="text-ink-2">No signs yet. Two taps where you stand: “Add a sign”, then what you see.</p>;
  return (
    <>
      {signs.length > FILTER_FROM && (
        <input
          type="search"
          className="mb-2 written w-full"
          aria-label="Find among the signs"
          placeholder={`find among ${grouped(signs.length)}: a kind, a word of a note`}
          value={sought}
          onChange={(e) => setSought(e.target.value)}
        />
      )}
      <div
        className="max-h-[20rem] overflow-y-auto"
        tabIndex={0}
        role="region"
        aria-label="Signs, those to come back to first"
      >
        <Rows signs={shown} onOpen={onOpen} />
        {found.length > MOST_SHOWN && (
          <p className="py-2 text-[13px] text-ink-2">
            and {grouped(found.length - MOST_SHOWN)} more: write a word above to find them.
          </p>
        )}
        {found.length === 0 && <p className="py-2 text-ink-2">No sign says that.</p>}
      </div>
    </>
  );
}

/** Kept apart so that a letter typed above does not draw the rows again. */
const Rows = memo(function Rows({ signs, onOpen }: { signs: readonly StoredSign[]; onOpen: (signId: string) => void }) {
  const show = useShow();
  return (
    <ul className="grid grid-cols-1 gap-x-8 lg:grid-cols-2">
      {signs.map((s) => (
        <li key={s.id}>
          <button
            type="button"
            className="flex min-h-11 w-full items-center gap-3 border-b border-rule py-1 text-left"
            onClick={() => onOpen(s.id)}
          >
            <svg width="30" height="26" viewBox="-15 -13 30 26" aria-hidden="true" className="shrink-0">
              <SignMark kind={s.kind} size_mm={s.size_mm} />
            </svg>
            <span className="min-w-0 grow">
              <b>{s.kind.replace(/^own: /, '')}</b>
              {Object.values(s.traits).length > 0 && <>: {Object.values(s.traits).join(', ')}</>}
              {s.sizeEntered && <>, {asTyped(s.sizeEntered)}</>}
              {s.coverEntered && <>, {asTyped(s.coverEntered)} of cover</>}
              {s.comeBackWith && <span className="block">come back with {s.comeBackWith}</span>}
              {s.note && <span className="block text-[13px] text-ink-2">{s.note}</span>}
            </span>
            <span className="shrink-0 text-[13px] text-ink-2">{show.distance(s.distance_m)}</span>
          </button>
        </li>
      ))}
    </ul>
  );
});
