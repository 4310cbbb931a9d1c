import type { StoredGround, StoredRig, StoredRun, StoredSetup, StoredSpot } from '@riffle/contract';
import { grouped } from '@riffle/core';
import { useMemo, useState } from 'react';
import { saveFile } from '../../../files/saveFile.ts';
import { SpotSelect } from '../../../ground/SpotSelect.tsx';
import { useContainers } from '../../../records/useContainers.ts';
import { ChooseTable } from '../../../tables/ChooseTable.tsx';
import { ColumnChoice } from '../../../tables/ColumnChoice.tsx';
import { DATE_FORM_NAMES } from '../../../tables/dateForms.ts';
import { asCsv, rowsOf, type TableRows } from '../../../tables/rowsOf.ts';
import { Button } from '../../../ui/Button.tsx';
import { Checkbox } from '../../../ui/Checkbox.tsx';
import { SelectField, TextField } from '../../../ui/Field.tsx';
import { plural } from '../../../ui/plural.ts';
import { Sheet } from '../../../ui/Sheet.tsx';
import { TextButton } from '../../../ui/TextButton.tsx';
import { useShow } from '../../../units/useShow.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';
import { SetupSelect } from '../SetupSelect.tsx';
import {
  guessRunMapping,
  readRunTable,
  RUN_FIELD_UNITS,
  RUN_FIELD_WORDS,
  RUN_FIELDS,
  type RunMapping,
} from './readRunTable.ts';
import { useRunTable } from './useRunTable.ts';

interface RunTableSheetProps {
  readonly ground: StoredGround;
  readonly runs: readonly StoredRun[];
  readonly setups: readonly StoredSetup[];
  readonly rigs: readonly StoredRig[];
  readonly spots: readonly StoredSpot[];
  readonly onClose: () => void;
}
/** Each row is two or three writes of its own, sent one after another. */
const MOST_ROWS = 1000;
const LARGEST_MB = 4;

/** An old spreadsheet of runs brought in: first its text, then which column is which, with what comes of it in sight. */
export function RunTableSheet(props: RunTableSheetProps) {
  const [table, setTable] = useState<TableRows | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const read = (written: string): void => {
    const seen = rowsOf(written);
    const wrong =
      seen.rows.length === 0 || seen.columns.length < 2
        ? 'This does not read as a table: a first line of column names, then a row for each run.'
        : seen.rows.length > MOST_ROWS
          ? `${grouped(seen.rows.length)} rows: at most ${grouped(MOST_ROWS)} at once, a season at a time.`
          : null;
    setProblem(wrong);
    if (!wrong) setTable(seen);
  };
  return (
    <Sheet title="Runs from a table" onClose={props.onClose}>
      {table ? (
        <Mapped table={table} onAnother={() => setTable(null)} {...props} />
      ) : (
        <ChooseTable
          says="A first line of column names, then a row for each run: its day, its spot, how much, how long, its gold."
          largest_MB={LARGEST_MB}
          problem={problem}
          onText={read}
        />
      )}
    </Sheet>
  );
}

const SHOWN = 30;

