import { NUMBERS, textProblem, TEXTS, type StoredSeeding } from '@riffle/contract';
import { COLOR_CLASSES, type ColorClass, type Recovery } from '@riffle/core';
import { useState } from 'react';
import { useKeep } from '../../../records/useKeep.ts';
import { TextButton } from '../../../ui/TextButton.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Field, SelectField, TextField } from '../../../ui/Field.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { DryHands } from './DryHands.tsx';
import { CLASS_NAMES } from '../pan/SizePan.tsx';
import { useLocalTime } from '../../../when/useLocalTime.ts';

interface PracticeProps {
  readonly seedings: readonly StoredSeeding[];
  readonly hands: readonly { readonly panner: string; readonly recovery: Recovery }[];
  /** Whether one pans dry on this ground. */
  readonly isDry: boolean;
}

/** Practice pans: put in grains you counted, pan as you always do, count what comes back. */
export function Practice({ seedings, hands, isDry }: PracticeProps) {
  const local = useLocalTime();
  const { put: keepIt, takeOut } = useKeep('seedings');
  /** A pan of the list that is put right; null: a new one. */
  const [mended, setMended] = useState<StoredSeeding | null>(null);
  const [panner, setPanner] = useState(() => seedings.at(-1)?.panner ?? '');
  const [size, setSize] = useState<ColorClass>('-40');
  const [way, setWay] = useState<StoredSeeding['way']>(isDry ? 'dry' : 'wet');
  const [putIn, setPutIn] = useState('10');
  const [cameBack, setCameBack] = useState('');
  const [tried, setTried] = useState(false);
  const [put, back] = [whole(putIn), whole(cameBack)];
  const problems = {
    panner: panner.trim() === '' ? 'Whose hands?' : textProblem(TEXTS.panner, panner),
    putIn: put === null || put < 1 || put > NUMBERS.grains.most ? 'A whole number from 1 to 1,000.' : null,
    cameBack:
      back === null
        ? 'Count what came back; 0 counts too.'
        : put !== null && back > put
          ? 'More came back than went in: one was there before, or was counted twice.'
          : null,
  };
  const keep = (): void => {
    setTried(true);
    if (problems.panner || problems.putIn || problems.cameBack || put === null || back === null) return;
    keepIt(mended, {
      panner: panner.trim(),
      seededAt: mended?.seededAt ?? new Date().toISOString(),
      size,
      putIn: put,
      cameBack: back,
      way,
      note: mended?.note ?? '',
    });
    setMended(null);
    setCameBack('');
    setTried(false);
  };
  const remove = (s: StoredSeeding): void => takeOut(s, 'The practice pan is out of the book.');
  return (
    <Block title="What your hands keep" aside="practice pans">
      {hands.map(({ panner: name, recovery }) => (
        <div key={name} className="mb-2 flex flex-wrap items-center gap-x-3">
          <b className="w-28 truncate">{name}</b>
          <svg
            width="180"
            height="22"
            className="shrink-0"
            role="img"
            aria-label={`${name} keeps ${Math.round(recovery.share * 100)} %, ${Math.round(recovery.low * 100)} to ${Math.round(recovery.high * 100)}`}
          >
            <path d="M0 18.500H180" stroke="var(--rule)" />
            <path
              d={`M${recovery.low * 180} 11H${recovery.high * 180}M${recovery.low * 180} 7v8M${recovery.high * 180} 7v8`}
              stroke="var(--ink)"
              strokeWidth="1.6"
            />
            <rect x={recovery.share * 180 - 3} y="5" width="6" height="12" fill="var(--ink)" />
          </svg>
          <span>
            {Math.round(recovery.share * 100)} % ({Math.round(recovery.low * 100)}–{Math.round(recovery.high * 100)}),{' '}
            {recovery.cameBack} of {recovery.putIn}
          </span>
        </div>
      ))}
      {seedings.some((s) => s.way === 'dry') && <DryHands seedings={seedings} />}
      <form
        className="grid grid-cols-2 gap-x-4"
        onSubmit={(e) => {
          e.preventDefault();
          keep();
        }}
      >
        <TextField
          label="Panner"
          value={panner}
          onChange={setPanner}
          limit={TEXTS.panner}
          problem={tried ? problems.panner : null}
        />
        <SelectField
          label="Grains of size"
          value={size}
          onChange={setSize}
          choices={COLOR_CLASSES.map((c) => ({ value: c, label: `${CLASS_NAMES[c].name} mesh` }))}
        />
        <div className="col-span-2">
          <Choices
            label="Worked"
            value={way}
            onChange={setWay}
            choices={[
              { value: 'wet', label: 'in water' },
              { value: 'dry', label: 'dry' },
            ]}
          />
        </div>
        <Field label="Put in" problem={tried ? problems.putIn : null}>
          {(ids) => (
            <input
              {...ids}
              inputMode="numeric"
              className="written w-full"
              value={putIn}
              onChange={(e) => setPutIn(e.target.value)}
            />
          )}
        </Field>
        <Field label="Came back" problem={tried ? problems.cameBack : null}>
          {(ids) => (
            <input
              {...ids}
              inputMode="numeric"
              className="written w-full"
              value={cameBack}
              onChange={(e) => setCameBack(e.target.value)}
            />
          )}
        </Field>
        <Button look="main" type="submit" className="col-span-2">
          {mended ? 'Keep it so' : 'Keep this practice pan'}
        </Button>
        {mended && (
          <TextButton
            onClick={() => {
              setMended(null);
              setCameBack('');
            }}
          >
            leave it as it was
          </TextButton>
        )}
      </form>
      <p className="mt-2 text-ink-2">
        Mark the grains (flattened lead shot of the size will do) and mix them into a pan of barren gravel. Samples name
        their panner; their grades are then shown as panned, and as the ground has it. Dry pans lose more: practice them
        apart, and they are told apart.
      </p>
      <ul>
        {[...seedings]
          .sort((a, b) => (a.seededAt < b.seededAt ? 1 : -1))
          .slice(0, 6)
          .map((s) => (
            <li key={s.id} className="flex flex-wrap items-center gap-x-3 border-b border-rule">
              <span className="w-14 text-ink-2">{local.day(s.seededAt)}</span>
              <span className="grow">
                {s.panner}: {s.cameBack} of {s.putIn}, {CLASS_NAMES[s.size].name} mesh{s.way === 'dry' && ', dry'}
              </span>
              <TextButton
                aria-label={`Put right the practice pan of ${s.panner}, ${s.cameBack} of ${s.putIn}`}
                onClick={() => {
                  setMended(s);
                  setPanner(s.panner);
                  setSize(s.size);
                  setWay(s.way ?? 'wet');
                  setPutIn(String(s.putIn));
                  setCameBack(String(s.cameBack));
                }}
              >
                put right
              </TextButton>
              <TextButton
                aria-label={`Take out the practice pan of ${s.panner}, ${s.cameBack} of ${s.putIn}`}
                onClick={() => remove(s)}
              >
                take out
              </TextButton>
            </li>
          ))}
      </ul>
    </Block>
  );
}

const whole = (text: string): number | null => (/^\d{1,6}$/.test(text.trim()) ? Number(text) : null);
