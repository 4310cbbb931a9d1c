import { HomeScreen } from './HomeScreen.tsx';
import { TEXTS } from '@riffle/contract';
import type { UNITS } from '@riffle/core';
import { GRADE_UNITS, type Display, type GradeUnit } from '@riffle/core';
import { useState } from 'react';
import { Link } from '../ui/Link.tsx';
import { useRecords } from '../records/useRecords.ts';
import { lastGround } from '../shell/useGround.ts';
import { inSystem, LIGHTS, usePreferences } from '../preferences/preferences.ts';
import { useShow } from '../units/useShow.ts';
import { Choices } from '../ui/Choices.tsx';
import { SelectField, TextField } from '../ui/Field.tsx';
import { Block, Gold, Judgement } from '../ui/Judgement.tsx';
import { BackupBlock } from './BackupBlock.tsx';
import { numberTyped } from '../units/numberTyped.ts';

const GOLD_UNITS = ['mg', 'g', 'grain', 'dwt', 'ozt'] as const satisfies (keyof typeof UNITS.mass)[];

/** A sum of money as typed; null for an empty field, undefined where it is none. */
const amountOf = (text: string): number | null | undefined =>
  text.trim() === '' ? null : numberTyped(text) > 0 ? numberTyped(text) : undefined;

/** Units, light and the person's own price, kept on this device; backups, kept with the server. */
export function SettingsScreen() {
  const { preferences, change } = usePreferences();
  const { display } = preferences;
  const show = useShow();
  const { items: grounds } = useRecords('grounds');
  const groundId = lastGround() ?? grounds[0]?.id;
  const sure = groundId === undefined ? '/grounds/new' : `/g/${groundId}/sure`;
  const [price, setPrice] = useState(preferences.pricePerGram?.toString() ?? '');
  const [hour, setHour] = useState(preferences.hourMustBring?.toString() ?? '');
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
      <Block title="You">
        <div className="max-w-80">
          <TextField
            label="Who works with this device"
            value={preferences.person}
            onChange={(person) => change({ person })}
            limit={TEXTS.panner}
            hint="What is put right of a run says so; may be empty."
          />
        </div>
      </Block>
      <HomeScreen />
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
          The simulated one walks up the chosen ground, and a simulated scale stands with it, to try things out at home.
        </p>
      </Block>
      <Block title="Your price" aside="Riffle knows no price but yours">
        <div className="grid grid-cols-1 gap-4 sm:grid-cols-3">
          <TextField
            label="For one gram of your gold"
            value={price}
            problem={amountOf(price) === undefined ? 'Write a number above 0, such as 62.50.' : null}
            onChange={(v) => {
              setPrice(v);
              change({ pricePerGram: amountOf(v) ?? null });
            }}
          />
          <TextField
            label="Money"
            value={preferences.money}
            hint="Shown beside the figure: $, €, crowns"
            onChange={(money) => change({ money })}
          />
          <TextField
            label="What an hour has to bring"
            value={hour}
            problem={amountOf(hour) === undefined ? 'Write a number above 0, such as 15.' : null}
            hint="Pits say how likely one does"
            onChange={(v) => {
              setHour(v);
              change({ hourMustBring: amountOf(v) ?? null });
            }}
          />
        </div>
      </Block>
      <Block title="What a color weighs" aside="before you have weighed any of your own">
        <Choices
          label="Usual weights"
          value={preferences.colorSchool}
          onChange={(colorSchool) => change({ colorSchool })}
          choices={[
            { value: 'geometry', label: 'by sieve and flatness' },
            { value: 'handbook', label: 'by the handbook' },
          ]}
        />
        <p className="mt-1 text-[13px] text-ink-2">
          {preferences.colorSchool === 'geometry'
            ? 'A flake as wide as its class and a third as thick: the default, for no color can be heavier than what its sieve lets through.'
            : 'Colors per ounce from an old handbook, from memory, for chunky gold. Its finest class is heavier than a ball of gold that passes the sieve, and is held to that ball.'}{' '}
          Weighed pans move either.
        </p>
      </Block>
      <Block title="How sure is it?">
        <p>
          Every band and chance is held against simulated truth, and against your own clean-ups.{' '}
          <Link className="inline-block min-h-11 content-center underline underline-offset-4" to={sure}>
            See how often Riffle is right
          </Link>
        </p>
      </Block>
      <BackupBlock />
    </div>
  );
}
