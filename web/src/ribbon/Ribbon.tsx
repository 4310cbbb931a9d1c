import type { StoredGround, StoredSign, StoredSpot } from '@riffle/contract';
import { grouped, UNITS, type Bank, type SpotGrade } from '@riffle/core';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { stepAtLeast } from '../ui/roundStep.ts';
import { GROUND_WORDS } from '../ground/groundWords.ts';
import { useShow } from '../units/useShow.ts';
import { useWidth } from '../ui/useWidth.ts';
import { bandLevels, CreekBand, type BandLevels } from './CreekBand.tsx';
import { creekShape, type CreekShape } from './creekShape.ts';
import type { Strip } from './outlineStrips.ts';
import { SignMark } from './SignMarks.tsx';
import { STRIP_ROOM, Strips } from './Strips.tsx';
import { MANY_SIGNS, thinSigns } from './thinSigns.ts';
import { GradeLane } from './GradeLane.tsx';
import { placeLabels } from './placeLabels.ts';
import { useRibbonView, type RibbonView } from './useRibbonView.ts';

/** A place pointed at on the ribbon. */
export interface RibbonPlace {
  readonly distance_m: number;
  readonly bank: Bank;
  readonly offset_m: number;
}

/** A draw that joins here and has a ribbon of its own. */
export interface Draw {
  readonly id: string;
  readonly name: string;
  readonly distance_m: number;
  readonly bank: 'left' | 'right';
}
const LAYERS = ['signs', 'float', 'grades'] as const;
type Layer = (typeof LAYERS)[number];
const NO_STRIPS: readonly Strip[] = [];
const NO_DRAWS: readonly Draw[] = [];

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
  /** The thin ribbon: the creek and its discs, no lanes below. */
  readonly thin?: boolean;
}

/** Half the creek's usual width as drawn, to turn a tap on a bank into metres. Common practice, no source. */
const HALF_CREEK_M = 12;
/** Signs are drawn from this scale on. */
const SIGNS_FROM_PX_PER_M = 0.4;
const isFloat = (s: StoredSign): boolean => s.kind === 'float' || s.kind === 'stained float';

/**
 * The creek walked as a line: distance upstream along it, water from left to right, left bank above.
 * A listbox of spots: arrow keys walk from spot to spot, + and - zoom, 0 shows all.
 */
