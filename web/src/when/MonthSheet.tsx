import { format, parse } from 'date-fns';
import { DayPicker } from 'react-day-picker';

interface MonthSheetProps {
  /** The day that is picked, ISO. */
  readonly day: string | null;
  readonly today: string;
  readonly onlyPast: boolean;
  readonly onPick: (day: string) => void;
}

const dateOf = (iso: string): Date => parse(iso, 'yyyy-MM-dd', new Date(2000, 0, 1));

/** A month to pick a day from, by finger or by arrow keys. */
export default function MonthSheet({ day, today, onlyPast, onPick }: MonthSheetProps) {
  const picked = day === null ? undefined : dateOf(day);
  const now = dateOf(today);
  return (
    <DayPicker
      mode="single"
      autoFocus
      required
      today={now}
      selected={picked}
      defaultMonth={picked ?? now}
      disabled={onlyPast ? { after: now } : undefined}
      weekStartsOn={1}
      showOutsideDays
      onSelect={(date) => onPick(format(date, 'yyyy-MM-dd'))}
      classNames={{
        months: 'relative',
        month_caption: 'flex min-h-11 items-center pl-2 font-serif text-[17px] font-semibold',
        nav: 'absolute top-0 right-0 flex',
        button_previous: 'grid size-11 place-items-center hover:bg-picked aria-disabled:text-rule',
        button_next: 'grid size-11 place-items-center hover:bg-picked aria-disabled:text-rule',
        chevron: 'size-5 fill-current',
        month_grid: 'border-collapse',
        weekday: 'h-7 w-11 border-b border-rule text-[12.5px] font-normal text-ink-2',
        day: 'p-0 text-center',
        day_button: 'size-11 hover:bg-picked disabled:hover:bg-transparent',
        today: 'font-bold underline underline-offset-4',
        selected: 'bg-ink text-paper [&_button]:hover:bg-ink',
        outside: 'text-ink-2',
        disabled: 'text-rule',
      }}
    />
  );
}
