import { format, isValid } from 'date-fns';
import { Field } from './Field.tsx';

interface WhenFieldProps {
  readonly label: string;
  /** As the field writes it: "2026-07-28T09:20", by this device's clock; empty for none. */
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly problem?: string | null;
  readonly hint?: string;
}

/** A moment as the field writes it. */
export const asWhen = (at: Date | string): string => format(new Date(at), "yyyy-MM-dd'T'HH:mm");

/** What is wrong with a moment that has been; null where it is right, or empty. */
export function whenProblem(value: string, now = new Date()): string | null {
  if (value === '') return null;
  const at = new Date(value);
  if (!isValid(at)) return 'A day and an hour.';
  if (at > now) return 'That is still to come.';
  return at.getFullYear() < 1900 ? 'Look at the year.' : null;
}

/** A day and an hour that have been. */
export const WhenField = ({ label, value, onChange, problem = null, hint }: WhenFieldProps) => (
  <Field label={label} problem={problem ?? whenProblem(value)} hint={hint}>
    {(ids) => (
      <input
        {...ids}
        type="datetime-local"
        className="written w-full"
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
    )}
  </Field>
);
