import { UNSORTED } from '@riffle/core';
import { TEXTS } from '@riffle/contract';
import { useState } from 'react';
import { trueNow } from '../../../api/trueClock.ts';
import { usePreferences } from '../../../preferences/preferences.ts';
import { useKeep } from '../../../records/useKeep.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { SelectField, TextField } from '../../../ui/Field.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { toast } from '../../../ui/toast.ts';
import { useDraft } from '../../../ui/useDraft.ts';
import { useShow } from '../../../units/useShow.ts';
import { whenProblem } from '../../../when/readWhen.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';
import { WhenField } from '../../../when/WhenField.tsx';
import { goldWords, TO_WORDS, WRITTEN_DEEDS } from './goldWords.ts';
import { newGoldDraft, readGoldEntry, type GoldDraft } from './readGoldEntry.ts';

interface LineFormProps {
  readonly vials: readonly string[];
  readonly partners: readonly string[];
}

const UNITS_OFFERED = ['mg', 'g', 'grain', 'dwt', 'ozt'] as const;

/** One line of the ledger, as it is written down. */
export function LineForm({ vials, partners }: LineFormProps) {
  const show = useShow();
  const local = useLocalTime();
  const { add } = useKeep('gold-entries');
  const { money } = usePreferences().preferences;
  const US = show.display.system === 'US';
  const places = [...new Set([...vials, UNSORTED])];
  const [draft, setDraft, clear] = useDraft<GoldDraft>('gold-line', () => newGoldDraft(US, vials[0] ?? UNSORTED));
  const [when, setWhen] = useState('');
  const [tried, setTried] = useState(false);
  const change = (some: Partial<GoldDraft>): void => setDraft((before) => ({ ...before, ...some }));
  const read = readGoldEntry(draft);
  const whenWrong = whenProblem(when, local);
  const to = TO_WORDS[draft.deed];
  const known = draft.deed === 'handed out' ? partners : places.filter((p) => p !== draft.from);
  return (
    <form
      className="flex flex-col gap-1"
      onSubmit={(e) => {
        e.preventDefault();
        setTried(true);
        if (!read.entry || whenWrong) return;
        add({ ...read.entry, at: when === '' ? trueNow() : local.at(when).toISOString() });
        toast(`Written: ${goldWords(read.entry, money)}.`);
        clear();
        setWhen('');
        setTried(false);
      }}
    >
      <Choices
        label="What was done"
        value={draft.deed}
        onChange={(deed) => change({ deed })}
        choices={WRITTEN_DEEDS.map((value) => ({ value, label: value }))}
      />
      <div className="mt-2 grid grid-cols-1 gap-x-4 sm:grid-cols-2">
        <QuantityField
          label={draft.deed === 'melted' ? 'Went in' : 'How much'}
          entered={draft.amount}
          reading={read.amount}
          units={UNITS_OFFERED}
          showProblem={tried}
          onChange={(amount) => change({ amount })}
          comesTo={read.amount.ok && show.gold(read.amount.value)}
        />
        {draft.deed !== 'found' && (
          <SelectField
            label="From vial"
            value={places.includes(draft.from) ? draft.from : UNSORTED}
            choices={places.map((p) => ({ value: p, label: p }))}
            onChange={(from) => change({ from })}
          />
        )}
        {draft.deed === 'melted' && (
          <QuantityField
            label="Came out"
            entered={draft.out}
            reading={read.out}
            units={UNITS_OFFERED}
            showProblem={tried}
            problem={read.outProblem}
            onChange={(out) => change({ out })}
            comesTo={
              read.out.ok && read.amount.ok && `${show.gold(Math.max(0, read.amount.value - read.out.value))} gone`
            }
          />
        )}
        {to !== null && (
          <div>
            <TextField
              label={to}
              value={draft.to}
              onChange={(text) => change({ to: text })}
              problem={tried ? read.toProblem : null}
              limit={TEXTS.vial}
            />
            {known.length > 0 && (
              <div className="-mt-3 mb-3 flex flex-wrap gap-x-4">
                {known.slice(0, 5).map((name) => (
                  <button
                    key={name}
                    type="button"
                    className="min-h-11 underline underline-offset-4"
                    onClick={() => change({ to: name })}
                  >
                    {name}
                  </button>
                ))}
              </div>
            )}
          </div>
        )}
        {draft.deed === 'sold' && (
          <TextField
            label={`For, in ${money || 'your money'}`}
            value={draft.price}
            inputMode="decimal"
            onChange={(price) => change({ price })}
            problem={read.priceProblem}
          />
        )}
        {(draft.deed === 'sold' || draft.deed === 'melted') && (
          <TextField
            label="Fineness, per thousand"
            value={draft.fineness}
            inputMode="decimal"
            onChange={(fineness) => change({ fineness })}
            problem={read.finenessProblem}
            hint="empty: not assayed"
          />
        )}
        <WhenField label="Earlier? When" value={when} onChange={setWhen} hint="empty: now" problem={whenWrong} />
      </div>
      <TextField label="Note" value={draft.note} onChange={(note) => change({ note })} limit={TEXTS.note} />
      <p role="alert" className="min-h-5 text-[12.5px] text-danger">
        {tried && (!read.entry || whenWrong) && '▲ Not written yet: see the fields marked.'}
      </p>
      <Button look="main" type="submit" className="min-h-14">
        Write it in the ledger
      </Button>
    </form>
  );
}
