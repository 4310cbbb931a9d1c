import { textProblem, TEXTS, type LoggedEvent, type StoredRun, type StoredSpot } from '@riffle/contract';
import { asRunEvent, BROKEN_OFF_MS, tallyRun } from '@riffle/core';
import { useMemo, useState } from 'react';
import { useWrite } from '../../offline/outbox.ts';
import { useKeep } from '../../records/useKeep.ts';
import { useRunEvents } from '../../records/useRunEvents.ts';
import { useRecords } from '../../records/useRecords.ts';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { plural } from '../../ui/plural.ts';
import { PutRight } from '../../ui/PutRight.tsx';
import { FormSheet, Sheet } from '../../ui/Sheet.tsx';
import { TextButton } from '../../ui/TextButton.tsx';
import { useNow } from '../../ui/useNow.ts';
import { undoToast } from '../../ui/undoToast.ts';
import { whenProblem } from '../../when/readWhen.ts';
import { SetupSelect } from './SetupSelect.tsx';
import { PeopleField } from './PeopleField.tsx';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { WhenField } from '../../when/WhenField.tsx';
import { stoppedAt, FULLNESS, missedBucket, takenBack, type BucketToldAnew, type Fullness } from '../../box/byHand.ts';

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
  const [people, setPeople] = useState(run.people);
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
    if (startWrong || textProblem(TEXTS.note, note)) return;
    const startedAt = started === local.isoMoment(run.startedAt) ? run.startedAt : local.at(started).toISOString();
    const mended = { startedAt, note, people, setupId };
    const isNew = (Object.keys(mended) as (keyof typeof mended)[]).some((k) => mended[k] !== run[k]);
    if (isNew) change(run, mended, 'The run is put right.');
    onClose();
  };
  const picked = buckets.find((b) => b.id === open);
  const nameOf = (id: string | null): string => spots.find((s) => s.id === id)?.name ?? 'no spot';
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
      <PeopleField value={people} onChange={setPeople} />
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

/** A bucket that counts, as it can be told anew. */
interface KeptBucket extends BucketToldAnew {
  readonly id: string;
}

/** What a run's taps come to, and the ways to put them right; each says so and can be undone. */
function useMends(run: StoredRun) {
  const write = useWrite();
  const local = useLocalTime();
  const now_ms = useNow(60_000);
  const { events, state } = useRunEvents(run.id);
  const tally = useMemo(
    () => tallyRun(Date.parse(run.startedAt), events.map(asRunEvent), Date.parse(run.startedAt)),
    [run.startedAt, events],
  );
  const buckets = tally.buckets.map((b): KeptBucket => ({
    id: b.eventId,
    at: new Date(b.at_ms).toISOString(),
    spotId: b.spotId ?? null,
    fullness: fullnessOf(events.find((e) => e.id === b.eventId)),
  }));
  const lastBucketAt = buckets.at(-1)?.at ?? null;
  const stops = events.filter((e) => e.kind === 'stop' && (lastBucketAt === null || e.at >= lastBucketAt));
  const firstStop = stops.map((e) => e.at).sort()[0];
  const until_ms = firstStop === undefined ? now_ms : Date.parse(firstStop);
  const isLate = lastBucketAt !== null && until_ms - Date.parse(lastBucketAt) > BROKEN_OFF_MS;
  const send = (...taps: LoggedEvent[]): void =>
    write({ what: 'events', runId: run.id, groundId: run.groundId, events: taps });
  const bucketOf = (told: BucketToldAnew): LoggedEvent => missedBucket(told, run.bucket_L);
  return {
    state,
    buckets,
    lastBucketAt,
    /** Where the clock went on long after the last bucket: what it did, in words. */
    stoppedLate: !isLate
      ? null
      : firstStop === undefined
        ? 'was not stopped'
        : `was stopped at ${local.clock(firstStop)}`,
    add: (told: BucketToldAnew): void => {
      const made = bucketOf(told);
      send(made);
      undoToast(`A bucket more, at ${local.clock(told.at)}.`, () => send(takenBack(made)));
    },
    takeBack: (bucket: KeptBucket): void => {
      send(takenBack(bucket));
      undoToast(`The bucket of ${local.clock(bucket.at)} is taken out.`, () => send(bucketOf(bucket)));
    },
    tellAnew: (bucket: KeptBucket, told: BucketToldAnew): void => {
      const made = bucketOf(told);
      send(takenBack(bucket), made);
      undoToast(`The bucket of ${local.clock(told.at)} is put right.`, () => send(takenBack(made), bucketOf(bucket)));
    },
    stopAt: (at: string): void => send(stoppedAt(at)),
  };
}

const fullnessOf = (event: LoggedEvent | undefined): Fullness =>
  event?.fullness && event.fullness in FULLNESS ? (event.fullness as Fullness) : 'full';

interface BucketSheetProps {
  readonly title: string;
  readonly bucket: BucketToldAnew;
  readonly spots: readonly StoredSpot[];
  readonly onKeep: (told: BucketToldAnew) => void;
  readonly onTakeOut: (() => void) | undefined;
  readonly onClose: () => void;
}

const NO_SPOT = '';

function BucketSheet({ title, bucket, spots, onKeep, onTakeOut, onClose }: BucketSheetProps) {
  const local = useLocalTime();
  const [when, setWhen] = useState(() => local.isoMoment(bucket.at));
  const [spotId, setSpot] = useState(bucket.spotId);
  const [fullness, setFullness] = useState(bucket.fullness);
  // What was tapped stands, whatever the clock says by now.
  const isAsTapped = when === local.isoMoment(bucket.at);
  const wrong = when === '' ? 'A day and an hour.' : isAsTapped ? null : whenProblem(when, local);
  const keep = (): void => {
    if (wrong) return;
    // The field has no seconds: what was not touched keeps its own.
    const at = isAsTapped ? bucket.at : local.at(when).toISOString();
    onKeep({ at, spotId, fullness });
  };
  return (
    <Sheet title={title} onClose={onClose}>
      <div className="flex flex-col gap-1">
        <WhenField label="Tipped" value={when} onChange={setWhen} problem={wrong} />
        <SelectField
          label="From"
          value={spotId ?? NO_SPOT}
          choices={[
            { value: NO_SPOT, label: 'no spot named' },
            ...[...spots].sort((a, b) => a.distance_m - b.distance_m).map((s) => ({ value: s.id, label: s.name })),
          ]}
          onChange={(id) => setSpot(id === NO_SPOT ? null : id)}
        />
        <Choices
          label="How full"
          value={fullness}
          onChange={setFullness}
          choices={(Object.keys(FULLNESS) as Fullness[]).map((f) => ({ value: f, label: f }))}
        />
        <div className="mt-3 flex flex-wrap gap-3">
          <Button look="main" onClick={keep}>
            {onTakeOut ? 'Keep it so' : 'Add it'}
          </Button>
          {onTakeOut && (
            <Button look="danger" onClick={onTakeOut}>
              Take it out
            </Button>
          )}
        </div>
      </div>
    </Sheet>
  );
}
