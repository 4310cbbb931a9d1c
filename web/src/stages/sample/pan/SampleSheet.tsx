import { TEXTS, type Sample, type StoredPit, type StoredSample, type StoredSpot } from '@riffle/contract';
import { COLOR_CLASSES } from '@riffle/core';
import { useState } from 'react';
import { useContainers } from '../../../records/useContainers.ts';
import { useKeep } from '../../../records/useKeep.ts';
import { PutRight } from '../../../ui/PutRight.tsx';
import { fromTheFootUp } from '../../../ground/SpotSelect.tsx';
import { SelectField, TextField } from '../../../ui/Field.tsx';
import { FormSheet } from '../../../ui/Sheet.tsx';
import { useLocalTime } from '../../../when/useLocalTime.ts';
import { WhenField } from '../../../when/WhenField.tsx';
import { cellTaken, cellText } from '../table/cells.ts';
import { CLASS_NAMES } from './SizePan.tsx';

interface SampleSheetProps {
  readonly sample: StoredSample;
  readonly spots: readonly StoredSpot[];
  readonly pits: readonly StoredPit[];
  readonly onClose: () => void;
}

/** What can be put right of a kept sample, column by column as in the table. */
const COLUMNS = ['spot', 'date', 'depth', 'volume', ...COLOR_CLASSES, 'gold', 'layer', 'panner', 'note'] as const;
type Column = (typeof COLUMNS)[number];

/** A sample put right: moved to its spot, dated back, counted again. What is not touched stays as it was typed. */
export function SampleSheet({ sample, spots, pits, onClose }: SampleSheetProps) {
  const { change, takeOut } = useKeep('samples');
  const containers = useContainers();
  const local = useLocalTime();
  const [typed, setTyped] = useState(
    () => Object.fromEntries(COLUMNS.map((c) => [c, cellText(c, sample, local)])) as Record<Column, string>,
  );
  const [tried, setTried] = useState(false);
  const touched = COLUMNS.filter((c) => typed[c] !== cellText(c, sample, local));
  // Counts are held against the others as they stand typed here, not as they were.
  const counted = COLOR_CLASSES.reduce((s, c) => {
    const n = Number(typed[c]);
    return Number.isInteger(n) && n >= 0 ? { ...s, counts: { ...s.counts, [c]: n } } : s;
  }, sample);
  const taken = touched.map((c) => [c, cellTaken(c, typed[c], counted, { pits, containers, local })] as const);
  const problem = (c: Column): string | null => {
    const found = taken.find(([column]) => column === c)?.[1];
    return typeof found === 'string' ? found : null;
  };
  const isTied = sample.lotId !== null || sample.pitId !== null;
  const save = (): void => {
    setTried(true);
    if (touched.some((c) => problem(c))) return;
    const some = Object.assign({}, ...taken.map(([, t]) => t)) as Partial<Sample>;
    if (touched.length > 0) change(sample, some, 'The sample is put right.');
    onClose();
  };
  const field = (c: Column, label: string, hint?: string) => (
    <TextField
      label={label}
      value={typed[c]}
      onChange={(text) => setTyped({ ...typed, [c]: text })}
      problem={tried || c === 'depth' || c === 'volume' ? problem(c) : null}
      {...(hint !== undefined && { hint })}
    />
  );
  return (
    <FormSheet title="Put a sample right" onClose={onClose} onSave={save} tight>
      {isTied ? (
        <p className="mb-2 text-[13px] text-ink-2">
          It came {sample.lotId !== null ? 'in a bag' : 'out of a pit'}, which says where it is from.
        </p>
      ) : (
        <SelectField
          label="Spot"
          value={typed.spot}
          choices={fromTheFootUp(spots).map((s) => ({ value: s.id, label: s.name }))}
          onChange={(spot) => setTyped({ ...typed, spot })}
        />
      )}
      <WhenField
        label="Panned"
        value={typed.date}
        onChange={(date) => setTyped({ ...typed, date })}
        problem={problem('date')}
      />
      <div className="grid grid-cols-2 gap-x-4">
        {field('depth', 'Depth below the surface', sample.depthEntered.unit)}
        {field('volume', 'How much', sample.volumeEntered.unit)}
      </div>
      <div className="grid grid-cols-4 gap-x-2">
        {COLOR_CLASSES.map((c) => (
          <TextField
            key={c}
            label={CLASS_NAMES[c].name}
            inputMode="numeric"
            value={typed[c]}
            onChange={(text) => setTyped({ ...typed, [c]: text })}
            problem={problem(c)}
          />
        ))}
      </div>
      {field('gold', 'Weighed gold', sample.goldEntered?.unit ?? 'mg; empty: not weighed')}
      {field('layer', 'Layer')}
      {field('panner', 'Panner')}
      <TextField
        label="Note"
        rows={2}
        value={typed.note}
        onChange={(note) => setTyped({ ...typed, note })}
        limit={TEXTS.note}
      />
      <PutRight
        onTakeOut={() => {
          takeOut(sample, 'The sample is out of the book.');
          onClose();
        }}
      />
    </FormSheet>
  );
}
