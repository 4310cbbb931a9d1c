import { GRADE_UNITS, SIGN_KIND_NAMES, signKind, significant, UNITS, type Entered } from '@riffle/core';
import { useState } from 'react';
import { usePreferences } from '../../preferences/preferences.ts';
import { readEntered } from '../../units/readEntered.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { FormSheet } from '../../ui/Sheet.tsx';
import { numberTyped } from '../../units/numberTyped.ts';

const shareOf = (p: { readonly paid: number; readonly tried: number }): number => p.paid / p.tried;

/** What the ranking goes by: the grade that pays this person, and how deep their tools reach. */
export function RulesSheet({ onClose }: { onClose: () => void }) {
  const { preferences, change } = usePreferences();
  const { grade, system } = preferences.display;
  const unit = system === 'US' ? 'ft' : 'm';
  const [pays, setPays] = useState(significant(preferences.pays_mg_L * GRADE_UNITS[grade], 2));
  const [reach, setReach] = useState<Entered>({ text: significant(preferences.reach_m / UNITS.length[unit], 2), unit });
  const [chances, setChances] = useState(() =>
    Object.fromEntries(
      SIGN_KIND_NAMES.map((k) => [k, String(Math.round(100 * shareOf(preferences.priors[k] ?? signKind(k).prior)))]),
    ),
  );
  const [tried, setTried] = useState(false);
  const wrongChance = SIGN_KIND_NAMES.find((k) => !(Number(chances[k]) >= 2 && Number(chances[k]) <= 98));
  const value = numberTyped(pays);
  const paysProblem =
    !(value > 0) || !(value / GRADE_UNITS[grade] <= 1000) ? `Write a grade above 0, in ${grade}.` : null;
  const reading = readEntered('length', reach);
  const reachProblem = reading.ok && !(reading.value > 0 && reading.value <= 10) ? 'Between 0 and 10 m.' : null;
  const save = (): void => {
    setTried(true);
    if (paysProblem || !reading.ok || reachProblem || wrongChance) return;
    // Only what differs from common practice is kept, so that a better common practice reaches the rest.
    const own = SIGN_KIND_NAMES.filter((k) => Number(chances[k]) !== Math.round(100 * shareOf(signKind(k).prior)));
    change({
      pays_mg_L: value / GRADE_UNITS[grade],
      reach_m: reading.value,
      priors: Object.fromEntries(
        own.map((k) => [
          k,
          { paid: (Number(chances[k]) / 100) * signKind(k).prior.tried, tried: signKind(k).prior.tried },
        ]),
      ),
    });
    onClose();
  };
  return (
    <FormSheet title="What the ranking goes by" onClose={onClose} onSave={save}>
      <TextField
        label={`Ground pays you from, ${grade} bank`}
        value={pays}
        onChange={setPays}
        problem={tried ? paysProblem : null}
      />
      <QuantityField
        label="Your tools reach down to"
        entered={reach}
        reading={reading}
        units={['m', 'ft', 'cm', 'in']}
        showProblem={tried}
        problem={reachProblem}
        onChange={(r) => setReach({ text: r.text, unit: r.unit })}
      />
      <p className="text-[13px] text-ink-2">
        What each kind of sign is worth before you tried it here is common practice, no source: bedrock cracks and
        inside bends before lees, lees before bare black sand. Your own pans move it. Signs that overlap count half for
        each after the first.
      </p>
      <details className="border-y border-rule py-1" open={tried && wrongChance !== undefined}>
        <summary className="min-h-11 content-center font-semibold">What you hold of each kind</summary>
        <p className="mb-2 text-[13px] text-ink-2">
          How many of a hundred places of a kind pay, before any pan of yours. Each counts as six tries.
        </p>
        <ul className="grid grid-cols-2 gap-x-5">
          {SIGN_KIND_NAMES.filter((k) => k !== 'other').map((k) => (
            <li key={k} className="flex items-center justify-between gap-2 border-b border-rule">
              <label htmlFor={`prior-${k}`}>
                {k}
                {Number(chances[k]) !== Math.round(100 * shareOf(signKind(k).prior)) && (
                  <b title="differs from common practice"> *</b>
                )}
              </label>
              <input
                id={`prior-${k}`}
                className="written w-14 text-right"
                inputMode="numeric"
                value={chances[k]}
                aria-invalid={k === wrongChance}
                onChange={(e) => setChances({ ...chances, [k]: e.target.value })}
              />
            </li>
          ))}
        </ul>
        {wrongChance && <p className="text-[12.5px] text-danger">▲ {wrongChance}: write 2 to 98 of a hundred.</p>}
        <Button
          look="quiet"
          onClick={() =>
            setChances(
              Object.fromEntries(SIGN_KIND_NAMES.map((k) => [k, String(Math.round(100 * shareOf(signKind(k).prior)))])),
            )
          }
        >
          Back to common practice
        </Button>
      </details>
      <Button look="main" type="submit" className="mt-2">
        Rank by these
      </Button>
    </FormSheet>
  );
}
