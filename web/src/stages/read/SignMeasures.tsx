import { TEXTS, type StoredGround, type StoredSign } from '@riffle/contract';
import { centreLine, SIGN_TRAITS, signKind } from '@riffle/core';
import { useState } from 'react';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import { Photos } from '../../photos/Photos.tsx';
import { useKeep } from '../../records/useKeep.ts';
import { Button } from '../../ui/Button.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { TextField } from '../../ui/Field.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { toast } from '../../ui/toast.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { WhenField } from '../../when/WhenField.tsx';
import { enterLength } from '../../units/enterLength.ts';
import { useShow } from '../../units/useShow.ts';
import { readSign, signAsDraft, sizeOf, type SignDraft } from './readSign.ts';
import { signName } from '../../ground/signOrder.ts';

/** A picture taken farther than this from the ground is of another place, m. */
const FAR_M = 500;
/** Moved to a bank, and nobody said how far out. Common practice, no source. */
const ASIDE_M = 6;

interface SignMeasuresProps {
  readonly ground: StoredGround;
  readonly sign: StoredSign;
  readonly onClose: () => void;
}

/** What can be added to a kept sign: its size, what covers it, where exactly, a note, pictures. */
export function SignMeasures({ ground, sign: now, onClose }: SignMeasuresProps) {
  const local = useLocalTime();
  // As it was when the sheet opened: what another changes meanwhile is told apart, not written over.
  const [sign] = useState(now);
  const { change, takeOut } = useKeep('signs');
  const show = useShow();
  const [draft, setDraft] = useState(() => signAsDraft(sign, show.display.system === 'US', local));
  const [tried, setTried] = useState(false);
  const set = (some: Partial<SignDraft>): void => setDraft((before) => ({ ...before, ...some }));
  const read = readSign(
    draft,
    sign.kind,
    ground.length_m,
    `The ground is ${show.distance(ground.length_m)} long.`,
    local,
  );
  const { problems } = read;
  const nothing = { ok: true, value: 0 } as const;
  const size = sizeOf(sign.kind);

  const save = (): void => {
    setTried(true);
    if (!read.change) return;
    const { distance_m, bank, seenAt } = read.change;
    const moved = Math.abs(distance_m - sign.distance_m) > 0.05 || bank !== sign.bank;
    const offset_m = bank === 'mid' ? 0 : sign.offset_m || ASIDE_M;
    change(sign, {
      ...read.change,
      // The field has no seconds: what was not touched keeps its own.
      seenAt: draft.seen === local.isoMoment(sign.seenAt) ? sign.seenAt : seenAt,
      ...(moved && {
        offset_m,
        position: ground.line ? centreLine(ground.line).positionAt(distance_m, offset_m, bank) : null,
      }),
    });
    onClose();
  };
  const moveTo = (position: readonly [number, number]): void => {
    if (!ground.line) return;
    const taken = centreLine(ground.line).locate(position);
    const near = taken.offset_m < FAR_M;
    if (near) set({ distance: enterLength(taken.distance_m, draft.distance.unit === 'ft' ? 'ft' : 'm') });
    toast(
      near
        ? `The picture was taken at ${show.distance(taken.distance_m)}: the sign moves there when you keep it.`
        : 'The picture was taken far from this ground; the place stays.',
    );
  };
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        save();
      }}
    >
      <TraitChoices kind={sign.kind} draft={draft} set={set} />
      {size && (
        <QuantityField
          label={size}
          entered={draft.size}
          reading={read.size ?? nothing}
          units={['mm', 'cm', 'in']}
          optional
          showProblem={tried}
          problem={problems.size}
          onChange={(entered) => set({ size: entered })}
        />
      )}
      {ground.kind === 'beach' && (
        <QuantityField
          label="Height above the tide table’s zero"
          entered={draft.height}
          reading={read.height ?? nothing}
          units={['m', 'cm', 'ft', 'in']}
          optional
          showProblem={tried}
          problem={problems.height}
          onChange={(height) => set({ height })}
          comesTo={sign.kind === 'berm toe' && !read.height && 'with it Riffle tells which storms came to it'}
        />
      )}
      {/* A note is no place to dig: nothing covers it. */}
      {(sign.kind === 'own word' || signKind(sign.kind).family !== 'note') && (
        <QuantityField
          label="Cover down to what you want to pan"
          entered={draft.cover}
          reading={read.cover ?? nothing}
          units={['m', 'cm', 'ft', 'in']}
          optional
          showProblem={tried}
          problem={problems.cover}
          onChange={(cover) => set({ cover })}
        />
      )}
      <QuantityField
        label={`Distance ${GROUND_WORDS[ground.kind].axis}`}
        entered={draft.distance}
        reading={read.distance}
        units={['m', 'ft']}
        showProblem={tried}
        problem={problems.distance}
        onChange={(distance) => set({ distance })}
      />
      <div>
        <p className="mb-1 text-[13px] text-ink-2">Bank</p>
        <Choices
          label="Bank"
          value={draft.bank}
          onChange={(bank) => set({ bank })}
          choices={(['left', 'mid', 'right'] as const).map((b) => ({
            value: b,
            label: GROUND_WORDS[ground.kind].banks[b],
          }))}
        />
      </div>
      <WhenField label="Seen" value={draft.seen} onChange={(seen) => set({ seen })} />
      <TextField
        label="Passed by? What it needs"
        value={draft.comeBackWith}
        onChange={(comeBackWith) => set({ comeBackWith })}
        limit={TEXTS.comeBackWith}
        hint="A low river, two hands, a pump: it then stands on the return list."
      />
      <TextField label="Note" value={draft.note} onChange={(note) => set({ note })} rows={2} limit={TEXTS.note} />
      <Photos groundId={ground.id} about="sign" aboutId={sign.id} onPlace={moveTo} />
      {sign.kind === 'undercut' && (
        <Caution>Undercut banks come down. Dig only in what the water has already cut, and never lie under it.</Caution>
      )}
      <div className="mt-2 flex flex-wrap gap-3">
        <Button look="main" type="submit">
          Keep it
        </Button>
        <Button
          look="danger"
          onClick={() => {
            takeOut(sign, `The sign (${signName(sign.kind, ground.kind)}) is gone.`);
            onClose();
          }}
        >
          Take it off
        </Button>
      </div>
    </form>
  );
}

interface TraitChoicesProps {
  readonly kind: StoredSign['kind'];
  readonly draft: SignDraft;
  readonly set: (some: Partial<SignDraft>) => void;
}

/** What is asked of this kind of sign; of an own word, how sure one is. */
function TraitChoices({ kind, draft, set }: TraitChoicesProps) {
  return (
    <>
      {kind === 'own word' && (
        <Choices
          label="How sure"
          value={draft.weight}
          onChange={(weight) => set({ weight })}
          choices={[
            { value: '-2', label: 'leave it' },
            { value: '-1', label: 'rather not' },
            { value: '1', label: 'rather' },
            { value: '2', label: 'go' },
          ]}
        />
      )}
      {SIGN_TRAITS.filter((t) => t.of.some((k) => k === kind)).map((t) => (
        <div key={t.name}>
          <p className="mb-1 text-[13px] text-ink-2">{t.asks}</p>
          <Choices
            label={t.asks}
            value={draft.traits[t.name] ?? ''}
            onChange={(v) => set({ traits: { ...draft.traits, [t.name]: v } })}
            choices={t.choices.map((c) => ({ value: c.value, label: c.value }))}
          />
        </div>
      ))}
    </>
  );
}
