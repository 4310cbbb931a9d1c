import type { StoredGround } from '@riffle/contract';
import { Link } from '../../ui/Link.tsx';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import { BlankHere } from '../../pan/BlankHere.tsx';
import { Button } from '../../ui/Button.tsx';
import { useShow } from '../../units/useShow.ts';
import { JoinLine } from './JoinLine.tsx';
import type { ReadInHand } from './useReadScreen.ts';

/** What is picked on the ribbon and what can be done there; and the ways to mark something new. */
export function PickedLine({ ground, inHand }: { ground: StoredGround; inHand: ReadInHand }) {
  const { place, open, pickedSpot, setOpen } = inHand;
  const isPicked = Boolean(pickedSpot) || (place !== null && open === null);
  return (
    <>
      <JoinLine ground={ground} into={inHand.into} draws={inHand.draws} />
      {/* It stays in sight, wherever on the page it was picked. */}
      <div className={isPicked ? 'contents' : 'max-sm:contents sm:flex sm:flex-wrap sm:items-center sm:gap-3'}>
        <div
          data-thumb=""
          className={`flex grow flex-wrap items-center gap-x-3 gap-y-1.5 ${isPicked ? 'sticky top-0 bottom-[58px] z-10 -mx-4 border-y-2 border-ink bg-paper px-4 py-2 sm:bottom-0 sm:-mx-6 sm:px-6' : ''}`}
        >
          {place && open === null ? (
            <NewPlace ground={ground} inHand={inHand} />
          ) : pickedSpot ? (
            <PickedSpot ground={ground} inHand={inHand} />
          ) : (
            <span className="grow text-ink-2">Pick a spot on the ribbon, or tap beside one to mark a new place.</span>
          )}
        </div>
        <div className="flex flex-wrap items-center gap-3 sm:justify-end">
          <Link className="inline-flex min-h-12 items-center border-2 border-ink px-4" to={`/g/${ground.id}/walk`}>
            Walk it
          </Link>
          <Button className="min-h-12" onClick={() => setOpen({ what: 'new sign' })}>
            Add a sign
          </Button>
          <Button className="min-h-12" onClick={() => setOpen({ what: 'new spot' })}>
            New spot
          </Button>
        </div>
      </div>
    </>
  );
}

/** The name of what is picked, and the way to where it stands on the ribbon. */
const OnRibbon = ({ children }: { children: string }) => (
  <button
    type="button"
    title="Show it on the ribbon"
    className="min-h-11 text-left font-serif text-[18px] font-semibold"
    onClick={() => {
      const ribbon = document.querySelector<SVGSVGElement>('main [role=listbox]');
      ribbon?.scrollIntoView({ block: 'center' });
      ribbon?.focus({ preventScroll: true });
    }}
  >
    {children}
  </button>
);

function NewPlace({ ground, inHand: { place, setOpen } }: { ground: StoredGround; inHand: ReadInHand }) {
  const show = useShow();
  const words = GROUND_WORDS[ground.kind];
  return (
    place && (
      <>
        <OnRibbon>{place.name ?? 'A new place'}</OnRibbon>
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
        <OnRibbon>{pickedSpot.name}</OnRibbon>
        <span className="min-w-0 grow basis-48 text-ink-2 max-sm:truncate">
          {pickedSpot.kind}, {show.distance(pickedSpot.distance_m)} {words.along}, {words.banks[pickedSpot.bank]}
          {pickedSpot.note && `. ${pickedSpot.note}`}
        </span>
        <div className="flex gap-2 max-sm:w-full">
          <Button className="px-3!" onClick={() => setOpen({ what: 'spot' })}>
            Change
          </Button>
          <BlankHere ground={ground} spot={pickedSpot} />
          <Link
            className="inline-flex min-h-12 shrink-0 items-center justify-center bg-ink px-3.5 font-semibold text-paper max-sm:grow"
            to={`/g/${ground.id}/sample?spot=${pickedSpot.id}`}
          >
            Sample here
          </Link>
        </div>
      </>
    )
  );
}