export function Ribbon({
  ground,
  spots,
  grades,
  signs = [],
  stops = null,
  picked,
  onPick,
  onPlace,
  marked = null,
  strips = NO_STRIPS,
  draws = NO_DRAWS,
  onDraw,
  thin = false,
}: RibbonProps) {
  const [attach, width] = useWidth();
  const show = useShow();
  const view = useRibbonView(ground.length_m);
  const words = GROUND_WORDS[ground.kind];
  const [above, below] = words.edges;
  const shape = useMemo(() => creekShape(ground), [ground]);
  const svg = useRef<SVGSVGElement>(null);
  // Where the arrow keys stand: a held key is quicker than the pick comes back.
  const walked = useRef(picked);
  // Picks of one's own come back one after another; a late one must not undo a later step.
  const asked = useRef<string[]>([]);
  useEffect(() => {
    const own = asked.current.indexOf(picked ?? '');
    asked.current = own >= 0 ? asked.current.slice(own + 1) : [];
    if (own < 0) walked.current = picked;
  }, [picked]);
  const press = useRef<{ x: number; from_m: number; moved: boolean } | null>(null);

  const [hidden, setHidden] = useState<ReadonlySet<Layer>>(() => new Set());
  const wide = width > 640;
  const roomAbove = !thin && strips.some((s) => s.kind === 'bench' && s.bank !== 'right') ? STRIP_ROOM : 0;
  const roomBelow = !thin && strips.some((s) => s.kind === 'bench' && s.bank === 'right') ? STRIP_ROOM : 0;
  const left = wide ? 40 : 8;
  const right = width - (wide ? 52 : 44);
  const bandTop = (thin ? 24 : wide ? 40 : 34) + roomAbove;
  const bandHeight = thin ? 54 : wide ? 96 : 84;
  const belowBand = bandTop + bandHeight;
  const axisY = belowBand + roomBelow + (thin ? 14 : 38);
  const laneTop = axisY + 44;
  const laneHeight = wide ? 62 : 56;
  const bedTop = laneTop + laneHeight + 16;
  const hasBed = !thin && ground.kind !== 'beach' && shape.heights_m !== null;
  const height = thin ? axisY + 22 : hasBed ? bedTop + 34 : laneTop + laneHeight + 16;

  const { from_m, to_m } = view;
  const x = useMemo(
    () => (d: number) => right - ((d - from_m) / (to_m - from_m)) * (right - left),
    [right, left, from_m, to_m],
  );
  const distanceAt = (px: number): number => from_m + ((right - px) / (right - left)) * (to_m - from_m);

  // Seen from too far, signs would lie on each other; float keeps its lane below the banks.
  const crowded = (right - left) / (to_m - from_m) < SIGNS_FROM_PX_PER_M;
  const layered = useMemo(
    () =>
      signs
        .filter((s) => !(crowded && !isFloat(s)) && !hidden.has(isFloat(s) ? 'float' : 'signs'))
        .sort((a, b) => a.distance_m - b.distance_m),
    [signs, crowded, hidden],
  );
  const shownSigns = useMemo(
    () => thinSigns(layered, from_m, to_m, (right - left) / (to_m - from_m)),
    [layered, from_m, to_m, left, right],
  );
  const ordered = useMemo(() => [...spots].sort((a, b) => a.distance_m - b.distance_m), [spots]);
  const inSight = ordered.filter((s) => s.distance_m >= from_m - 1 && s.distance_m <= to_m + 1);
  // How far out the grid of a hillside reaches.
  const reach_m = useMemo(
    () => Math.max(30, ...spots.map((s) => s.offset_m), ...signs.map((s) => s.offset_m)) * 1.1,
    [spots, signs],
  );
  const spotY = (s: { distance_m: number; bank: Bank; offset_m: number }): number =>
    placeAcross(shape, bandTop, bandHeight, s, reach_m);
  const drawsInSight = draws.filter((d) => d.distance_m >= from_m && d.distance_m <= to_m);
  const labels = placeLabels(
    [
      ...drawsInSight.map((d) => ({
        id: d.id,
        x: x(d.distance_m),
        text: d.name,
        below: d.bank === 'right',
        weight: 1e6,
      })),
      ...inSight.map((s) => ({
        id: s.id,
        x: x(s.distance_m),
        text: s.name,
        below: s.bank === 'right',
        weight: s.id === picked ? Infinity : labelWeight(grades.get(s.id)),
      })),
    ],
    left,
    right,
  );
  const labelY = (below: boolean): number =>
    below ? belowBand + roomBelow + (thin ? 10 : 26) : bandTop - roomAbove - 12;

  useEffect(() => {
    const element = svg.current;
    // Pinch on a trackpad arrives as ctrl + wheel; React's own listener could not stop the page from zooming with it.
    const onWheel = (event: WheelEvent): void => {
      if (event.ctrlKey) {
        event.preventDefault();
        const px = event.clientX - (element?.getBoundingClientRect().left ?? 0);
        view.zoom(Math.exp(-event.deltaY / 120), from_m + ((right - px) / (right - left)) * (to_m - from_m));
      } else if (Math.abs(event.deltaX) > Math.abs(event.deltaY)) {
        event.preventDefault();
        view.pan((-event.deltaX / (right - left)) * (to_m - from_m));
      }
    };
    element?.addEventListener('wheel', onWheel, { passive: false });
    return () => element?.removeEventListener('wheel', onWheel);
  }, [view, from_m, to_m, left, right]);

  const onKey = (event: KeyboardEvent): void => {
    // Upstream lies to the left.
    const step = event.key === 'ArrowLeft' ? 1 : event.key === 'ArrowRight' ? -1 : 0;
    if (step !== 0 && ordered.length > 0) {
      const at = ordered.findIndex((s) => s.id === walked.current);
      const next = ordered[at < 0 ? 0 : Math.min(ordered.length - 1, Math.max(0, at + step))];
      if (next && next.id !== walked.current) {
        asked.current.push(next.id);
        walked.current = next.id;
        onPick(next.id);
        if (next.distance_m < from_m || next.distance_m > to_m) view.pan(next.distance_m - (from_m + to_m) / 2);
      }
    } else if (event.key === '+' || event.key === '=') view.zoom(1.6, pickedSpot?.distance_m);
    else if (event.key === '-') view.zoom(1 / 1.6);
    else if (event.key === '0') view.all();
    else return;
    event.preventDefault();
  };

  const localX = (event: PointerEvent): number => event.clientX - event.currentTarget.getBoundingClientRect().left;
  const onUp = (event: PointerEvent): void => {
    const wasDrag = press.current?.moved ?? true;
    press.current = null;
    if (wasDrag) return;
    const px = localX(event);
    const py = event.clientY - event.currentTarget.getBoundingClientRect().top;
    // A draw's name, or its mouth beyond the bank, opens the draw.
    const draw =
      onDraw &&
      drawsInSight.find(
        (d) =>
          Math.abs(x(d.distance_m) - px) < 30 &&
          (d.bank === 'left' ? py < bandTop - 3 : py > belowBand + 3 && py < axisY - 4),
      );
    if (draw) {
      onDraw(draw.id);
      return;
    }
    const near = inSight
      .map((s) => ({ s, far: Math.hypot(x(s.distance_m) - px, (py > axisY ? 0 : 0.5) * (spotY(s) - py)) }))
      .sort((a, b) => a.far - b.far)[0];
    if (near && near.far < 24) onPick(near.s.id);
    else if (onPlace && py < axisY) {
      const distance_m = Math.min(ground.length_m, Math.max(0, distanceAt(px)));
      const across = (py - (bandTop + bandHeight / 2)) / (bandHeight / 2);
      onPlace({
        distance_m: Math.round(distance_m),
        bank: Math.abs(across) < 0.18 ? 'mid' : across < 0 ? 'left' : 'right',
        offset_m:
          Math.abs(across) < 0.18
            ? 0
            : Math.round(Math.min(2, Math.abs(across)) * (ground.kind === 'hillside' ? reach_m : HALF_CREEK_M)),
      });
    }
  };

  const pickedSpot = spots.find((s) => s.id === picked);
  const ticks = axisTicks(
    from_m,
    to_m,
    (right - left) / (wide ? 120 : 90),
    show.display.system === 'US' ? UNITS.length.ft : 1,
  );
  return (
    <div ref={attach} className="min-w-0">
      {!thin && (
        <RibbonHead
          view={view}
          around_m={pickedSpot?.distance_m}
          wide={wide}
          hidden={hidden}
          onLayer={(layer) =>
            setHidden(hidden.has(layer) ? new Set([...hidden].filter((l) => l !== layer)) : new Set([...hidden, layer]))
          }
        />
      )}
      <svg
        ref={svg}
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        className="block touch-pan-y select-none"
        role="listbox"
        tabIndex={0}
        aria-label={`${ground.name}, straightened: ${spots.length} spots by distance ${words.axis}`}
        aria-activedescendant={picked ? `spot-${picked}` : undefined}
        onKeyDown={onKey}
        onPointerDown={(e) => {
          press.current = { x: localX(e), from_m, moved: false };
        }}
        onPointerMove={(e) => {
          const p = press.current;
          if (!p || e.buttons === 0) return;
          const by = localX(e) - p.x;
          if (Math.abs(by) > 5 || p.moved) {
            p.moved = true;
            view.pan(p.from_m + (by / (right - left)) * (to_m - from_m) - from_m);
          }
        }}
        onPointerUp={onUp}
        onPointerLeave={() => {
          press.current = null;
        }}
      >
        {pickedSpot && (
          <g aria-hidden="true">
            <rect
              x={x(pickedSpot.distance_m) - 20}
              y={bandTop - 26}
              width="40"
              height={height - bandTop + 22}
              fill="var(--picked)"
            />
            <path d={`M${x(pickedSpot.distance_m) - 20} ${bandTop - 26}h40`} stroke="var(--ink)" strokeWidth="4" />
          </g>
        )}
        <CreekBand shape={shape} from_m={from_m} to_m={to_m} x={x} top={bandTop} height={bandHeight} />
        {!thin && (
          <Strips
            strips={strips}
            shape={shape}
            top={bandTop}
            height={bandHeight}
            from_m={from_m}
            to_m={to_m}
            x={x}
            say={(m) => show.length(m)}
          />
        )}
        {drawsInSight.map((d) => (
          <DrawMouth
            key={d.id}
            x={x(d.distance_m)}
            levels={bandLevels(shape, bandTop, bandHeight, d.distance_m)}
            bank={d.bank}
            reach={d.bank === 'left' ? roomAbove + 8 : roomBelow + 14}
            label={labels.get(d.id)}
            y={labelY(d.bank === 'right')}
          />
        ))}
        {!thin && ground.tide && (
          <TideMarks
            tide={ground.tide}
            left={left}
            right={right}
            top={bandTop}
            height={bandHeight}
            say={(m) => show.length(m)}
          />
        )}
        {wide && !thin && (
          <g aria-hidden="true" fontSize="12">
            <text x="0" y={bandTop + 12}>
              {above[0]}
            </text>
            <text x="0" y={bandTop + 26}>
              {above[1]}
            </text>
            <text x="0" y={belowBand - 12}>
              {below[0]}
            </text>
            <text x="0" y={belowBand + 2}>
              {below[1]}
            </text>
          </g>
        )}
        {wide && ground.kind === 'creek' && (
          <path
            aria-hidden="true"
            d={`M2 ${bandTop + bandHeight / 2}h16m-6 -5l6 5l-6 5`}
            fill="none"
            stroke="var(--water)"
            strokeWidth="2"
          />
        )}
        {!thin && stops && stops.to_m > from_m && stops.from_m < to_m && (
          <g aria-hidden="true">
            <rect
              x={x(Math.min(to_m, stops.to_m))}
              y={laneTop - 4}
              width={x(Math.max(from_m, stops.from_m)) - x(Math.min(to_m, stops.to_m))}
              height={laneHeight + 4}
              fill="url(#against)"
              fillOpacity="0.3"
            />
            {x(Math.max(from_m, stops.from_m)) - x(Math.min(to_m, stops.to_m)) > 90 && (
              <text
                className="halo"
                x={(x(Math.max(from_m, stops.from_m)) + x(Math.min(to_m, stops.to_m))) / 2}
                y={laneTop + 8}
                fontSize="12"
                textAnchor="middle"
              >
                colors stop here
              </text>
            )}
          </g>
        )}
        {!thin && !hidden.has('grades') && (
          <GradeLane
            spots={inSight}
            grades={grades}
            x={x}
            left={left}
            right={right}
            top={laneTop}
            height={laneHeight}
            picked={picked}
            showGrade={(g) => show.figure('grade', g)}
          />
        )}
        {hasBed && shape.heights_m && (
          <BedLane
            heights_m={shape.heights_m}
            length_m={ground.length_m}
            x={x}
            left={left}
            right={right}
            top={bedTop}
            height={26}
            forms={ground.profile}
          />
        )}

        <g aria-hidden="true">
          <path
            d={`M${left} ${axisY}H${right}${ticks.map((t) => `M${x(t.distance_m)} ${axisY}v5`).join('')}`}
            stroke="var(--ink)"
            strokeWidth="1.2"
          />
          {ticks
            .filter((t) => !(wide && thin && x(t.distance_m) < left + 110))
            .map((t) => (
              <text key={t.label} x={x(t.distance_m)} y={axisY + 19} fontSize="12.500" textAnchor="middle">
                {t.label}
              </text>
            ))}
          {wide && (
            <text x={left} y={axisY + (thin ? 19 : 33)} fontSize="12" style={{ fill: 'var(--ink-2)' }}>
              {show.display.system === 'US' ? 'ft' : 'm'} {words.axis}
            </text>
          )}
        </g>

        {!thin &&
          (shownSigns.length > MANY_SIGNS
            ? [false, true].map((rust) => (
                <path
                  key={String(rust)}
                  aria-hidden="true"
                  d={shownSigns
                    .filter((s) => isFloat(s) === rust)
                    .map(
                      (s) =>
                        `M${x(s.distance_m).toFixed(1)} ${(signAcross(shape, bandTop, bandHeight, s, reach_m) - 3).toFixed(1)}l3 3l-3 3l-3 -3z`,
                    )
                    .join('')}
                  fill="var(--paper)"
                  stroke={rust ? 'var(--rust)' : 'var(--ink)'}
                  strokeWidth="1.3"
                />
              ))
            : shownSigns.map((s) => (
                <g
                  key={s.id}
                  aria-hidden="true"
                  transform={`translate(${x(s.distance_m)} ${signAcross(shape, bandTop, bandHeight, s, reach_m)})`}
                >
                  <SignMark kind={s.kind} size_mm={s.size_mm} />
                </g>
              )))}
        {inSight.map((s) => {
          const sx = x(s.distance_m);
          const sy = spotY(s);
          const found = grades.get(s.id);
          const label = labels.get(s.id);
          const isPicked = s.id === picked;
          // A point that is only planned is a small cross.
          const arm = s.samplePlanId !== null && !found && !isPicked ? 3.5 : 5.5;
          return (
            <g
              key={s.id}
              id={`spot-${s.id}`}
              role="option"
              aria-selected={isPicked}
              aria-label={`${s.name}, ${show.distance(s.distance_m)} ${words.along}, ${words.banks[s.bank]}`}
            >
              <rect x={sx - 16} y={bandTop - 6} width="32" height={bandHeight + 12} fill="transparent" />
              {!thin && found && !hidden.has('grades') && (
                <line
                  x1={sx}
                  x2={sx}
                  y1={sy + 6}
                  y2={laneTop + laneHeight}
                  stroke="var(--ink-2)"
                  strokeWidth="0.8"
                  strokeDasharray="1.500 3.500"
                />
              )}
              {thin && found ? (
                <ThinMark x={sx} y={sy} found={found} picked={isPicked} />
              ) : (
                <path
                  d={`M${sx - 6} ${sy}h12M${sx} ${sy - 6}v12`}
                  stroke="var(--paper)"
                  strokeWidth="5.500"
                  strokeLinecap="square"
                />
              )}
              {!(thin && found) && (
                <path
                  d={`M${sx - arm} ${sy}h${2 * arm}M${sx} ${sy - arm}v${2 * arm}`}
                  stroke="var(--ink)"
                  strokeWidth={isPicked ? 4 : arm < 5 ? 1.4 : 2.4}
                />
              )}
              {label && (
                <text
                  className="halo"
                  x={label.x}
                  y={labelY(label.below)}
                  fontSize={wide ? 13 : 12}
                  fontWeight={isPicked ? 700 : 400}
                  textAnchor="middle"
                  style={{ fontFamily: 'var(--font-serif)' }}
                >
                  {label.text}
                </text>
              )}
            </g>
          );
        })}
        {marked && (
          <g aria-hidden="true">
            <circle
              cx={x(marked.distance_m)}
              cy={spotY(marked)}
              r="11"
              fill="none"
              stroke="var(--ink)"
              strokeWidth="2"
              strokeDasharray="4 3"
            />
            <path
              d={`M${x(marked.distance_m) - 5} ${spotY(marked)}h10M${x(marked.distance_m)} ${spotY(marked) - 5}v10`}
              stroke="var(--ink)"
              strokeWidth="2.4"
            />
          </g>
        )}
      </svg>
    </div>
  );
}

