import { textProblem, TEXTS, type StoredSetup } from '@riffle/contract';
import { useState } from 'react';
import { useKeep } from '../../records/useKeep.ts';
import { useRecords } from '../../records/useRecords.ts';
import { plural } from '../../ui/plural.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { FormSheet } from '../../ui/Sheet.tsx';
import { asTyped } from '../../units/readEntered.ts';
import { whenProblem } from '../../when/readWhen.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { WhenField } from '../../when/WhenField.tsx';

/** A setting of the box in the log put right: its day and its note. Its pitch and water are what was run: another setting is a new one. */
export function SettingSheet({ setup: now, onClose }: { readonly setup: StoredSetup; readonly onClose: () => void }) {
  // As it was when the sheet opened: what another changes meanwhile is told apart, not written over.
  const [setup] = useState(now);
  const { change, takeOut } = useKeep('setups');
  const local = useLocalTime();
  const hanging = useRecords('runs', setup.groundId).items.filter((r) => r.setupId === setup.id).length;
  const [when, setWhen] = useState(() => local.isoMoment(setup.setAt));
  const [note, setNote] = useState(setup.note);
  const [tried, setTried] = useState(false);
  const whenWrong = when === '' ? 'A day and an hour.' : whenProblem(when, local);
  const save = (): void => {
    setTried(true);
    if (whenWrong || textProblem(TEXTS.note, note)) return;
    const setAt = when === local.isoMoment(setup.setAt) ? setup.setAt : local.at(when).toISOString();
    change(setup, { setAt, note }, 'The setting is put right.');
    onClose();
  };
  return (
    <FormSheet title="Put a setting right" onClose={onClose} onSave={save}>
      <p className="text-ink-2">
        {[setup.pitchEntered, setup.depthEntered ?? setup.flowEntered].map((e) => (e ? asTyped(e) : '')).join(', ')}
      </p>
      <WhenField label="Set" value={when} onChange={setWhen} problem={tried ? whenWrong : null} />
      <TextField label="Note" value={note} onChange={setNote} rows={2} limit={TEXTS.note} />
      <div className="mt-2 flex flex-wrap gap-3">
        <Button look="main" type="submit">
          Keep it so
        </Button>
        {hanging > 0 ? (
          <p className="text-[13px] text-ink-2">
            {plural(hanging, 'run')} {hanging === 1 ? 'hangs' : 'hang'} on it: it stays in the log.
          </p>
        ) : (
          <Button
            look="danger"
            onClick={() => {
              takeOut(setup, 'The setting is out of the log.');
              onClose();
            }}
          >
            Take it out
          </Button>
        )}
      </div>
    </FormSheet>
  );
}
