import type { UNITS } from '@riffle/core';
import { GRADE_UNITS, type Display, type GradeUnit } from '@riffle/core';
import { useState } from 'react';
import { inSystem, LIGHTS, usePreferences } from '../preferences/preferences.ts';
import { useShow } from '../units/useShow.ts';
import { Choices } from '../ui/Choices.tsx';
import { SelectField, TextField } from '../ui/Field.tsx';
import { Block, Gold, Judgement } from '../ui/Judgement.tsx';
import { BackupBlock } from './BackupBlock.tsx';

const GOLD_UNITS = ['mg', 'g', 'grain', 'dwt', 'ozt'] as const satisfies (keyof typeof UNITS.mass)[];

/** Units, light and the person's own price, kept on this device; backups, kept with the server. */
export function SettingsScreen() {
  const { preferences, change } = usePreferences();
  const { display } = preferences;
  const show = useShow();
  const [price, setPrice] = useState(preferences.pricePerGram?.toString() ?? '');
  const priceRead = price.trim() === '' ? null : Number(price);
  const set = (some: Partial<Display>): void => change({ display: { ...display, ...some } });
  return (
    <div className="flex max-w-3xl flex-col gap-6 pt-3">
      <Judgement rests="Everything stays stored as you typed it; this changes only how figures are shown.">
        A rich pan reads <Gold>{show.grade(0.42)}</Gold>; a box reads {show.pitch(0.0521)} and {show.flow(0.0031)}.
      </Judgement>
      <Block title="Units">
        <div className="grid grid-cols-1 gap-4 sm:grid-cols-3">
          <div className="sm:col-span-3">
            <Choices
              label="System"
              value={display.system}
              onChange={(system) => set(inSystem(system))}
              choices={[
                { value: 'metric', label: 'Metric' },
                { value: 'US', label: 'US' },
              ]}
            />
          </div>
          <SelectField
            label="Gold in"
            value={display.gold}
            onChange={(gold) => set({ gold })}
            choices={GOLD_UNITS.map((u) => ({ value: u, label: u }))}
          />
          <SelectField
            label="Grade in"
            value={display.grade}
            onChange={(grade) => set({ grade })}
            choices={(Object.keys(GRADE_UNITS) as GradeUnit[]).map((u) => ({ value: u, label: u }))}
          />
        </div>
      </Block>
      <Block title="Light">
        <Choices
          label="Light"
          value={preferences.light}
          onChange={(light) => change({ light })}
          choices={LIGHTS.map((l) => ({ value: l, label: l }))}
        />
      </Block>
      <Block title="Positions" aside="asked for only when you tap “Where I stand”">
        <Choices
          label="Positions from"
          value={preferences.positionFrom}
          onChange={(positionFrom) => change({ positionFrom })}
          choices={[
            { value: 'device', label: 'this device' },
            { value: 'simulated', label: 'a simulated receiver' },
          ]}
        />
        <p className="mt-1 text-[13px] text-ink-2">
          The simulated one walks up the chosen ground, to try things out at home.
        </p>
      </Block>
      <Block title="Your price" aside="Riffle knows no price but yours">
        <div className="grid grid-cols-1 gap-4 sm:grid-cols-3">
          <TextField
            label="For one gram of your gold"
            value={price}
            problem={priceRead !== null && !(priceRead > 0) ? 'Write a number above 0, such as 62.50.' : null}
            onChange={(v) => {
              setPrice(v);
              const n = Number(v);
              change({ pricePerGram: v.trim() !== '' && n > 0 ? n : null });
            }}
          />
          <TextField
            label="Money"
            value={preferences.money}
            hint="Shown beside the figure: $, €, crowns"
            onChange={(money) => change({ money })}
          />
        </div>
      </Block>
      <BackupBlock />
    </div>
  );
}
