import { SPOT_KINDS, type StoredGround, type StoredSpot } from '@riffle/contract';
import { centreLine, UNITS, type Bank, type Entered } from '@riffle/core';
import { useState } from 'react';
import { toast } from 'sonner';
import { v7 as uuidv7 } from 'uuid';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import { useWrite } from '../../offline/writes.ts';
import { Photos } from '../../photos/Photos.tsx';
import type { RibbonPlace } from '../../ribbon/Ribbon.tsx';
import { readEntered } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

interface SpotSheetProps {
  readonly ground: StoredGround;
  /** The spot to change; left out for a new one. */
  readonly spot: StoredSpot | undefined;
  /** Where the ribbon was tapped. */
  readonly place: RibbonPlace | null;
  readonly onClose: () => void;
  readonly onKept: (spotId: string) => void;
}

/** Marks a spot: a name, how far up, which bank. */
export function SpotSheet({ ground, spot, place, onClose, onKept }: SpotSheetProps) {
  const write = useWrite();
  const show = useShow();
  const unit = show.display.system === 'US' ? 'ft' : 'm';
  const start = spot?.distance_m ?? place?.distance_m;
  const [name, setName] = useState(spot?.name ?? '');
  const [kind, setKind] = useState<StoredSpot['kind']>(spot?.kind ?? 'bar');
  const [bank, setBank] = useState<Bank>(spot?.bank ?? place?.bank ?? 'mid');
  const [distance, setDistance] = useState({
    text: start === undefined ? '' : String(Math.round((start / UNITS.length[unit]) * 10) / 10),
    unit,
  });
  const [worksBelow, setWorksBelow] = useState<Entered>(
    spot?.worksBelowEntered ?? { text: '', unit: show.display.system === 'US' ? 'in' : 'cm' },
  );
  const level = worksBelow.text.trim() === '' ? null : readEntered('length', worksBelow);
  const levelProblem = level?.ok && level.value > 30 ? 'At most 30 m.' : null;
  const [note, setNote] = useState(spot?.note ?? '');
  const [tried, setTried] = useState(false);
  const reading = readEntered('length', distance);
  const tooFar =
    reading.ok && reading.value > ground.length_m + 0.5
      ? `The ground is ${show.distance(ground.length_m)} long.`
      : null;

  const save = (): void => {
    setTried(true);
    if (name.trim() === '' || !reading.ok || tooFar || level?.ok === false || levelProblem) return;
    const distance_m = reading.value;
    const moved = !spot || Math.abs(distance_m - spot.distance_m) > 0.05 || bank !== spot.bank;
    const offset_m = bank === 'mid' ? 0 : moved ? place?.offset_m || spot?.offset_m || 6 : spot.offset_m;
    const position = !moved
      ? spot.position
      : ground.line
        ? centreLine(ground.line).positionAt(distance_m, offset_m, bank)
        : null;
    const id = spot?.id ?? uuidv7();
    write({
      what: 'record',
      kind: 'spots',
      record: {
        id,
        deleted: false,
        groundId: ground.id,
        name: name.trim(),
        kind,
        distance_m,
        bank,
        offset_m,
        position,
        worksBelow_m: level?.ok ? level.value : null,
        worksBelowEntered: level?.ok ? worksBelow : null,
        samplePlanId: spot?.samplePlanId ?? null,
        note,
        baseVersion: spot?.version ?? 0,
      },
    });
    onKept(id);
  };
  const remove = (): void => {
    if (!spot) return;
    const { version, updatedAt, ...record } = spot;
    write({ what: 'record', kind: 'spots', record: { ...record, deleted: true, baseVersion: version } });
    toast(`${spot.name} is off the ribbon; its samples stay in the book.`, {
      action: {
        label: 'Undo',
        onClick: () =>
          write({ what: 'record', kind: 'spots', record: { ...record, deleted: false, baseVersion: version + 1 } }),
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
      title={spot ? spot.name : 'New spot'}
    >
      <form
        className="flex flex-col gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        <TextField
          label="Name"
          value={name}
          onChange={setName}
          problem={tried && name.trim() === '' ? 'Give it a name.' : null}
        />
        <QuantityField
          label={`Distance ${GROUND_WORDS[ground.kind].axis}`}
          entered={distance}
          reading={reading}
          units={['m', 'ft', 'km', 'yd']}
          showProblem={tried}
          problem={tooFar}
          onChange={(d) => setDistance({ text: d.text, unit: d.unit })}
          comesTo={reading.ok && show.distance(reading.value)}
        />
        <div>
          <p className="mb-1 text-[13px] text-ink-2">
            {ground.kind === 'beach' ? 'Side of the line' : 'Side, looking downstream'}
          </p>
          <Choices
            label="Bank"
            value={bank}
            onChange={setBank}
            choices={(['left', 'mid', 'right'] as const).map((b) => ({
              value: b,
              label: GROUND_WORDS[ground.kind].banks[b],
            }))}
          />
        </div>
        <SelectField
          label="What it is"
          value={kind}
          choices={SPOT_KINDS.map((k) => ({ value: k, label: k }))}
          onChange={setKind}
        />
        {ground.kind === 'creek' && (
          <QuantityField
            label="Out of reach once the river stands above"
            entered={worksBelow}
            reading={level ?? { ok: true, value: 0 }}
            units={['cm', 'm', 'in', 'ft']}
            optional
            showProblem={tried}
            problem={levelProblem ?? (level?.ok === false ? level.problem : null)}
            comesTo="on the stake; empty: at any level"
            onChange={(l) => setWorksBelow({ text: l.text, unit: l.unit })}
          />
        )}
        {kind === 'undercut' && (
          <p className="border-l-4 border-dashed border-danger pl-3 text-danger">
            Undercut banks come down. Dig only in what the water has already cut, never the bank itself, and never lie
            under it. Local rules come first.
          </p>
        )}
        <TextField label="Note" value={note} onChange={setNote} rows={3} />
        {spot && <Photos groundId={ground.id} about="spot" aboutId={spot.id} />}
        <div className="mt-2 flex flex-wrap gap-3">
          <Button look="main" type="submit">
            {spot ? 'Keep the change' : 'Mark this spot'}
          </Button>
          {spot && (
            <Button look="danger" onClick={remove}>
              Take it off
            </Button>
          )}
        </div>
      </form>
    </Sheet>
  );
}
