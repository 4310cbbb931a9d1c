import { MOST, TEXTS, type StoredRig, type StoredSetup, type StoredSpot } from '@riffle/contract';
import { BROKEN_OFF_MS } from '@riffle/core';
import { useState } from 'react';
import { useWrite } from '../../offline/outbox.ts';
import { justKept, useKeep } from '../../records/useKeep.ts';
import { asTyped } from '../../units/readEntered.ts';
import { Button } from '../../ui/Button.tsx';
import { SpotSelect } from '../../ground/SpotSelect.tsx';
import { TextField } from '../../ui/Field.tsx';
import { plural } from '../../ui/plural.ts';
import { FormSheet } from '../../ui/Sheet.tsx';
import { TextButton } from '../../ui/TextButton.tsx';
import { undoToast } from '../../ui/undoToast.ts';
import { whenProblem } from '../../when/readWhen.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { WhenField } from '../../when/WhenField.tsx';
import { fromPaper } from '../../box/byHand.ts';
import { FuelField, useFuel } from './FuelField.tsx';
import { SetupSelect } from './SetupSelect.tsx';
import { NO_TALLY } from './noTally.ts';
import { RunToldFields, toldOf, toldProblem, type RunTold } from './RunTold.tsx';
import { clockText } from './useOpenRun.ts';

interface PaperSheetProps {
  readonly groundId: string;
  readonly setups: readonly StoredSetup[];
  readonly rigs: readonly StoredRig[];
  readonly spots: readonly StoredSpot[];
  /** As it mostly is. */
  readonly usual: RunTold;
  readonly onClose: () => void;
}

/** A run that was written on paper, whole: its hours, its box, and how many buckets from where. Each bucket can be put right afterwards. */
export function PaperSheet({ groundId, setups, rigs, spots, usual, onClose }: PaperSheetProps) {
  const local = useLocalTime();
  const write = useWrite();
  const { add, takeOut } = useKeep('runs');
  const [began, setBegan] = useState('');
  const [ended, setEnded] = useState('');
  const [setupId, setSetup] = useState(setups[0]?.id ?? '');
  const [lines, setLines] = useState([{ spotId: '', count: '' }]);
  const [told, setTold] = useState(usual);
  const fuel = useFuel({ fuel_L: null, fuelEntered: null });
  const [note, setNote] = useState('');
  const [tried, setTried] = useState(false);
  const setup = setups.find((s) => s.id === setupId);
  const beganWrong = began === '' ? 'A day and an hour.' : whenProblem(began, local);
  const endedWrong =
    ended === ''
      ? 'A day and an hour.'
      : (whenProblem(ended, local) ??
        (!beganWrong && local.at(ended) <= local.at(began) ? 'It stopped before it began.' : null));
  const counts = lines.map(({ count }) => (/^\d+$/.test(count.trim()) ? Number(count) : NaN));
  const lineWrong = lines.map(({ spotId }, i) => {
    const count = counts[i] ?? NaN;
    if (spotId === '') return 'Pick its spot.';
    return Number.isNaN(count) || count < 1 ? 'How many buckets: a whole number.' : null;
  });
  const all = counts.reduce((sum, c) => sum + (Number.isNaN(c) ? 0 : c), 0);
  const tooMany = all >= MOST.eventsAtOnce ? `At most ${MOST.eventsAtOnce - 1} buckets in one run.` : null;
  const hours_ms = beganWrong || endedWrong ? null : local.at(ended).getTime() - local.at(began).getTime();
  const apart_ms = hours_ms !== null && all > 0 ? hours_ms / all : null;
  const wrong =
    beganWrong ??
    endedWrong ??
    lineWrong.find((w) => w !== null) ??
    tooMany ??
    (fuel.ok ? null : 'See the fuel.') ??
    toldProblem({ ...told, note });
  const save = (): void => {
    setTried(true);
    if (wrong || !setup) return;
    const { bucket_L, bucketEntered } = setup;
    const startedAt = local.at(began).toISOString();
    const first = lines[0]?.spotId ?? '';
    const run = {
      groundId,
      setupId: setup.id,
      spotId: first,
      startedAt,
      bucket_L,
      bucketEntered,
      ...toldOf({ ...told, ...fuel.told }),
      note,
    };
    const id = add(run);
    const sources = lines.map((l, i) => ({ spotId: l.spotId, count: counts[i] ?? 0 }));
    write({
      what: 'events',
      runId: id,
      groundId,
      events: fromPaper(startedAt, local.at(ended).toISOString(), sources, bucket_L),
    });
    undoToast(`${plural(all, 'bucket')} of ${local.dayTime(startedAt)} are in the book.`, () =>
      takeOut({ ...justKept(run, id), tally: NO_TALLY }),
    );
    onClose();
  };
  return (
    <FormSheet title="A run from paper" onClose={onClose} onSave={save} tight>
      <WhenField label="Began" value={began} onChange={setBegan} problem={tried || began !== '' ? beganWrong : null} />
      <WhenField
        label="Stopped"
        value={ended}
        onChange={setEnded}
        problem={tried || ended !== '' ? endedWrong : null}
      />
      <SetupSelect
        label="Set-up"
        value={setupId}
        setups={setups}
        rigs={rigs}
        onChange={setSetup}
        hint={setup && `Bucket ${asTyped(setup.bucketEntered)}`}
      />
      {lines.map((line, i) => (
        <fieldset key={i} className="grid grid-cols-[minmax(0,1fr)_6rem] gap-x-3">
          <legend className="sr-only">Gravel {i + 1}</legend>
          <SpotSelect
            label={i === 0 ? 'Gravel from' : 'then from'}
            none="Pick a spot"
            spots={spots}
            value={line.spotId}
            onPick={(spotId) => setLines(lines.map((l, j) => (j === i ? { ...l, spotId: spotId ?? '' } : l)))}
            problem={tried ? (lineWrong[i] ?? null) : null}
          />
          <TextField
            label="Buckets"
            value={line.count}
            inputMode="numeric"
            onChange={(count) => setLines(lines.map((l, j) => (j === i ? { ...l, count } : l)))}
          />
        </fieldset>
      ))}
      <TextButton className="self-start" onClick={() => setLines([...lines, { spotId: '', count: '' }])}>
        and from another spot
      </TextButton>
      {apart_ms !== null && (
        <p className="text-ink-2">
          A bucket in {clockText(apart_ms)}.
          {apart_ms > BROKEN_OFF_MS && ' So far apart the time between counts as no work: tell the hours it was fed.'}
        </p>
      )}
      <RunToldFields groundId={groundId} spotId={lines[0]?.spotId} told={told} onChange={setTold} />
      <FuelField fuel={fuel} tried={tried} />
      <TextField label="Note" value={note} onChange={setNote} rows={2} limit={TEXTS.note} />
      <p role="alert" className="min-h-5 text-[12.5px] text-danger">
        {tried && wrong && `▲ Not kept: ${wrong}`}
      </p>
      <Button look="main" type="submit" className="min-h-14">
        Write it in the book
      </Button>
    </FormSheet>
  );
}
