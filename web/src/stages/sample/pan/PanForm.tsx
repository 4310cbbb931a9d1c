import type { StoredLot } from '@riffle/contract';
import { countColors, effectiveColors, handsForSizes } from '@riffle/core';
import { memo, useDeferredValue, useMemo, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { ClosedFirst } from '../../../ground/ClosedToday.tsx';
import { GROUND_WORDS } from '../../../ground/groundWords.ts';
import { SpotSelect } from '../../../ground/SpotSelect.tsx';
import { usualPanWords } from '../../../pan/usualPan.ts';
import { NextLine } from '../../../reading/NextLine.tsx';
import { useKeep } from '../../../records/useKeep.ts';
import { Ribbon } from '../../../ribbon/Ribbon.tsx';
import { Needs } from '../../../shell/Needs.tsx';
import { useKeys } from '../../../shell/useKeys.ts';
import { useShow } from '../../../units/useShow.ts';
import { Button } from '../../../ui/Button.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { Link } from '../../../ui/Link.tsx';
import { plural } from '../../../ui/plural.ts';
import { toast } from '../../../ui/toast.ts';
import { useIsPhone } from '../../../ui/useIsPhone.ts';
import { ClassSteppers } from './ClassSteppers.tsx';
import { Dug } from './Dug.tsx';
import { Neighbors } from './Neighbors.tsx';
import { SaidCount } from './SaidCount.tsx';
import { SampleList } from './SampleList.tsx';
import { SampleVerdict } from './SampleVerdict.tsx';
import { SayBefore } from './SayBefore.tsx';
import { SizePan } from './SizePan.tsx';
import type { SampleDraft } from './readSample.ts';
import type { PanBook } from './usePanBook.ts';
import { useSampleDraft, type SampleInHand } from './useSampleDraft.ts';

interface PanFormProps {
  readonly book: PanBook;
  readonly lot: StoredLot | undefined;
}

/** A pan written down: where, how deep, how much, how many colors of which size. The answer stands on top while you count. */
export function PanForm({ book, lot }: PanFormProps) {
  const { ground, spots, spot, picked, pick, before, pits, colors, grades, words, riffle } = book;
  const [search, setSearch] = useSearchParams();
  const onWalk = search.has('walk');
  const navigate = useNavigate();
  const show = useShow();
  const { add } = useKeep('samples');
  const { change: changeBag } = useKeep('lots');
  const inHand = useSampleDraft(book, lot, show.display.system === 'US');
  const { draft, change } = inHand;
  const [tried, setTried] = useState(false);
  const [saidProblem, setSaidProblem] = useState<string | null>(null);
  const [weighing, setWeighing] = useState(draft.gold.text !== '');
  const isPhone = useIsPhone();
  useKeys(
    useMemo(() => ({ n: () => document.querySelector<HTMLInputElement>('[data-first-field] input')?.focus() }), []),
  );
  // The color shows at the tap, what it says a frame later.
  const counted = useDeferredValue(inHand);
  // What was dug is drawn anew at once only where something was typed there.
  const dug = sameButColors(counted.draft, draft) ? counted : inHand;

  const keep = (): void => {
    setTried(true);
    const record = spot && inHand.record(spot.id, riffle);
    if (!record || saidProblem) return;
    add(record);
    if (lot) {
      changeBag(lot, { state: 'panned' });
      setSearch(
        (before) => {
          const after = new URLSearchParams(before);
          after.delete('bag');
          after.set('spot', spot.id);
          return after;
        },
        { replace: true },
      );
    }
    inHand.clear();
    setTried(false);
    setWeighing(false);
    if (onWalk) void navigate(`/g/${ground.id}/walk`);
    toast(`Kept: ${spot.name}, ${inHand.colors === 0 ? 'a blank' : plural(inHand.colors, 'color')}.`);
  };

  const spotSelect = useMemo(
    () => (
      <SpotSelect
        spots={spots}
        value={spot?.id}
        onPick={pick}
        problem={tried && !spot ? 'Say which spot this pan is from.' : null}
      />
    ),
    [spots, spot, pick, tried],
  );

  return (
    <div className="flex flex-col gap-4">
      <header className="flex flex-wrap items-baseline gap-x-4 border-b border-rule pb-2">
        <span className="hidden font-serif text-[18px] font-semibold sm:inline">{ground.name}</span>
        <span className="text-ink-2">
          {spot
            ? `${spot.name}, ${spot.kind}, ${show.distance(spot.distance_m)} ${GROUND_WORDS[ground.kind].along}`
            : 'no spot picked'}
        </span>
        {onWalk && (
          <Link to={`/g/${ground.id}/walk`} className="inline-flex min-h-11 items-center underline underline-offset-4">
            Back to the walk
          </Link>
        )}
      </header>
      <PanSaid book={book} inHand={counted} ofBag={lot !== undefined} />
      <form
        className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,17rem)_minmax(0,1fr)_minmax(0,22rem)]"
        onSubmit={(e) => {
          e.preventDefault();
          keep();
        }}
      >
        <Dug
          ground={ground}
          spot={spot}
          lot={lot}
          spotSelect={isPhone ? null : spotSelect}
          inHand={dug}
          samples={before}
          pits={pits}
          tried={tried}
          weighing={weighing}
          onWeigh={setWeighing}
        />
        <Block
          title="Colors in the pan"
          className="order-1 lg:order-none"
          aside={
            <SaidCount
              counts={draft.counts}
              words={words}
              problem={saidProblem}
              onProblem={setSaidProblem}
              onCounts={(counts) => change({ counts })}
            />
          }
        >
          {isPhone && !lot && spotSelect}
          {spot && <SayBefore inHand={inHand} spotId={spot.id} riffle={riffle} />}
          <SizePan counts={draft.counts} blackSand={draft.blackSand} onCount={inHand.count} />
          <div className="mt-3">
            <ClassSteppers counts={draft.counts} weights_mg={colors.weights_mg} words={words} onCount={inHand.count} />
          </div>
          {!isPhone && (
            <Button look="main" type="submit" className="mt-3 min-h-14 w-full text-[18px]">
              Keep this sample
            </Button>
          )}
          <p role="alert" className="min-h-5 text-[12.5px] text-danger">
            {tried &&
              (!spot || !inHand.record(spot.id) || saidProblem) &&
              '▲ Not kept yet: see the fields marked. What you typed stays.'}
          </p>
        </Block>
        <PanBeside book={book} inHand={counted} />
        {isPhone && (
          <div
            data-thumb=""
            className="sticky bottom-[58px] z-10 order-4 -mx-4 flex items-stretch gap-3 border-t-2 border-ink bg-paper px-4 py-2"
          >
            <a href="#dug" className="flex min-w-0 flex-1 flex-col justify-center text-[13px] leading-tight text-ink-2">
              {spot ? <b className="truncate text-ink">{spot.name}</b> : <b className="text-ink">no spot yet</b>}
              <span className="truncate underline underline-offset-2">{dugWords(draft)}</span>
            </a>
            <Button look="main" type="submit" className="min-h-14 flex-[1.6] text-[18px]">
              Keep this sample
            </Button>
          </div>
        )}
      </form>
      <Ribbon thin ground={ground} spots={spots} grades={grades} picked={picked} onPick={pick} />
    </div>
  );
}

