import type { StoredRig } from '@riffle/contract';
import { LINING_IDS, LININGS, type Entered, type LiningId } from '@riffle/core';
import { useState } from 'react';
import { toast } from 'sonner';
import { v7 as uuidv7 } from 'uuid';
import { useWrite } from '../../offline/writes.ts';
import { readEntered } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

interface RigSheetProps {
  /** The box to change; left out for a new one. */
  readonly rig: StoredRig | undefined;
  readonly onClose: () => void;
  readonly onKept: (rigId: string) => void;
}

/** A box as built: measured once, used on every ground. */
export function RigSheet({ rig, onClose, onKept }: RigSheetProps) {
  const write = useWrite();
  const show = useShow();
  const US = show.display.system === 'US';
  const [name, setName] = useState(rig?.name ?? '');
  const [width, setWidth] = useState<Entered>(rig?.widthEntered ?? { text: '', unit: US ? 'in' : 'cm' });
  const [length, setLength] = useState<Entered>(rig?.lengthEntered ?? { text: '', unit: US ? 'ft' : 'm' });
  const [lining, setLining] = useState<LiningId>(rig?.lining ?? 'riffles');
  const [tried, setTried] = useState(false);
  const w = readEntered('length', width);
  const l = readEntered('length', length);
  const wrongWidth =
    w.ok && !(w.value >= 0.05 && w.value <= 2) ? 'A box is between 50 mm (2 in) and 2 m (6.5 ft) wide.' : null;
  const wrongLength =
    l.ok && !(l.value >= 0.2 && l.value <= 10) ? 'A box is between 0.2 m (8 in) and 10 m (33 ft) long.' : null;
  const save = (): void => {
    setTried(true);
    if (name.trim() === '' || !w.ok || !l.ok || wrongWidth || wrongLength) return;
    const id = rig?.id ?? uuidv7();
    write({
      what: 'record',
      kind: 'rigs',
      record: {
        id,
        deleted: false,
        name: name.trim(),
        width_m: w.value,
        widthEntered: width,
        length_m: l.value,
        lengthEntered: length,
        lining,
        note: rig?.note ?? '',
        baseVersion: rig?.version ?? 0,
      },
    });
    onKept(id);
  };
  const remove = (): void => {
    if (!rig) return;
    const { version, updatedAt, ...record } = rig;
    write({ what: 'record', kind: 'rigs', record: { ...record, deleted: true, baseVersion: version } });
    toast(`${rig.name} is put away; what was run through it stays in the book.`, {
      action: {
        label: 'Undo',
        onClick: () =>
          write({ what: 'record', kind: 'rigs', record: { ...record, deleted: false, baseVersion: version + 1 } }),
      },
    });
    onClose();
  };
  return (
    <Sheet
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
      title={rig ? rig.name : 'A new box'}
    >
      <form
        className="flex flex-col gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        <TextField
          label="What you call it"
          value={name}
          onChange={setName}
          problem={tried && name.trim() === '' ? 'Give it a name.' : null}
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
      </form>
    </Sheet>
  );
}
