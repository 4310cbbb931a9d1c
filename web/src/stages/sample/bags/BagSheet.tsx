import {
  NUMBERS,
  numberProblem,
  textProblems,
  TEXTS,
  type StoredGround,
  type StoredLot,
  type StoredSpot,
} from '@riffle/contract';
import { WET_GRAVEL_KG_L } from '@riffle/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from '../../../ui/toast.ts';
import { useContainers } from '../../../records/useContainers.ts';
import { useKeep } from '../../../records/useKeep.ts';
import { asTyped, readVolume } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { Button } from '../../../ui/Button.tsx';
import { TextField } from '../../../ui/Field.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { FormSheet } from '../../../ui/Sheet.tsx';
import { STATE_WORDS } from './bagWords.ts';

const BAG_TEXTS = {
  tag: TEXTS.tag,
  layer: TEXTS.layer,
  screen: TEXTS.screenSaid,
  place: TEXTS.place,
  holder: TEXTS.holder,
  note: TEXTS.note,
};

interface BagSheetProps {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  readonly lot: StoredLot;
  readonly taken: readonly string[];
  readonly onClose: () => void;
}

/** A bag in the hand: where from, what is in it, where it is now and with whom; and what happens next. */
export function BagSheet({ ground, spots, lot: now, taken, onClose }: BagSheetProps) {
  // As it was when the sheet opened: what another changes meanwhile is told apart, not written over.
  const [lot] = useState(now);
  const { change } = useKeep('lots');
  const containers = useContainers();
  const show = useShow();
  const navigate = useNavigate();
  const [form, setForm] = useState({
    tag: lot.tag,
    volume: lot.volumeEntered,
    layer: lot.layer,
    screen: lot.screen,
    place: lot.place,
    holder: lot.holder,
    note: lot.note,
  });
  const [tried, setTried] = useState(false);
  const reading = readVolume(form.volume, containers);
  const wrong = textProblems(BAG_TEXTS, form);
  const tagProblem =
    wrong.tag ??
    (form.tag.trim() !== lot.tag && taken.includes(form.tag.trim()) ? 'Another bag has this tag already.' : null);
  const volumeProblem = reading.ok ? numberProblem(NUMBERS.bagVolume_L, reading.value) : null;
  const spot = spots.find((s) => s.id === lot.spotId);
  const save = (state: StoredLot['state']): boolean => {
    setTried(true);
    if (Object.keys(wrong).length > 0 || tagProblem || volumeProblem || !reading.ok) return false;
    change(lot, {
      tag: form.tag.trim(),
      volume_L: reading.value,
      volumeEntered: form.volume,
      layer: form.layer.trim(),
      screen: form.screen.trim(),
      place: form.place.trim(),
      holder: form.holder.trim(),
      note: form.note,
      state,
      takenAt: lot.state === 'planned' && state === 'waiting' ? new Date().toISOString() : lot.takenAt,
    });
    return true;
  };
  const to = (state: StoredLot['state']): void => {
    if (!save(state)) return;
    toast(`${form.tag.trim()}: ${STATE_WORDS[state]}.`);
    onClose();
  };
  const depth =
    lot.toDepth_m !== null && lot.fromDepth_m !== null && lot.toDepth_m > 0
      ? `, ${show.range('length', lot.fromDepth_m, lot.toDepth_m)} down`
      : '';
  return (
    <FormSheet
      title={`Bag ${lot.tag}`}
      onClose={onClose}
      onSave={() => {
        to(lot.state === 'planned' ? 'waiting' : lot.state);
      }}
      tight
    >
      <p className="text-[16px]">
        <b>{STATE_WORDS[lot.state]}</b>.{' '}
        {lot.spotId === null
          ? 'From several spots, mixed: it gives no grade for any of them.'
          : `From ${spot?.name ?? 'a spot since removed'}${depth}.`}
      </p>
      {lot.state === 'planned' && (
        <Button look="main" type="submit" className="min-h-14 text-[18px]">
          It is dug and bagged
        </Button>
      )}
      {lot.state === 'waiting' && lot.spotId !== null && (
        <Button
          look="main"
          className="min-h-14 text-[18px]"
          onClick={() => {
            if (save('waiting')) void navigate(`/g/${ground.id}/sample?spot=${lot.spotId}&bag=${lot.id}`);
          }}
        >
          Pan it now
        </Button>
      )}
      {lot.state === 'waiting' && lot.spotId === null && (
        <Button look="main" onClick={() => to('panned')}>
          Panned, no grade from it
        </Button>
      )}
      <TextField
        label="Tag on the bag"
        value={form.tag}
        onChange={(tag) => setForm({ ...form, tag })}
        limit={TEXTS.tag}
        problem={tagProblem}
      />
      <QuantityField
        label="How much is in it"
        entered={form.volume}
        reading={reading}
        units={['pan', 'bucket', 'L', 'gal', 'double handful']}
        showProblem={tried}
        problem={volumeProblem}
        comesTo={reading.ok && `${show.volume(reading.value)}, about ${show.load(reading.value * WET_GRAVEL_KG_L)} wet`}
        onChange={(volume) => setForm({ ...form, volume })}
      />
      <TextField
        label="Layer"
        value={form.layer}
        onChange={(layer) => setForm({ ...form, layer })}
        limit={TEXTS.layer}
      />
      <TextField
        label="Screen it went through"
        value={form.screen}
        onChange={(screen) => setForm({ ...form, screen })}
        limit={TEXTS.screenSaid}
        hint="8 mesh, 1/4 in slots; empty: none"
      />
      <TextField
        label="Where it is"
        value={form.place}
        onChange={(place) => setForm({ ...form, place })}
        limit={TEXTS.place}
      />
      <TextField
        label="With whom"
        value={form.holder}
        onChange={(holder) => setForm({ ...form, holder })}
        limit={TEXTS.holder}
      />
      <TextField
        label="Note"
        value={form.note}
        rows={2}
        onChange={(note) => setForm({ ...form, note })}
        limit={TEXTS.note}
      />
      <p className="text-[13px] text-ink-2">Planned for {asTyped(lot.volumeEntered)}.</p>
      <div className="flex flex-wrap gap-2">
        {lot.state !== 'planned' && <Button type="submit">Keep changes</Button>}
        {lot.state === 'waiting' && <Button onClick={() => to('run')}>Run through a box</Button>}
        {lot.state === 'lost' ? (
          <Button onClick={() => to('waiting')}>Found again</Button>
        ) : (
          <Button look="danger" onClick={() => to('lost')}>
            Lost
          </Button>
        )}
      </div>
    </FormSheet>
  );
}