interface RibbonHeadProps {
  readonly view: RibbonView;
  readonly around_m: number | undefined;
  readonly wide: boolean;
  readonly hidden: ReadonlySet<Layer>;
  readonly onLayer: (layer: Layer) => void;
}

/** What the marks mean, what is drawn, and the zoom. */
function RibbonHead({ view, around_m, wide, hidden, onLayer }: RibbonHeadProps) {
  const zooms = [
    ['−', 'Farther', () => view.zoom(1 / 1.6)],
    ['+', 'Nearer', () => view.zoom(1.6, around_m)],
    ['all', 'The whole ribbon', () => view.all()],
  ] as const;
  return (
    <div className="no-print relative z-1 -mt-3 -mb-3 flex items-center justify-end gap-5 text-[12.5px] text-ink-2 sm:-mb-1">
      {wide && (
        <span className="flex items-center gap-4" aria-hidden="true">
          <Mark says="spot">
            <path d="M1 7h12M7 1v12" stroke="var(--ink)" strokeWidth="2.4" />
          </Mark>
          <Mark says="grade, 90 % band">
            <path d="M7 0v14M4 .6h6M4 13.400h6" stroke="var(--gold)" strokeWidth="1.4" />
            <circle cx="7" cy="7" r="4.500" fill="var(--gold-fill)" stroke="var(--gold)" />
          </Mark>
          <Mark says="blank, less than">
            <path d="M7 0v5M4 .6h6" stroke="var(--ink)" strokeWidth="1.200" strokeDasharray="2 2" />
            <circle cx="7" cy="9" r="4" fill="none" stroke="var(--ink)" strokeWidth="1.600" />
          </Mark>
        </span>
      )}
      {wide && (
        <span className="flex items-center gap-3" role="group" aria-label="Drawn on the ribbon">
          {LAYERS.map((layer) => (
            <button
              key={layer}
              type="button"
              aria-pressed={!hidden.has(layer)}
              className={`min-h-7 ${hidden.has(layer) ? 'line-through' : 'font-semibold text-ink'}`}
              onClick={() => onLayer(layer)}
            >
              {layer}
            </button>
          ))}
        </span>
      )}
      <span className="flex" role="group" aria-label="Ribbon zoom">
        {zooms.map(([sign, says, does]) => (
          <button
            key={sign}
            type="button"
            aria-label={says}
            disabled={view.whole && sign !== '+'}
            className="min-h-11 min-w-11 px-2 text-[16px] font-semibold text-ink disabled:text-ink-2 sm:min-h-7 sm:min-w-9"
            onClick={does}
          >
            {sign}
          </button>
        ))}
      </span>
    </div>
  );
}

