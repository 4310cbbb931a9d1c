import type { StoredSign } from '@riffle/contract';
import type { GuessedSign } from '@riffle/core';
import { memo, Suspense, useRef, useState } from 'react';
import { GROUND_WORDS } from '../ground/groundWords.ts';
import { late } from '../ui/late.ts';
import { useOpened } from '../ui/useSeen.ts';
import { useWidth } from '../ui/useWidth.ts';
import type { Strip } from './outlineStrips.ts';
import { placeAt, type RibbonPlace } from './placeAt.ts';
import { RibbonHead, type Layer } from './RibbonHead.tsx';
import { useRibbonDrag, useRibbonKeys, useRibbonWheel } from './useRibbonHands.ts';
import { useRibbonSight, type Draw, type RibbonGround } from './useRibbonSight.ts';
import { useRibbonView } from './useRibbonView.ts';

// It comes after the first words, in the room kept for it.
const RibbonDrawing = late(async () => (await import('./RibbonDrawing.tsx')).RibbonDrawing);

/** What a ribbon shows where nothing is said of it. */
const NOTHING_MORE = {
  signs: [] as readonly StoredSign[],
  strips: [] as readonly Strip[],
  draws: [] as readonly Draw[],
  guesses: [] as readonly GuessedSign[],
  stops: null,
  thin: false,
} as const;

type MayBeLeftOut = keyof typeof NOTHING_MORE;

interface RibbonProps extends Omit<RibbonGround, MayBeLeftOut>, Partial<Pick<RibbonGround, MayBeLeftOut>> {
  readonly onPick: (spotId: string) => void;
  /** Called with a place where the ribbon was tapped beside any spot. */
  readonly onPlace?: (place: RibbonPlace) => void;
  /** A place marked but not kept yet. */
  readonly marked?: RibbonPlace | null;
  /** Opens a draw's own ribbon. */
  readonly onDraw?: (groundId: string) => void;
}

/** A tap so near a spot, or a draw's mouth, is meant for it, px. */
const SPOT_REACH_PX = 24;
const DRAW_REACH_PX = 30;

/**
 * The creek walked as a line: distance upstream along it, water from left to right, left bank above.
 * A listbox of spots: arrow keys walk from spot to spot, + and - zoom, 0 shows all.
 */
export const Ribbon = memo(function Ribbon({ onPick, onPlace, marked = null, onDraw, ...said }: RibbonProps) {
  const shown: RibbonGround = { ...NOTHING_MORE, ...said };
  const { ground, spots, picked, thin } = shown;
  const [attach, width] = useWidth();
  const opened = useOpened();
  const view = useRibbonView(ground.length_m);
  const svg = useRef<SVGSVGElement>(null);
  const [hidden, setHidden] = useState<ReadonlySet<Layer>>(() => new Set());
  const sight = useRibbonSight(shown, view, width, hidden);
  const { frame, scale, reach, from_m, to_m } = sight;

  const onTap = (px: number, py: number): void => {
    const { x } = scale;
    // A draw's name, or its mouth beyond the bank, opens the draw.
    const draw = sight.drawsInSight.find(
      (d) =>
        Math.abs(x(d.distance_m) - px) < DRAW_REACH_PX &&
        (d.bank === 'left' ? py < frame.bandTop - 3 : py > frame.belowBand + 3 && py < frame.axisY - 4),
    );
    if (onDraw && draw) {
      onDraw(draw.id);
      return;
    }
    const near = sight.inSight
      .map((s) => ({
        s,
        far: Math.hypot(x(s.distance_m) - px, (py > frame.axisY ? 0 : reach ? 1 : 0.5) * (sight.across(s) - py)),
      }))
      .sort((a, b) => a.far - b.far)[0];
    if (near && near.far < SPOT_REACH_PX) onPick(near.s.id);
    else if (onPlace && py < frame.axisY) onPlace(placeAt(px, py, frame, scale, ground, reach));
  };
  useRibbonWheel(svg, view, scale);
  const drag = useRibbonDrag(view, scale, onTap);
  const onKeyDown = useRibbonKeys(view, sight.ordered, picked, onPick);

  const pickedSpot = spots.find((s) => s.id === picked);
  // What is picked in a list or on the map comes into sight here.
  const [shownPick, setShownPick] = useState(picked);
  if (shownPick !== picked) {
    setShownPick(picked);
    if (pickedSpot && (pickedSpot.distance_m < from_m || pickedSpot.distance_m > to_m))
      view.pan(pickedSpot.distance_m - (from_m + to_m) / 2);
  }
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
        aria-label={`${ground.name}, straightened: ${spots.length} spots by distance ${GROUND_WORDS[ground.kind].axis}`}
        aria-activedescendant={picked ? `spot-${picked}` : undefined}
        onKeyDown={onKeyDown}
        {...drag}
      >
        {opened && (
          <Suspense>
            <RibbonDrawing shown={shown} sight={sight} marked={marked} />
          </Suspense>
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
