import type { StoredGround, StoredSign, StoredSpot } from '@riffle/contract';
import type { GuessedSign, SpotGrade } from '@riffle/core';
import { memo, Suspense, useMemo, useRef, useState } from 'react';
import { GROUND_WORDS } from '../ground/groundWords.ts';
import { useWidth } from '../ui/useWidth.ts';
import { useOpened, useSeen } from '../ui/useSeen.ts';
import { useShow } from '../units/useShow.ts';
import { bandLevels, isFloat, placeAcross, signAcross } from './across.ts';
import { CreekBand } from './CreekBand.tsx';
import { creekShape, reachOf } from './creekShape.ts';
import type { Strip } from './outlineStrips.ts';
import { placeAt, type RibbonPlace } from './placeAt.ts';
import { placeLabels } from './placeLabels.ts';
import { RibbonAxis } from './RibbonAxis.tsx';
import { nameY, ribbonFrame } from './ribbonFrame.ts';
import { RibbonHead, type Layer } from './RibbonHead.tsx';
import { ribbonScale } from './ribbonScale.ts';
import { MarkedPlace, PickedStripe, SpotMark } from './SpotMarks.tsx';
import { useRibbonDrag, useRibbonKeys, useRibbonWheel } from './useRibbonHands.ts';
import { useRibbonView } from './useRibbonView.ts';
import { late } from '../ui/late.ts';

/** A draw that joins here and has a ribbon of its own. */
export interface Draw {
  readonly id: string;
  readonly name: string;
  readonly distance_m: number;
  readonly bank: 'left' | 'right';
}
const NO_STRIPS: readonly Strip[] = [];
const NO_DRAWS: readonly Draw[] = [];
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
const NO_GUESSES: readonly GuessedSign[] = [];
const NO_SIGNS: readonly StoredSign[] = [];

interface RibbonProps {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  readonly grades: ReadonlyMap<string, SpotGrade>;
  readonly signs?: readonly StoredSign[];
  /** The stretch where colors stop, shaded through the grade lane. */
  readonly stops?: { readonly from_m: number; readonly to_m: number } | null;
  readonly picked: string | null;
  readonly onPick: (spotId: string) => void;
  /** Called with a place where the ribbon was tapped beside any spot. */
  readonly onPlace?: (place: RibbonPlace) => void;
  /** A place marked but not kept yet. */
  readonly marked?: RibbonPlace | null;
  /** Bars and benches drawn on the map. */
  readonly strips?: readonly Strip[];
  readonly draws?: readonly Draw[];
  /** Opens a draw's own ribbon. */
  readonly onDraw?: (groundId: string) => void;
  /** Signs guessed from the line, drawn apart. */
  readonly guesses?: readonly GuessedSign[];
  /** The thin ribbon: the creek and its discs, no lanes below. */
  readonly thin?: boolean;
}

/** Signs are drawn from this scale on; seen from farther they would lie on each other. */
const SIGNS_FROM_PX_PER_M = 0.4;
/** A tap so near a spot, or a draw's mouth, is meant for it, px. */
const SPOT_REACH_PX = 24;
const DRAW_REACH_PX = 30;

/**
 * The creek walked as a line: distance upstream along it, water from left to right, left bank above.
 * A listbox of spots: arrow keys walk from spot to spot, + and - zoom, 0 shows all.
 */
