import { grouped } from '@riffle/core';
import { GROUND_KINDS, NUMBERS, numberProblem, textProblem, TEXTS, type StoredGround } from '@riffle/contract';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useRecords } from '../../records/useRecords.ts';
import { useKeep } from '../../records/useKeep.ts';
import { enterLength } from '../../units/enterLength.ts';
import { plural } from '../../ui/plural.ts';
import { readEntered } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { PermissionList } from './PermissionList.tsx';
import { ProfileFields } from './ProfileFields.tsx';
import { asText, readTide } from './readTide.ts';
import { TideFields } from './TideFields.tsx';

/** A ground's own facts: its name and kind, how much its gravel swells, a note; and the way to take it out of the book. */
export function GroundSheet({ ground, onClose }: { ground: StoredGround; onClose: () => void }) {
  const keep = useKeep('grounds');
  const navigate = useNavigate();
  const show = useShow();
  const hangsOnIt = [
    ['spot', useRecords('spots', ground.id)],
    ['sample', useRecords('samples', ground.id)],
    ['run', useRecords('runs', ground.id)],
  ] as const;
  const [name, setName] = useState(ground.name);
  const [kind, setKind] = useState(ground.kind);
  const [swell, setSwell] = useState(String(ground.swell_percent));
  const [length, setLength] = useState(enterLength(ground.length_m, 'm'));
  const [note, setNote] = useState(ground.note);
  const [profile, setProfile] = useState(ground.profile);
  const [tideText, setTideText] = useState(() => asText(ground.tide));
  const tide = readTide(tideText);
  const others = useRecords('grounds').items.filter((g) => g.id !== ground.id && g.kind === 'creek');
  const [joinsId, setJoinsId] = useState(ground.joins?.groundId ?? '');
  const [joinsAt, setJoinsAt] = useState(enterLength(ground.joins?.distance_m, 'm', 0));
  const [joinsBank, setJoinsBank] = useState<'left' | 'right'>(ground.joins?.bank ?? 'left');
  const joinsReading = readEntered('length', joinsAt);
  const mouth = others.find((g) => g.id === joinsId);
  const joinsProblem =
    joinsReading.ok && mouth && joinsReading.value > mouth.length_m + 0.5
      ? `${mouth.name} is ${show.distance(mouth.length_m)} long.`
      : null;
  const [tried, setTried] = useState(false);
  const [asking, setAsking] = useState(false);
  const swell_percent = Number(swell.replace('%', ''));
  const swellProblem =
    swell.trim() === '' || numberProblem(NUMBERS.swell_percent, swell_percent)
      ? 'Gravel swells by 0 to 80 %; 10 to 25 % is usual.'
      : null;
  const reading = readEntered('length', length);
  const lengthProblem = reading.ok ? numberProblem(NUMBERS.typedLength_m, reading.value) : null;
  const nameProblem = textProblem(TEXTS.name, name);
  const noteProblem = textProblem(TEXTS.note, note);

  const save = (): void => {
    setTried(true);
    if (
      nameProblem ||
      noteProblem ||
      swellProblem ||
      !reading.ok ||
      lengthProblem ||
      'problem' in tide ||
      (mouth && (!joinsReading.ok || joinsProblem))
    )
      return;
    const joins =
      mouth && joinsReading.ok ? { groundId: mouth.id, distance_m: joinsReading.value, bank: joinsBank } : null;
    // A ground with a line keeps the line's own length.
    keep.change(ground, {
      name: name.trim(),
      kind,
      swell_percent,
      note,
      tide: tide.tide,
      profile,
      joins,
      length_m: ground.line ? ground.length_m : reading.value,
    });
    onClose();
  };
  const remove = (): void => {
    keep.takeOut(ground, `${ground.name} is out of the book.`, {
      lasts_ms: 15_000,
      afterUndo: () => void navigate(`/g/${ground.id}/read`),
    });
    void navigate('/');
  };
  return (
    <Sheet
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
      title={ground.name}
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
          limit={TEXTS.name}
          problem={tried ? nameProblem : null}
        />
        <SelectField
          label="Kind"
          value={kind}
          choices={GROUND_KINDS.map((k) => ({ value: k, label: k }))}
          onChange={setKind}
        />
        {ground.line ? (
          <p className="mb-2 text-ink-2">
            {show.distance(ground.length_m)} long, by its line of {grouped(ground.linePoints)} points.
          </p>
        ) : (
          <QuantityField
            label="Length"
            entered={length}
            reading={reading}
            units={['m', 'km', 'ft', 'mi']}
            showProblem={tried}
            problem={lengthProblem}
            onChange={setLength}
          />
        )}
        <TextField
          label="Swell: how much looser it lies once dug, %"
          value={swell}
          onChange={setSwell}
          problem={swellProblem}
          hint="100 L in the bank at 18 % fills 118 L of buckets"
        />
        <TextField label="Note" value={note} onChange={setNote} rows={3} limit={TEXTS.note} />
        {kind === 'beach' && (
          <details open={tried && 'problem' in tide} className="border-t border-rule">
            <summary className="min-h-11 content-center font-semibold">Tide</summary>
            <TideFields
              text={tideText}
              onChange={setTideText}
              problem={tried && 'problem' in tide ? tide.problem : null}
            />
          </details>
        )}
        {kind !== 'beach' && (
          <details className="border-t border-rule">
            <summary className="min-h-11 content-center font-semibold">
              The bed by hand level{profile.length > 0 && `, ${profile.length} heights`}
            </summary>
            <ProfileFields profile={profile} length_m={ground.length_m} onChange={setProfile} />
          </details>
        )}
        {others.length > 0 && kind !== 'beach' && (
          <details
            open={tried && mouth !== undefined && (!joinsReading.ok || joinsProblem !== null)}
            className="border-y border-rule"
          >
            <summary className="min-h-11 content-center font-semibold">
              {mouth ? `Runs into ${mouth.name}` : 'A draw of another creek?'}
            </summary>
            <SelectField
              label="It runs into"
              value={joinsId}
              choices={[
                { value: '', label: 'nothing in this book' },
                ...others.map((g) => ({ value: g.id, label: g.name })),
              ]}
              onChange={setJoinsId}
            />
            {mouth && (
              <>
                <QuantityField
                  label={`At, upstream of the foot of ${mouth.name}`}
                  entered={joinsAt}
                  reading={joinsReading}
                  units={['m', 'ft', 'km']}
                  showProblem={tried}
                  problem={joinsProblem}
                  onChange={setJoinsAt}
                />
                <Choices
                  label="On its"
                  value={joinsBank}
                  onChange={setJoinsBank}
                  choices={[
                    { value: 'left', label: 'left bank' },
                    { value: 'right', label: 'right bank' },
                  ]}
                />
              </>
            )}
          </details>
        )}
        <div className="mt-2 flex flex-wrap gap-3">
          <Button look="main" type="submit">
            Keep the change
          </Button>
          {!asking && (
            <Button look="danger" onClick={() => setAsking(true)}>
              Take this ground out ...
            </Button>
          )}
        </div>
        {asking && (
          <div role="alert" className="mt-3 border-2 border-dashed border-danger p-3">
            <p className="mb-2">
              {hangsOnIt.map(([what, { items }]) => plural(items.length, what)).join(', ')} go with it. It can be
              brought back as long as the word “Undo” stands on the screen.
            </p>
            <Button look="danger" onClick={remove}>
              Take {ground.name} out
            </Button>
          </div>
        )}
      </form>
      <PermissionList ground={ground} />
    </Sheet>
  );
}
