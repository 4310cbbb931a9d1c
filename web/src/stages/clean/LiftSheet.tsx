import { TEXTS, textProblem, type StoredRig, type StoredRun } from '@riffle/contract';
import { useState } from 'react';
import { stoppedAt } from '../../box/byHand.ts';
import { leakPointsOf } from '../../box/openLifts.ts';
import { useWrite } from '../../offline/outbox.ts';
import { useKeep } from '../../records/useKeep.ts';
import { useRecords } from '../../records/useRecords.ts';
import { useRecordsOfAll } from '../../records/useRecordsOfAll.ts';
import { Button } from '../../ui/Button.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { Checkbox } from '../../ui/Checkbox.tsx';
import { TextField } from '../../ui/Field.tsx';
import { FormSheet } from '../../ui/Sheet.tsx';
import { TextButton } from '../../ui/TextButton.tsx';
import { useShow } from '../../units/useShow.ts';
import { whenProblem } from '../../when/readWhen.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { WhenField } from '../../when/WhenField.tsx';
import type { SectionDraft } from './readCleanup.ts';
import { RunChecks } from './RunChecks.tsx';
import { freeTags, tagProblem, tubsOf } from './readLift.ts';
import { RinsedChoices } from './RinsedChoices.tsx';
import { readEntered } from '../../units/readEntered.ts';

interface LiftSheetProps {
  readonly groundId: string;
  /** Runs that lie in the box. */
  readonly runs: readonly StoredRun[];
  readonly rig: StoredRig | undefined;
  /** Where this box is cut as a rule. */
  readonly sections: readonly SectionDraft[];
  readonly onClose: () => void;
}

/** Order of work when a box is lifted. Common practice, no source. */
const ORDER = [
  'Let it run clear, then cut the water.',
  'Lift it level, over a tub: what runs out is gold.',
  'Riffles and expanded metal first, over the tub they belong to.',
  'Mats one by one; roll the carpet so that it opens, gold side in.',
  'Hose the joints and gaps: they took the first gold.',
] as const;

/** When an open run ended: when its box was lifted, or at its last tap, should that have come after. */
const endOf = (run: StoredRun, liftedAt: string): string =>
  run.tally.lastEventAt !== null && run.tally.lastEventAt > liftedAt ? run.tally.lastEventAt : liftedAt;