const Mark = ({ says, children }: { says: string; children: ReactNode }) => (
  <span className="flex items-center gap-1">
    <svg width="14" height="14" aria-hidden="true">
      {children}
    </svg>
    {says}
  </span>
);

/** A draw comes in over its bank; its name is underlined, since it opens. */
function DrawMouth({
  x,
  levels,
  bank,
  reach,
  label,
  y,
}: {
  x: number;
  levels: BandLevels;
  bank: 'left' | 'right';
  reach: number;
  label: { x: number; text: string } | undefined;
  y: number;
}) {
  const isLeft = bank === 'left';
  const edge = isLeft ? levels.bankTop : levels.bankBottom;
  const water = isLeft ? levels.waterTop : levels.waterBottom;
  const out = edge + (isLeft ? -reach : reach);
  return (
    <g aria-hidden="true">
      <path
        d={`M${x - 9} ${out}Q${x - 2} ${edge} ${x - 3.5} ${water}M${x + 9} ${out}Q${x + 2} ${edge} ${x + 3.5} ${water}`}
        fill="none"
        stroke="var(--paper)"
        strokeWidth="5"
      />
      <path
        d={`M${x - 7} ${out}Q${x - 1} ${edge} ${x} ${water}Q${x + 1} ${edge} ${x + 7} ${out}Z`}
        fill="var(--water-body)"
        stroke="var(--water)"
        strokeWidth="1.6"
      />
      {label && (
        <text
          className="cursor-pointer halo"
          x={label.x}
          y={y}
          fontSize="13"
          textAnchor="middle"
          textDecoration="underline"
          style={{ fontFamily: 'var(--font-serif)' }}
        >
          {label.text}
        </text>
      )}
    </g>
  );
}

