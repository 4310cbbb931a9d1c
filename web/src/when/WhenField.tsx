import { Popover } from 'radix-ui';
import { Suspense, useState } from 'react';
import { Field } from '../ui/Field.tsx';
import { useNow } from '../ui/useNow.ts';
import { sayDay } from './localTime.ts';
import {
  clockText,
  isDay,
  isMoment,
  problemOf,
  readClock,
  readDay,
  readWhen,
  whenProblem,
  type WhenRead,
} from './readWhen.ts';
import { useLocalTime, useToday } from './useLocalTime.ts';
import { late } from '../ui/late.ts';

const MonthSheet = late(async () => (await import('./MonthSheet.tsx')).default);

interface WhenFieldProps {
  readonly label: string;
  /** "2026-07-28T09:20" by the ground's clock ("2026-07-28" of a day); empty for none; what could not be read stands as it was typed. */
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly problem?: string | null;
  readonly hint?: string | undefined;
}

/** A day and an hour that have been, by the ground's clock: written as people say it, or picked from the month. */
export function WhenField({ label, value, onChange, problem = null, hint }: WhenFieldProps) {
  const local = useLocalTime();
  const today = local.isoDay(useNow(60_000));
  return (
    <Written
      label={label}
      value={value}
      says={isMoment(value) ? `${sayDay(value.slice(0, 10), today)}, ${value.slice(11).replace(/^0/, '')}` : null}
      read={(text) => readWhen(text, today, isMoment(value) ? value.slice(11) : undefined)}
      today={today}
      onlyPast
      onChange={onChange}
      onPick={(day) => onChange(`${day}T${isMoment(value) ? value.slice(11) : '12:00'}`)}
      problem={problem ?? whenProblem(value, local)}
      hint={hint}
    />
  );
}

/** A day, past or to come. */
export function DayField({ label, value, onChange, problem = null, hint }: WhenFieldProps) {
  const today = useToday();
  return (
    <Written
      label={label}
      value={value}
      says={isDay(value) ? sayDay(value, today) : null}
      read={(text) => readDay(text, today)}
      today={today}
      onChange={onChange}
      onPick={onChange}
      problem={problem ?? (value === '' || isDay(value) ? null : problemOf(readDay(value, today)))}
      hint={hint}
    />
  );
}

interface WrittenProps extends WhenFieldProps {
  /** The value in words; null where it could not be read. */
  readonly says: string | null;
  readonly read: (text: string) => WhenRead;
  readonly today: string;
  readonly onlyPast?: boolean;
  readonly onPick: (day: string) => void;
}

/** One line to write in, with the month behind a press. While one writes nothing is changed under the pen. */
function Written({ label, value, says, read, today, onlyPast = false, onChange, onPick, problem, hint }: WrittenProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [open, setOpen] = useState(false);
  const day = value.slice(0, 10);
  return (
    <Field
      label={label}
      problem={typed === null || says !== null ? problem : null}
      hint={typed !== null && says ? says : hint}
    >
      {(ids) => (
        <div className="flex">
          <input
            {...ids}
            className="written w-full min-w-0"
            autoComplete="off"
            value={typed ?? says ?? value}
            onFocus={(e) => e.target.select()}
            onBlur={() => setTyped(null)}
            onChange={(e) => {
              setTyped(e.target.value);
              const text = e.target.value.trim();
              const told = read(text);
              onChange(text === '' ? '' : told.ok ? told.iso : text);
            }}
          />
          <Popover.Root open={open} onOpenChange={setOpen}>
            <Popover.Trigger
              type="button"
              aria-label={`${label}: pick the day`}
              className="written shrink-0 border-l-2 border-l-rule px-3"
            >
              <svg viewBox="0 0 22 20" width="22" height="20" aria-hidden="true" fill="none" stroke="currentColor">
                <path d="M2 5h18v13H2zM2 9h18M7 2v4M15 2v4" strokeWidth="1.6" />
              </svg>
            </Popover.Trigger>
            <Popover.Portal>
              <Popover.Content
                align="end"
                collisionPadding={8}
                className="z-40 border-2 border-ink bg-paper p-3"
                aria-label={label}
              >
                <Suspense fallback={null}>
                  <MonthSheet
                    day={isDay(day) ? day : null}
                    today={today}
                    onlyPast={onlyPast}
                    onPick={(picked) => {
                      onPick(picked);
                      setOpen(false);
                    }}
                  />
                </Suspense>
              </Popover.Content>
            </Popover.Portal>
          </Popover.Root>
        </div>
      )}
    </Field>
  );
}

interface ClockFieldProps {
  readonly label: string;
  readonly minutes: number;
  readonly onChange: (minutes: number) => void;
  readonly problem?: string | null;
}

/** An hour of the day, as people say it: "9:20", "0920", "5 pm". */
export function ClockField({ label, minutes, onChange, problem = null }: ClockFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const unread = typed !== null && readClock(typed) === null;
  return (
    <Field label={label} problem={unread ? 'Like “9:20” or “5 pm”.' : problem}>
      {(ids) => (
        <input
          {...ids}
          className="written w-full min-w-0"
          autoComplete="off"
          value={typed ?? clockText(minutes).replace(/^0/, '')}
          onFocus={(e) => e.target.select()}
          onBlur={() => {
            if (!unread) setTyped(null);
          }}
          onChange={(e) => {
            setTyped(e.target.value);
            const read = readClock(e.target.value);
            if (read !== null) onChange(read);
          }}
        />
      )}
    </Field>
  );
}