/** A box lifted into tubs, in a minute with wet hands; finished and weighed another day. */
export function LiftSheet({ groundId, runs, rig, sections, onClose }: LiftSheetProps) {
  const { add } = useKeep('lifts');
  const write = useWrite();
  const show = useShow();
  const local = useLocalTime();
  const known = useRecordsOfAll('lifts').items;
  const [tags, setTags] = useState(() =>
    freeTags(
      sections.length,
      known.flatMap((l) => l.tubs.map((t) => t.tag)),
    ),
  );
  const [together, setTogether] = useState(false);
  const setups = useRecords('setups', groundId).items;
  // Runs through another box lie in that one.
  const [leftIn, setLeftIn] = useState<readonly string[]>(() =>
    runs.flatMap((r) => (setups.find((s) => s.id === r.setupId)?.rigId === rig?.id ? [] : [r.id])),
  );
  const [washed, setWashed] = useState<readonly string[]>([]);
  const [rinsed, setRinsed] = useState<'yes' | 'no' | 'unknown'>('unknown');
  const [when, setWhen] = useState('');
  const [note, setNote] = useState('');
  const [tried, setTried] = useState(false);
  const [showsMore, setShowsMore] = useState(false);
  // Taught once: whoever has lifted a box before opens it when it is wanted.
  const [showsOrder, setShowsOrder] = useState(() => known.length === 0);

  const inUse = together ? tags.slice(0, 1) : tags;
  const wrongTags = inUse.map((tag) => tagProblem(tag, inUse));
  const tubs = tubsOf(
    sections.map((section, i) => ({ section, tag: tags[i] ?? '' })),
    together,
  );
  const lifted = runs.filter((r) => !leftIn.includes(r.id));
  const wrong = [
    lifted.length === 0 && 'say which run lies in it',
    wrongTags.some(Boolean) && 'see the numbers of the tubs',
    whenProblem(when, local) && 'see when it was lifted',
    textProblem(TEXTS.note, note) && 'see the remarks',
  ].filter(Boolean)[0];
  const save = (): void => {
    setTried(true);
    if (wrong || !tubs) return;
    const liftedAt = (when ? local.at(when) : new Date()).toISOString();
    add({
      groundId,
      runIds: lifted.map((r) => r.id).sort(),
      liftedAt,
      tubs,
      rinsedClean: rinsed,
      leaksWashed: [...washed],
      note: note.trim(),
    });
    // A box that is lifted runs no more: what is fed afterwards is of another clean-up.
    for (const run of lifted)
      if (!run.tally.stopped)
        write({ what: 'events', runId: run.id, groundId, events: [stoppedAt(endOf(run, liftedAt))] });
    onClose();
  };
  return (
    <FormSheet title="Lift the box into tubs" onClose={onClose} onSave={save} tight>
      {showsOrder ? (
        <ol className="mb-2 list-decimal border-l-4 border-ink pl-7">
          {ORDER.map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ol>
      ) : (
        <TextButton className="self-start" onClick={() => setShowsOrder(true)}>
          the order of work
        </TextButton>
      )}
      {runs.length > 1 && (
        <RunChecks
          runs={runs}
          leftOut={leftIn}
          onChange={(runId, isOut) => setLeftIn(isOut ? [...leftIn, runId] : leftIn.filter((id) => id !== runId))}
        />
      )}
      {lifted.some((r) => !r.tally.stopped) && (
        <p className="border-l-4 border-ink pl-3">A run is still open: lifting the box stops it.</p>
      )}
      <h3 className="mt-2">{together ? 'One tub for all of it' : 'A tub for each section'}</h3>
      <ul>
        {(together ? sections.slice(0, 1) : sections).map((s, i) => {
          const to = readEntered('length', s.to);
          const name = together ? 'the whole box' : s.name || `section ${i + 1}`;
          return (
            <li key={s.key} className="flex items-center justify-between gap-3 border-b border-rule py-1">
              <span className="min-w-0">
                <b>{name}</b>
                {!together && to.ok && <span className="text-ink-2"> to {show.smallLength(to.value)}</span>}
                {tried && wrongTags[i] && <span className="block text-[12.5px] text-danger">▲ {wrongTags[i]}</span>}
              </span>
              <label className="flex items-center gap-2">
                tub
                <input
                  aria-label={`Tub of ${name}`}
                  aria-invalid={tried && Boolean(wrongTags[i])}
                  className="written min-h-14 w-20 text-center text-[22px] font-bold"
                  value={tags[i] ?? ''}
                  onChange={(e) => setTags(tags.map((tag, j) => (j === i ? e.target.value : tag)))}
                />
              </label>
            </li>
          );
        })}
      </ul>
      <TextButton className="self-start" onClick={() => setTogether(!together)}>
        {together
          ? 'keep the sections apart: only then it shows what the box lost'
          : 'all of it in one tub: what the box lost then stays unknown'}
      </TextButton>
      <h3 className="mt-2">Washed out too</h3>
      {leakPointsOf(rig).map((place) => (
        <Checkbox
          key={place}
          checked={washed.includes(place)}
          onChange={(on) => setWashed(on ? [...washed, place] : washed.filter((p) => p !== place))}
        >
          {place}
        </Checkbox>
      ))}
      <p className="mt-2 text-[13px] text-ink-2">The box itself, carpets too?</p>
      <RinsedChoices rinsed={rinsed} onChange={setRinsed} />
      {showsMore ? (
        <div className="mt-2">
          <WhenField label="Lifted when" value={when} onChange={setWhen} hint="empty: now" />
          <TextField label="Remarks" value={note} onChange={setNote} rows={2} limit={TEXTS.note} />
        </div>
      ) : (
        <TextButton className="self-start" onClick={() => setShowsMore(true)}>
          lifted earlier, or a remark
        </TextButton>
      )}
      <Button look="main" type="submit" className="min-h-14 w-full text-[18px]">
        It is in the tubs
      </Button>
      <p role="alert" className="min-h-5 text-[12.5px] text-danger">
        {tried && wrong && `▲ Not kept yet: ${wrong}.`}
      </p>
      <Caution quiet>
        A tub of wet concentrate weighs over 20 kg: two hands, straight back, no wet stones underfoot.
      </Caution>
    </FormSheet>
  );
}
