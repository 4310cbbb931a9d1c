import { NUMBERS, numberProblem, textProblem, TEXTS } from '@riffle/contract';
import { UNITS } from '@riffle/core';
import { useState } from 'react';
import { plural } from '../ui/plural.ts';
import { useShow } from '../units/useShow.ts';
import { Button } from '../ui/Button.tsx';
import { type Candidate } from '@riffle/core';
import { type DayDraft } from './dayDraft.ts';
import { numberTyped } from '../units/numberTyped.ts';

interface CarryListProps {
  readonly draft: DayDraft;
  readonly change: (some: Partial<DayDraft>) => void;
  /** Places of the plan, in order. */
  readonly planned: readonly Candidate[];
}

/** What goes in the pack and what it weighs, against what one can carry; and the loads that come down again. */
export function CarryList({ draft, change, planned }: CarryListProps) {
  const show = useShow();
  const US = show.display.system === 'US';
  const per_kg = US ? UNITS.mass.kg / UNITS.mass.lb : 1;
  const unit = US ? 'lb' : 'kg';
  const [name, setName] = useState('');
  const [weight, setWeight] = useState('');
  const [tried, setTried] = useState(false);
  const kg = numberTyped(weight) / per_kg;
  const problem =
    name.trim() === ''
      ? 'Name it.'
      : (textProblem(TEXTS.name, name) ??
        (Number.isNaN(kg) || numberProblem(NUMBERS.tool_kg, kg)
          ? `Its weight in ${unit}, up to ${Math.round(NUMBERS.tool_kg.most * per_kg)}.`
          : null));
  const tools_kg = draft.tools.reduce((sum, t) => sum + t.kg, 0);
  const over = tools_kg >= draft.limit_kg;
  const loads = planned.filter((p) => p.load_kg > 0);
  const trips = loads.reduce((sum, p) => sum + p.trips, 0);
  return (
    <div>
      <div className="mb-1 flex items-center gap-3">
        <svg viewBox="0 0 200 16" preserveAspectRatio="none" className="block h-4 min-w-0 grow" aria-hidden="true">
          <rect x="0.5" y="3" width="199" height="10" fill="none" stroke="var(--rule)" />
          <rect
            x="0.5"
            y="3"
            width={Math.min(199, (199 * tools_kg) / Math.max(draft.limit_kg, tools_kg))}
            height="10"
            fill={over ? 'url(#against)' : 'var(--ink)'}
            stroke="var(--ink)"
          />
        </svg>
        <b className={over ? 'text-danger' : ''}>{show.load(tools_kg)}</b>
        <label className="flex items-center gap-1 text-[13px] text-ink-2">
          of
          <input
            type="number"
            aria-label={`Most you carry, ${unit}`}
            className="written w-16 text-right"
            min="1"
            max={Math.round(NUMBERS.carry_kg.most * per_kg)}
            value={Math.round(draft.limit_kg * per_kg)}
            onChange={(e) => {
              const v = Number(e.target.value) / per_kg;
              if (numberProblem(NUMBERS.carry_kg, v) === null) change({ limit_kg: v });
            }}
          />
          {unit}
        </label>
      </div>
      {over && (
        <p className="text-[13px] text-danger">
          ▲ That is all you carry: nothing can be brought back. Leave something at home.
        </p>
      )}
      {loads.length > 0 && !over && (
        <p className="mb-1">
          {show.load(loads.reduce((sum, p) => sum + p.load_kg, 0))} of wet gravel to bring down, in{' '}
          {plural(trips, 'trip')}. A wet bucket can pass {show.load(35)}: lift with a straight back, or carry it by
          halves.
        </p>
      )}
      <ul className="grid grid-cols-1 gap-x-6 sm:grid-cols-2">
        {draft.tools.map((t) => (
          <li key={t.name} className="flex items-center gap-2 border-b border-rule">
            <span className="grow">{t.name}</span>
            <span className="whitespace-nowrap text-ink-2">
              {(t.kg * per_kg).toFixed(1)} {unit}
            </span>
            <button
              type="button"
              className="no-print min-h-11 px-1 text-[13px] text-ink-2 underline underline-offset-4"
              aria-label={`Leave ${t.name} at home`}
              onClick={() => change({ tools: draft.tools.filter((o) => o !== t) })}
            >
              leave
            </button>
          </li>
        ))}
      </ul>
      <form
        className="no-print mt-1 flex flex-wrap items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          setTried(true);
          if (problem) return;
          change({
            tools: [...draft.tools.filter((t) => t.name !== name.trim()), { name: name.trim(), kg }],
          });
          setName('');
          setWeight('');
          setTried(false);
        }}
      >
        <input
          aria-label="Tool"
          placeholder="another tool"
          className="written min-w-0 grow"
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <input
          aria-label={`Its weight, ${unit}`}
          placeholder={unit}
          inputMode="decimal"
          className="written w-20"
          value={weight}
          onChange={(e) => setWeight(e.target.value)}
        />
        <Button type="submit">Take it</Button>
        {tried && problem && (
          <span className="w-full text-[12.5px] text-danger" role="alert">
            ▲ {problem}
          </span>
        )}
      </form>
    </div>
  );
}
