import { format, parseISO } from 'date-fns';
import { useState } from 'react';
import { Button } from '../ui/Button.tsx';
import { TextButton } from '../ui/TextButton.tsx';
import { DayField } from '../when/WhenField.tsx';
import { isDay } from '../when/readWhen.ts';
import { useLocalTime } from '../when/useLocalTime.ts';
import type { DayOnPage } from './useDaySheet.ts';

/** Fewer places are ordered before a word about it could be read. */
const LONG_SEARCH = 12;

/** Which day it is, how far the search is, and the way to keep the plan. */
export function DayHead({ page, onDate }: { page: DayOnPage; onDate: (date: string) => void }) {
  const local = useLocalTime();
  const { ground, date, kept, day, keep } = page;
  const [typed, setTyped] = useState<string | null>(null);
  const { draft, plan, planner, candidates, change } = day;
  return (
    <header className="flex flex-wrap items-baseline justify-between gap-x-6 border-b border-rule pb-2">
      <span className="font-serif text-[18px] font-semibold">
        {format(parseISO(date), 'EEEE')} {local.day(local.at(date), 'long')}
        <span className="hidden sm:inline">, {ground.name}</span>
      </span>
      {/* Beside the date, where it makes no room for itself: nothing moves when it comes and goes. */}
      {planner.searching !== null && candidates.length > LONG_SEARCH && (
        <span role="status" className="no-print -my-3 text-[13px] whitespace-nowrap text-ink-2">
          searching, {Math.round(100 * planner.searching)} %{' '}
          <TextButton onClick={() => planner.stop()}>stop here</TextButton>
        </span>
      )}
      <span className="no-print flex flex-wrap items-center gap-x-4">
        <span className="w-44">
          <DayField
            label="Another day"
            value={typed ?? date}
            onChange={(day) => {
              setTyped(isDay(day) ? null : day);
              if (isDay(day)) onDate(day);
            }}
          />
        </span>
        {draft.order && (
          <Button look="quiet" onClick={() => change({ order: null })}>
            Order it for me
          </Button>
        )}
        <Button look={kept ? 'plain' : 'main'} onClick={keep} disabled={!plan}>
          {kept ? 'Keep the changes' : 'Keep this plan'}
        </Button>
      </span>
    </header>
  );
}
