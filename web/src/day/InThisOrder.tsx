import { Link } from '../ui/Link.tsx';
import { inTen } from '../reading/inTen.ts';
import { Block } from '../ui/Judgement.tsx';
import { plural } from '../ui/plural.ts';
import { lasting } from './dayWords.ts';
import { StopList } from './StopList.tsx';
import type { Day } from './useDay.ts';
import type { DayOnPage } from './useDaySheet.ts';

/** The places in the order they are walked. */
export function InThisOrder({ page: { ground, day, picked, pick } }: { page: DayOnPage }) {
  const { draft, plan, places, candidates, change } = day;
  return (
    <Block
      title="In this order"
      aside={
        <>
          {restsOn(day)}
          <span className="no-print">; drag to change it</span>
        </>
      }
    >
      {plan && plan.stops.length > 0 ? (
        <StopList
          plan={plan}
          places={places}
          back_min={draft.back_min}
          picked={picked}
          onPick={pick}
          onOrder={(order) => change({ order })}
          onMinutes={(id, minutes) => change((before) => ({ minutes: { ...before.minutes, [id]: minutes } }))}
        />
      ) : (
        <p className="text-ink-2">
          {candidates.length === 0 ? (
            <>
              Nothing to plan yet.{' '}
              <Link className="underline" to={`/g/${ground.id}/read`}>
                Mark spots and signs
              </Link>{' '}
              as you walk; the day is made of them.
            </>
          ) : day.findingOrder ? (
            <span className="block min-h-80">Looking for it ...</span>
          ) : plan ? (
            'No place can be reached, tried and left in that time. Give the day more room.'
          ) : (
            'Give the day an end after its start.'
          )}
        </p>
      )}
    </Block>
  );
}

/** What the order rests on. */
const restsOn = ({ draft, pace }: Day): string =>
  `${Math.round(pace.pan_min)} min a pan, ${pace.from > 0 ? `from ${plural(pace.from, 'gap')} in your own log` : 'as is common; your own log will say'}${draft.order ? '; your own order' : ''}`;

/** So many of the places left out are offered, the most worthwhile first. */
const OFFERED = 12;

/** Places that found no room; a tap puts one at the end. */
export function LeftOut({ page: { left, day } }: { page: DayOnPage }) {
  return (
    <div className="no-print">
      <Block title="Left out" aside="tap to put one at the end">
        <ul className="flex flex-wrap gap-x-2 gap-y-2">
          {[...left]
            .sort((a, b) => b.value - a.value)
            .slice(0, OFFERED)
            .map((c) => (
              <li key={c.id}>
                <button
                  type="button"
                  className="min-h-11 border border-ink px-3 text-left text-[13px]"
                  onClick={() => day.change({ order: [...(day.plan?.stops.map((s) => s.id) ?? []), c.id] })}
                >
                  <b>{c.name}</b>, {inTen(c.chance)}, {lasting(c.work_min)}
                </button>
              </li>
            ))}
        </ul>
      </Block>
    </div>
  );
}
