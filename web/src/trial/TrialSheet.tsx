import { MOST, TEXTS, textProblem, TRIAL_MEASURES, type StoredTrial, type Trial } from '@riffle/contract';
import type { Entered } from '@riffle/core';
import { useState } from 'react';
import { useKeep } from '../records/useKeep.ts';
import { Button } from '../ui/Button.tsx';
import { SelectField, TextField } from '../ui/Field.tsx';
import { QuantityField } from '../ui/QuantityField.tsx';
import { FormSheet, Sheet } from '../ui/Sheet.tsx';
import { TextButton } from '../ui/TextButton.tsx';
import { toast } from '../ui/toast.ts';
import { readFigure } from './readFigure.ts';
import { RoundsDrawn } from './RoundsDrawn.tsx';
import { HOW, openRound, tossed, trialWords, UNITS_OF, type Measure } from './trialWords.ts';

const MEASURES = Object.keys(TRIAL_MEASURES) as Measure[];

interface NewTrialSheetProps {
  readonly groundId: string;
  /** What A and the measure stand for until one says otherwise. */
  readonly a: string;
  readonly measure: Measure;
  readonly onClose: () => void;
  readonly onKept: (id: string) => void;
}

/** Names what is compared and how; the coin is tossed for the first round at once. */
export function NewTrialSheet({ groundId, a: usualA, measure: usual, onClose, onKept }: NewTrialSheetProps) {
  const { add } = useKeep('trials');
  const [{ a, b, measure }, set] = useState({ a: usualA, b: '', measure: usual });
  const [tried, setTried] = useState(false);
  const wrong = (name: string): string | null =>
    name.trim() === '' ? TEXTS.name.needed : textProblem(TEXTS.name, name);
  const save = (): void => {
    setTried(true);
    if (wrong(a) ?? wrong(b)) return;
    onKept(add({ groundId, a: a.trim(), b: b.trim(), measure, rounds: [newRound()], note: '' }));
  };
  return (
    <FormSheet title="Compare two, by coin" onClose={onClose} onSave={save}>
      <p className="text-ink-2">
        One thing different, all else alike. A coin says which comes first in each round, so that neither the ground nor
        your hopes choose.
      </p>
      <TextField
        label="A"
        value={a}
        onChange={(text) => set((d) => ({ ...d, a: text }))}
        problem={tried ? wrong(a) : null}
      />
      <TextField
        label="B"
        value={b}
        onChange={(text) => set((d) => ({ ...d, b: text }))}
        problem={tried ? wrong(b) : null}
        hint="what is different, such as “head 20 mm higher”"
      />
      <SelectField
        label="Compared by"
        value={measure}
        choices={MEASURES.map((m) => ({ value: m, label: `${m} (${TRIAL_MEASURES[m]} is better)` }))}
        onChange={(m) => set((d) => ({ ...d, measure: m }))}
        hint={HOW[measure]}
      />
      <Button look="main" type="submit" className="mt-2 min-h-14 w-full text-[18px]">
        Toss the coin
      </Button>
    </FormSheet>
  );
}

const newRound = (): Trial['rounds'][number] => {
  const none = { value: null, entered: null };
  return { tossedAt: new Date().toISOString(), first: tossed(), a: none, b: none };
};

