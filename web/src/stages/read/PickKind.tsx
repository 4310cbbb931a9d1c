import { textProblem, type StoredGround } from '@riffle/contract';
import type { Bank, Entered } from '@riffle/core';
import { useDeferredValue, useState } from 'react';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import { signName, signsInOrder } from '../../ground/signOrder.ts';
import { standingWords, useStand } from '../../ground/useStand.ts';
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
import { AlongField, readAlong } from './AlongField.tsx';
import { bareSign, isOwnKind, type SignKind } from './readSign.ts';

/** Of a kind the crew names itself. */
const OWN_NAME = { called: 'A kind of your own', longest: 30 };

interface PickKindProps {
  readonly ground: StoredGround;
  /** What was picked or tapped; null where nothing was: then it is where one stands, or nowhere yet. */
  readonly place: RibbonPlace | null;
  readonly onClose: () => void;
  /** Asked to add measures to the sign just kept. */
  readonly onMore: (signId: string) => void;
}

/** The place, and a button for each kind of sign: a tap keeps it. No place is made up: until one is known, nothing is kept. */
export function PickKind({ ground, place, onClose, onMore }: PickKindProps) {
  const { add } = useKeep('signs');
  const show = useShow();
  const [at, setAt] = useState(place);
  const { positionFrom } = usePreferences().preferences;
  const { standing, look } = useStand(ground, setAt, place === null);
  const [tried, setTried] = useState(false);
  const words = GROUND_WORDS[ground.kind];
  const ownKinds = [
    ...new Set(
      useRecords('signs', ground.id)
        .items.map((s) => s.kind)
        .filter(isOwnKind),
    ),
  ];

  const keep = (kind: SignKind, weight: number | null = null): void => {
    if (!at) {
      setTried(true);
      return;
    }
    const id = add(bareSign(ground, kind, at, weight));
    toast(`Kept: ${signName(kind, ground.kind)} at ${show.distance(at.distance_m)}.`, {
      action: { label: 'Add a measure or note', onClick: () => onMore(id) },
    });
    if (kind === 'own word') onMore(id);
    else onClose();
  };
  return (
    <div className="flex flex-col gap-3">
      <div className="flex items-center justify-between gap-3 border-y border-rule py-1">
        <span>
          {at ? (
            <>
              at <b>{show.distance(at.distance_m)}</b>, {words.banks[at.bank]}
            </>
          ) : (
            <b>no place yet</b>
          )}
        </span>
        <Button look="quiet" onClick={look}>
          Where I stand
        </Button>
      </div>
      <p role="status" className="min-h-5 text-[13px] text-ink-2">
        {standingWords(standing, show, positionFrom === 'simulated')}
        {standing && standing.kind !== 'here' && standing.kind !== 'looking' && at && ' The place above counts.'}
      </p>
      {at ? (
        <Choices
          label="Bank"
          value={at.bank}
          onChange={(bank: Bank) => setAt({ ...at, bank, offset_m: bank === 'mid' ? 0 : at.offset_m || 6 })}
          choices={(['left', 'mid', 'right'] as const).map((b) => ({ value: b, label: words.banks[b] }))}
        />
      ) : (
        standing?.kind !== 'looking' && <SayWhere ground={ground} wanted={tried} onWhere={setAt} />
      )}
      <KindButtons on={ground.kind} kinds={[...signsInOrder(ground.kind), ...ownKinds]} onKind={keep} />
      <OwnKindField onKind={keep} />
      <div className="flex flex-wrap gap-2 border-t border-rule pt-3">
        <Button onClick={() => keep('own word', 1)}>I hold with this place</Button>
        <Button onClick={() => keep('own word', -1)}>I would leave it</Button>
      </div>
    </div>
  );
}

/** The place said by hand, where no receiver says it. */
function SayWhere({
  ground,
  wanted,
  onWhere,
}: {
  ground: StoredGround;
  /** A kind was tapped before there was a place for it. */
  wanted: boolean;
  onWhere: (place: RibbonPlace) => void;
}) {
  const show = useShow();
  const [distance, setDistance] = useState<Entered>({ text: '', unit: show.display.system === 'US' ? 'ft' : 'm' });
  const { reading, isTooFar } = readAlong(ground, distance);
  return (
    <form
      className="flex flex-col gap-1"
      onSubmit={(e) => {
        e.preventDefault();
        if (reading.ok && !isTooFar) onWhere({ distance_m: reading.value, bank: 'mid', offset_m: 0 });
      }}
    >
      <AlongField ground={ground} entered={distance} wanted={wanted} onChange={setDistance} />
      <Button type="submit">It is there</Button>
    </form>
  );
}

const FIRST_KINDS = 8;
/** A button for each kind, its mark beside its name. */
function KindButtons({
  on,
  kinds,
  onKind,
}: {
  on: StoredGround['kind'];
  kinds: readonly SignKind[];
  onKind: (kind: SignKind) => void;
}) {
  // Those in sight stand there at the tap; the rest a moment later.
  const shown = useDeferredValue(kinds, kinds.slice(0, FIRST_KINDS));
  return (
    <ul className="grid grid-cols-2 gap-2">
      {shown.map((kind) => (
        <li key={kind}>
          <button
            type="button"
            className="flex min-h-14 w-full items-center gap-3 border-2 border-ink bg-picked px-3 text-left font-semibold active:bg-ink active:text-paper"
            onClick={() => onKind(kind)}
          >
            <svg width="30" height="26" viewBox="-15 -13 30 26" aria-hidden="true" className="shrink-0">
              <SignMark kind={kind} />
            </svg>
            {signName(kind, on)}
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
