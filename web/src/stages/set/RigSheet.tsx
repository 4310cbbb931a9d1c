import { NUMBERS, numberProblem, textProblem, TEXTS, type StoredRig } from '@riffle/contract';
import { LINING_IDS, LININGS, type Entered, type LiningId } from '@riffle/core';
import { useState } from 'react';
import { useKeep } from '../../records/useKeep.ts';
import { readEntered } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { FormSheet } from '../../ui/Sheet.tsx';

interface RigSheetProps {
  /** The box to change; left out for a new one. */
  readonly rig: StoredRig | undefined;
  readonly onClose: () => void;
  readonly onKept: (rigId: string) => void;
}

/** A box as built: measured once, used on every ground. */
export function RigSheet({ rig: now, onClose, onKept }: RigSheetProps) {
  // As it was when the sheet opened: what another changes meanwhile is told apart, not written over.
  const [rig] = useState(now);
  const keep = useKeep('rigs');
  const show = useShow();
  const US = show.display.system === 'US';
  const [name, setName] = useState(rig?.name ?? '');
  const [width, setWidth] = useState<Entered>(rig?.widthEntered ?? { text: '', unit: US ? 'in' : 'cm' });
  const [length, setLength] = useState<Entered>(rig?.lengthEntered ?? { text: '', unit: US ? 'ft' : 'm' });
  const [lining, setLining] = useState<LiningId>(rig?.lining ?? 'riffles');
  const [tried, setTried] = useState(false);
  const w = readEntered('length', width);
  const l = readEntered('length', length);
  const wrongWidth = w.ok ? numberProblem(NUMBERS.boxWidth_m, w.value) : null;
  const wrongLength = l.ok ? numberProblem(NUMBERS.boxLength_m, l.value) : null;
  const wrongName = textProblem(TEXTS.name, name);
  const save = (): void => {
    setTried(true);
    if (wrongName || !w.ok || !l.ok || wrongWidth || wrongLength) return;
    const id = keep.put(rig, {
      name: name.trim(),
      width_m: w.value,
      widthEntered: width,
      length_m: l.value,
      lengthEntered: length,
      lining,
      note: rig?.note ?? '',
    });
    onKept(id);
  };
  const remove = (): void => {
    if (!rig) return;
    keep.takeOut(rig, `${rig.name} is put away; what was run through it stays in the book.`);
    onClose();
  };
  return (
    <FormSheet title={rig ? rig.name : 'A new box'} onClose={onClose} onSave={save}>
      <TextField
        label="What you call it"
        value={name}
        onChange={setName}
        limit={TEXTS.name}
        problem={tried ? wrongName : null}
      />
      <QuantityField
        label="Width inside"
        entered={width}
        reading={w}
        units={['in', 'cm', 'mm', 'm']}
        showProblem={tried}
        problem={wrongWidth}
        onChange={setWidth}
        comesTo={w.ok && show.smallLength(w.value)}
      />
      <QuantityField
        label="Length of the lined floor"
        entered={length}
        reading={l}
        units={['ft', 'in', 'm', 'cm']}
        showProblem={tried}
        problem={wrongLength}
        onChange={setLength}
        comesTo={l.ok && show.length(l.value)}
      />
      <SelectField
        label="Lining"
        value={lining}
        onChange={setLining}
        choices={LINING_IDS.map((id) => ({ value: id, label: LININGS[id].name }))}
        hint={`taken as Manning's n ${LININGS[lining].manningN}, traps of ${show.smallLength(LININGS[lining].trap_m)}: stated assumptions`}
      />
      <div className="mt-2 flex flex-wrap gap-3">
        <Button look="main" type="submit">
          {rig ? 'Keep the change' : 'Keep this box'}
        </Button>
        {rig && (
          <Button look="danger" onClick={remove}>
            Put it away
          </Button>
        )}
      </div>
    </FormSheet>
  );
}
