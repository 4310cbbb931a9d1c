import { grouped } from '@riffle/core';
import type { StoredGround, StoredSample, StoredSpot } from '@riffle/contract';
import { useEffect, useRef, useState } from 'react';
import { Checkbox } from '../../../ui/Checkbox.tsx';
import { plural } from '../../../ui/plural.ts';
import { saveFile } from '../../../files/saveFile.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { SelectField } from '../../../ui/Field.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { ChooseTable } from '../../../tables/ChooseTable.tsx';
import { ColumnChoice } from '../../../tables/ColumnChoice.tsx';
import { DATE_FORM_NAMES } from '../../../tables/dateForms.ts';
import { FIELD_UNITS, FIELD_WORDS, FIELDS, type TableMapping } from './readTable.ts';
import { TakeBack } from './TakeBack.tsx';
import { useImport, type Import, type ImportStep } from './useImport.ts';

interface ImportSheetProps {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  /** What is in the book: a row that is there already is told. */
  readonly samples: readonly StoredSample[];
  /** Cells pasted onto the table; empty when a file is to be chosen. */
  readonly pasted: string;
  readonly onClose: () => void;
}
const LARGEST_MB = 64;

/** A table brought in: from a file, or pasted out of a spreadsheet. */
export function ImportSheet({ ground, spots, samples, pasted, onClose }: ImportSheetProps) {
  const bringing = useImport(ground, spots, samples);
  const { step } = bringing;
  const begun = useRef(false);
  useEffect(() => {
    if (pasted === '' || begun.current) return;
    begun.current = true;
    void bringing.read(pasted);
  });
  return (
    <Sheet title="Bring a table in" onClose={onClose}>
      {step.at === 'choose' && (
        <ChooseTable
          says="A first line of column names, then a row for each sample. The next step asks which column is which."
          largest_MB={LARGEST_MB}
          problem={step.problem}
          onText={(text) => void bringing.read(text)}
        />
      )}
      {step.at === 'map' && <MapColumns step={step} bringing={bringing} />}
      {step.at === 'checking' && <Progress says="Checking every row" done={step.done} onStop={bringing.cancel} />}
      {step.at === 'sending' && (
        <Progress says="Storing" done={step.done / Math.max(1, step.of)} onStop={bringing.cancel} />
      )}
      {(step.at === 'report' || step.at === 'failed') && <Report step={step} bringing={bringing} />}
      {step.at === 'done' && (
        <div className="flex flex-col gap-3">
          <p className="font-serif text-[22px] font-semibold" role="status">
            {step.stored === 0
              ? 'Nothing was stored.'
              : `${grouped(step.stored)} samples stored${step.spots > 0 ? `, ${plural(step.spots, 'new spot')}` : ''}.`}
          </p>
          {step.refusedRows > 0 && (
            <>
              <p className="text-danger">▲ The book refused {step.refusedRows} rows.</p>
              <ul>
                {step.refused.slice(0, 50).map((r, i) => (
                  <li key={i} className="border-b border-rule py-1">
                    Row {r.row}, {r.path}: {r.message}
                  </li>
                ))}
              </ul>
            </>
          )}
          {step.stored > 0 && <TakeBack groundId={ground.id} />}
          <Button look="main" onClick={onClose}>
            Done
          </Button>
        </div>
      )}
    </Sheet>
  );
}

