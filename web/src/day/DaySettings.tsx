import type { StoredGround } from '@riffle/contract';
import { UNITS } from '@riffle/core';
import { useState, type ComponentProps, type ReactNode } from 'react';
import { Checkbox } from '../ui/Checkbox.tsx';
import { GROUND_WORDS } from '../ground/groundWords.ts';
import { readEntered } from '../units/readEntered.ts';
import { useShow } from '../units/useShow.ts';
import { Choices } from '../ui/Choices.tsx';
import { SelectField } from '../ui/Field.tsx';
import { QuantityField } from '../ui/QuantityField.tsx';
import { ClockField } from '../when/WhenField.tsx';
import { type DayDraft } from './dayDraft.ts';

interface DaySettingsProps {
  readonly ground: StoredGround;
  readonly draft: DayDraft;
  readonly change: (some: Partial<DayDraft>) => void;
}

/** What a person settles about the day: when, from where, and by which school. Likeliest pay by quick pans is the default: time is what is short, and a blank is a result. */
export function DaySettings({ ground, draft, change }: DaySettingsProps) {
  const show = useShow();
  const unit = show.display.system === 'US' ? 'ft' : 'm';
  const [start, setStart] = useState({ text: String(Math.round(draft.start_m / UNITS.length[unit])), unit });
  const reading = readEntered('length', start);
  const tooFar =
    reading.ok && reading.value > ground.length_m + 0.5
      ? `The ground is ${show.distance(ground.length_m)} long.`
      : null;
  const [more, setMore] = useState(false);
  const order = draft.back_min > draft.start_min ? null : 'Be back after you start.';
  return (
    <div className="flex flex-wrap items-start gap-x-4 gap-y-1">
      <Time label="Start" minutes={draft.start_min} onChange={(start_min) => change({ start_min })} />
      <Time label="Be back at" minutes={draft.back_min} problem={order} onChange={(back_min) => change({ back_min })} />
      <div className="w-44 max-sm:w-full">
        <QuantityField
          label={`From, ${GROUND_WORDS[ground.kind].axis}`}
          entered={start}
          reading={reading}
          units={['m', 'ft', 'km']}
          problem={tooFar}
          onChange={(s) => {
            const next = { text: s.text, unit: s.unit };
            setStart(next);
            const read = readEntered('length', next);
            if (read.ok && read.value <= ground.length_m) change({ start_m: read.value });
          }}
        />
      </div>
      <button
        type="button"
        className="min-h-11 underline underline-offset-4 sm:hidden"
        aria-expanded={more}
        onClick={() => setMore(!more)}
      >
        {more ? 'Less' : 'How to choose, frozen ground, no water'}
      </button>
      <div className={`flex flex-wrap gap-x-4 ${more ? '' : 'max-sm:hidden'}`}>
        <Chosen says="Look for">
          <Choices
            label="Look for"
            value={draft.aim}
            onChange={(aim) => change({ aim, order: null })}
            choices={[
              { value: 'best traps', label: 'likely pay' },
              { value: 'odd places', label: 'most to learn' },
            ]}
          />
        </Chosen>
        <Chosen says="Try each by">
          <Choices
            label="Try each by"
            value={draft.way}
            onChange={(way) => change({ way, order: null, minutes: {} })}
            choices={[
              { value: 'quick pans', label: 'a few pans' },
              { value: 'one square metre', label: 'a square metre' },
            ]}
          />
        </Chosen>
        <div className="w-32">
          <SelectField
            label="Rest"
            value={String(draft.rest_min)}
            choices={[...new Set([0, 15, 30, 45, 60, 90, draft.rest_min])]
              .sort((a, b) => a - b)
              .map((m) => ({ value: String(m), label: m === 0 ? 'none' : `${m} min` }))}
            onChange={(m) => change({ rest_min: Number(m) })}
          />
        </div>
        <Chosen says="Today">
          <span className="flex flex-wrap gap-x-4">
            <Tick checked={draft.frozen} onChange={(frozen) => change({ frozen })}>
              frozen
            </Tick>
            <Tick checked={draft.waterAway} onChange={(waterAway) => change({ waterAway })}>
              no water there
            </Tick>
          </span>
        </Chosen>
      </div>
    </div>
  );
}

const Chosen = ({ says, children }: { says: string; children: ReactNode }) => (
  <div className="pb-4">
    <p className="text-[13px] text-ink-2">{says}</p>
    {children}
  </div>
);

const Tick = ({
  checked,
  onChange,
  children,
}: {
  checked: boolean;
  onChange: (checked: boolean) => void;
  children: ReactNode;
}) => (
  <Checkbox className="whitespace-nowrap" checked={checked} onChange={onChange}>
    {children}
  </Checkbox>
);

const Time = (about: ComponentProps<typeof ClockField>) => (
  <div className="w-28 max-sm:w-[calc(50%-0.5rem)]">
    <ClockField {...about} />
  </div>
);
