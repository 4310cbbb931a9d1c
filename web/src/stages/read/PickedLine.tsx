import type { StoredGround } from '@riffle/contract';
import { Link } from 'react-router';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import { BlankHere } from '../../pan/BlankHere.tsx';
import { Button } from '../../ui/Button.tsx';
import { useShow } from '../../units/useShow.ts';
import { JoinLine } from './JoinLine.tsx';
import type { ReadInHand } from './useReadScreen.ts';

/** What is picked on the ribbon and what can be done there; and the ways to mark something new. */
export function PickedLine({ ground, inHand }: { ground: StoredGround; inHand: ReadInHand }) {
  const { place, open, pickedSpot, setOpen } = inHand;
  return (
    <>
      <JoinLine ground={ground} into={inHand.into} draws={inHand.draws} />
      <div className="flex flex-wrap items-center gap-3">
        {place && open === null ? (
          <NewPlace ground={ground} inHand={inHand} />
        ) : pickedSpot ? (
          <PickedSpot ground={ground} inHand={inHand} />
        ) : (
          <span className="grow text-ink-2">Pick a spot on the ribbon, or tap beside one to mark a new place.</span>
        )}
        <Link className="inline-flex min-h-11 items-center border-2 border-ink px-4" to={`/g/${ground.id}/walk`}>
          Walk it
        </Link>
        <Button onClick={() => setOpen({ what: 'new sign' })}>Add a sign</Button>
        <Button onClick={() => setOpen({ what: 'new spot' })}>New spot</Button>
      </div>
    </>
  );
}

function NewPlace({ ground, inHand: { place, setOpen } }: { ground: StoredGround; inHand: ReadInHand }) {
  const show = useShow();
  const words = GROUND_WORDS[ground.kind];
  return (
    place && (
      <>
        <span className="font-serif text-[18px] font-semibold">{place.name ?? 'A new place'}</span>
        <span className="grow text-ink-2">
          {show.distance(place.distance_m)} {words.along}, {words.banks[place.bank]}; no spot yet
        </span>
        <Button look="main" onClick={() => setOpen({ what: 'new spot' })}>
          Mark it as a spot
        </Button>
      </>
    )
  );
}

function PickedSpot({ ground, inHand: { pickedSpot, setOpen } }: { ground: StoredGround; inHand: ReadInHand }) {
  const show = useShow();
  const words = GROUND_WORDS[ground.kind];
  return (
    pickedSpot && (
      <>
        <span className="font-serif text-[18px] font-semibold">{pickedSpot.name}</span>
        <span className="min-w-0 grow basis-48 text-ink-2">
          {pickedSpot.kind}, {show.distance(pickedSpot.distance_m)} {words.along}, {words.banks[pickedSpot.bank]}
          {pickedSpot.note && `. ${pickedSpot.note}`}
        </span>
        <Button onClick={() => setOpen({ what: 'spot' })}>Change</Button>
        <BlankHere ground={ground} spot={pickedSpot} />
        <Link
          className="inline-flex min-h-12 items-center bg-ink px-4 font-semibold text-paper"
          to={`/g/${ground.id}/sample?spot=${pickedSpot.id}`}
        >
          Sample here
        </Link>
      </>
    )
  );
}