function MapColumns({ step, bringing }: { step: ImportStep & { at: 'map' }; bringing: Import }) {
  const { seen, mapping, mixed } = step;
  const set = (some: Partial<TableMapping>): void => bringing.map({ ...mapping, ...some });
  const missing =
    mapping.columns.volume === ''
      ? 'Say which column holds the volume panned.'
      : mapping.columns.spot === '' && mapping.columns.distance === ''
        ? 'Say which column names the spot, or how far along it lies.'
        : null;
  return (
    <form
      className="flex flex-col gap-1"
      onSubmit={(e) => {
        e.preventDefault();
        if (!missing) void bringing.check();
      }}
    >
      <p className="mb-2">
        <b>{grouped(seen.rows)} rows</b>, {seen.columns.length} columns. Which is which?
      </p>
      {FIELDS.map((f) => (
        <ColumnChoice
          key={f}
          label={FIELD_WORDS[f]}
          columns={seen.columns}
          first={seen.first}
          value={mapping.columns[f]}
          onChange={(c) => set({ columns: { ...mapping.columns, [f]: c } })}
          units={FIELD_UNITS[f]?.units}
          unit={mapping.units[f]}
          onUnit={(u) => set({ units: { ...mapping.units, [f]: u } })}
          problem={mixed[f] && !mapping.mixedUnits ? `Mixed units: ${mixed[f]}.` : null}
        />
      ))}
      {mapping.columns.date !== '' && (
        <SelectField
          label="Dates are written"
          value={mapping.dates}
          choices={DATE_FORM_NAMES.map((d) => ({ value: d, label: d }))}
          onChange={(dates) => set({ dates })}
        />
      )}
      <Choices
        label="Loose or bank volume"
        value={mapping.state}
        onChange={(state) => set({ state })}
        choices={[
          { value: 'loose', label: 'loose' },
          { value: 'bank', label: 'in the bank' },
        ]}
      />
      <Checkbox checked={mapping.decimalComma} onChange={(checked) => set({ decimalComma: checked })}>
        it writes 0,3 for 0.3
      </Checkbox>
      <Checkbox checked={mapping.mixedUnits} onChange={(checked) => set({ mixedUnits: checked })}>
        cells may name their own unit
      </Checkbox>
      {missing && <p className="text-danger">▲ {missing}</p>}
      <Button look="main" type="submit" disabled={missing !== null}>
        Check every row
      </Button>
      <Button look="quiet" onClick={bringing.back}>
        Another table
      </Button>
    </form>
  );
}

function Report({ step, bringing }: { step: ImportStep & { at: 'report' | 'failed' }; bringing: Import }) {
  const { checked } = step;
  const [mode, setMode] = useState<'all or nothing' | 'only the good rows'>('all or nothing');
  const [withAgain, setWithAgain] = useState(false);
  const blocked = mode === 'all or nothing' && checked.refusedRows > 0;
  const stored = checked.good + (withAgain ? checked.again.length : 0);
  return (
    <div className="flex flex-col gap-3">
      {step.at === 'failed' && (
        <p role="alert" className="text-danger">
          ▲ {step.says}
        </p>
      )}
      <p className="font-serif text-[22px] leading-tight font-semibold">
        {checked.good === 0 && checked.refusedRows === 0 && checked.again.length > 0
          ? 'Nothing in it is new.'
          : `${grouped(checked.good)} rows are right${checked.refusedRows > 0 ? `, ${grouped(checked.refusedRows)} are not` : ''}.`}
      </p>
      {checked.spots > 0 && <p>{plural(checked.spots, 'spot')} will be made.</p>}
      {checked.again.length > 0 && (
        <div className="border-l-4 border-ink pl-3">
          <p>
            <b>{plural(checked.again.length, 'row')} in the book already</b>: the same place, day, depth, amount and
            counts. Row {checked.again.slice(0, 12).join(', ')}
            {checked.again.length > 12 && ' and on'}.
          </p>
          <Checkbox checked={withAgain} onChange={setWithAgain}>
            store them once more all the same
          </Checkbox>
        </div>
      )}
      {checked.refusedRows > 0 && (
        <>
          <div className="max-h-72 overflow-y-auto border-y border-rule" tabIndex={0} aria-label="Refused rows">
            <ul>
              {checked.refused.map((r) => (
                <li key={r.row} className="border-b border-rule py-1">
                  <b>
                    Row {r.row}, {r.column}.
                  </b>{' '}
                  {r.message}
                </li>
              ))}
            </ul>
          </div>
          <Button look="quiet" onClick={() => saveFile(checked.refusedCsv, 'refused-rows.csv', 'text/csv')}>
            Save the refused rows, to put right
          </Button>
          <Choices
            label="What to store"
            value={mode}
            onChange={setMode}
            choices={[
              { value: 'all or nothing', label: 'all or nothing' },
              { value: 'only the good rows', label: 'only the good rows' },
            ]}
          />
        </>
      )}
      <Button look="main" disabled={stored === 0 || blocked} onClick={() => void bringing.send(mode, withAgain)}>
        {blocked
          ? 'Nothing goes in while a row is wrong'
          : stored === 0
            ? 'Nothing new to store'
            : `Store ${grouped(stored)} samples`}
      </Button>
      <Button look="quiet" onClick={bringing.back}>
        Back to the columns
      </Button>
    </div>
  );
}

function Progress({ says, done, onStop }: { says: string; done: number; onStop: () => void }) {
  return (
    <div className="flex flex-col gap-3">
      <p role="status">
        {says}: {Math.round(done * 100)} %
      </p>
      <progress className="h-4 w-full accent-ink" value={done} max={1} aria-label={says} />
      <Button onClick={onStop}>Stop</Button>
    </div>
  );
}
