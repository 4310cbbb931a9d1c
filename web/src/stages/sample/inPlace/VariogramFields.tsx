import { VARIOGRAM_MODELS, type Variogram } from '@riffle/core';
import { Button } from '../../../ui/Button.tsx';
import { SelectField, TextField } from '../../../ui/Field.tsx';
import { asTyped } from './readInPlace.ts';
import type { InPlace } from './useInPlace.ts';
import { VariogramChart } from './VariogramChart.tsx';

const FIELDS = [
  ['nugget', 'Nugget'],
  ['partialSill', 'Partial sill'],
  ['range_m', 'Range across, m'],
] as const;

/** How alike samples at a distance are: fitted, or the person's own. */
export function VariogramFields({ inPlace, variogram }: { inPlace: InPlace; variogram: Variogram }) {
  const { draft, change, read, bins, fitted } = inPlace;
  const typed = draft.own ?? asTyped(fitted);
  return (
    <div className="mt-2 border-t border-rule pt-2">
      <VariogramChart bins={bins} model={variogram} />
      <div className="grid grid-cols-2 gap-x-4">
        <SelectField
          label="Model"
          value={draft.model}
          choices={VARIOGRAM_MODELS.map((m) => ({ value: m, label: m }))}
          onChange={(model) => change({ model })}
        />
        {FIELDS.map(([field, label]) => (
          <TextField
            key={field}
            label={label}
            inputMode="decimal"
            value={typed[field]}
            onChange={(text) => change({ own: { ...typed, [field]: text } })}
          />
        ))}
      </div>
      {read.problems.own && <p className="text-danger">▲ {read.problems.own} The fitted one is used.</p>}
      {draft.own ? (
        <Button look="quiet" onClick={() => change({ own: null })}>
          Back to the fitted one
        </Button>
      ) : (
        <p className="text-ink-2">
          Fitted to {bins.reduce((sum, b) => sum + b.pairs, 0)} pairs, weighed by their number over the square of their
          distance.
        </p>
      )}
    </div>
  );
}
