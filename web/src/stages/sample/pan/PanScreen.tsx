import { type ColorClass, bestSpot, countColors, effectiveColors, handsForSizes } from '@riffle/core';
import type { StoredLot } from '@riffle/contract';
import { useDeferredValue, useMemo, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { Link } from '../../../ui/Link.tsx';
import { plural } from '../../../ui/plural.ts';
import { toast } from '../../../ui/toast.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { ClosedFirst } from '../../../ground/ClosedToday.tsx';
import { GROUND_WORDS } from '../../../ground/groundWords.ts';
import { SpotSelect } from '../../../ground/SpotSelect.tsx';
import { NextLine } from '../../../reading/NextLine.tsx';
import { useLateRanking } from '../../../reading/useLateRanking.ts';
import { useReading } from '../../../reading/useReading.ts';
import { useKeep } from '../../../records/useKeep.ts';
import { Ribbon } from '../../../ribbon/Ribbon.tsx';
import { useGround, usePicked } from '../../../shell/useGround.ts';
import { useKeys } from '../../../shell/useKeys.ts';
import { useShow } from '../../../units/useShow.ts';
import { Button } from '../../../ui/Button.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { ClassSteppers } from './ClassSteppers.tsx';
import { Dug } from './Dug.tsx';
import { useSizeWords } from '../hands/useSizeWords.ts';
import { Neighbors } from './Neighbors.tsx';
import { SaidCount } from './SaidCount.tsx';
import { Needs } from '../../../shell/Needs.tsx';
import { SampleList } from './SampleList.tsx';
import { SayBefore } from './SayBefore.tsx';
import type { SampleDraft } from './readSample.ts';
import { SampleVerdict } from './SampleVerdict.tsx';
import { SizePan } from './SizePan.tsx';
import { useIsPhone } from '../../../ui/useIsPhone.ts';
import { usualPanWords } from '../../../pan/usualPan.ts';
import { useSampleDraft } from './useSampleDraft.ts';

/** A pan of the bag in the address, or of no bag; each keeps its own draft. */
export function PanScreen() {
  const { ground } = useGround();
  const bagId = useSearchParams()[0].get('bag');
  const lots = useRecords('lots', ground.id);
  const lot = lots.items.find((l) => l.id === bagId);
  // The bag is read before its pan is begun: its volume and layer stand in the fields.
  if (bagId && !lot && lots.state === 'arriving') return null;
  return <Pan key={lot?.id ?? ''} lot={lot} />;
}

/** A pan written down: where, how deep, how much, how many colors of which size. The answer stands on top while you count. */
function Pan({ lot }: { lot: StoredLot | undefined }) {
  const { ground, spots } = useGround();
  const { picked: inAddress, pick } = usePicked();
  const picked = lot?.spotId ?? inAddress;
  const [search, setSearch] = useSearchParams();
  const onWalk = search.has('walk');
  const navigate = useNavigate();
  const pits = useRecords('pits', ground.id).items;
  const seedings = useRecords('seedings').items;
  const samples = useRecords('samples', ground.id).items;
  const { words } = useSizeWords();
  const reading = useReading(ground);
  const { colors, grades } = reading;
  const { weights_mg } = colors;
  const ranking = useLateRanking(reading, spots);
  const spot = spots.find((s) => s.id === picked);
  const before = useMemo(() => samples.filter((s) => s.spotId === spot?.id), [samples, spot?.id]);
  const riffle = (spot && ranking?.foretell(spot.id)) ?? null;
  const show = useShow();
  const { add } = useKeep('samples');
  const { change: changeBag } = useKeep('lots');
  const inHand = useSampleDraft(ground, samples, colors, pits, lot, show.display.system === 'US');
  const { draft, change } = inHand;
  const [tried, setTried] = useState(false);
  const [saidProblem, setSaidProblem] = useState<string | null>(null);
  const [weighing, setWeighing] = useState(draft.gold.text !== '');
  useKeys(
    useMemo(() => ({ n: () => document.querySelector<HTMLInputElement>('[data-first-field] input')?.focus() }), []),
  );
  const best = useMemo(() => {
    const top = bestSpot([...grades.values()].filter((g) => g.spotId !== picked));
    const name = spots.find((s) => s.id === top?.spotId)?.name;
    return top && name ? { name, grade: top.grade } : null;
  }, [grades, spots, picked]);
  // The color shows at the tap, what it says a frame later.
  const counted = useDeferredValue(inHand);
  // What was dug is drawn anew at once only where something was typed there.
  const dug = sameButColors(counted.draft, draft) ? counted : inHand;
  const hands = useMemo(() => {
    const { panner, way, counts } = counted.draft;
    return handsForSizes([{ panner: panner.trim(), way, counts }], seedings, weights_mg);
  }, [counted, seedings, weights_mg]);

  const setCount = (size: ColorClass, count: number): void =>
    change({ counts: { ...draft.counts, [size]: Math.max(0, count) } });
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
  const isPhone = useIsPhone();

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
      <ClosedFirst ground={ground}>
        <SampleVerdict
          spot={spot}
          inHand={counted}
          hands={hands}
          effective={effectiveColors(counted.draft.counts, weights_mg, { spread: counted.draft.gold.text !== '' })}
          best={best}
        />
      </ClosedFirst>
      {/* Between two pans: what to take next. Its room is kept while it is worked out, and while a pan is counted: nothing moves under the finger. */}
      {!lot && ranking?.ranked.length !== 0 && (
        <div
          className={`min-h-[2lh] text-ink-2 sm:min-h-[1lh] ${countColors(counted.draft.counts) > 0 ? 'invisible' : ''}`}
        >
          <NextLine groundId={ground.id} ranking={ranking} />
        </div>
      )}
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
          <SizePan
            counts={draft.counts}
            blackSand={draft.blackSand}
            onAdd={(size) => setCount(size, draft.counts[size] + 1)}
          />
          <div className="mt-3">
            <ClassSteppers counts={draft.counts} weights_mg={weights_mg} words={words} onSet={setCount} />
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
        <div className="order-3 flex flex-col gap-5 lg:order-none">
          <Block title="Against its neighbors">
            <Neighbors spots={spots} grades={grades} spot={spot} now={counted.grade} />
          </Block>
          {spot && (
            <Block title={`Before, at ${spot.name}`}>
              <Needs kinds={['samples']}>
                <SampleList samples={before} spots={spots} pits={pits} />
              </Needs>
            </Block>
          )}
        </div>
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

/** Of two drafts of one pan, the colors may differ. */
const sameButColors = (a: SampleDraft, b: SampleDraft): boolean =>
  (Object.keys(b) as (keyof SampleDraft)[]).every((key) => key === 'counts' || a[key] === b[key]);

/** What stands in the fields below the pan, in a few words. */
const dugWords = ({ depth, volume, state, way, panner }: SampleDraft): string =>
  depth.text.trim() === '' || volume.text.trim() === ''
    ? 'say how deep and how much'
    : usualPanWords({ depth, volume, state, way, panner });
