import {
  NUMBERS,
  numberProblem,
  textProblem,
  textProblems,
  TEXTS,
  type StoredGround,
  type StoredSign,
} from '@riffle/contract';
import {
  centreLine,
  MIDSTREAM_M,
  OWN_KIND,
  SIGN_KIND_NAMES,
  SIGN_TRAITS,
  type Bank,
  type Entered,
  type OwnKind,
} from '@riffle/core';
import { useState } from 'react';
import { Caution } from '../../ui/Caution.tsx';
import { toast } from '../../ui/toast.ts';
import { useRecords } from '../../records/useRecords.ts';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import { useKeep } from '../../records/useKeep.ts';
import { Photos } from '../../photos/Photos.tsx';
import { currentPosition } from '../../position/currentPosition.ts';
import type { RibbonPlace } from '../../ribbon/placeAt.ts';
import { SignMark } from '../../ribbon/SignMarks.tsx';
import { usePreferences } from '../../preferences/preferences.ts';
import { enterLength } from '../../units/enterLength.ts';
import { readEntered } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { TextField } from '../../ui/Field.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

interface SignSheetProps {
  readonly ground: StoredGround;
  /** The sign to add to; left out for a new one. */
  readonly sign: StoredSign | undefined;
  /** Where one stands: the picked spot, or where the ribbon was tapped. */
  readonly place: RibbonPlace;
  readonly onClose: () => void;
  /** Opens the sheet again on the sign just kept. */
  readonly onMore: (signId: string) => void;
}

/** Of a kind the crew names itself. */
const OWN_NAME = { called: 'A kind of your own', longest: 30 };

type Kind = StoredSign['kind'];
const KINDS = SIGN_KIND_NAMES.filter((k) => k !== 'other');
/** A kind as it is said: the crew's own without its mark. */
export const signName = (kind: Kind): string => kind.replace(/^own: /, '');
const isOwn = (kind: Kind): kind is OwnKind => OWN_KIND.test(kind);
const blank = (unit: string): Entered => ({ text: '', unit });

/** Two taps: open, and the kind. It is kept at once where one stands; measures can be added afterwards. */
export function SignSheet(props: SignSheetProps) {
  return (
    <Sheet
      open
      onOpenChange={(open) => {
        if (!open) props.onClose();
      }}
      title={props.sign ? signName(props.sign.kind) : 'What do you see?'}
    >
      {props.sign ? <AddMeasures key={props.sign.id} {...props} sign={props.sign} /> : <PickKind {...props} />}
    </Sheet>
  );
}