/** A comparison: its verdict, its rounds, and the next thing to do. */
export function TrialSheet({ trial, onClose }: { readonly trial: StoredTrial; readonly onClose: () => void }) {
  const { change, takeOut } = useKeep('trials');
  const { says, rests } = trialWords(trial);
  const open = openRound(trial);
  const whole = trial.rounds.filter((r) => r !== open);
  return (
    <Sheet title={`${trial.a} or ${trial.b}`} onClose={onClose}>
      <div className="flex flex-col gap-2">
        <p className="font-serif text-[22px] leading-tight font-semibold" aria-live="polite">
          {says}
        </p>
        <p className="text-ink-2">{rests}</p>
        {whole.length > 0 && <RoundsDrawn trial={trial} />}
        {open ? (
          <OpenRound key={`${open.tossedAt}-${trial.version}`} trial={trial} />
        ) : (
          trial.rounds.length < MOST.trialRounds && (
            <Button
              look="main"
              className="min-h-14 w-full text-[18px]"
              onClick={() => change(trial, { rounds: [...trial.rounds, newRound()] })}
            >
              Toss for the next round
            </Button>
          )
        )}
        <p className="text-[13px] text-ink-2">{HOW[trial.measure]}</p>
        <div className="flex flex-wrap gap-x-5">
          {whole.length > 0 && (
            <TextButton
              onClick={() =>
                change(
                  trial,
                  { rounds: trial.rounds.filter((r) => r !== whole.at(-1)) },
                  'The last round is taken out.',
                )
              }
            >
              take the last round out
            </TextButton>
          )}
          <TextButton
            onClick={() => {
              takeOut(trial, 'The comparison is put away.');
              onClose();
            }}
          >
            put it away
          </TextButton>
        </div>
      </div>
    </Sheet>
  );
}

/** The round whose coin is tossed: in which order, and what each came to. One may be kept before the other. */
function OpenRound({ trial }: { readonly trial: StoredTrial }) {
  const { change } = useKeep('trials');
  const round = openRound(trial);
  const units = UNITS_OF[trial.measure];
  const empty: Entered = { text: '', unit: units[0] ?? '' };
  const [typed, set] = useState({ A: round?.a.entered ?? empty, B: round?.b.entered ?? empty });
  const [tried, setTried] = useState(false);
  if (!round) return null;
  const order = round.first === 'A' ? (['A', 'B'] as const) : (['B', 'A'] as const);
  const nameOf = (side: 'A' | 'B'): string => (side === 'A' ? trial.a : trial.b);
  const figure = (side: 'A' | 'B') => {
    const read = readFigure(trial.measure, typed[side]);
    return typed[side].text.trim() === '' || !read.ok ? null : { value: read.value, entered: typed[side] };
  };
  const none = { value: null, entered: null };
  const unread = order.some((side) => typed[side].text.trim() !== '' && !figure(side));
  const problem = unread
    ? 'see the field marked.'
    : figure('A') || figure('B')
      ? null
      : 'give at least what came first.';
  const keep = (): void => {
    setTried(true);
    const [a, b] = [figure('A'), figure('B')];
    if (problem) return;
    change(trial, { rounds: trial.rounds.map((r) => (r === round ? { ...r, a: a ?? none, b: b ?? none } : r)) });
    toast(a && b ? 'The round is kept.' : 'Kept: the first of the two. The other follows.');
  };
  return (
    <form
      className="flex flex-col border-y-2 border-ink py-3"
      onSubmit={(e) => {
        e.preventDefault();
        keep();
      }}
    >
      <p className="mb-2 text-[18px] font-bold">
        {order[0]} first: {nameOf(order[0])}. Then {order[1]}.
      </p>
      {order.map((side) => {
        const reading = readFigure(trial.measure, typed[side]);
        const problem = reading.ok || typed[side].text.trim() === '' ? null : reading.problem;
        return units.length > 0 ? (
          <QuantityField
            key={side}
            label={`${side}, ${nameOf(side)}: ${trial.measure}`}
            entered={typed[side]}
            reading={reading}
            units={units}
            optional
            showProblem={tried}
            onChange={(entered) => set((d) => ({ ...d, [side]: entered }))}
          />
        ) : (
          <TextField
            key={side}
            label={`${side}, ${nameOf(side)}: ${trial.measure}`}
            value={typed[side].text}
            inputMode={trial.measure === 'minutes a bucket' ? 'decimal' : 'numeric'}
            problem={problem}
            onChange={(text) => set((d) => ({ ...d, [side]: { ...d[side], text } }))}
          />
        );
      })}
      <p role="alert" className="min-h-5 text-[12.5px] text-danger">
        {tried && problem && `▲ Not kept: ${problem}`}
      </p>
      <Button look="main" type="submit" className="min-h-14 w-full text-[18px]">
        Keep the round
      </Button>
    </form>
  );
}