/** Where the water stands at high and low tide, and the level that leaves the sand to work, as lines across the sea. */
function TideMarks({
  tide,
  left,
  right,
  top,
  height,
  say,
}: {
  tide: NonNullable<StoredGround['tide']>;
  left: number;
  right: number;
  top: number;
  height: number;
  say: (m: number) => string;
}) {
  const swing = tide.constituents
    .filter((c) => c.name === 'M2' || c.name === 'S2')
    .reduce((sum, c) => sum + c.amplitude_m, 0);
  const [high, low] = [tide.meanLevel_m + swing, tide.meanLevel_m - swing];
  const y = (m: number): number => top + height * (0.64 + 0.3 * ((high - m) / (high - low || 1)));
  const marks = [
    [high, 'springs high'],
    [tide.workBelow_m, 'sand bare below'],
    [low, 'springs low'],
  ] as const;
  return (
    <g aria-hidden="true">
      {marks.map(([m, says], i) => (
        <g key={says}>
          <path
            d={`M${left} ${y(m)}H${right}`}
            stroke="var(--water)"
            strokeWidth={m === tide.workBelow_m ? 1.6 : 0.9}
            strokeDasharray={m === tide.workBelow_m ? '8 4' : '2 5'}
          />
          <text x={left + 8 + i * Math.min(170, (right - left) / 3)} y={y(m) + 4} fontSize="12" className="halo">
            {says} {say(m)}
          </text>
        </g>
      ))}
    </g>
  );
}