function PickKind({ ground, place, onClose, onMore }: SignSheetProps) {
  const { add } = useKeep('signs');
  const show = useShow();
  const [at, setAt] = useState(place);
  const [said, setSaid] = useState('');
  const { preferences } = usePreferences();
  const words = GROUND_WORDS[ground.kind];
  const ownKinds = [
    ...new Set(
      useRecords('signs', ground.id)
        .items.map((s) => s.kind)
        .filter(isOwn),
    ),
  ];
  const [named, setNamed] = useState('');

  const keep = (kind: Kind, weight: number | null = null): void => {
    const id = add({
      groundId: ground.id,
      kind,
      distance_m: at.distance_m,
      bank: at.bank,
      offset_m: at.offset_m,
      position: ground.line ? centreLine(ground.line).positionAt(at.distance_m, at.offset_m, at.bank) : null,
      seenAt: new Date().toISOString(),
      size_mm: null,
      sizeEntered: null,
      cover_m: null,
      coverEntered: null,
      weight,
      traits: {},
      comeBackWith: '',
      note: '',
    });
    toast(`Kept: ${signName(kind)} at ${show.distance(at.distance_m)}.`, {
      action: { label: 'Add a measure or note', onClick: () => onMore(id) },
    });
    if (kind === 'own word') onMore(id);
    else onClose();
  };
  const byGps = (): void => {
    if (!ground.line) {
      setSaid('This ground was typed: it has no line to find you on. The place above counts.');
      return;
    }
    const line = centreLine(ground.line);
    setSaid('Looking for your position ...');
    currentPosition(preferences.positionFrom, ground.id).then(
      ({ lon, lat, accuracy_m }) => {
        const here = line.locate([lon, lat]);
        if (here.offset_m > 500) {
          setSaid(`You are ${show.distance(here.offset_m)} from this ground. The place above counts.`);
          return;
        }
        const unsure = accuracy_m > here.offset_m + MIDSTREAM_M;
        setAt({ distance_m: here.distance_m, bank: unsure ? 'mid' : here.bank, offset_m: unsure ? 0 : here.offset_m });
        setSaid(
          `You stand at ${show.distance(here.distance_m)}, to ${show.distance(Math.max(1, accuracy_m))}${preferences.positionFrom === 'simulated' ? ', says the simulated receiver' : ''}.`,
        );
      },
      (error: Error) => setSaid(`${error.message} The place above counts.`),
    );
  };
  return (
    <div className="flex flex-col gap-3">
      <div className="flex items-center justify-between gap-3 border-y border-rule py-1">
        <span>
          at <b>{show.distance(at.distance_m)}</b>, {words.banks[at.bank]}
        </span>
        <Button look="quiet" onClick={byGps}>
          Where I stand
        </Button>
      </div>
      <p role="status" className="min-h-5 text-[13px] text-ink-2">
        {said}
      </p>
      <Choices
        label="Bank"
        value={at.bank}
        onChange={(bank: Bank) => setAt({ ...at, bank, offset_m: bank === 'mid' ? 0 : at.offset_m || 6 })}
        choices={(['left', 'mid', 'right'] as const).map((b) => ({ value: b, label: words.banks[b] }))}
      />
      <ul className="grid grid-cols-2 gap-2">
        {[...KINDS, ...ownKinds].map((kind) => (
          <li key={kind}>
            <button
              type="button"
              className="flex min-h-14 w-full items-center gap-3 border-2 border-ink bg-picked px-3 text-left font-semibold active:bg-ink active:text-paper"
              onClick={() => keep(kind)}
            >
              <svg width="30" height="26" viewBox="-15 -13 30 26" aria-hidden="true" className="shrink-0">
                <SignMark kind={kind} />
              </svg>
              {signName(kind)}
            </button>
          </li>
        ))}
      </ul>
      <form
        className="flex items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (named.trim() !== '' && !textProblem(OWN_NAME, named)) keep(`own: ${named.trim()}`);
        }}
      >
        <div className="grow">
          <TextField
            label="Something else, in your own word"
            value={named}
            onChange={setNamed}
            limit={OWN_NAME}
            hint="It becomes a kind of its own, judged by what it pays you."
          />
        </div>
        <Button type="submit" className="mb-5" disabled={named.trim() === ''}>
          Keep it
        </Button>
      </form>
      <div className="flex flex-wrap gap-2 border-t border-rule pt-3">
        <Button onClick={() => keep('own word', 1)}>I hold with this place</Button>
        <Button onClick={() => keep('own word', -1)}>I would leave it</Button>
      </div>
    </div>
  );
}