/** What this pan says so far; between two pans, what to take next. */
const PanSaid = memo(function PanSaid({
  book: { ground, spot, seedings, colors, best, ranking },
  inHand,
  ofBag,
}: {
  readonly book: PanBook;
  readonly inHand: SampleInHand;
  readonly ofBag: boolean;
}) {
  const { weights_mg } = colors;
  const { panner, way, counts, gold } = inHand.draft;
  const hands = useMemo(
    () => handsForSizes([{ panner: panner.trim(), way, counts }], seedings, weights_mg),
    [panner, way, counts, seedings, weights_mg],
  );
  return (
    <>
      <ClosedFirst ground={ground}>
        <SampleVerdict
          spot={spot}
          inHand={inHand}
          hands={hands}
          effective={effectiveColors(counts, weights_mg, { spread: gold.text !== '' })}
          best={best}
        />
      </ClosedFirst>
      {/* Its room is kept while it is worked out, and while a pan is counted: nothing moves under the finger. */}
      {!ofBag && ranking?.ranked.length !== 0 && (
        <div className={`min-h-[2lh] text-ink-2 sm:min-h-[1lh] ${countColors(counts) > 0 ? 'invisible' : ''}`}>
          <NextLine groundId={ground.id} ranking={ranking} />
        </div>
      )}
    </>
  );
});

/** This pan between its neighbors, and what was panned at its spot before. */
const PanBeside = memo(function PanBeside({
  book: { spots, grades, spot, before, pits },
  inHand,
}: {
  readonly book: PanBook;
  readonly inHand: SampleInHand;
}) {
  return (
    <div className="order-3 flex flex-col gap-5 lg:order-none">
      <Block title="Against its neighbors">
        <Needs kinds={['pans', 'pits']} without="quiet">
          <Neighbors spots={spots} grades={grades} spot={spot} now={inHand.grade} />
        </Needs>
      </Block>
      {spot && (
        <Block title={`Before, at ${spot.name}`}>
          <Needs kinds={['samples']}>
            <SampleList samples={before} spots={spots} pits={pits} />
          </Needs>
        </Block>
      )}
    </div>
  );
});

/** Of two drafts of one pan, the colors may differ. */
const sameButColors = (a: SampleDraft, b: SampleDraft): boolean =>
  (Object.keys(b) as (keyof SampleDraft)[]).every((key) => key === 'counts' || a[key] === b[key]);

/** What stands in the fields below the pan, in a few words. */
const dugWords = ({ depth, volume, state, way, panner }: SampleDraft): string =>
  depth.text.trim() === '' || volume.text.trim() === ''
    ? 'say how deep and how much'
    : usualPanWords({ depth, volume, state, way, panner });
