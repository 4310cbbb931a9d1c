import { NUMBERS, numberProblem, type StoredRun } from '@riffle/contract';
import { useState } from 'react';
import { usePreferences } from '../../preferences/preferences.ts';
import { useContainers } from '../../records/useContainers.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { readVolume } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';

/** Fuel as it is being typed: what stands in the field, and what is wrong with it. */
export function useFuel(run: Pick<StoredRun, 'fuel_L' | 'fuelEntered'>) {
  const containers = useContainers();
  const { system } = usePreferences().preferences.display;
  const [entered, setEntered] = useState(run.fuelEntered ?? { text: '', unit: system === 'US' ? 'gal' : 'L' });
  const reading = readVolume(entered, containers);
  const isSaid = entered.text.trim() !== '';
  const problem = isSaid && reading.ok ? numberProblem(NUMBERS.fuel_L, reading.value) : null;
  return {
    entered,
    setEntered,
    reading,
    problem,
    /** It can be kept: as nothing, or as a measure. */
    ok: !isSaid || (reading.ok && problem === null),
    told: isSaid && reading.ok ? { fuel_L: reading.value, fuelEntered: entered } : { fuel_L: null, fuelEntered: null },
  };
}

/** What pump, blower or motor burnt in a run; 0 where it ran by hand or by the creek. */
export function FuelField({ fuel, tried }: { readonly fuel: ReturnType<typeof useFuel>; readonly tried: boolean }) {
  const show = useShow();
  return (
    <QuantityField
      label="Fuel burnt"
      entered={fuel.entered}
      reading={fuel.reading}
      units={['L', 'mL', 'gal', 'qt']}
      optional
      showProblem={tried}
      problem={fuel.problem}
      comesTo={fuel.reading.ok && show.volume(fuel.reading.value)}
      onChange={fuel.setEntered}
    />
  );
}
