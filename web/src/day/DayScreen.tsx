import type { StoredDaySheet, StoredGround, StoredSpot } from '@riffle/contract';
import { useState } from 'react';
import { ClosedFirst } from '../ground/ClosedToday.tsx';
import { useRecords } from '../records/useRecords.ts';
import { useGround } from '../shell/useGround.ts';
import { Block } from '../ui/Judgement.tsx';
import { useShow } from '../units/useShow.ts';
import { BeforeYouGo } from './BeforeYouGo.tsx';
import { CarryList } from './CarryList.tsx';
import { DayHead } from './DayHead.tsx';
import { DayJudgement } from './DayJudgement.tsx';
import { DaySettings } from './DaySettings.tsx';
import { DayTimeline } from './DayTimeline.tsx';
import { GiveAway } from './GiveAway.tsx';
import { InThisOrder, LeftOut } from './InThisOrder.tsx';
import { Lots } from './Lots.tsx';
import { Outfits } from './Outfits.tsx';
import { PlanB } from './PlanB.tsx';
import { Unfinished } from './Unfinished.tsx';
import { useLocalTime } from '../when/useLocalTime.ts';
import { useDaySheet, type DayOnPage } from './useDaySheet.ts';
import { useOpened } from '../ui/useSeen.ts';

/** Today against the clock. */
export function DayScreen() {
  const { ground, spots } = useGround();
  const local = useLocalTime();
  const [date, setDate] = useState(() => local.isoDay(Date.now()));
  const plans = useRecords('day-sheets', ground.id).items;
  const kept = plans.filter((p) => p.day === date).at(-1);
  // A kept plan may come a moment later, or from someone else of the crew: then the sheet begins again from it.
  return (
    <DaySheet
      key={`${ground.id} ${date} ${kept?.id} ${kept?.version}`}
      ground={ground}
      spots={spots}
      date={date}
      onDate={setDate}
      kept={kept}
    />
  );
}

interface DaySheetProps {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  readonly date: string;
  readonly onDate: (date: string) => void;
  readonly kept: StoredDaySheet | undefined;
}

function DaySheet({ ground, spots, date, onDate, kept }: DaySheetProps) {
  const page = useDaySheet(ground, spots, date, kept);
  const { day } = page;
  const { draft, plan, places } = day;
  const opened = useOpened();
  return (
    <div className="flex flex-col gap-4">
      <DayHead page={page} onDate={onDate} />
      <ClosedFirst ground={ground} on={date}>
        <DayJudgement ground={ground} day={day} date={date} />
      </ClosedFirst>
      {(day.findingOrder || (plan && plan.stops.length > 0)) && (
        <DayTimeline
          plan={plan}
          places={places}
          start_min={draft.start_min}
          back_min={draft.back_min}
          sky={day.sky}
          tide={day.tide}
          now_min={page.now_min}
          picked={page.picked}
          onPick={page.pick}
        />
      )}
      {opened && <RestOfDay page={page} />}
    </div>
  );
}

/** What is read after the order: hours and load, each place, plan B, what to carry. A moment after the page: the order is looked for meanwhile. */
function RestOfDay({ page }: { readonly page: DayOnPage }) {
  const show = useShow();
  const { ground, spots, day } = page;
  const { draft, change } = day;
  return (
    <>
      <div className="no-print">
        <DaySettings ground={ground} draft={draft} change={change} />
      </div>
      <div className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)] print:grid-cols-[3fr_2fr]">
        <div className="flex min-w-0 flex-col gap-5">
          <InThisOrder page={page} />
          {page.left.length > 0 && !day.findingOrder && <LeftOut page={page} />}
          {day.closed.length > 0 && (
            <p className="text-[13px] text-ink-2">
              Not today: {day.closed.map((c) => `${c.name} (${c.closed})`).join(', ')}.
            </p>
          )}
          <Block title="If it goes wrong" aside="plan B">
            <PlanB ground={ground} day={day} />
          </Block>
        </div>
        <div className="flex min-w-0 flex-col gap-5">
          <Block title="To carry">
            <CarryList draft={draft} change={change} planned={page.planned} />
          </Block>
          <div className="no-print">
            <Outfits ground={ground} draft={draft} planned={page.planned} />
          </div>
          <BeforeYouGo page={page} />
          <Lots ground={ground} spots={spots} />
          <Unfinished ground={ground} spots={spots} />
          <GiveAway page={page} />
          {!ground.line && (
            <p className="text-[13px] text-ink-2">
              Walking is reckoned flat: this ground has no heights. At {show.distance(1000)} it takes about 20 min off
              the path.
            </p>
          )}
        </div>
      </div>
    </>
  );
}
