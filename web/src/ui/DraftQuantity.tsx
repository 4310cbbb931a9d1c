import type { Entered } from '@riffle/core';
import type { ReactElement } from 'react';
import type { Reading } from '../units/readEntered.ts';
import { QuantityField } from './QuantityField.tsx';

interface DraftQuantityProps<F extends string> {
  readonly label: string;
  /** What is being written, with how each of its fields reads. */
  readonly form: {
    readonly draft: Readonly<Record<F, Entered>>;
    readonly readings: Readonly<Record<F, Reading>>;
    readonly change: (part: Readonly<Partial<Record<F, Entered>>>) => void;
    readonly tried: boolean;
  };
  /** The field of it that is written here. */
  readonly of: F;
  readonly units: readonly string[];
  /** What the value comes to, shown under it. */
  readonly says?: (value: number) => string | ReactElement | false;
  /** What it means to leave it empty, where that may be. */
  readonly empty?: string;
}

/** A quantity of what is being written, by the name of its field. */
export function DraftQuantity<F extends string>({ label, form, of, units, says, empty }: DraftQuantityProps<F>) {
  const [entered, reading] = [form.draft[of], form.readings[of]];
  const left = empty !== undefined && entered.text.trim() === '';
  return (
    <QuantityField
      label={label}
      entered={entered}
      reading={reading}
      units={units}
      showProblem={form.tried}
      optional={empty !== undefined}
      onChange={(typed) => form.change({ [of]: typed } as Partial<Record<F, Entered>>)}
      comesTo={left ? `empty: ${empty}` : reading.ok && says?.(reading.value)}
    />
  );
}
