import { GROUND_KINDS, TEXTS, type StoredGround } from '@riffle/contract';
import { FED_BY, grouped, type FedBy } from '@riffle/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useKeep } from '../../records/useKeep.ts';
import { useRecords } from '../../records/useRecords.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { plural } from '../../ui/plural.ts';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { FormSheet } from '../../ui/Sheet.tsx';
import { useShow } from '../../units/useShow.ts';
import { deviceZone } from '../../when/localTime.ts';
import { JoinsFields } from './JoinsFields.tsx';
import { PermissionList } from './PermissionList.tsx';
import { ProfileFields } from './ProfileFields.tsx';
import { groundAsDraft, readGround, type GroundDraft } from './readGround.ts';
import { TideFields } from './TideFields.tsx';

/** A ground's own facts: its name and kind, how much its gravel swells, a note; and the way to take it out of the book. */
export function GroundSheet({ ground: now, onClose }: { ground: StoredGround; onClose: () => void }) {
  // As it was when the sheet opened: what another changes meanwhile is told apart, not written over.
  const [ground] = useState(now);
  const keep = useKeep('grounds');
  const show = useShow();
  const others = useRecords('grounds').items.filter((g) => g.id !== ground.id && g.kind === 'creek');
  const [draft, setDraft] = useState(() => groundAsDraft(ground));
  const [tried, setTried] = useState(false);
  const set = (some: Partial<GroundDraft>): void => setDraft((before) => ({ ...before, ...some }));
  const read = readGround(draft, ground, others, (m) => show.distance(m));
  const { problems } = read;
  const save = (): void => {
    setTried(true);
    if (!read.change) return;
    keep.change(ground, read.change);
    onClose();
  };
  return (
    <FormSheet title={ground.name} onClose={onClose} onSave={save} below={<PermissionList ground={ground} />}>
      <TextField
        label="Name"
        value={draft.name}
        onChange={(name) => set({ name })}
        limit={TEXTS.name}
        problem={tried ? problems.name : null}
      />
      <SelectField
        label="Kind"
        value={draft.kind}
        choices={GROUND_KINDS.map((k) => ({ value: k, label: k }))}
        onChange={(kind) => set({ kind })}
      />
      {ground.line ? (
        <p className="mb-2 text-ink-2">
          {show.distance(ground.length_m)} long, by its line of {grouped(ground.linePoints)} points.
        </p>
      ) : (
        <QuantityField
          label="Length"
          entered={draft.length}
          reading={read.length}
          units={['m', 'km', 'ft', 'mi']}
          showProblem={tried}
          problem={read.length.ok ? problems.length : null}
          onChange={(length) => set({ length })}
        />
      )}
      <TextField
        label="Swell: how much looser it lies once dug, %"
        value={draft.swell}
        onChange={(swell) => set({ swell })}
        problem={problems.swell}
        hint="100 L in the bank at 18 % fills 118 L of buckets"
      />
      <SelectField
        label="What fed the district"
        value={draft.fedBy}
        choices={[{ value: '', label: 'not known' }, ...FED_BY.map((f) => ({ value: f, label: f }))]}
        onChange={(fedBy) => set({ fedBy })}
        hint={FED_HINTS[draft.fedBy]}
      />
      {(draft.kind === 'creek' || draft.kind === 'wash') && (
        <QuantityField
          label="It drains"
          entered={draft.catchment}
          reading={read.catchment ?? { ok: true, value: 0 }}
          units={['ha', 'km2', 'acre', 'sq mi']}
          showProblem={tried}
          problem={read.catchment?.ok ? problems.catchment : null}
          optional
          onChange={(catchment) => set({ catchment })}
          comesTo={read.catchment?.ok ? show.land(read.catchment.value) : 'the slope above its foot; empty: not known'}
        />
      )}
      <SelectField
        label="Days and hours by the clock of"
        value={draft.timeZone}
        choices={zoneChoices(draft.timeZone)}
        onChange={(timeZone) => set({ timeZone })}
      />
      <TextField label="Note" value={draft.note} onChange={(note) => set({ note })} rows={3} limit={TEXTS.note} />
      {draft.kind === 'beach' ? (
        <>
          <QuantityField
            label="The beach’s face rises"
            entered={draft.faceSlope}
            reading={read.faceSlope ?? { ok: true, value: 0 }}
            units={['%', '°', 'in/ft']}
            optional
            showProblem={tried}
            problem={read.faceSlope?.ok ? problems.faceSlope : null}
            onChange={(faceSlope) => set({ faceSlope })}
            comesTo={
              read.faceSlope?.ok && read.faceSlope.value > 0
                ? `1 in ${(1 / read.faceSlope.value).toFixed(0)}`
                : 'it says how high a storm runs up; a level on a board tells it'
            }
          />
          <details open={tried && problems.tide !== null} className="border-t border-rule">
            <summary className="min-h-11 content-center font-semibold">Tide</summary>
            <TideFields text={draft.tide} onChange={(tide) => set({ tide })} problem={tried ? problems.tide : null} />
          </details>
        </>
      ) : (
        <>
          <details className="border-t border-rule">
            <summary className="min-h-11 content-center font-semibold">
              The bed by hand level{draft.profile.length > 0 && `, ${draft.profile.length} heights`}
            </summary>
            <ProfileFields
              profile={draft.profile}
              length_m={ground.length_m}
              onChange={(profile) => set({ profile })}
            />
          </details>
          {others.length > 0 && <JoinsFields draft={draft} set={set} read={read} others={others} tried={tried} />}
        </>
      )}
      <div className="mt-2 flex flex-wrap gap-3">
        <Button look="main" type="submit">
          Keep the change
        </Button>
        <TakeGroundOut ground={now} />
      </div>
    </FormSheet>
  );
}

