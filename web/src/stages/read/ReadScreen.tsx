import { Suspense } from 'react';
import { useNavigate } from 'react-router';
import { ClosedFirst } from '../../ground/ClosedToday.tsx';
import { Ribbon } from '../../ribbon/Ribbon.tsx';
import { Needs } from '../../shell/Needs.tsx';
import { useGround } from '../../shell/useGround.ts';
import { ReadHead } from './ReadHead.tsx';
import { ReadJudgement } from './ReadJudgement.tsx';
import { OutOfReach } from './OutOfReach.tsx';
import { Judgement } from '../../ui/Judgement.tsx';
import { useSeen } from '../../ui/useSeen.ts';
import { useReadScreen } from './useReadScreen.ts';
import { late } from '../../ui/late.ts';

// Below the fold: asked for and drawn after the first sight of the page.
const PickedLine = late(async () => (await import('./PickedLine.tsx')).PickedLine);
const ReadRest = late(async () => (await import('./ReadRest.tsx')).ReadRest);
const ReadSheets = late(async () => (await import('./ReadSheets.tsx')).ReadSheets);
/** A shore is drawn with its seams and storms: come later, they would push down what stands below it. */
const SHORE_NEEDS = ['pans', 'signs', 'pits', 'swell-readings'] as const;
/** A trail's end surer than this is drawn on the ribbon. Common practice, no source. */
const DRAWN_FROM = 0.4;

/** The ground on its ribbon: what was seen, what the pans said, where to pan next and why. */
export function ReadScreen() {
  const { ground, spots } = useGround();
  const inHand = useReadScreen(ground, spots);
  const { grades, readings } = inHand;
  const trace = inHand.ranking?.trace;
  const navigate = useNavigate();
  const seen = useSeen();
  return (
    <div className="flex flex-col gap-3.5">
      <ReadHead ground={ground} spots={spots} inHand={inHand} />
      <ClosedFirst ground={ground}>
        <Needs kinds={['pans', 'signs']} meanwhile={<Judgement waits>{'\u00a0'}</Judgement>}>
          <ReadJudgement
            ground={ground}
            spots={spots}
            grades={grades}
            told={inHand.told}
            ranking={inHand.ranking}
            anySigns={inHand.signs.length > 0}
          />
        </Needs>
      </ClosedFirst>
      <OutOfReach readings={readings} spots={spots} />
      <Ribbon
        ground={ground}
        spots={spots}
        grades={grades}
        signs={inHand.signs}
        picked={inHand.picked}
        onPick={inHand.pickSpot}
        marked={inHand.place}
        onPlace={inHand.mark}
        {...(inHand.ranking && { guesses: inHand.ranking.guesses })}
        strips={inHand.strips}
        draws={inHand.draws}
        onDraw={(id) => void navigate(`/g/${id}/read`)}
        stops={
          trace?.kind === 'break' && trace.certainty > DRAWN_FROM
            ? { from_m: trace.below.distance_m, to_m: trace.above.distance_m }
            : null
        }
      />
      <Suspense fallback={<div className="min-h-12" />}>
        <PickedLine ground={ground} inHand={inHand} />
      </Suspense>
      {seen && (
        <Suspense>
          <Needs kinds={ground.kind === 'beach' ? SHORE_NEEDS : ['pans', 'signs']} without="quiet">
            <ReadRest ground={ground} spots={spots} inHand={inHand} />
          </Needs>
          <ReadSheets ground={ground} inHand={inHand} />
        </Suspense>
      )}
    </div>
  );
}
