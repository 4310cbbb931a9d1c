import { startTransition, useOptimistic } from 'react';
import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { PANS_OF, type DayPlan, type StopTimes } from '@riffle/core';
import { plural } from '../ui/plural.ts';
import { inTen } from '../reading/inTen.ts';
import { useShow } from '../units/useShow.ts';
import { clock, lasting } from './dayWords.ts';
import { type Candidate } from '@riffle/core';

/** More pans than a square metre takes are no sampling any more. */
const MOST_PANS = PANS_OF['one square metre'];

interface StopListProps {
  readonly plan: DayPlan;
  readonly places: ReadonlyMap<string, Candidate>;
  readonly back_min: number;
  readonly picked: string | null;
  readonly onPick: (id: string) => void;
  readonly onOrder: (ids: string[]) => void;
  readonly onMinutes: (id: string, minutes: number) => void;
}

/** The places in their order. Dragged by their grip (or moved with space and arrows), each row says when, how long, and whether it still fits. */
export function StopList({ plan, places, back_min, picked, onPick, onOrder, onMinutes }: StopListProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = plan.stops.map((s) => s.id);
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={({ active, over }) => {
        if (over && active.id !== over.id)
          onOrder(arrayMove(ids, ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol>
          {plan.stops.map((s, i) => {
            const place = places.get(s.id);
            return (
              place && (
                <Row
                  key={s.id}
                  stop={s}
                  place={place}
                  number={i + 1}
                  walk_min={s.arrive_min - s.leave_min}
                  back_min={back_min}
                  picked={picked === s.id}
                  onPick={onPick}
                  onMinutes={onMinutes}
                  onOut={() => onOrder(ids.filter((id) => id !== s.id))}
                />
              )
            );
          })}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

interface RowProps {
  readonly stop: StopTimes;
  readonly place: Candidate;
  readonly number: number;
  readonly walk_min: number;
  readonly back_min: number;
  readonly picked: boolean;
  readonly onPick: (id: string) => void;
  readonly onMinutes: (id: string, minutes: number) => void;
  readonly onOut: () => void;
}

function Row({ stop, place, number, walk_min, picked, onPick, onMinutes, onOut }: RowProps) {
  const show = useShow();
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: stop.id });
  const wait = stop.begin_min - stop.arrive_min;
  // The minutes show at the tap; the day is worked out anew after that.
  const [work_min, showMinutes] = useOptimistic(place.work_min);
  const setMinutes = (minutes: number): void =>
    startTransition(() => {
      showMinutes(minutes);
      onMinutes(stop.id, minutes);
    });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Transform.toString(transform), transition }}
      className={`grid grid-cols-[44px_4.2rem_minmax(0,1fr)] items-center gap-x-2 border-b border-rule py-1 sm:grid-cols-[36px_6.5rem_minmax(0,1fr)_auto] print:grid-cols-[6.5rem_minmax(0,1fr)]! tight:grid-cols-[44px_minmax(0,1fr)] ${picked || isDragging ? 'bg-picked shadow-[inset_5px_0_0_var(--ink)]' : ''} ${isDragging ? 'relative z-10' : ''}`}
    >
      <button
        type="button"
        className="no-print grid min-h-11 touch-none place-items-center"
        aria-label={`Move ${place.name}`}
        {...attributes}
        {...listeners}
      >
        <svg width="20" height="30" viewBox="-10 -15 20 30" aria-hidden="true">
          <path d="M-5 -9l5 -5l5 5M-5 9l5 5l5 -5" fill="none" stroke="var(--ink)" strokeWidth="2" />
          <path d="M-7 -3h14M-7 0.500h14M-7 4h14" stroke="var(--ink)" strokeWidth="1.4" />
        </svg>
      </button>
      <span className="font-serif text-[17px] leading-5 font-bold">
        {clock(stop.begin_min)}
        <span className="block font-sans text-[12.5px] font-normal text-ink-2">
          walk {lasting(Math.max(1, walk_min))}
          {wait > 1 && `, wait ${lasting(wait)}`}
        </span>
      </span>
      <button
        type="button"
        className="min-h-11 min-w-0 text-left tight:col-start-2"
        aria-pressed={picked}
        onClick={() => onPick(stop.id)}
      >
        <span className={stop.late ? 'line-through' : ''}>
          <b>
            {number}. {place.name}
          </b>
        </span>
        <span className="block text-[13px] text-ink-2">
          {stop.late ? (
            <b className="text-danger">falls out: not back in time</b>
          ) : (
            <>
              {place.pans === 0 || place.pans > MOST_PANS ? 'dig' : plural(place.pans, 'pan')}, pays{' '}
              {inTen(place.chance)}, at {show.distance(place.distance_m)}
              {place.kinds.length > 0 &&
                `, ${place.kinds
                  .slice(0, 2)
                  .map((k) => k.replace(/^own: /, ''))
                  .join(' and ')}`}
              {stop.rest_min > 0 && `; then ${lasting(stop.rest_min)} of rest`}
              {place.load_kg > 0 && `; ${show.load(place.load_kg)} to carry`}
            </>
          )}
        </span>
      </button>
      <span className="no-print col-span-2 col-start-2 flex flex-wrap items-center gap-1 text-[13px] sm:col-span-1 sm:col-start-auto tight:col-span-1">
        <button
          type="button"
          className="min-h-12 min-w-12 border border-rule text-[17px] sm:min-h-11 sm:min-w-9"
          aria-label={`Ten minutes less at ${place.name}`}
          onClick={() => setMinutes(Math.max(5, work_min - 10))}
        >
          −
        </button>
        <span className="w-16 text-center">{lasting(work_min)}</span>
        <button
          type="button"
          className="min-h-12 min-w-12 border border-rule text-[17px] sm:min-h-11 sm:min-w-9"
          aria-label={`Ten minutes more at ${place.name}`}
          onClick={() => setMinutes(Math.min(600, work_min + 10))}
        >
          +
        </button>
        <button
          type="button"
          className="min-h-12 px-2 text-ink-2 underline underline-offset-4 sm:min-h-11"
          aria-label={`Leave ${place.name} out`}
          onClick={onOut}
        >
          out
        </button>
      </span>
    </li>
  );
}