function Mapped({
  table,
  onAnother,
  ground,
  runs,
  setups,
  rigs,
  spots,
  onClose,
}: RunTableSheetProps & { readonly table: TableRows; readonly onAnother: () => void }) {
  const local = useLocalTime();
  const show = useShow();
  const own = useContainers();
  const [mapping, setMapping] = useState<RunMapping>(() => guessRunMapping(table.columns));
  const [setupId, setSetup] = useState(setups[0]?.id ?? '');
  const [withAgain, setWithAgain] = useState(false);
  const setup = setups.find((s) => s.id === setupId);
  const keep = useRunTable(
    ground.id,
    setup,
    rigs.find((r) => r.id === setup?.rigId),
  );
  const set = (some: Partial<RunMapping>): void => setMapping((m) => ({ ...m, ...some }));
  const { runs: read, refused } = useMemo(
    () =>
      setup
        ? readRunTable(table.rows, mapping, {
            spots,
            bucket_L: setup.bucket_L,
            bucketEntered: setup.bucketEntered,
            local,
            own,
            now: new Date().toISOString(),
            known: runs,
          })
        : { runs: [], refused: [] },
    [table, mapping, spots, setup, local, own, runs],
  );
  const again = read.filter((r) => r.again).length;
  const taken = withAgain ? read : read.filter((r) => !r.again);
  const gold_mg = taken.reduce((sum, r) => sum + (r.gold_mg ?? 0), 0);
  const buckets = taken.reduce((sum, r) => sum + r.buckets, 0);
  const noHour = taken.filter((r) => r.noHour).length;
  const saveRefused = (): void =>
    saveFile(
      asCsv(
        refused.map((r) => ({
          ...table.rows[r.row - 2],
          row: String(r.row),
          problem: `${r.column}: ${r.message}`,
        })),
      ),
      'rows to put right.csv',
      'text/csv',
    );
  return (
    <form
      className="flex flex-col gap-1"
      onSubmit={(e) => {
        e.preventDefault();
        if (taken.length === 0) return;
        keep(taken);
        onClose();
      }}
    >
      <div aria-live="polite" className="sticky top-0 z-10 mb-2 border-b-2 border-ink bg-paper pb-2">
        <p className="font-serif text-[20px] leading-tight font-semibold">
          {taken.length === 0
            ? 'No row can be taken yet.'
            : `${plural(taken.length, 'run')}, ${plural(buckets, 'bucket')}${gold_mg > 0 ? `, ${show.gold(gold_mg)}` : ''}.`}
        </p>
        <p className="text-ink-2">
          {refused.length > 0 && `${plural(refused.length, 'row')} not taken, see below. `}
          {noHour > 0 && `${plural(noHour, 'row')} without an hour: from 9:00 on.`}
        </p>
        {again > 0 && (
          <Checkbox checked={withAgain} onChange={setWithAgain}>
            {plural(again, 'row')} {again === 1 ? 'is' : 'are'} in the book already: once more all the same
          </Checkbox>
        )}
      </div>
      {RUN_FIELDS.map((f) => (
        <ColumnChoice
          key={f}
          label={RUN_FIELD_WORDS[f]}
          columns={table.columns}
          first={table.rows.slice(0, 4)}
          value={mapping.columns[f]}
          onChange={(c) => set({ columns: { ...mapping.columns, [f]: c } })}
          units={RUN_FIELD_UNITS[f]?.units}
          unit={mapping.units[f]}
          onUnit={(u) => set({ units: { ...mapping.units, [f]: u } })}
        />
      ))}
      <SelectField
        label="Days are written"
        value={mapping.dates}
        choices={DATE_FORM_NAMES.map((d) => ({ value: d, label: d }))}
        onChange={(dates) => set({ dates })}
      />
      <Checkbox checked={mapping.decimalComma} onChange={(checked) => set({ decimalComma: checked })}>
        it writes 0,3 for 0.3
      </Checkbox>
      <SetupSelect label="Box of all of them" value={setupId} setups={setups} rigs={rigs} onChange={setSetup} />
      <div className="grid grid-cols-2 gap-x-3 tight:grid-cols-1">
        <TextField
          label="Hours where none are told"
          value={mapping.usualHours}
          onChange={(usualHours) => set({ usualHours })}
          hint="“3 h 30”; empty: not taken"
        />
        <SpotSelect
          label="Spot where none is told"
          none="not taken"
          spots={spots}
          value={mapping.usualSpotId || undefined}
          onPick={(id) => set({ usualSpotId: id ?? '' })}
        />
      </div>
      {refused.length > 0 && (
        <>
          <h3 className="mt-2 font-semibold">Not taken</h3>
          <ul aria-label="Rows that are not taken">
            {refused.slice(0, SHOWN).map((r) => (
              <li key={r.row} className="border-b border-rule py-1">
                Row {r.row}, {r.column}: {r.message}
              </li>
            ))}
          </ul>
          {refused.length > SHOWN && <p className="text-ink-2">and {refused.length - SHOWN} more.</p>}
          <TextButton className="self-start" onClick={saveRefused}>
            save these rows with their reasons
          </TextButton>
        </>
      )}
      <Button look="main" type="submit" className="mt-2 min-h-14" disabled={taken.length === 0}>
        {taken.length === 0 ? 'Nothing to write yet' : `Write ${plural(taken.length, 'run')} in the book`}
      </Button>
      <Button look="quiet" onClick={onAnother}>
        Another table
      </Button>
    </form>
  );
}
