import { textProblem, type TextLimit } from '@riffle/contract';
import { useId, type ReactNode } from 'react';

interface FieldProps {
  readonly label: string;
  /** What is wrong, where it happened. */
  readonly problem?: string | null | undefined;
  /** What the typed value comes to, or what to type. */
  readonly hint?: ReactNode;
  readonly children: (ids: { id: string; 'aria-describedby': string; 'aria-invalid': boolean }) => ReactNode;
}

/** Label above, the written line, then its problem or hint. */
export function Field({ label, problem, hint, children }: FieldProps) {
  const id = useId();
  const aboutId = `${id}-about`;
  return (
    <div className="flex min-w-0 flex-col">
      <label htmlFor={id} className="text-[13px] text-ink-2">
        {label}
      </label>
      {children({ id, 'aria-describedby': aboutId, 'aria-invalid': Boolean(problem) })}
      <div id={aboutId} className="min-h-5 text-[12.5px]">
        {problem ? <span className="text-danger">▲ {problem}</span> : <span className="text-ink-2">{hint}</span>}
      </div>
    </div>
  );
}

interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly problem?: string | null;
  readonly hint?: ReactNode;
  readonly rows?: number;
  /** The keys a phone brings up: figures for a bare number. */
  readonly inputMode?: 'text' | 'decimal' | 'numeric';
  /** What is too long is said at once, under what was typed: nothing is ever cut short. */
  readonly limit?: TextLimit;
  /** What is likely: offered, never put in. */
  readonly offered?: readonly string[];
}

export function TextField({ label, value, onChange, problem, hint, rows, inputMode, limit, offered }: TextFieldProps) {
  const offeredId = useId();
  const tooLong = limit && value.trim() !== '' ? textProblem(limit, value) : null;
  return (
    <Field label={label} problem={problem ?? tooLong} hint={hint}>
      {(ids) =>
        rows ? (
          <textarea
            {...ids}
            rows={rows}
            className="written w-full resize-y"
            value={value}
            onChange={(e) => onChange(e.target.value)}
          />
        ) : (
          <>
            <input
              {...ids}
              inputMode={inputMode}
              className="written w-full"
              value={value}
              onChange={(e) => onChange(e.target.value)}
              autoComplete="off"
              list={offered && offeredId}
            />
            {offered && (
              <datalist id={offeredId}>
                {offered.map((words) => (
                  <option key={words} value={words} />
                ))}
              </datalist>
            )}
          </>
        )
      }
    </Field>
  );
}

export interface Choice<T extends string> {
  readonly value: T;
  readonly label: string;
}

interface SelectFieldProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly choices: readonly Choice<T>[];
  readonly onChange: (value: T) => void;
  readonly problem?: string | null;
  readonly hint?: ReactNode;
}

/** The phone's own list of choices: the fastest thing for wet fingers. */
export function SelectField<T extends string>({ label, value, choices, onChange, problem, hint }: SelectFieldProps<T>) {
  return (
    <Field label={label} problem={problem} hint={hint}>
      {(ids) => (
        <select {...ids} className="written w-full" value={value} onChange={(e) => onChange(e.target.value as T)}>
          {choices.map((c) => (
            <option key={c.value} value={c.value}>
              {c.label}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}
