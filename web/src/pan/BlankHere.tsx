import type { StoredGround, StoredSpot } from '@riffle/contract';
import { useMemo } from 'react';
import { Link } from '../ui/Link.tsx';
import { useContainers } from '../records/useContainers.ts';
import { justKept, useKeep } from '../records/useKeep.ts';
import { useRecords } from '../records/useRecords.ts';
import { undoToast } from '../ui/undoToast.ts';
import { keptSeenWith } from './seenWith.ts';
import { blankPan, usualPan, usualPanWords } from './usualPan.ts';

/** A blank in one tap: panned as the last time, which stands on it; the way back stays in reach. Where nobody panned yet it leads to the pan. */
export function BlankHere({ ground, spot }: { readonly ground: StoredGround; readonly spot: StoredSpot }) {
  const samples = useRecords('samples', ground.id).items;
  const containers = useContainers();
  const { add, takeOut } = useKeep('samples');
  const usual = useMemo(() => usualPan(samples), [samples]);
  const blank =
    usual && blankPan(usual, containers, { groundId: ground.id, spotId: spot.id, seenWith: keptSeenWith() });
  const look =
    'inline-flex min-h-12 min-w-0 flex-col items-center justify-center border-2 border-ink px-3 leading-tight max-sm:grow';
  if (!usual || !blank)
    return (
      <Link className={look} to={`/g/${ground.id}/sample?spot=${spot.id}`}>
        <b>Blank here</b>
      </Link>
    );
  return (
    <button
      type="button"
      className={`${look} touch-manipulation active:bg-ink active:text-paper`}
      onClick={() => {
        // Its own time, not that of the last look at the button.
        const record = { ...blank, takenAt: new Date().toISOString() };
        const id = add(record);
        undoToast(`Kept: ${spot.name}, a blank.`, () => takeOut(justKept(record, id)));
      }}
    >
      <b>Blank here</b>
      <span className="max-w-full truncate text-[12.5px]">{usualPanWords(usual)}</span>
    </button>
  );
}
