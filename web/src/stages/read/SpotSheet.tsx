import {
  NUMBERS,
  numberProblem,
  SPOT_KINDS,
  textProblem,
  TEXTS,
  type StoredGround,
  type StoredSpot,
} from '@riffle/contract';
import { centreLine, type Bank, type Entered } from '@riffle/core';
import { useState } from 'react';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import { useKeep } from '../../records/useKeep.ts';
import { standingWords, useStand } from '../../ground/useStand.ts';
import { usePreferences } from '../../preferences/preferences.ts';
import { Photos } from '../../photos/Photos.tsx';
import type { RibbonPlace } from '../../ribbon/placeAt.ts';
import { enterLength } from '../../units/enterLength.ts';
import { readEntered } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Caution } from '../../ui/Caution.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { FormSheet } from '../../ui/Sheet.tsx';
import { AlongField, readAlong } from './AlongField.tsx';

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
export function SpotSheet({ ground, spot: now, place, onClose, onKept }: SpotSheetProps) {
  // As it was when the sheet opened: what another changes meanwhile is told apart, not written over.
  const [spot] = useState(now);
  const keep = useKeep('spots');
  const show = useShow();
  const unit = show.display.system === 'US' ? 'ft' : 'm';
  const start = spot?.distance_m ?? place?.distance_m;
  const [name, setName] = useState(spot?.name ?? '');
  const [kind, setKind] = useState<StoredSpot['kind']>(spot?.kind ?? 'bar');
  const [bank, setBank] = useState<Bank>(spot?.bank ?? place?.bank ?? 'mid');
  const [distance, setDistance] = useState(enterLength(start, unit));
  // Where the ribbon was tapped, or where one stands: how far out from the line.
  const [stood, setStood] = useState(place);
  const { positionFrom } = usePreferences().preferences;
  const [touched, setTouched] = useState(false);
  const { standing, look } = useStand(
    ground,
    (at) => {
      // What was typed meanwhile stands, unless one asks.
      if (touched) return;
      setDistance(enterLength(at.distance_m, unit));
      setBank(at.bank);
      setStood(at);
    },
    !spot && !place,
  );
  const [worksBelow, setWorksBelow] = useState<Entered>(
    spot?.worksBelowEntered ?? { text: '', unit: show.display.system === 'US' ? 'in' : 'cm' },
  );
  const level = worksBelow.text.trim() === '' ? null : readEntered('length', worksBelow);
  const levelProblem = level?.ok ? numberProblem(NUMBERS.level_m, level.value) : null;
  const [note, setNote] = useState(spot?.note ?? '');
  const nameProblem = textProblem(TEXTS.name, name);
  const noteProblem = textProblem(TEXTS.note, note);
  const [tried, setTried] = useState(false);
  const { reading, isTooFar } = readAlong(ground, distance);

  const save = (): void => {
    setTried(true);
    if (nameProblem || noteProblem || !reading.ok || isTooFar || level?.ok === false || levelProblem) return;
    const distance_m = reading.value;
    const moved = !spot || Math.abs(distance_m - spot.distance_m) > 0.05 || bank !== spot.bank;
    const offset_m = bank === 'mid' ? 0 : moved ? stood?.offset_m || spot?.offset_m || 6 : spot.offset_m;
    const position = !moved
      ? spot.position
      : ground.line
        ? centreLine(ground.line).positionAt(distance_m, offset_m, bank)
        : null;
    const id = keep.put(spot, {
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
    });
    onKept(id);
  };
  const remove = (): void => {
    if (!spot) return;
    keep.takeOut(spot, `${spot.name} is off the ribbon; its samples stay in the book.`);
    onClose();
  };
  return (
    <FormSheet title={spot ? spot.name : 'New spot'} onClose={onClose} onSave={save}>
      <TextField label="Name" value={name} onChange={setName} limit={TEXTS.name} problem={tried ? nameProblem : null} />
      <AlongField
        ground={ground}
        entered={distance}
        wanted={tried}
        onChange={(typed) => {
          setTouched(true);
          setDistance(typed);
        }}
      />
      <div className="-mt-1 flex items-center justify-between gap-3">
        <p role="status" className="text-[13px] text-ink-2">
          {standingWords(standing, show, positionFrom === 'simulated')}
        </p>
        <Button
          look="quiet"
          className="shrink-0"
          onClick={() => {
            setTouched(false);
            look();
          }}
        >
          Where I stand
        </Button>
      </div>
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
          onChange={setWorksBelow}
        />
      )}
      {ground.kind === 'beach' && (
        <QuantityField
          label="Bare while the tide stands below"
          entered={worksBelow}
          reading={level ?? { ok: true, value: 0 }}
          units={['m', 'cm', 'ft', 'in']}
          optional
          showProblem={tried}
          problem={levelProblem ?? (level?.ok === false ? level.problem : null)}
          comesTo="its height by the tide table; empty: as the beach"
          onChange={setWorksBelow}
        />
      )}
      {kind === 'undercut' && (
        <Caution>
          Undercut banks come down. Dig only in what the water has already cut, never the bank itself, and never lie
          under it. Local rules come first.
        </Caution>
      )}
      <TextField label="Note" value={note} onChange={setNote} rows={3} limit={TEXTS.note} />
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
    </FormSheet>
  );
}
