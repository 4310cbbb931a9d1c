import { GRADE_UNITS, significant, UNITS, type Entered } from '@riffle/core';
import { useState } from 'react';
import { usePreferences } from '../../units/displayPreference.ts';
import { readEntered } from '../../units/readEntered.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

/** What the ranking goes by: the grade that pays this person, and how deep their tools reach. */
export function RulesSheet({ onClose }: { onClose: () => void }) {
  const { preferences, change } = usePreferences();
  const { grade, system } = preferences.display;
  const unit = system === 'US' ? 'ft' : 'm';
  const [pays, setPays] = useState(significant(preferences.pays_mg_L * GRADE_UNITS[grade], 2));
  const [reach, setReach] = useState<Entered>({ text: significant(preferences.reach_m / UNITS.length[unit], 2), unit });
  const [tried, setTried] = useState(false);
  const value = Number(pays.replaceAll(',', ''));
  const paysProblem = pays.trim() === '' || !(value > 0) || !(value / GRADE_UNITS[grade] <= 1000) ? `Write a grade above 0, in ${grade}.` : null;
  const reading = readEntered('length', reach);
  const reachProblem = reading.ok && !(reading.value > 0 && reading.value <= 10) ? 'Between 0 and 10 m.' : null;
  const save = (): void => {
    setTried(true);
    if (paysProblem || !reading.ok || reachProblem) return;
    change({ pays_mg_L: value / GRADE_UNITS[grade], reach_m: reading.value });
    onClose();
  };
  return (
    <Sheet open onOpenChange={(open) => { if (!open) onClose(); }} title="What the ranking goes by">
      <form className="flex flex-col gap-2" onSubmit={(e) => { e.preventDefault(); save(); }}>
        <TextField label={`Ground pays you from, ${grade} bank`} value={pays} onChange={setPays} problem={tried ? paysProblem : null} />
        <QuantityField label="Your tools reach down to" entered={reach} reading={reading} units={['m', 'ft', 'cm', 'in']} showProblem={tried} problem={reachProblem} onChange={(r) => setReach({ text: r.text, unit: r.unit })} />
        <p className="text-[13px] text-ink-2">What each kind of sign is worth before you tried it here is common practice, no source: bedrock cracks and inside bends before lees, lees before bare black sand. Your own pans move it. Signs that overlap count half for each after the first.</p>
        <Button look="main" type="submit" className="mt-2">Rank by these</Button>
      </form>
    </Sheet>
  );
}
