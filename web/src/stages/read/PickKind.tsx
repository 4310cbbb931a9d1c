import { textProblem, type StoredGround } from '@riffle/contract';
import { centreLine, MIDSTREAM_M, SIGN_KIND_NAMES, type Bank } from '@riffle/core';
import { useState } from 'react';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import { currentPosition } from '../../position/currentPosition.ts';
import { usePreferences } from '../../preferences/preferences.ts';
import { useKeep } from '../../records/useKeep.ts';
import { useRecords } from '../../records/useRecords.ts';
import type { RibbonPlace } from '../../ribbon/placeAt.ts';
import { SignMark } from '../../ribbon/SignMarks.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { TextField } from '../../ui/Field.tsx';
import { toast } from '../../ui/toast.ts';
import { useShow } from '../../units/useShow.ts';
import { bareSign, isOwnKind, signName, type SignKind } from './readSign.ts';

const KINDS = SIGN_KIND_NAMES.filter((k) => k !== 'other');
/** Of a kind the crew names itself. */
const OWN_NAME = { called: 'A kind of your own', longest: 30 };

interface PickKindProps {
  readonly ground: StoredGround;
  /** Where one stands: the picked spot, or where the ribbon was tapped. */
  readonly place: RibbonPlace;
  readonly onClose: () => void;
  /** Asked to add measures to the sign just kept. */
  readonly onMore: (signId: string) => void;
}

/** The place, and a button for each kind of sign: a tap keeps it. */
export function PickKind({ ground, place, onClose, onMore }: PickKindProps) {
  const { add } = useKeep('signs');
  const show = useShow();
  const [at, setAt] = useState(place);
  const { said, look } = useWhereIStand(ground, setAt);
  const words = GROUND_WORDS[ground.kind];
  const ownKinds = [
    ...new Set(
      useRecords('signs', ground.id)
        .items.map((s) => s.kind)
        .filter(isOwnKind),
    ),
  ];

  const keep = (kind: SignKind, weight: number | null = null): void => {
    const id = add(bareSign(ground, kind, at, weight));
    toast(`Kept: ${signName(kind)} at ${show.distance(at.distance_m)}.`, {
      action: { label: 'Add a measure or note', onClick: () => onMore(id) },
    });
    if (kind === 'own word') onMore(id);
    else onClose();
  };
  return (
    <div className="flex flex-col gap-3">
      <div className="flex items-center justify-between gap-3 border-y border-rule py-1">
        <span>
          at <b>{show.distance(at.distance_m)}</b>, {words.banks[at.bank]}
        </span>
        <Button look="quiet" onClick={look}>
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
      <KindButtons kinds={[...KINDS, ...ownKinds]} onKind={keep} />
      <OwnKindField onKind={keep} />
      <div className="flex flex-wrap gap-2 border-t border-rule pt-3">
        <Button onClick={() => keep('own word', 1)}>I hold with this place</Button>
        <Button onClick={() => keep('own word', -1)}>I would leave it</Button>
      </div>
    </div>
  );
}

/** Finds where one stands on the line of the ground; says how it went. */
function useWhereIStand(ground: StoredGround, onFound: (place: RibbonPlace) => void) {
  const show = useShow();
  const { preferences } = usePreferences();
  const [said, setSaid] = useState('');
  const look = (): void => {
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
        onFound({
          distance_m: here.distance_m,
          bank: unsure ? 'mid' : here.bank,
          offset_m: unsure ? 0 : here.offset_m,
        });
        setSaid(
          `You stand at ${show.distance(here.distance_m)}, to ${show.distance(Math.max(1, accuracy_m))}${preferences.positionFrom === 'simulated' ? ', says the simulated receiver' : ''}.`,
        );
      },
      (error: Error) => setSaid(`${error.message} The place above counts.`),
    );
  };
  return { said, look };
}

/** A button for each kind, its mark beside its name. */
function KindButtons({ kinds, onKind }: { kinds: readonly SignKind[]; onKind: (kind: SignKind) => void }) {
  return (
    <ul className="grid grid-cols-2 gap-2">
      {kinds.map((kind) => (
        <li key={kind}>
          <button
            type="button"
            className="flex min-h-14 w-full items-center gap-3 border-2 border-ink bg-picked px-3 text-left font-semibold active:bg-ink active:text-paper"
            onClick={() => onKind(kind)}
          >
            <svg width="30" height="26" viewBox="-15 -13 30 26" aria-hidden="true" className="shrink-0">
              <SignMark kind={kind} />
            </svg>
            {signName(kind)}
          </button>
        </li>
      ))}
    </ul>
  );
}

/** A kind the crew names itself. */
function OwnKindField({ onKind }: { onKind: (kind: SignKind) => void }) {
  const [named, setNamed] = useState('');
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (named.trim() !== '' && !textProblem(OWN_NAME, named)) onKind(`own: ${named.trim()}`);
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
  );
}
