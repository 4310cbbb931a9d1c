import type { StoredGround, StoredLot, StoredSpot } from '@riffle/contract';
import { WET_GRAVEL_KG_L } from '@riffle/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { useWrite } from '../../../offline/writes.ts';
import { asTyped, readEntered } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { Button } from '../../../ui/Button.tsx';
import { TextField } from '../../../ui/Field.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';
import { STATE_WORDS } from './bagWords.ts';

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
  const write = useWrite();
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
  const reading = readEntered('volume', form.volume);
  const tagProblem =
    form.tag.trim() === ''
      ? 'Give the bag a tag.'
      : form.tag.trim() !== lot.tag && taken.includes(form.tag.trim())
        ? 'Another bag has this tag already.'
        : null;
  const volumeProblem =
    reading.ok && !(reading.value > 0 && reading.value <= 10_000) ? 'More than nothing, and at most 10 m³.' : null;
  const spot = spots.find((s) => s.id === lot.spotId);
  const save = (state: StoredLot['state']): boolean => {
    setTried(true);
    if (tagProblem || volumeProblem || !reading.ok) return false;
    const { version, updatedAt, ...record } = lot;
    write({
      what: 'record',
      kind: 'lots',
      record: {
        ...record,
        tag: form.tag.trim(),
        volume_L: reading.value,
        volumeEntered: form.volume,
        layer: form.layer.slice(0, 80),
        screen: form.screen.slice(0, 40),
        place: form.place.slice(0, 80),
        holder: form.holder.slice(0, 80),
        note: form.note,
        state,
        takenAt: lot.state === 'planned' && state === 'waiting' ? new Date().toISOString() : lot.takenAt,
        baseVersion: version,
      },
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
      ? `, ${show.figure('length', lot.fromDepth_m).digits}–${show.length(lot.toDepth_m)} down`
      : '';
  return (
    <Sheet
      open
      onOpenChange={(o) => {
        if (!o) onClose();
      }}
      title={`Bag ${lot.tag}`}
    >
      <form
        className="flex flex-col gap-1"
        onSubmit={(e) => {
          e.preventDefault();
          to(lot.state === 'planned' ? 'waiting' : lot.state);
        }}
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
          onChange={(tag) => setForm({ ...form, tag: tag.slice(0, 20) })}
          problem={tagProblem}
        />
        <QuantityField
          label="How much is in it"
          entered={form.volume}
          reading={reading}
          units={['pan', 'bucket', 'L', 'gal', 'double handful']}
          showProblem={tried}
          problem={volumeProblem}
          comesTo={
            reading.ok && `${show.volume(reading.value)}, about ${show.load(reading.value * WET_GRAVEL_KG_L)} wet`
          }
          onChange={(volume) => setForm({ ...form, volume })}
        />
        <TextField label="Layer" value={form.layer} onChange={(layer) => setForm({ ...form, layer })} />
        <TextField
          label="Screen it went through"
          value={form.screen}
          onChange={(screen) => setForm({ ...form, screen })}
          hint="8 mesh, 1/4 in slots; empty: none"
        />
        <TextField label="Where it is" value={form.place} onChange={(place) => setForm({ ...form, place })} />
        <TextField label="With whom" value={form.holder} onChange={(holder) => setForm({ ...form, holder })} />
        <TextField label="Note" value={form.note} rows={2} onChange={(note) => setForm({ ...form, note })} />
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
      </form>
    </Sheet>
  );
}
