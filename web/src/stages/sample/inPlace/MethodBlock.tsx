import { Checkbox } from '../../../ui/Checkbox.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { SelectField, TextField } from '../../../ui/Field.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { CELLS, type InPlace } from './useInPlace.ts';
import { VariogramFields } from './VariogramFields.tsx';

const METHODS = [
  {
    value: 'kriging',
    label: 'kriging',
    says: 'Each place by the samples about it, weighed by how alike samples at that distance are; says how unsure it is. The usual choice from about fifteen samples on.',
  },
  {
    value: 'inverse distance',
    label: 'by distance',
    says: 'Near samples count more. Says nothing about how unsure it is.',
  },
  {
    value: 'polygons',
    label: 'nearest',
    says: 'Every place is as its nearest sample. The oldest way; rich samples spread too far.',
  },
] as const;

/** How it is worked out: the ground that counts, the method, and the thickness where no pit tells. */
export function MethodBlock({ inPlace }: { inPlace: InPlace }) {
  const { draft, change, read, shapes, variogram, bins } = inPlace;
  const shape = shapes.find((o) => o.id === draft.outlineId);
  return (
    <Block title="How it is worked out">
      <SelectField
        label="The ground that counts"
        value={shape?.id ?? ''}
        choices={[
          { value: '', label: 'only about the samples' },
          ...shapes.map((o) => ({ value: o.id, label: `${o.name} (${o.kind})` })),
        ]}
        onChange={(outlineId) => change({ outlineId })}
        hint="Shapes are drawn on the map, under Read."
      />
      <Choices
        label="Method"
        value={draft.method}
        onChange={(method) => change({ method })}
        choices={METHODS.map(({ value, label }) => ({ value, label }))}
      />
      <p className="my-1 text-ink-2">{METHODS.find((m) => m.value === draft.method)?.says}</p>
      <DepthFields inPlace={inPlace} />
      {draft.method !== 'polygons' && (
        <TextField
          label="Alike how many times farther along than across"
          value={draft.streak}
          onChange={(streak) => change({ streak })}
          inputMode="decimal"
          problem={read.problems.streak}
          hint="gold lies in streaks along the water; 1: no streaks"
        />
      )}
      <Checkbox checked={draft.fine} onChange={(checked) => change({ fine: checked })}>
        fine net ({CELLS.fine} cells the long way)
      </Checkbox>
      {draft.method === 'kriging' &&
        (bins.length >= 3 && variogram ? (
          <VariogramFields inPlace={inPlace} variogram={variogram} />
        ) : (
          <p className="border-l-4 border-rule pl-3">
            Too few pairs for a variogram: the map is by distance until there are more samples.
          </p>
        ))}
    </Block>
  );
}

/** Pay and cover where no pit tells, and the depths whose samples count. */
function DepthFields({ inPlace: { draft, change, read } }: { inPlace: InPlace }) {
  const nothing = { ok: true, value: 0 } as const;
  const orNothing = (typed: { text: string }, reading: typeof read.fields.pay) =>
    typed.text.trim() === '' ? nothing : reading;
  return (
    <div className="grid grid-cols-2 gap-x-4">
      <QuantityField
        label="Pay, where no pit says"
        entered={draft.pay}
        reading={orNothing(draft.pay, read.fields.pay)}
        optional
        units={['m', 'cm', 'ft']}
        onChange={(pay) => change({ pay })}
        problem={read.problems.pay}
      />
      <QuantityField
        label="Cover, where no pit says"
        entered={draft.cover}
        reading={orNothing(draft.cover, read.fields.cover)}
        optional
        units={['m', 'cm', 'ft']}
        onChange={(cover) => change({ cover })}
      />
      <QuantityField
        label="Only samples from"
        entered={draft.from}
        reading={draft.from.text === '' ? nothing : read.fields.from}
        units={['m', 'ft']}
        optional
        onChange={(from) => change({ from })}
      />
      <QuantityField
        label="down to"
        entered={draft.to}
        reading={draft.to.text === '' ? nothing : read.fields.to}
        units={['m', 'ft']}
        optional
        onChange={(to) => change({ to })}
        problem={read.problems.to}
      />
    </div>
  );
}