export const Ribbon = memo(function Ribbon({
  ground,
  spots,
  grades,
  signs = NO_SIGNS,
  stops = null,
  picked,
  onPick,
  onPlace,
  marked = null,
  strips = NO_STRIPS,
  draws = NO_DRAWS,
  onDraw,
  guesses = NO_GUESSES,
  thin = false,
}: RibbonProps) {
  const [attach, width] = useWidth();
  const show = useShow();
  const seen = useSeen();
  const opened = useOpened();
  const view = useRibbonView(ground.length_m);
  const words = GROUND_WORDS[ground.kind];
  const straight = useMemo(() => creekShape(ground), [ground]);
  // How far out the grid of broad ground reaches.
  const reach = useMemo(() => reachOf(ground.kind, [...spots, ...signs]), [ground.kind, spots, signs]);
  const shape = useMemo(() => ({ ...straight, reach }), [straight, reach]);
  const svg = useRef<SVGSVGElement>(null);
  const [hidden, setHidden] = useState<ReadonlySet<Layer>>(() => new Set());
  const frame = useMemo(
    () => ribbonFrame(width, thin, ground.kind, shape.heights_m !== null, strips),
    [width, thin, ground.kind, shape, strips],
  );
  const { left, right, bandTop, bandHeight } = frame;
  const { from_m, to_m } = view;
  const scale = useMemo(() => ribbonScale(from_m, to_m, left, right), [from_m, to_m, left, right]);
  const { x } = scale;

  const crowded = scale.px_per_m < SIGNS_FROM_PX_PER_M;
  const layered = useMemo(
    () =>
      signs
        // Float keeps its lane below the banks at any scale.
        .filter((s) => !(crowded && !isFloat(s)) && !hidden.has(isFloat(s) ? 'float' : 'signs'))
        .sort((a, b) => a.distance_m - b.distance_m),
    [signs, crowded, hidden],
  );
  const ordered = useMemo(() => [...spots].sort((a, b) => a.distance_m - b.distance_m), [spots]);
  const inSight = ordered.filter((s) => s.distance_m >= from_m - 1 && s.distance_m <= to_m + 1);
  const drawsInSight = draws.filter((d) => d.distance_m >= from_m && d.distance_m <= to_m);
  const across = (place: RibbonPlace): number => placeAcross(shape, bandTop, bandHeight, place);
  const labels = placeLabels(
    [
      ...drawsInSight.map((d) => nameWish(d, d.name, x, 1e6)),
      // On broad ground a name stands beside its disc.
      ...(reach
        ? []
        : inSight.map((s) => nameWish(s, s.name, x, s.id === picked ? Infinity : labelWeight(grades.get(s.id))))),
    ],
    left,
    right,
  );

  // On broad ground discs are as large as their grade beside the richest.
  const most_mg_L = reach ? Math.max(0.02, ...[...grades.values()].map(midOf)) : null;

  const onTap = (px: number, py: number): void => {
    // A draw's name, or its mouth beyond the bank, opens the draw.
    const draw = drawsInSight.find(
      (d) =>
        Math.abs(x(d.distance_m) - px) < DRAW_REACH_PX &&
        (d.bank === 'left' ? py < bandTop - 3 : py > frame.belowBand + 3 && py < frame.axisY - 4),
    );
    if (onDraw && draw) {
      onDraw(draw.id);
      return;
    }
    const near = inSight
      .map((s) => ({
        s,
        far: Math.hypot(x(s.distance_m) - px, (py > frame.axisY ? 0 : reach ? 1 : 0.5) * (across(s) - py)),
      }))
      .sort((a, b) => a.far - b.far)[0];
    if (near && near.far < SPOT_REACH_PX) onPick(near.s.id);
    else if (onPlace && py < frame.axisY) onPlace(placeAt(px, py, frame, scale, ground, reach));
  };
  useRibbonWheel(svg, view, scale);
  const drag = useRibbonDrag(view, scale, onTap);
  const onKeyDown = useRibbonKeys(view, ordered, picked, onPick);

  const pickedSpot = spots.find((s) => s.id === picked);
  // What is picked in a list or on the map comes into sight here.
  const [shown, setShown] = useState(picked);
  if (shown !== picked) {
    setShown(picked);
    if (pickedSpot && (pickedSpot.distance_m < from_m || pickedSpot.distance_m > to_m))
      view.pan(pickedSpot.distance_m - (from_m + to_m) / 2);
  }
  const band = { shape, from_m, to_m, x, top: bandTop, height: bandHeight };
  const lane = { x, left, right };
  const length = (m: number): string => show.length(m);
  const feet = show.display.system === 'US';
  const lanes = !thin && !reach && !hidden.has('grades');
  return (
    <div ref={attach} className="min-w-0">
      {!thin && (
        <RibbonHead
          view={view}
          around_m={pickedSpot?.distance_m}
          wide={frame.wide}
          hidden={hidden}
          onLayer={(layer) => setHidden((now) => toggled(now, layer))}
        />
      )}
      <svg
        ref={svg}
        width={width}
        height={frame.height}
        viewBox={`0 0 ${width} ${frame.height}`}
        // A layer of its own: what moves here does not make the page around it be painted again.
        className="block touch-pan-y will-change-transform select-none"
        role="listbox"
        tabIndex={0}
        aria-label={`${ground.name}, straightened: ${spots.length} spots by distance ${words.axis}`}
        aria-activedescendant={picked ? `spot-${picked}` : undefined}
        onKeyDown={onKeyDown}
        {...drag}
      >
        {opened && (
          <>
            {pickedSpot && <PickedStripe x={x(pickedSpot.distance_m)} frame={frame} />}
            {reach ? (
              <Suspense>
                <BroadGrid reach={reach} frame={frame} scale={scale} feet={feet} />
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
                <TideMarks
                  tide={ground.tide}
                  left={left}
                  right={right}
                  top={bandTop}
                  height={bandHeight}
                  say={length}
                />
              </Suspense>
            )}
            {!reach && (
              <Suspense>
                <BankWords kind={ground.kind} frame={frame} />
              </Suspense>
            )}
            {lanes && stops && (
              <Suspense>
                <StopsShade stops={stops} frame={frame} scale={scale} />
              </Suspense>
            )}
            {lanes && (
              <Suspense>
                <GradeLane
                  spots={inSight}
                  grades={grades}
                  {...lane}
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
                  {...lane}
                  top={frame.bedTop}
                  height={26}
                  forms={ground.profile}
                />
              </Suspense>
            )}
            <RibbonAxis frame={frame} scale={scale} feet={feet} says={words.axis} />
            {guesses.length > 0 && !hidden.has('signs') && (
              <Suspense>
                <GuessMarks
                  guesses={guesses.filter((g) => g.distance_m >= from_m && g.distance_m <= to_m)}
                  x={x}
                  y={across}
                />
              </Suspense>
            )}
            {!thin && layered.length > 0 && (
              <Suspense>
                <Signs signs={layered} scale={scale} y={(s) => signAcross(shape, bandTop, bandHeight, s)} />
              </Suspense>
            )}
            {inSight.map((s) => (
              <SpotMark
                key={s.id}
                spot={s}
                x={x(s.distance_m)}
                y={across(s)}
                frame={frame}
                found={thin || (reach && !hidden.has('grades')) ? grades.get(s.id) : undefined}
                picked={s.id === picked}
                linked={lanes && grades.has(s.id)}
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
                  right={right}
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
            {marked && <MarkedPlace x={x(marked.distance_m)} y={across(marked)} />}
          </>
        )}
      </svg>
    </div>
  );
});

function toggled<T>(set: ReadonlySet<T>, one: T): ReadonlySet<T> {
  const next = new Set(set);
  if (!next.delete(one)) next.add(one);
  return next;
}

/** A name that would stand above or below the band at its place. */
const nameWish = (
  { id, distance_m, bank }: { id: string; distance_m: number; bank: RibbonPlace['bank'] },
  text: string,
  x: (distance_m: number) => number,
  weight: number,
) => ({ id, x: x(distance_m), text, below: bank === 'right', weight });

const midOf = (g: SpotGrade): number => (g.grade.kind === 'band' ? g.grade.grade_mg_L : 0);

/** The richer the pans, the more a spot's name matters; a tried one before an untried. */
const labelWeight = (g: SpotGrade | undefined): number =>
  g?.grade.kind === 'band' ? 1 + g.grade.low_mg_L : g ? 0.5 : 0;
