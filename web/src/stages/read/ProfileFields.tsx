import type { StoredGround } from '@riffle/contract';
import { UNITS, type Entered } from '@riffle/core';
import { useState } from 'react';
import { readEntered } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { TextButton } from '../../ui/TextButton.tsx';
import { numberTyped } from '../../units/numberTyped.ts';

type Profile = StoredGround['profile'];
type Form = Profile[number]['form'];

/** Heights of the bed by hand level, walking up: how far, how much higher than the place before, what the water does there. */
export function ProfileFields({
  profile,
  length_m,
  onChange,
}: {
  profile: Profile;
  length_m: number;
  onChange: (profile: Profile) => void;
}) {
  const show = useShow();
  const unit = show.display.system === 'US' ? 'ft' : 'm';
  const order = [...profile].sort((a, b) => a.distance_m - b.distance_m);
  const last = order.at(-1);
  const [distance, setDistance] = useState<Entered>({ text: last ? '' : '0', unit });
  const [rise, setRise] = useState<Entered>({ text: last ? '' : '0', unit });
  const [form, setForm] = useState<Form>('riffle');
  const [tried, setTried] = useState(false);
  const at = readEntered('length', distance);
  const up = numberTyped(rise.text) * UNITS.length[rise.unit === 'ft' ? 'ft' : 'm'];
  const before = at.ok ? order.filter((p) => p.distance_m < at.value).at(-1) : undefined;
  const atProblem = at.ok && at.value > length_m + 0.5 ? `The ground is ${show.distance(length_m)} long.` : null;
  const upProblem = !(Math.abs(up) <= 100) ? 'How much higher than the place below; less than 0 if lower.' : null;
  const add = (): void => {
    setTried(true);
    if (!at.ok || atProblem || upProblem) return;
    onChange([
      ...profile.filter((p) => Math.abs(p.distance_m - at.value) > 0.05),
      { distance_m: at.value, height_m: (before?.height_m ?? 0) + up, form },
    ]);
    setDistance({ ...distance, text: '' });
    setRise({ ...rise, text: '' });
    setTried(false);
  };
  return (
    <div className="flex flex-col gap-1">
      <ul>
        {order.map((p) => (
          <li key={p.distance_m} className="flex items-center gap-3 border-b border-rule">
            <span className="grow">
              {p.form} at {show.distance(p.distance_m)}, {show.length(p.height_m)} above the foot
            </span>
            <TextButton
              aria-label={`Take out the height at ${show.distance(p.distance_m)}`}
              onClick={() => onChange(profile.filter((o) => o !== p))}
            >
              take out
            </TextButton>
          </li>
        ))}
      </ul>
      <div className="grid grid-cols-2 gap-x-4">
        <QuantityField
          label="Height taken at"
          entered={distance}
          reading={at}
          units={['m', 'ft']}
          showProblem={tried}
          problem={tried ? atProblem : null}
          onChange={(d) => setDistance({ text: d.text, unit: d.unit })}
        />
        <QuantityField
          label="Higher than the one below by"
          entered={rise}
          reading={upProblem ? { ok: false, problem: upProblem } : { ok: true, value: up }}
          units={['m', 'ft']}
          showProblem={tried}
          onChange={(r) => setRise({ text: r.text, unit: r.unit })}
        />
      </div>
      <Choices
        label="The water there"
        value={form}
        onChange={setForm}
        choices={(['pool', 'riffle', 'run', 'step'] as const).map((f) => ({ value: f, label: f }))}
      />
      <Button onClick={add}>Add this height</Button>
    </div>
  );
}
