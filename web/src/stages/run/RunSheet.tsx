import { TEXTS, type StoredRun, type StoredSpot } from '@riffle/contract';
import { useState } from 'react';
import { spotName } from '../../ground/spotName.ts';
import { useKeep } from '../../records/useKeep.ts';
import { useRecords } from '../../records/useRecords.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { plural } from '../../ui/plural.ts';
import { PutRight } from '../../ui/PutRight.tsx';
import { FormSheet } from '../../ui/Sheet.tsx';
import { TextButton } from '../../ui/TextButton.tsx';
import { whenProblem } from '../../when/readWhen.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { WhenField } from '../../when/WhenField.tsx';
import { BucketSheet } from './BucketSheet.tsx';
import { FuelField, useFuel } from './FuelField.tsx';
import { MendsSoFar } from './MendsSoFar.tsx';
import { RunToldFields, toldOf, toldProblem } from './RunTold.tsx';
import { SetupSelect } from './SetupSelect.tsx';
import { useMends } from './useMends.ts';

interface RunSheetProps {
  readonly run: StoredRun;
  readonly spots: readonly StoredSpot[];
  readonly onClose: () => void;
}

/** A run put right: when it began and stopped, and each of its buckets. Nothing tapped is changed: what is told anew is written beside it, and each step can be undone. */
export function RunSheet({ run, spots, onClose }: RunSheetProps) {
  const local = useLocalTime();
  const { change, takeOut } = useKeep('runs');
  const mends = useMends(run);
  const { buckets, lastBucketAt, stoppedLate } = mends;
  const first = buckets[0]?.at;
  const [started, setStarted] = useState(() => local.isoMoment(run.startedAt));
  const [note, setNote] = useState(run.note);
  const [told, setTold] = useState(() => toldOf(run));
  const fuel = useFuel(run);
  const [setupId, setSetup] = useState(run.setupId);
  const setups = useRecords('setups', run.groundId).items;
  const rigs = useRecords('rigs').items;
  const [open, setOpen] = useState<string | null>(null);
  const [tried, setTried] = useState(false);
  const startWrong =
    started === ''
      ? 'A day and an hour.'
      : (whenProblem(started, local) ??
        (first !== undefined && local.at(started).toISOString() > first
          ? `Its first bucket was tapped at ${local.clock(first)}.`
          : null));
  const save = (): void => {
    setTried(true);
    if (startWrong || !fuel.ok || toldProblem({ ...told, note })) return;
    const startedAt = started === local.isoMoment(run.startedAt) ? run.startedAt : local.at(started).toISOString();
    const mended = { startedAt, note, setupId, ...toldOf({ ...told, ...fuel.told }) };
    const isNew = JSON.stringify({ ...run, ...mended }) !== JSON.stringify(run);
    if (isNew) change(run, mended, 'The run is put right.');
    onClose();
  };
  const picked = buckets.find((b) => b.id === open);
  const nameOf = (id: string | null): string => spotName(spots, id);
  return (
    <FormSheet title={`The run of ${local.dayTime(run.startedAt)}`} onClose={onClose} onSave={save} tight>
      <WhenField label="Began" value={started} onChange={setStarted} problem={startWrong} />
      {lastBucketAt !== null && stoppedLate && (
        <div className="mb-2 border-l-4 border-ink pl-3">
          <p>
            Its last bucket went in at <b>{local.clock(lastBucketAt)}</b>; it {stoppedLate}.
          </p>
          <Button onClick={() => mends.stopAt(lastBucketAt)}>Stop it at {local.clock(lastBucketAt)}</Button>
        </div>
      )}
      <SetupSelect label="Through" value={setupId} setups={setups} rigs={rigs} onChange={setSetup} />
      <RunToldFields groundId={run.groundId} spotId={run.spotId} told={told} onChange={setTold} />
      <FuelField fuel={fuel} tried={tried} />
      <TextField label="Note" value={note} onChange={setNote} rows={2} limit={TEXTS.note} />
      <PutRight
        onTakeOut={() => {
          takeOut(run, `The run of ${local.clock(run.startedAt)} is out of the book.`, { lasts_ms: 15_000 });
          onClose();
        }}
      />
      <p role="alert" className="min-h-5 text-[12.5px] text-danger">
        {tried && startWrong && '▲ Not kept: see when it began.'}
      </p>
      <div className="flex items-baseline justify-between gap-3 border-b border-ink">
        <h3>{plural(buckets.length, 'bucket')}</h3>
        <TextButton onClick={() => setOpen('missed')}>one was missed</TextButton>
      </div>
      {mends.state === 'away' && (
        <p>The taps of this run have not reached this device: they cannot be put right here.</p>
      )}
      <ol aria-label="Buckets of this run">
        {buckets.map((b, i) => (
          <li key={b.id} className="border-b border-rule">
            <button
              type="button"
              className="grid min-h-12 w-full grid-cols-[2rem_4rem_3rem_minmax(0,1fr)_auto] items-center text-left"
              onClick={() => setOpen(b.id)}
            >
              <b>{i + 1}</b>
              <span>{local.clock(b.at)}</span>
              <span>{b.fullness}</span>
              <span className="truncate">{nameOf(b.spotId)}</span>
              <span className="underline underline-offset-4">change</span>
            </button>
          </li>
        ))}
      </ol>
      <MendsSoFar mends={mends} nameOf={nameOf} />
      {(picked || open === 'missed') && (
        <BucketSheet
          title={picked ? `Bucket ${buckets.indexOf(picked) + 1}` : 'A bucket that was missed'}
          bucket={
            picked ?? {
              at: lastBucketAt ?? run.startedAt,
              spotId: buckets.at(-1)?.spotId ?? run.spotId,
              fullness: 'full',
            }
          }
          spots={spots}
          onClose={() => setOpen(null)}
          onKeep={(told) => {
            if (picked) mends.tellAnew(picked, told);
            else mends.add(told);
            setOpen(null);
          }}
          onTakeOut={
            picked &&
            (() => {
              mends.takeBack(picked);
              setOpen(null);
            })
          }
        />
      )}
    </FormSheet>
  );
}
