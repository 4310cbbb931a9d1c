import type { StoredGround, StoredSpot } from '@riffle/contract';
import { Suspense, useMemo, useState } from 'react';
import { LinePlan } from '../../ground/LinePlan.tsx';
import { usePreferences } from '../../preferences/preferences.ts';
import { inTen } from '../../reading/inTen.ts';
import { Block } from '../../ui/Judgement.tsx';
import { Button } from '../../ui/Button.tsx';
import { useShow } from '../../units/useShow.ts';
import { GuessList } from './GuessList.tsx';
import { SignList } from './SignList.tsx';
import { SpotTable } from './SpotTable.tsx';
import { HowSure } from '../../sure/HowSure.tsx';
import { TraceChart } from './TraceChart.tsx';
import { TraceWords } from './TraceWords.tsx';
import type { ReadInHand } from './useReadScreen.ts';
import { WorthAPan } from './WorthAPan.tsx';
import { late } from '../../ui/late.ts';

const PlanMap = late(async () => (await import('../../map/PlanMap.tsx')).default);
const ShoreBlock = late(async () => (await import('./shore/ShoreBlock.tsx')).ShoreBlock);
const MAP_OPEN = 'riffle-map-open';
const isMapOpen = (): boolean => localStorage.getItem(MAP_OPEN) === 'yes';
// The largest code there is, where it was left open: on its way while what stands around it is drawn.
if (isMapOpen()) void PlanMap.soon();

interface RestProps {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  readonly inHand: ReadInHand;
}

/** What lies below the ribbon: the map or the plan, the trail, the ranking with its reasons, spots and signs as lists. */
export function ReadRest(props: RestProps) {
  const { ground, spots, inHand } = props;
  const [mapOpen, setMapOpen] = useState(isMapOpen);
  const showMap = (shown: boolean): void => {
    localStorage.setItem(MAP_OPEN, shown ? 'yes' : 'no');
    setMapOpen(shown);
  };
  const gold = useMemo(
    () => new Set([...inHand.grades.values()].filter((g) => g.grade.kind === 'band').map((g) => g.spotId)),
    [inHand.grades],
  );
  return (
    <>
      {/* No place of its own to wait in: come later, it would push down what stands below it. */}
      {ground.kind === 'beach' && <ShoreBlock ground={ground} spots={spots} inHand={inHand} />}
      {mapOpen && <Map {...props} gold={gold} onClose={() => showMap(false)} />}
      <div className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,5fr)_minmax(0,8fr)]">
        {/* On a phone the ranking comes before the plan. */}
        <div className="flex min-w-0 flex-col gap-5 max-lg:order-last">
          {!mapOpen && <Plan {...props} gold={gold} onMap={() => showMap(true)} />}
          <Trail {...props} />
        </div>
        <Ranking ground={ground} inHand={inHand} />
      </div>
      <div className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,5fr)_minmax(0,8fr)]">
        <Block title="Spots" aside="best-proven first">
          <SpotTable
            kind={ground.kind}
            spots={spots}
            grades={inHand.grades}
            picked={inHand.picked}
            onPick={inHand.pickSpot}
          />
        </Block>
        <Block title="Signs" aside="to come back to first">
          <SignList signs={inHand.signs} onOpen={inHand.openSign} />
        </Block>
        {inHand.ranking && inHand.ranking.guesses.length > 0 && (
          <Block title="Guessed, not seen" aside="by the line and its heights; is it there?" className="lg:col-start-2">
            <GuessList ground={ground} guesses={inHand.ranking.guesses} onShow={inHand.showGuess} />
          </Block>
        )}
      </div>
    </>
  );
}

const Aside = ({ onClick, children }: { onClick: () => void; children: string }) => (
  <button type="button" className="underline decoration-rule underline-offset-4" onClick={onClick}>
    {children}
  </button>
);

function Map({ ground, spots, inHand, gold, onClose }: RestProps & { gold: ReadonlySet<string>; onClose: () => void }) {
  return (
    <Block
      title="Map"
      aside={
        <>
          north up; drawn on this device, nothing is fetched <Aside onClick={onClose}>close it</Aside>
        </>
      }
    >
      <Suspense fallback={<p className="h-[26rem] text-ink-2">Unfolding the map ...</p>}>
        <PlanMap
          ground={ground}
          spots={spots}
          signs={inHand.signs}
          outlines={inHand.outlines}
          gold={gold}
          picked={inHand.picked}
          onPick={inHand.pickSpot}
          onSign={inHand.openSign}
          onPlace={inHand.markOnMap}
        />
      </Suspense>
    </Block>
  );
}

function Plan({ ground, spots, inHand, gold, onMap }: RestProps & { gold: ReadonlySet<string>; onMap: () => void }) {
  const positioned = useMemo(() => spots.filter((s) => s.position), [spots]);
  if (!ground.line) return <Button onClick={onMap}>Open the map and draw the line</Button>;
  return (
    <Block title="In plan" aside={<Aside onClick={onMap}>open the map: draw, measure</Aside>}>
      <LinePlan
        line={ground.line}
        spots={positioned}
        flow={ground.kind === 'beach' ? 'unknown' : 'against'}
        dry={ground.kind !== 'creek' && ground.kind !== 'beach'}
        picked={inHand.picked}
        onPick={inHand.pickSpot}
        shape={0.55}
        gold={gold}
      />
    </Block>
  );
}

function Trail({ ground, spots, inHand: { ranking, signs } }: RestProps) {
  if (!ranking) return <div />;
  const { trace, tried, mouths } = ranking;
  return (
    <Block title="The trail" aside="where colors and float come from">
      {tried.length > 2 && (ground.kind === 'creek' || ground.kind === 'wash') && (
        <TraceChart length_m={ground.length_m} trace={trace} tried={tried} spots={spots} signs={signs} />
      )}
      <TraceWords ground={ground} trace={trace} spots={spots} signs={signs} tried={tried} mouths={mouths} />
    </Block>
  );
}

function Ranking({ ground, inHand: { ranking, picked, showPlace, setOpen } }: Pick<RestProps, 'ground' | 'inHand'>) {
  const show = useShow();
  const { pays_mg_L, reach_m } = usePreferences().preferences;
  if (!ranking) return <div />;
  return (
    <Block
      title="Worth a pan"
      aside={
        <>
          any place {inTen(ranking.baseChance)}; from {show.grade(pays_mg_L)}, down to {show.length(reach_m)} of cover;{' '}
          <Aside onClick={() => setOpen({ what: 'rules' })}>change that</Aside>; <HowSure groundId={ground.id} />
        </>
      }
    >
      <WorthAPan ranked={ranking.untried} picked={picked} onShow={showPlace} />
      {ranking.proven.length > 0 && (
        <>
          <h3 className="mt-3 font-bold">To go back to: they showed gold</h3>
          <WorthAPan ranked={ranking.proven} picked={picked} onShow={showPlace} most={3} />
        </>
      )}
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
  );
}
