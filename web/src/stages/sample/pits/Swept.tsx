import {
  NUMBERS,
  numberProblem,
  SWEPT,
  textProblem,
  TEXTS,
  type StoredGround,
  type StoredSpot,
  type StoredSweep,
} from '@riffle/contract';
import type { Entered } from '@riffle/core';
import { useState } from 'react';
import { useKeep } from '../../../records/useKeep.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { Button } from '../../../ui/Button.tsx';
import { SelectField, TextField } from '../../../ui/Field.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { plural } from '../../../ui/plural.ts';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { FormSheet } from '../../../ui/Sheet.tsx';
import { TextButton } from '../../../ui/TextButton.tsx';
import { asTyped, readEntered } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';

/** A detector misses small gold even so near under a large coil. Common practice, no source. */
const MISSES_AT_M = 0.025;

/** The log of the detector at a spot: what was swept, with what, and what rang. The hole, the pile and the oversize are checked before filling in. */
export function Swept({ ground, spot }: { readonly ground: StoredGround; readonly spot: StoredSpot }) {
  const show = useShow();
  const local = useLocalTime();
  const { takeOut } = useKeep('sweeps');
  const sweeps = useRecords('sweeps', ground.id)
    .items.filter((s) => s.spotId === spot.id)
    .sort((a, b) => (a.sweptAt < b.sweptAt ? 1 : -1));
  const [open, setOpen] = useState(false);
  const unswept = SWEPT.filter((w) => w !== 'ground before digging' && !sweeps.some((s) => s.what === w));
  return (
    <Block title="Before you fill it in" aside={`${spot.name}: by eye, and by detector`}>
      {sweeps.length > 0 && (
        <ul>
          {sweeps.map((s) => (
            <li key={s.id} className="flex flex-wrap items-baseline gap-x-3 border-b border-rule py-1">
              <span className="text-ink-2">{local.day(s.sweptAt)}</span>
              <b>{s.what}</b>
              <span className="min-w-0 grow">
                {s.signals === 0 ? 'silent' : `${plural(s.signals, 'signal')}, ${s.gold} gold`}
                <span className="text-ink-2">
                  {[s.coil, s.setting, s.floorEntered && `floor at ${asTyped(s.floorEntered)}`]
                    .filter(Boolean)
                    .map((w) => `; ${w}`)
                    .join('')}
                </span>
              </span>
              <TextButton
                aria-label={`Take out the sweep of the ${s.what}`}
                onClick={() => takeOut(s, 'The sweep is out of the log.')}
              >
                take out
              </TextButton>
            </li>
          ))}
        </ul>
      )}
      <p className="mt-1 text-[13px] text-ink-2">
        {unswept.length > 0
          ? `Not swept yet: ${unswept.join(', ')}. `
          : 'All of it was swept: fill in, turf on top, so that it looks untouched. '}
        Silence is no blank: a large coil misses small gold even {show.smallLength(MISSES_AT_M)} down.
      </p>
      <Button className="mt-2" onClick={() => setOpen(true)}>
        Log a sweep
      </Button>
      {open && (
        <SweepSheet
          groundId={ground.id}
          spotId={spot.id}
          last={sweeps[0]}
          what={unswept[0] ?? 'ground before digging'}
          onClose={() => setOpen(false)}
        />
      )}
    </Block>
  );
}

interface SweepSheetProps {
  readonly groundId: string;
  readonly spotId: string;
  /** The sweep before, whose coil and settings stand in the fields already. */
  readonly last: StoredSweep | undefined;
  readonly what: StoredSweep['what'];
  readonly onClose: () => void;
}

const whole = (text: string): number => (text.trim() === '' ? 0 : /^\d{1,6}$/.test(text.trim()) ? Number(text) : NaN);

function SweepSheet({ groundId, spotId, last, what: usual, onClose }: SweepSheetProps) {
  const { add } = useKeep('sweeps');
  const show = useShow();
  const [what, setWhat] = useState(usual);
  const [coil, setCoil] = useState(last?.coil ?? '');
  const [setting, setSetting] = useState(last?.setting ?? '');
  const [floor, setFloor] = useState<Entered>(
    last?.floorEntered ?? { text: '', unit: show.display.system === 'US' ? 'in' : 'm' },
  );
  const [signals, setSignals] = useState('');
  const [gold, setGold] = useState('');
  const [note, setNote] = useState('');
  const [tried, setTried] = useState(false);
  const depth = floor.text.trim() === '' ? null : readEntered('length', floor);
  const floorProblem = depth?.ok ? numberProblem(NUMBERS.depth_m, depth.value) : (depth?.problem ?? null);
  const [dug, found] = [whole(signals), whole(gold)];
  const wrongCount = (n: number): string | null => (Number.isNaN(n) ? 'A whole number.' : null);
  const goldProblem = wrongCount(found) ?? (found > dug ? 'More gold than signals.' : null);
  const save = (): void => {
    setTried(true);
    const wrongText =
      textProblem(TEXTS.coil, coil) ?? textProblem(TEXTS.setting, setting) ?? textProblem(TEXTS.note, note);
    if (wrongText || floorProblem || wrongCount(dug) || goldProblem) return;
    add({
      groundId,
      spotId,
      sweptAt: new Date().toISOString(),
      what,
      coil: coil.trim(),
      setting: setting.trim(),
      floor_m: depth?.ok ? depth.value : null,
      floorEntered: depth?.ok ? floor : null,
      signals: dug,
      gold: found,
      note,
    });
    onClose();
  };
  return (
    <FormSheet title="A sweep of the detector" onClose={onClose} onSave={save} tight>
      <SelectField
        label="What was swept"
        value={what}
        choices={SWEPT.map((w) => ({ value: w, label: w }))}
        onChange={setWhat}
      />
      <div className="grid grid-cols-2 gap-x-4">
        <TextField
          label="Signals dug"
          value={signals}
          inputMode="numeric"
          onChange={setSignals}
          problem={wrongCount(dug)}
          hint="empty: silent"
        />
        <TextField
          label="Of them gold"
          value={gold}
          inputMode="numeric"
          onChange={setGold}
          problem={tried ? goldProblem : wrongCount(found)}
        />
      </div>
      <TextField label="Coil" value={coil} onChange={setCoil} limit={TEXTS.coil} hint="size and shape: “6 in”" />
      <TextField
        label="Settings"
        value={setting}
        onChange={setSetting}
        limit={TEXTS.setting}
        hint="what it was set to: what it misses hangs on it"
      />
      <QuantityField
        label="The floor lay at"
        entered={floor}
        reading={depth ?? { ok: true, value: 0 }}
        units={['m', 'cm', 'ft', 'in']}
        optional
        showProblem={tried}
        problem={depth?.ok ? floorProblem : null}
        onChange={setFloor}
        comesTo={depth === null && 'empty: not measured'}
      />
      <TextField label="Note" value={note} onChange={setNote} rows={2} limit={TEXTS.note} />
      <Button look="main" type="submit" className="min-h-12">
        Keep it
      </Button>
    </FormSheet>
  );
}
