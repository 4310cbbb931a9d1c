import { lazy, Suspense, useCallback, useEffect, useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { centreLine, type GatheredPlace } from '@riffle/core';
import { useRecords } from '../../records/useRecords.ts';
import { ClosedToday } from '../../ground/ClosedToday.tsx';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import { LinePlan } from '../../ground/LinePlan.tsx';
import { Ribbon, type RibbonPlace } from '../../ribbon/Ribbon.tsx';
import { outlineStrips } from '../../ribbon/outlineStrips.ts';
import { bestSpot, spotGrades } from '../../ribbon/spotGrades.ts';
import { useGround, usePicked } from '../../shell/useGround.ts';
import { useKeys } from '../../shell/useKeys.ts';
import { usePreferences } from '../../preferences/preferences.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { ReadJudgement } from './ReadJudgement.tsx';
import { riverNow, underWater } from '../../reading/riverNow.ts';
import { OutOfReach, RiverLine } from './River.tsx';
import { SignList } from './SignList.tsx';
import { SpotTable } from './SpotTable.tsx';
import { TraceChart } from './TraceChart.tsx';
import { TraceWords } from './TraceWords.tsx';
import { useRanking } from '../../reading/useRanking.ts';
import { useTrace, useTrail, useTried } from '../../reading/useTrace.ts';
import { inTen } from '../../reading/inTen.ts';
import { WorthAPan } from './WorthAPan.tsx';

const PlanMap = lazy(() => import('../../map/PlanMap.tsx'));
// Sheets come once the page stands; until then nothing on it waits for them.
const sheets = {
  sign: () => import('./SignSheet.tsx'),
  spot: () => import('./SpotSheet.tsx'),
  ground: () => import('./GroundSheet.tsx'),
  river: () => import('./RiverSheet.tsx'),
  rules: () => import('./RulesSheet.tsx'),
};
const SignSheet = lazy(async () => ({ default: (await sheets.sign()).SignSheet }));
const SpotSheet = lazy(async () => ({ default: (await sheets.spot()).SpotSheet }));
const GroundSheet = lazy(async () => ({ default: (await sheets.ground()).GroundSheet }));
const RiverSheet = lazy(async () => ({ default: (await sheets.river()).RiverSheet }));
const RulesSheet = lazy(async () => ({ default: (await sheets.rules()).RulesSheet }));
const MAP_OPEN = 'riffle-map-open';

const several = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`;

type Open =
  | { readonly what: 'ground' | 'river' | 'rules' | 'new spot' | 'spot' | 'new sign' }
  | { readonly what: 'sign'; readonly id: string };

/** The ground on its ribbon: what was seen, what the pans said, where to pan next and why. */
export function ReadScreen() {
  const { ground, spots } = useGround();
  const { picked, pick } = usePicked();
  const { preferences } = usePreferences();
  const samples = useRecords('samples', ground.id).items;
  const signs = useRecords('signs', ground.id).items;
  const grades = useMemo(() => spotGrades(samples, ground.swell_percent), [samples, ground.swell_percent]);
  const readings = useRecords('gauge-readings', ground.id).items;
  const tried = useTried(ground, spots, samples);
  const trace = useTrace(tried);
  const river = useMemo(() => riverNow(readings), [readings]);
  const all = useRanking(
    spots,
    signs,
    samples,
    grades,
    preferences,
    river?.flood?.readAt ?? null,
    useTrail(trace, signs),
  );
  // What the river covers today is no place to send anyone.
  const ranking = useMemo(
    () => ({
      ...all,
      ranked: all.ranked.filter(
        (r) =>
          !underWater(
            spots.find((s) => s.id === r.place.spotId),
            river,
            new Date(),
          ),
      ),
    }),
    [all, spots, river],
  );
  const show = useShow();
  const [place, setPlace] = useState<(RibbonPlace & { readonly name?: string }) | null>(null);
  const [open, setOpen] = useState<Open | null>(null);
  const [mapOpen, setMapOpen] = useState(() => localStorage.getItem(MAP_OPEN) === 'yes');
  const outlines = useRecords('outlines', ground.id).items;
  const strips = useMemo(() => outlineStrips(ground, outlines), [ground, outlines]);
  const navigate = useNavigate();
  const grounds = useRecords('grounds').items;
  const draws = useMemo(
    () =>
      grounds.flatMap((g) =>
        g.joins?.groundId === ground.id
          ? [{ id: g.id, name: g.name, ...g.joins }].map(({ groundId: _into, ...d }) => d)
          : [],
      ),
    [grounds, ground.id],
  );
  const into = ground.joins && grounds.find((g) => g.id === ground.joins?.groundId);
  const pickedSpot = spots.find((s) => s.id === picked);
  const words = GROUND_WORDS[ground.kind];

  // Where one stands, as far as the screen knows: the place marked last, the picked spot, the middle of the ground.
  const here: RibbonPlace =
    place ??
    (pickedSpot
      ? { distance_m: pickedSpot.distance_m, bank: pickedSpot.bank, offset_m: pickedSpot.offset_m }
      : { distance_m: Math.round(ground.length_m / 2), bank: 'mid', offset_m: 0 });
  useKeys(
    useMemo(
      () => ({
        n: () => {
          setPlace(null);
          setOpen({ what: 'new spot' });
        },
        s: () => setOpen({ what: 'new sign' }),
      }),
      [],
    ),
  );
  const openSignById = useCallback((id: string) => setOpen({ what: 'sign', id }), []);
  const placeOnMap = (at: [number, number]): void => {
    if (!ground.line) return;
    const there = centreLine(ground.line).locate(at);
    pick(null);
    setPlace({ distance_m: Math.round(there.distance_m), bank: there.bank, offset_m: Math.round(there.offset_m) });
  };
  const showMap = (shown: boolean): void => {
    localStorage.setItem(MAP_OPEN, shown ? 'yes' : 'no');
    setMapOpen(shown);
  };
  useEffect(() => {
    const timer = setTimeout(() => Object.values(sheets).forEach((load) => void load()), 1500);
    return () => clearTimeout(timer);
  }, []);
  const close = (): void => {
    setOpen(null);
    setPlace(null);
  };
  const showPlace = (p: GatheredPlace): void => {
    if (p.spotId !== null) {
      setPlace(null);
      pick(p.spotId);
    } else {
      pick(null);
      setPlace({ distance_m: p.distance_m, bank: p.bank, offset_m: p.bank === 'mid' ? 0 : 6, name: p.name });
    }
  };
  const positioned = spots.filter((s) => s.position);
  const goldIds = useMemo(
    () => new Set([...grades.values()].filter((g) => g.grade.kind === 'band').map((g) => g.spotId)),
    [grades],
  );
  const openSign = open?.what === 'sign' ? signs.find((s) => s.id === open.id) : undefined;

  return (
    <div className="flex flex-col gap-3.5">
      <header className="flex flex-wrap items-baseline justify-between gap-x-6 border-b border-rule pb-2">
        <span className="flex items-center gap-5">
          <span className="hidden font-serif text-[18px] font-semibold sm:inline">{ground.name}</span>
          {(ground.kind === 'creek' || readings.length > 0) && (
            <RiverLine readings={readings} onOpen={() => setOpen({ what: 'river' })} />
          )}
        </span>
        <span className="flex items-baseline gap-4 text-ink-2">
          <span>
            {several(spots.length, 'spot')}, {several(samples.length, 'sample')}, {several(signs.length, 'sign')}
          </span>
          <button
            type="button"
            className="whitespace-nowrap underline decoration-rule underline-offset-4 max-sm:min-h-11"
            onClick={() => setOpen({ what: 'ground' })}
          >
            about it
          </button>
        </span>
      </header>
      <ReadJudgement ground={ground} spots={spots} grades={grades} best={bestSpot(grades.values())} ranking={ranking} />
      <ClosedToday ground={ground} />
      <OutOfReach readings={readings} spots={spots} />
      <Ribbon
        ground={ground}
        spots={spots}
        grades={grades}
        signs={signs}
        picked={picked}
        onPick={(id) => {
          setPlace(null);
          pick(id);
        }}
        marked={place}
        onPlace={(at) => {
          setPlace(at);
          setOpen({ what: 'new spot' });
        }}
        strips={strips}
        draws={draws}
        onDraw={(id) => void navigate(`/g/${id}/read`)}
        stops={
          trace.kind === 'break' && trace.certainty > 0.4
            ? { from_m: trace.below.distance_m, to_m: trace.above.distance_m }
            : null
        }
      />
      {(draws.length > 0 || into) && (
        <p className="text-[13.5px] text-ink-2">
          {into && ground.joins && (
            <>
              Runs into{' '}
              <Link className="text-ink underline underline-offset-4" to={`/g/${into.id}/read`}>
                {into.name}
              </Link>{' '}
              at {show.distance(ground.joins.distance_m)}, {GROUND_WORDS[into.kind].banks[ground.joins.bank]}.{' '}
            </>
          )}
          {draws.length > 0 && (
            <>
              Draws that join:{' '}
              {draws.map((d, i) => (
                <span key={d.id}>
                  {i > 0 && ', '}
                  <Link className="text-ink underline underline-offset-4" to={`/g/${d.id}/read`}>
                    {d.name}
                  </Link>{' '}
                  at {show.distance(d.distance_m)}
                </span>
              ))}
              .
            </>
          )}
        </p>
      )}
      <div className="flex flex-wrap items-center gap-3">
        {place && open === null ? (
          <>
            <span className="font-serif text-[18px] font-semibold">{place.name ?? 'A new place'}</span>
            <span className="grow text-ink-2">
              {show.distance(place.distance_m)} {words.along}, {words.banks[place.bank]}; no spot yet
            </span>
            <Button look="main" onClick={() => setOpen({ what: 'new spot' })}>
              Mark it as a spot
            </Button>
          </>
        ) : pickedSpot ? (
          <>
            <span className="font-serif text-[18px] font-semibold">{pickedSpot.name}</span>
            <span className="text-ink-2">
              {pickedSpot.kind}, {show.distance(pickedSpot.distance_m)} {words.along}, {words.banks[pickedSpot.bank]}
              {pickedSpot.note && `. ${pickedSpot.note}`}
            </span>
            <span className="grow" />
            <Button onClick={() => setOpen({ what: 'spot' })}>Change</Button>
            <Link
              className="inline-flex min-h-11 items-center bg-ink px-4 font-semibold text-paper"
              to={`/g/${ground.id}/sample?spot=${pickedSpot.id}`}
            >
              Sample here
            </Link>
          </>
        ) : (
          <span className="grow text-ink-2">Pick a spot on the ribbon, or tap beside one to mark a new place.</span>
        )}
        <Button onClick={() => setOpen({ what: 'new sign' })}>Add a sign</Button>
        <Button onClick={() => setOpen({ what: 'new spot' })}>New spot</Button>
      </div>
      {mapOpen && (
        <Block
          title="Map"
          aside={
            <>
              north up; drawn on this device, nothing is fetched{' '}
              <button
                type="button"
                className="underline decoration-rule underline-offset-4"
                onClick={() => showMap(false)}
              >
                close it
              </button>
            </>
          }
        >
          <Suspense fallback={<p className="h-[26rem] text-ink-2">Unfolding the map ...</p>}>
            <PlanMap
              ground={ground}
              spots={spots}
              signs={signs}
              outlines={outlines}
              gold={goldIds}
              picked={picked}
              onPick={(id) => {
                setPlace(null);
                pick(id);
              }}
              onSign={(id) => setOpen({ what: 'sign', id })}
              onPlace={placeOnMap}
            />
          </Suspense>
        </Block>
      )}
      <div className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,5fr)_minmax(0,8fr)]">
        {/* On a phone the ranking comes before the plan. */}
        <div className="flex min-w-0 flex-col gap-5 max-lg:order-last">
          {!mapOpen && !ground.line && <Button onClick={() => showMap(true)}>Open the map and draw the line</Button>}
          {!mapOpen && ground.line && (
            <Block
              title="In plan"
              aside={
                <button
                  type="button"
                  className="underline decoration-rule underline-offset-4"
                  onClick={() => showMap(true)}
                >
                  open the map: draw, measure
                </button>
              }
            >
              <LinePlan
                line={ground.line}
                spots={positioned}
                flow={ground.kind === 'beach' ? 'unknown' : 'against'}
                dry={ground.kind !== 'creek' && ground.kind !== 'beach'}
                picked={picked}
                onPick={pick}
                shape={0.55}
                gold={goldIds}
              />
            </Block>
          )}
          <Block title="The trail" aside="where colors and float come from">
            {tried.length > 2 && (ground.kind === 'creek' || ground.kind === 'wash') && (
              <TraceChart length_m={ground.length_m} trace={trace} tried={tried} spots={spots} signs={signs} />
            )}
            <TraceWords trace={trace} spots={spots} signs={signs} tried={tried} draws={draws} />
          </Block>
        </div>
        <Block
          title="Worth a pan"
          aside={
            <>
              any place {inTen(ranking.baseChance)}; from {show.grade(preferences.pays_mg_L)}, down to{' '}
              {show.length(preferences.reach_m)} of cover;{' '}
              <button
                type="button"
                className="underline decoration-rule underline-offset-4"
                onClick={() => setOpen({ what: 'rules' })}
              >
                change that
              </button>
            </>
          }
        >
          <WorthAPan ranking={ranking} picked={picked} onShow={showPlace} />
          {ranking.outOfReach.length > 0 && (
            <p className="mt-2 text-[13px] text-ink-2">
              Under too much cover for your tools:{' '}
              {ranking.outOfReach
                .map((p) => `${p.name} at ${show.distance(p.distance_m)} (${show.length(p.cover_m)})`)
                .join(', ')}
              .
            </p>
          )}
        </Block>
      </div>
      <div className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,5fr)_minmax(0,8fr)]">
        <Block title="Spots" aside="best-proven first">
          <SpotTable kind={ground.kind} spots={spots} grades={grades} picked={picked} onPick={pick} />
        </Block>
        <Block title="Signs" aside="to come back to first">
          <SignList signs={signs} onOpen={openSignById} />
        </Block>
      </div>
      <Suspense>
        {open?.what === 'ground' && <GroundSheet ground={ground} onClose={close} />}
        {open?.what === 'river' && <RiverSheet ground={ground} readings={readings} onClose={close} />}
        {open?.what === 'rules' && <RulesSheet onClose={() => setOpen(null)} />}
        {(open?.what === 'spot' || open?.what === 'new spot') && (
          <SpotSheet
            ground={ground}
            spot={open.what === 'spot' ? pickedSpot : undefined}
            place={open.what === 'spot' ? null : place}
            onClose={close}
            onKept={(id) => {
              close();
              pick(id);
            }}
          />
        )}
        {open?.what === 'new sign' && (
          <SignSheet
            ground={ground}
            sign={undefined}
            place={here}
            onClose={close}
            onMore={(id) => setOpen({ what: 'sign', id })}
          />
        )}
        {openSign && (
          <SignSheet ground={ground} sign={openSign} place={here} onClose={close} onMore={() => undefined} />
        )}
      </Suspense>
    </div>
  );
}
