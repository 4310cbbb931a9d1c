import { Suspense } from 'react';
import { GROUND_WORDS } from '../ground/groundWords.ts';
import { late } from '../ui/late.ts';
import { useSeen } from '../ui/useSeen.ts';
import { useShow } from '../units/useShow.ts';
import { bandLevels, placeAcross, signAcross } from './across.ts';
import { CreekBand } from './CreekBand.tsx';
import type { RibbonPlace } from './placeAt.ts';
import { RibbonAxis } from './RibbonAxis.tsx';
import { nameY } from './ribbonFrame.ts';
import { MarkedPlace, PickedStripe, SpotMark } from './SpotMarks.tsx';
import { labelWeight, type RibbonGround, type RibbonSight } from './useRibbonSight.ts';

// They come with the ranking, a moment after the first sight.
const Signs = late(async () => (await import('./Signs.tsx')).Signs);
const Strips = late(async () => (await import('./Strips.tsx')).Strips);
const TideMarks = late(async () => (await import('./TideMarks.tsx')).default);
const BroadGrid = late(async () => (await import('./BroadGrid.tsx')).default);
const BroadNames = late(async () => (await import('./BroadNames.tsx')).default);
const ClaimMarks = late(async () => (await import('./ClaimMarks.tsx')).default);
const GradeLane = late(async () => (await import('./GradeLane.tsx')).GradeLane);
const BedLane = late(async () => (await import('./BedLane.tsx')).BedLane);
const DrawMouth = late(async () => (await import('./DrawMouth.tsx')).DrawMouth);
const GuessMarks = late(async () => (await import('./GuessMarks.tsx')).default);
const StopsShade = late(async () => (await import('./StopsShade.tsx')).default);
const BankWords = late(async () => (await import('./BankWords.tsx')).default);

interface DrawingProps {
  readonly shown: RibbonGround;
  readonly sight: RibbonSight;
  /** A place marked but not kept yet. */
  readonly marked: RibbonPlace | null;
}

/** All that stands on a ribbon, from the water up to what is marked on it. */
export function RibbonDrawing({ shown, sight, marked }: DrawingProps) {
  return (
    <>
      <Water shown={shown} sight={sight} />
      <Lanes shown={shown} sight={sight} />
      <Marks shown={shown} sight={sight} />
      {marked && <MarkedPlace x={sight.scale.x(marked.distance_m)} y={sight.across(marked)} />}
    </>
  );
}

type PartProps = Omit<DrawingProps, 'marked'>;

/** The creek between its banks, or broad ground, with what joins it and what was drawn on the map. */
function Water({ shown: { ground, spots, strips, picked, thin }, sight }: PartProps) {
  const show = useShow();
  const { shape, reach, frame, scale, from_m, to_m, drawsInSight, labels } = sight;
  const { left, right, bandTop, bandHeight } = frame;
  const { x } = scale;
  const band = { shape, from_m, to_m, x, top: bandTop, height: bandHeight };
  const length = (m: number): string => show.length(m);
  const pickedSpot = spots.find((s) => s.id === picked);
  return (
    <>
      {pickedSpot && <PickedStripe x={x(pickedSpot.distance_m)} frame={frame} />}
      {reach ? (
        <Suspense>
          <BroadGrid reach={reach} frame={frame} scale={scale} feet={show.display.system === 'US'} />
        </Suspense>
      ) : (
        <CreekBand {...band} />
      )}
      {!thin && strips.length > 0 && (
        <Suspense>
          <Strips strips={strips} {...band} say={length} />
        </Suspense>
      )}
      <Suspense>
        {drawsInSight.map((d) => (
          <DrawMouth
            key={d.id}
            x={x(d.distance_m)}
            levels={bandLevels(shape, bandTop, bandHeight, d.distance_m)}
            bank={d.bank}
            reach={d.bank === 'left' ? frame.roomAbove + 8 : frame.roomBelow + 14}
            label={labels.get(d.id)}
            y={nameY(frame, d.bank === 'right')}
          />
        ))}
      </Suspense>
      {!thin && ground.tide && (
        <Suspense>
          <TideMarks tide={ground.tide} left={left} right={right} top={bandTop} height={bandHeight} say={length} />
        </Suspense>
      )}
      {!reach && (
        <Suspense>
          <BankWords kind={ground.kind} frame={frame} />
        </Suspense>
      )}
    </>
  );
}

/** What stands below the band by distance: grades, the bed, the scale. */
function Lanes({ shown: { ground, grades, stops, picked }, sight }: PartProps) {
  const show = useShow();
  const { shape, frame, scale, inSight, hasLanes } = sight;
  return (
    <>
      {hasLanes && stops && (
        <Suspense>
          <StopsShade stops={stops} frame={frame} scale={scale} />
        </Suspense>
      )}
      {hasLanes && (
        <Suspense>
          <GradeLane
            spots={inSight}
            grades={grades}
            x={scale.x}
            left={frame.left}
            right={frame.right}
            top={frame.laneTop}
            height={frame.laneHeight}
            picked={picked}
            showGrade={(g) => show.figure('grade', g)}
          />
        </Suspense>
      )}
      {frame.hasBed && shape.heights_m && (
        <Suspense>
          <BedLane
            heights_m={shape.heights_m}
            length_m={ground.length_m}
            scale={scale}
            top={frame.bedTop}
            height={26}
            forms={ground.profile}
          />
        </Suspense>
      )}
      <RibbonAxis
        frame={frame}
        scale={scale}
        feet={show.display.system === 'US'}
        says={GROUND_WORDS[ground.kind].axis}
      />
    </>
  );
}

/** What was seen, guessed and marked on the ground. */
function Marks({ shown: { ground, grades, picked, thin }, sight }: PartProps) {
  const show = useShow();
  const seen = useSeen();
  const words = GROUND_WORDS[ground.kind];
  const { shape, reach, frame, scale, inSight, signs, guesses, labels, across, hasLanes, hasDiscs, most_mg_L } = sight;
  const { x } = scale;
  const { bandTop, bandHeight } = frame;
  return (
    <>
      {guesses.length > 0 && (
        <Suspense>
          <GuessMarks guesses={guesses} x={x} y={across} />
        </Suspense>
      )}
      {!thin && signs.length > 0 && (
        <Suspense>
          <Signs signs={signs} scale={scale} y={(s) => signAcross(shape, bandTop, bandHeight, s)} />
        </Suspense>
      )}
      {inSight.map((s) => (
        <SpotMark
          key={s.id}
          spot={s}
          x={x(s.distance_m)}
          y={across(s)}
          frame={frame}
          found={hasDiscs ? grades.get(s.id) : undefined}
          picked={s.id === picked}
          linked={hasLanes && grades.has(s.id)}
          label={labels.get(s.id)}
          most_mg_L={most_mg_L}
          says={`${s.name}, ${show.distance(s.distance_m)} ${words.along}, ${words.banks[s.bank]}`}
        />
      ))}
      {reach && (
        <Suspense>
          <BroadNames
            spots={inSight}
            grades={grades}
            weight={(s) => (s.id === picked ? Infinity : labelWeight(grades.get(s.id)))}
            picked={picked}
            x={x}
            y={across}
            right={frame.right}
          />
        </Suspense>
      )}
      {!thin && seen && (
        <Suspense>
          <ClaimMarks
            ground={ground}
            frame={frame}
            scale={scale}
            middle={(d) => placeAcross(shape, bandTop, bandHeight, { distance_m: d, bank: 'mid', offset_m: 0 })}
          />
        </Suspense>
      )}
    </>
  );
}
