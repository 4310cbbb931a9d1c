import { NUMBERS, numberProblem, textProblem, TEXTS, type StoredCleanup } from '@riffle/contract';
import type { Entered } from '@riffle/core';
import { useState } from 'react';
import { useKeep } from '../../records/useKeep.ts';
import { PutRight } from '../../ui/PutRight.tsx';
import { TextField } from '../../ui/Field.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { FormSheet } from '../../ui/Sheet.tsx';
import { readEntered } from '../../units/readEntered.ts';
import { whenProblem } from '../../when/readWhen.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { durationHours } from '../../when/readDuration.ts';
import { scaleWords } from './scaleWords.ts';
import { readWorked } from './readCleanup.ts';
import { RinsedChoices } from './RinsedChoices.tsx';
import { WhenField } from '../../when/WhenField.tsx';

interface CleanedSheetProps {
  readonly cleanup: StoredCleanup;
  readonly onClose: () => void;
}

/** A clean-up in the book put right: its day, its weights, whether the box was rinsed. What is not touched stays as it was typed. */
export function CleanedSheet({ cleanup: now, onClose }: CleanedSheetProps) {
  // As it was when the sheet opened: what another changes meanwhile is told apart, not written over.
  const [cleanup] = useState(now);
  const { change, takeOut } = useKeep('cleanups');
  const local = useLocalTime();
  const [when, setWhen] = useState(() => local.isoMoment(cleanup.cleanedAt));
  const [gold, setGold] = useState<readonly Entered[]>(() => cleanup.sections.map((s) => s.goldEntered));
  const [rinsedClean, setRinsed] = useState(cleanup.rinsedClean);
  const [workedText, setWorked] = useState(() => (cleanup.worked_s ? durationHours(cleanup.worked_s) : ''));
  const worked = readWorked(workedText);
  const [note, setNote] = useState(cleanup.note);
  const [tried, setTried] = useState(false);
  const whenWrong = when === '' ? 'A day and an hour.' : whenProblem(when, local);
  const readings = gold.map((g) => readEntered('mass', g));
  const wrong = readings.map((r) => (r.ok ? numberProblem(NUMBERS.sectionGold_mg, r.value) : null));
  const save = (): void => {
    setTried(true);
    if (worked?.ok === false) return;
    if (whenWrong || readings.some((r) => !r.ok) || wrong.some(Boolean) || textProblem(TEXTS.note, note)) return;
    const sections = cleanup.sections.map((s, i) => {
      const [entered, reading] = [gold[i], readings[i]];
      return entered && reading?.ok && entered !== s.goldEntered
        ? // The parts by size belong to the weight they were of.
          { ...s, gold_mg: reading.value, goldEntered: entered, bySize: [], weighing: null }
        : s;
    });
    const isTouched = when !== local.isoMoment(cleanup.cleanedAt);
    change(
      cleanup,
      {
        cleanedAt: isTouched ? local.at(when).toISOString() : cleanup.cleanedAt,
        sections,
        rinsedClean,
        worked_s: worked?.ok ? worked.value : null,
        note,
      },
      'The clean-up is put right.',
    );
    onClose();
  };
  return (
    <FormSheet title="Put a clean-up right" onClose={onClose} onSave={save} tight>
      <WhenField label="Weighed" value={when} onChange={setWhen} problem={tried ? whenWrong : null} />
      {cleanup.sections.map((s, i) => (
        <QuantityField
          key={`${s.from_m}-${s.name}`}
          label={`Gold, ${s.name || `section ${i + 1}`}`}
          entered={gold[i] ?? s.goldEntered}
          reading={readings[i] ?? { ok: true, value: s.gold_mg }}
          units={['mg', 'g', 'grain', 'dwt', 'ozt']}
          showProblem={tried}
          problem={wrong[i] ?? null}
          onChange={(entered) => setGold(gold.map((g, j) => (j === i ? entered : g)))}
          comesTo={
            s.bySize.length > 0
              ? 'weighed by sizes: a new weight drops them'
              : // A list kept before there was such a field has none.
                s.weighing
                ? scaleWords(s.weighing)
                : undefined
          }
        />
      ))}
      <RinsedChoices rinsed={rinsedClean} onChange={setRinsed} />
      <TextField
        label="Work on it, all hands together"
        value={workedText}
        onChange={setWorked}
        problem={worked?.ok === false ? worked.problem : null}
        hint="“3 h 20”; may be empty"
      />
      <TextField label="Remarks" value={note} onChange={setNote} rows={2} limit={TEXTS.note} />
      <PutRight
        onTakeOut={() => {
          takeOut(cleanup, 'Taken out of the book; its runs wait again.');
          onClose();
        }}
      />
    </FormSheet>
  );
}
