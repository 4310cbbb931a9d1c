import { TEXTS, WEAVES, type StoredRig } from '@riffle/contract';
import type { ClothWeave } from '@riffle/core';
import { useState } from 'react';
import { useKeep } from '../../../records/useKeep.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { SelectField, TextField } from '../../../ui/Field.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { FormSheet } from '../../../ui/Sheet.tsx';
import { TextButton } from '../../../ui/TextButton.tsx';
import { useShow } from '../../../units/useShow.ts';
import { puffsByPulleys } from './readWasher.ts';
import { readWasherRig, washerRigDraft, type WasherRigDraft } from './readWasherRig.ts';

interface WasherSheetProps {
  /** The washer to change; left out for a new one. */
  readonly rig: StoredRig | undefined;
  /** What is added is a sluice box after all. */
  readonly onBox?: () => void;
  readonly onClose: () => void;
  readonly onKept: (rigId: string) => void;
}

const CLOTH_WORDS: Readonly<Record<ClothWeave, string>> = {
  open: 'open: light comes through',
  usual: 'usual: bed sheet, light canvas',
  tight: 'tight: heavy canvas',
};

/** A dry washer as built: measured once, used on every ground. */
export function WasherSheet({ rig: now, onBox, onClose, onKept }: WasherSheetProps) {
  // As it was when the sheet opened: what another changes meanwhile is told apart, not written over.
  const [rig] = useState(now);
  const keep = useKeep('rigs');
  const show = useShow();
  const [draft, set] = useState(() => washerRigDraft(rig, show.display.system === 'US'));
  const [tried, setTried] = useState(false);
  const read = readWasherRig(draft);
  const change = (some: Partial<WasherRigDraft>): void => set((before) => ({ ...before, ...some }));
  const save = (): void => {
    setTried(true);
    if (read.rig) onKept(keep.put(rig, { ...read.rig, leakPoints: rig?.leakPoints ?? [], note: rig?.note ?? '' }));
  };
  return (
    <FormSheet title={rig ? rig.name : 'A new dry washer'} onClose={onClose} onSave={save}>
      {onBox && (
        <TextButton className="self-start" onClick={onBox}>
          It is a sluice box
        </TextButton>
      )}
      <TextField
        label="What you call it"
        value={draft.name}
        onChange={(name) => change({ name })}
        limit={TEXTS.name}
        problem={tried ? read.wrongName : null}
      />
      <TrayFields draft={draft} change={change} read={read} tried={tried} />
      <p className="text-[13px] text-ink-2">What drives the air</p>
      <Choices
        label="What drives the air"
        value={draft.drive}
        onChange={(drive) => change({ drive })}
        choices={[
          { value: 'motor', label: 'bellows, motor' },
          { value: 'cranked', label: 'bellows, crank' },
          { value: 'blower', label: 'blower' },
        ]}
      />
      <div className="mt-2">
        <DriveFields draft={draft} change={change} read={read} tried={tried} />
      </div>
      <p role="alert" className="min-h-5 text-[12.5px] text-danger">
        {tried && !read.rig && '▲ Not kept: see the fields marked.'}
      </p>
      <div className="flex flex-wrap gap-3">
        <Button look="main" type="submit">
          {rig ? 'Keep the change' : 'Keep this washer'}
        </Button>
        {rig && (
          <Button
            look="danger"
            onClick={() => {
              keep.takeOut(rig, `${rig.name} is put away; what was run through it stays in the book.`);
              onClose();
            }}
          >
            Put it away
          </Button>
        )}
      </div>
    </FormSheet>
  );
}

interface FieldsProps {
  readonly draft: WasherRigDraft;
  readonly change: (some: Partial<WasherRigDraft>) => void;
  readonly read: ReturnType<typeof readWasherRig>;
  readonly tried: boolean;
}

function TrayFields({ draft, change, read: { readings }, tried }: FieldsProps) {
  const show = useShow();
  const field = (of: 'width' | 'length' | 'riffle' | 'spacing', label: string, units: readonly string[]) => {
    const reading = readings[of];
    return (
      <QuantityField
        label={label}
        entered={draft[of]}
        reading={reading}
        units={units}
        showProblem={tried}
        onChange={(entered) => change({ [of]: entered })}
        comesTo={reading.ok && show.smallLength(reading.value)}
      />
    );
  };
  return (
    <>
      <div className="grid grid-cols-2 gap-x-4">
        {field('width', 'Cloth, width inside', ['cm', 'in', 'mm'])}
        {field('length', 'Cloth, length', ['cm', 'in', 'm'])}
        {field('riffle', 'Riffles, height', ['mm', 'in'])}
        {field('spacing', 'From one to the next', ['mm', 'in', 'cm'])}
      </div>
      <SelectField
        label="The cloth"
        value={draft.cloth}
        onChange={(cloth: ClothWeave) => change({ cloth })}
        choices={WEAVES.map((value) => ({ value, label: CLOTH_WORDS[value] }))}
      />
    </>
  );
}

function DriveFields({ draft, change, read: { readings, rig }, tried }: FieldsProps) {
  const show = useShow();
  const typed = (
    of: 'rpm' | 'motorPulley' | 'drivenPulley' | 'shutoff' | 'usableAh' | 'drawnA',
    label: string,
    hint?: string,
  ) => {
    const reading = readings[of];
    return (
      <TextField
        label={label}
        value={draft[of]}
        onChange={(text) => change({ [of]: text })}
        inputMode="decimal"
        problem={reading.ok || (!tried && draft[of].trim() === '') ? null : reading.problem}
        hint={hint}
      />
    );
  };
  const puffs = rig && puffsByPulleys(rig as StoredRig);
  return (
    <>
      {draft.drive !== 'blower' && (
        <QuantityField
          label="Air of one puff"
          entered={draft.stroke}
          reading={readings.stroke}
          units={['L', 'in3', 'ft3']}
          showProblem={tried}
          onChange={(stroke) => change({ stroke })}
          comesTo={
            readings.stroke.ok
              ? `${show.volume(readings.stroke.value)}; a 60 L bag held over the tray fills in ${Math.max(1, Math.round(60 / Math.max(0.1, readings.stroke.value)))} puffs`
              : undefined
          }
        />
      )}
      {draft.drive === 'motor' && (
        <>
          <div className="grid grid-cols-3 gap-x-4">
            {typed('rpm', 'Motor, turns a minute')}
            {typed('motorPulley', 'Its pulley, mm across')}
            {typed('drivenPulley', 'The bellows’, mm')}
          </div>
          {puffs && (
            <p className="-mt-1 mb-2 text-[13px]">
              That is {Math.round(puffs)} puffs a minute, a little slip of the belt taken off.
            </p>
          )}
        </>
      )}
      {draft.drive === 'blower' && (
        <div className="grid grid-cols-2 gap-x-4">
          <QuantityField
            label="Its air, nothing before it"
            entered={draft.freeFlow}
            reading={readings.freeFlow}
            units={['L/s', 'm3/h', 'L/min']}
            showProblem={tried}
            onChange={(freeFlow) => change({ freeFlow })}
            comesTo={readings.freeFlow.ok && show.flow(readings.freeFlow.value / 1000)}
          />
          {typed('shutoff', 'Pressure, its mouth shut, Pa', '1 in of water is 249 Pa')}
        </div>
      )}
      {draft.drive !== 'cranked' && (
        <div className="grid grid-cols-2 gap-x-4">
          {typed('usableAh', 'Battery, Ah you may draw', 'half of what a lead battery says; empty: not known')}
          {typed('drawnA', 'The motor draws, A')}
        </div>
      )}
    </>
  );
}