/** The richer the pans, the more a spot's name matters; a tried one before an untried. */
const labelWeight = (g: SpotGrade | undefined): number =>
  g?.grade.kind === 'band' ? 1 + g.grade.low_mg_L : g ? 0.5 : 0;

/** Across the band: in the water, on the gravel of its bank, or, for a bench, above the bank. */
function placeAcross(
  shape: CreekShape,
  top: number,
  height: number,
  { distance_m, bank, offset_m }: { distance_m: number; bank: Bank; offset_m: number },
  reach_m = Infinity,
): number {
  if (shape.kind === 'hillside')
    return (
      top + (height / 2) * (1 + (bank === 'left' ? -1 : bank === 'right' ? 1 : 0) * Math.min(0.94, offset_m / reach_m))
    );
  const at = bandLevels(shape, top, height, distance_m);
  if (bank === 'mid') return (at.waterTop + at.waterBottom) / 2;
  const beyond = Math.min(10, Math.max(0, offset_m - 14));
  return bank === 'left' ? (at.bankTop + at.waterTop) / 2 - beyond : (at.bankBottom + at.waterBottom) / 2 + beyond;
}

/** Float lies along the lower edge of the banks, so that its growth upstream can be followed; other signs stand where they were seen, a little off the spots. */
function signAcross(shape: CreekShape, top: number, height: number, sign: StoredSign, reach_m: number): number {
  if (shape.kind === 'hillside') return placeAcross(shape, top, height, sign, reach_m);
  const at = bandLevels(shape, top, height, sign.distance_m);
  if (isFloat(sign)) return top + height + 7;
  if (sign.bank === 'mid') return (at.waterTop + at.waterBottom) / 2;
  return sign.bank === 'left'
    ? at.bankTop + (at.waterTop - at.bankTop) * 0.82
    : at.bankBottom - (at.bankBottom - at.waterBottom) * 0.82;
}