/** What the answer does to the ranking. */
const FED_HINTS: Readonly<Record<FedBy | '', string>> = {
  '': 'It decides which signs count.',
  'quartz veins': 'Float and the draws it came down count more.',
  'a contact': 'Where the rock changes, and stained float, count more.',
  'old channels': 'Benches and cut banks count more, rounded float less.',
  ice: 'Float and draws count less: no trail leads up to a source.',
};

const zoneWords = (zone: string): string => zone.replaceAll('_', ' ');
/** The clocks a ground can go by: this device's first. */
function zoneChoices(kept: string): { value: string; label: string }[] {
  const own = deviceZone();
  const others = [...new Set([kept, ...Intl.supportedValuesOf('timeZone')])].filter((z) => z !== '' && z !== own);
  return [
    { value: own, label: `${zoneWords(own)}, as here` },
    { value: '', label: 'whoever looks' },
    ...others.map((z) => ({ value: z, label: zoneWords(z) })),
  ];
}

/** A ground goes with all that hangs on it: asked for twice, and undone for as long as the word stands. */
function TakeGroundOut({ ground }: { ground: StoredGround }) {
  const keep = useKeep('grounds');
  const navigate = useNavigate();
  const [asking, setAsking] = useState(false);
  const hangsOnIt = [
    ['spot', useRecords('spots', ground.id)],
    ['sample', useRecords('samples', ground.id)],
    ['run', useRecords('runs', ground.id)],
  ] as const;
  const takeOut = (): void => {
    keep.takeOut(ground, `${ground.name} is out of the book.`, {
      lasts_ms: 15_000,
      afterUndo: () => void navigate(`/g/${ground.id}/read`),
    });
    void navigate('/');
  };
  if (!asking)
    return (
      <Button look="danger" onClick={() => setAsking(true)}>
        Take this ground out ...
      </Button>
    );
  return (
    <div role="alert" className="w-full border-2 border-dashed border-danger p-3">
      <p className="mb-2">
        {hangsOnIt.map(([what, { items }]) => plural(items.length, what)).join(', ')} go with it. It can be brought back
        as long as the word “Undo” stands on the screen.
      </p>
      <Button look="danger" onClick={takeOut}>
        Take {ground.name} out
      </Button>
    </div>
  );
}
