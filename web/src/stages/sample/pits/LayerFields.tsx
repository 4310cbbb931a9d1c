import { FIRMNESS, MOISTURE, NUMBERS, numberProblem, TEXTS, type Layer } from '@riffle/contract';
import { MATERIAL_NAMES, MATERIALS, type LayerSum } from '@riffle/core';
import { useEffect, useRef } from 'react';
import { readEntered } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { Checkbox } from '../../../ui/Checkbox.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Field, SelectField, TextField } from '../../../ui/Field.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';

interface LayerFieldsProps {
  readonly nth: number;
  readonly layer: Layer;
  readonly sum: LayerSum | undefined;
  /** Just put in: its thickness waits to be typed. */
  readonly isFresh: boolean;
  readonly onChange: (some: Partial<Layer>) => void;
  readonly onRemove: () => void;
}
const CLAY = ['none', 'some', 'much', 'sticks to everything'];
const list = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, label: value }));

/** One layer by eye, hand and sound. */
export function LayerFields({ nth, layer, sum, isFresh, onChange, onRemove }: LayerFieldsProps) {
  const show = useShow();
  const fields = useRef<HTMLFieldSetElement>(null);
  useEffect(() => {
    if (isFresh) fields.current?.querySelector('input')?.select();
  }, [isFresh]);
  const thickness = readEntered('length', layer.thicknessEntered);
  return (
    <fieldset className="min-w-0" ref={fields}>
      <legend className="mb-1 font-semibold">Layer {nth}, from the top</legend>
      <div className="grid grid-cols-2 gap-x-4">
        <QuantityField
          label="Thickness"
          entered={layer.thicknessEntered}
          reading={thickness}
          units={['m', 'cm', 'ft', 'in']}
          problem={thickness.ok ? numberProblem(NUMBERS.layerThickness_m, thickness.value) : null}
          onChange={(e) => {
            const r = readEntered('length', e);
            onChange({
              thicknessEntered: e,
              ...(r.ok && numberProblem(NUMBERS.layerThickness_m, r.value) === null && { thickness_m: r.value }),
            });
          }}
          comesTo={thickness.ok && show.length(thickness.value)}
        />
        <SelectField
          label="Material"
          value={layer.material}
          choices={MATERIAL_NAMES.map((m) => ({ value: m, label: MATERIALS[m].says }))}
          onChange={(material) => onChange({ material, ...(material === 'iron gravel' && { iron: true }) })}
        />
        <TextField label="Color" value={layer.color} onChange={(color) => onChange({ color })} limit={TEXTS.color} />
        <SelectField
          label="Firmness"
          value={layer.firmness}
          choices={list(FIRMNESS)}
          onChange={(firmness) => onChange({ firmness })}
          hint="dull knock, scrape, or ring"
        />
        <SelectField
          label="Clay"
          value={String(layer.clay)}
          choices={CLAY.map((label, i) => ({ value: String(i), label }))}
          onChange={(v) => onChange({ clay: Number(v) })}
        />
        <SelectField
          label="Moisture"
          value={layer.moisture}
          choices={list(MOISTURE)}
          onChange={(moisture) => onChange({ moisture })}
        />
        <Field label="Cobbles, %">
          {(ids) => (
            <input
              {...ids}
              inputMode="numeric"
              className="written w-full"
              value={layer.cobbles_percent}
              onFocus={(e) => e.target.select()}
              onChange={(e) => onChange({ cobbles_percent: Math.min(100, Number(e.target.value.replace(/\D/g, ''))) })}
            />
          )}
        </Field>
        <Field label="Black sand, %" hint="of what was panned down; empty: not looked">
          {(ids) => (
            <input
              {...ids}
              inputMode="numeric"
              className="written w-full"
              value={layer.blackSand_percent ?? ''}
              onFocus={(e) => e.target.select()}
              onChange={(e) => {
                const typed = e.target.value.replace(/\D/g, '');
                onChange({ blackSand_percent: typed === '' ? null : Math.min(100, Number(typed)) });
              }}
            />
          )}
        </Field>
        <div className="flex flex-col">
          <Checkbox checked={layer.iron} onChange={(iron) => onChange({ iron })}>
            iron-stained
          </Checkbox>
          <Checkbox checked={layer.pay} onChange={(pay) => onChange({ pay })}>
            this is the pay
          </Checkbox>
        </div>
      </div>
      {sum && (
        <p className="text-ink-2">
          {show.volume(sum.bank_L)} in the bank, {show.volume(sum.loose_L)} dug, about {show.load(sum.weight_kg)} wet.
        </p>
      )}
      <Button look="quiet" onClick={onRemove}>
        Take this layer out
      </Button>
    </fieldset>
  );
}