function AddMeasures({ ground, sign, onClose }: SignSheetProps & { sign: StoredSign }) {
  const { change, takeOut } = useKeep('signs');
  const show = useShow();
  const US = show.display.system === 'US';
  const sizeOf =
    sign.kind === 'float' || sign.kind === 'stained float'
      ? 'Size of the stone'
      : sign.kind === 'flood mark'
        ? 'Height above the water now'
        : null;
  const [size, setSize] = useState<Entered>(sign.sizeEntered ?? blank(US ? 'in' : 'mm'));
  const [cover, setCover] = useState<Entered>(sign.coverEntered ?? blank(US ? 'ft' : 'm'));
  const [distance, setDistance] = useState<Entered>(enterLength(sign.distance_m, US ? 'ft' : 'm'));
  const [weight, setWeight] = useState(String(sign.weight ?? 1));
  const [comeBackWith, setComeBackWith] = useState(sign.comeBackWith);
  const [note, setNote] = useState(sign.note);
  const [traits, setTraits] = useState<Record<string, string>>(sign.traits);
  const [tried, setTried] = useState(false);
  const readings = {
    size: size.text.trim() === '' ? null : readEntered('length', size),
    cover: cover.text.trim() === '' ? null : readEntered('length', cover),
    distance: readEntered('length', distance),
  };
  const tooFar =
    readings.distance.ok && readings.distance.value > ground.length_m + 0.5
      ? `The ground is ${show.distance(ground.length_m)} long.`
      : null;
  const sizeProblem = readings.size?.ok ? numberProblem(NUMBERS.signSize_mm, readings.size.value * 1000) : null;
  const coverProblem = readings.cover?.ok ? numberProblem(NUMBERS.cover_m, readings.cover.value) : null;
  const wrong = textProblems({ comeBackWith: TEXTS.comeBackWith, note: TEXTS.note }, { comeBackWith, note });

  const save = (): void => {
    setTried(true);
    if (
      readings.size?.ok === false ||
      readings.cover?.ok === false ||
      !readings.distance.ok ||
      tooFar ||
      sizeProblem ||
      coverProblem ||
      Object.keys(wrong).length > 0
    )
      return;
    change(sign, {
      distance_m: readings.distance.value,
      comeBackWith: comeBackWith.trim(),
      note,
      traits,
      weight: sign.kind === 'own word' ? Number(weight) : null,
      size_mm: readings.size ? readings.size.value * 1000 : null,
      sizeEntered: readings.size ? size : null,
      cover_m: readings.cover ? readings.cover.value : null,
      coverEntered: readings.cover ? cover : null,
    });
    onClose();
  };
  const remove = (): void => {
    takeOut(sign, `The sign (${signName(sign.kind)}) is gone.`);
    onClose();
  };
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        save();
      }}
    >
      {sign.kind === 'own word' && (
        <Choices
          label="How sure"
          value={weight}
          onChange={setWeight}
          choices={[
            { value: '-2', label: 'leave it' },
            { value: '-1', label: 'rather not' },
            { value: '1', label: 'rather' },
            { value: '2', label: 'go' },
          ]}
        />
      )}
      {SIGN_TRAITS.filter((t) => t.of.some((k) => k === sign.kind)).map((t) => (
        <div key={t.name}>
          <p className="mb-1 text-[13px] text-ink-2">{t.asks}</p>
          <Choices
            label={t.asks}
            value={traits[t.name] ?? ''}
            onChange={(v) => setTraits({ ...traits, [t.name]: v })}
            choices={t.choices.map((c) => ({ value: c.value, label: c.value }))}
          />
        </div>
      ))}
      {sizeOf && (
        <QuantityField
          label={sizeOf}
          entered={size}
          reading={readings.size ?? { ok: true, value: 0 }}
          units={['mm', 'cm', 'in']}
          optional
          showProblem={tried}
          problem={sizeProblem ?? (readings.size?.ok === false ? readings.size.problem : null)}
          onChange={setSize}
        />
      )}
      <QuantityField
        label="Cover down to what you want to pan"
        entered={cover}
        reading={readings.cover ?? { ok: true, value: 0 }}
        units={['m', 'cm', 'ft', 'in']}
        optional
        showProblem={tried}
        problem={coverProblem ?? (readings.cover?.ok === false ? readings.cover.problem : null)}
        onChange={setCover}
      />
      <QuantityField
        label={`Distance ${GROUND_WORDS[ground.kind].axis}`}
        entered={distance}
        reading={readings.distance}
        units={['m', 'ft']}
        showProblem={tried}
        problem={tooFar}
        onChange={setDistance}
      />
      <TextField
        label="Passed by? What it needs"
        value={comeBackWith}
        onChange={setComeBackWith}
        limit={TEXTS.comeBackWith}
        hint="A low river, two hands, a pump: it then stands on the return list."
      />
      <TextField label="Note" value={note} onChange={setNote} rows={2} limit={TEXTS.note} />
      <Photos
        groundId={ground.id}
        about="sign"
        aboutId={sign.id}
        onPlace={(position) => {
          if (!ground.line) return;
          const taken = centreLine(ground.line).locate(position);
          if (taken.offset_m < 500) setDistance(enterLength(taken.distance_m, distance.unit === 'ft' ? 'ft' : 'm'));
          toast(
            taken.offset_m < 500
              ? `The picture was taken at ${show.distance(taken.distance_m)}: the sign moves there when you keep it.`
              : 'The picture was taken far from this ground; the place stays.',
          );
        }}
      />
      {sign.kind === 'undercut' && (
        <Caution>Undercut banks come down. Dig only in what the water has already cut, and never lie under it.</Caution>
      )}
      <div className="mt-2 flex flex-wrap gap-3">
        <Button look="main" type="submit">
          Keep it
        </Button>
        <Button look="danger" onClick={remove}>
          Take it off
        </Button>
      </div>
    </form>
  );
}
