import type { Entered } from '@riffle/core';
import { useState, type ReactElement } from 'react';
import type { Reading } from '../units/readEntered.ts';
import { Field } from './Field.tsx';

interface QuantityFieldProps {
  readonly label: string;
  readonly entered: Entered;
  readonly reading: Reading;
  /** Units offered beside the line; any unit may also be typed. */
  readonly units: readonly string[];
  readonly onChange: (entered: Entered) => void;
  /** What it comes to, shown when it can be read and is not just what was typed. */
  readonly comesTo?: string | false | ReactElement | undefined;
  /** Shown at once, as after a press on Save; otherwise a problem waits until the field is left. */
  readonly showProblem?: boolean;
  readonly optional?: boolean;
  readonly problem?: string | null;
}

/** A number as people say it: "2/3 bucket", "1 1/2 in", "14 gr". What is typed is kept as typed. */
export function QuantityField({
  label,
  entered,
  reading,
  units,
  onChange,
  comesTo,
  showProblem = false,
  optional = false,
  problem,
}: QuantityFieldProps) {
  const [left, setLeft] = useState(false);
  const empty = entered.text.trim() === '';
  const repeats =
    typeof comesTo === 'string' &&
    [entered.text.trim(), `${entered.text.trim()} ${entered.unit}`].includes(comesTo.replaceAll('\u00a0', ' '));
  const wrong = reading.ok || (empty && (optional || !showProblem)) || (!left && !showProblem) ? null : reading.problem;
  return (
    <Field label={label} problem={problem ?? wrong} hint={reading.ok && !repeats ? comesTo : undefined}>
      {(ids) => (
        <div className="flex">
          <input
            {...ids}
            className="written w-full min-w-0"
            value={entered.text}
            inputMode="text"
            autoComplete="off"
            onBlur={() => setLeft(true)}
            onChange={(e) => onChange({ ...entered, text: e.target.value })}
          />
          <select
            aria-label={`${label}: unit`}
            className="written max-w-28 min-w-[4.7rem] border-l-2 border-l-rule pr-0.5 pl-1.5 tight:max-w-[45%] tight:min-w-0"
            value={entered.unit}
            onChange={(e) => onChange({ ...entered, unit: e.target.value })}
          >
            {(units.includes(entered.unit) ? units : [entered.unit, ...units]).map((u) => (
              <option key={u}>{u}</option>
            ))}
          </select>
        </div>
      )}
    </Field>
  );
}