function ThinMark({ x, y, found, picked }: { x: number; y: number; found: SpotGrade; picked: boolean }) {
  const blank = found.grade.kind !== 'band';
  const r = found.grade.kind === 'band' ? Math.min(9, 4 + 7 * Math.sqrt(found.grade.grade_mg_L)) : 4.5;
  return (
    <>
      {picked && <circle cx={x} cy={y} r={r + 4.5} fill="none" stroke="var(--ink)" strokeWidth="2.4" />}
      <circle
        cx={x}
        cy={y}
        r={r}
        fill={blank ? 'var(--paper)' : 'var(--gold-fill)'}
        stroke={blank ? 'var(--ink)' : 'var(--gold)'}
        strokeWidth="1.600"
      />
    </>
  );
}

interface BedLaneProps {
  readonly heights_m: readonly number[];
  readonly length_m: number;
  readonly x: (d: number) => number;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly height: number;
  /** Pools, riffles and steps measured by hand level. */
  readonly forms: StoredGround['profile'];
}

/** The bed from head to foot, with its forms named where they were measured. */
function BedLane({ heights_m, length_m, x, left, right, top, height, forms }: BedLaneProps) {
  const points = heights_m
    .map((z, i) => ({ px: x((i / (heights_m.length - 1)) * length_m), z }))
    .filter((p) => p.px >= left - 20 && p.px <= right + 20);
  const low = Math.min(...points.map((p) => p.z));
  const fall = Math.max(...points.map((p) => p.z)) - low || 1;
  const line = points
    .map(
      (p, i) =>
        `${i ? 'L' : 'M'}${Math.min(right, Math.max(left, p.px)).toFixed(1)} ${(top + (1 - (p.z - low) / fall) * (height - 6)).toFixed(1)}`,
    )
    .join('');
  return (
    <g aria-hidden="true">
      <path d={`${line}L${left} ${top + height}L${right} ${top + height}Z`} fill="var(--spine)" />
      <path d={line} fill="none" stroke="var(--ink)" strokeWidth="1.6" />
      {forms.map((f) => {
        const px = x(f.distance_m);
        return px < left || px > right ? null : (
          <g key={f.distance_m}>
            <path d={`M${px} ${top + height - 6}v6`} stroke="var(--ink)" strokeWidth="1.6" />
            <text x={px} y={top + height - 8} fontSize="12" textAnchor="middle" className="halo">
              {f.form}
            </text>
          </g>
        );
      })}
      <text x="0" y={top + 12} fontSize="12">
        bed
      </text>
    </g>
  );
}

/** Round distances along the axis in the person's unit; about `most` of them. */
function axisTicks(
  from_m: number,
  to_m: number,
  most: number,
  unit_m: number,
): { distance_m: number; label: string }[] {
  const step = stepAtLeast((to_m - from_m) / unit_m / Math.max(2, most));
  const first = Math.ceil(from_m / unit_m / step) * step;
  const ticks: { distance_m: number; label: string }[] = [];
  for (let v = first; v * unit_m <= to_m + 1e-6; v += step)
    ticks.push({ distance_m: v * unit_m, label: grouped(v, 1) });
  return ticks;
}
