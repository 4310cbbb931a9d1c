import { NUMBERS, numberProblem, textProblem, TEXTS, type GroundFile } from '@riffle/contract';
import { DEFAULT_SWELL_PERCENT, type Entered } from '@riffle/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useKeep } from '../records/useKeep.ts';
import { Button } from '../ui/Button.tsx';
import { SelectField, TextField } from '../ui/Field.tsx';
import { Block } from '../ui/Judgement.tsx';
import { QuantityField } from '../ui/QuantityField.tsx';
import { useDraft } from '../ui/useDraft.ts';
import { readEntered } from '../units/readEntered.ts';
import { deviceZone } from '../when/localTime.ts';
import { GROUND_KIND_CHOICES } from './groundWords.ts';

interface TypedDraft {
  readonly name: string;
  readonly kind: GroundFile['kind'];
  readonly length: Entered;
}

/** A ground by its name and length alone. */
export function TypedGround() {
  const navigate = useNavigate();
  const { add } = useKeep('grounds');
  const [draft, setDraft, clear] = useDraft<TypedDraft>('ground', () => ({
    name: '',
    kind: 'creek',
    length: { text: '', unit: 'm' },
  }));
  const [tried, setTried] = useState(false);
  const length = readEntered('length', draft.length);
  const wrongLength = length.ok ? numberProblem(NUMBERS.typedLength_m, length.value) : null;
  const wrongName = textProblem(TEXTS.name, draft.name);
  const save = (): void => {
    setTried(true);
    if (wrongName || !length.ok || wrongLength) return;
    const id = add({
      name: draft.name.trim(),
      kind: draft.kind,
      length_m: length.value,
      swell_percent: DEFAULT_SWELL_PERCENT,
      timeZone: deviceZone(),
      fedBy: null,
      catchment_m2: null,
      catchmentEntered: null,
      note: '',
      tide: null,
      faceSlope: null,
      faceSlopeEntered: null,
      profile: [],
      lookedAt: [],
      joins: null,
    });
    clear();
    void navigate(`/g/${id}/read`);
  };
  return (
    <Block title="Or type it" aside="no map, no file: spots then stand at their distance">
      <form
        className="grid grid-cols-1 items-start gap-x-4 gap-y-1 sm:grid-cols-[1fr_10rem_14rem_auto]"
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        <TextField
          label="Name"
          value={draft.name}
          onChange={(name) => setDraft({ ...draft, name })}
          limit={TEXTS.name}
          problem={tried ? wrongName : null}
        />
        <SelectField
          label="Kind"
          value={draft.kind}
          choices={GROUND_KIND_CHOICES}
          onChange={(kind) => setDraft({ ...draft, kind })}
        />
        <QuantityField
          label="Length"
          entered={draft.length}
          reading={length}
          units={['m', 'km', 'ft', 'mi']}
          showProblem={tried}
          problem={wrongLength}
          onChange={(l) => setDraft({ ...draft, length: l })}
        />
        <Button type="submit" className="mt-5">
          Start this ground
        </Button>
      </form>
    </Block>
  );
}
