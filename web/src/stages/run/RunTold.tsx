import { TEXTS, textProblems, type StoredRun } from '@riffle/contract';
import { useMemo } from 'react';
import { namesIn } from '../../box/namesIn.ts';
import { useRecords } from '../../records/useRecords.ts';
import { TextField } from '../../ui/Field.tsx';
import { LayerField } from './LayerField.tsx';
import { PeopleField } from './PeopleField.tsx';

/** What is told of a run besides its hours, its box and its buckets. */
export type RunTold = Pick<StoredRun, 'layer' | 'who' | 'people' | 'fuel_L' | 'fuelEntered'>;
const RUN_TEXTS = { note: TEXTS.note, who: TEXTS.who, layer: TEXTS.layer };
/** What of it is too long, the note along with it; null when all of it can be kept. */
export const toldProblem = (told: RunTold & { readonly note: string }): string | null =>
  Object.values(textProblems(RUN_TEXTS, told))[0] ?? null;
/** As it is kept. A run that an earlier Riffle kept on this device tells neither layer nor names. */
export const toldOf = ({ layer, who, people, fuel_L, fuelEntered }: Partial<RunTold>): RunTold => ({
  layer: (layer ?? '').trim(),
  who: (who ?? '').trim(),
  people: people ?? null,
  fuel_L: fuel_L ?? null,
  fuelEntered: fuelEntered ?? null,
});

interface RunToldFieldsProps {
  readonly groundId: string;
  readonly spotId: string | undefined;
  readonly told: RunTold;
  readonly onChange: (told: RunTold) => void;
}

/** Which layer is fed, who is at it and how many: the book is told apart by each. */
export function RunToldFields({ groundId, spotId, told, onChange }: RunToldFieldsProps) {
  const runs = useRecords('runs', groundId).items;
  const crews = useMemo(() => [...new Set(runs.map((r) => r.who ?? ''))].filter(Boolean), [runs]);
  return (
    <>
      <LayerField
        groundId={groundId}
        spotId={spotId}
        value={told.layer}
        onChange={(layer) => onChange({ ...told, layer })}
      />
      <TextField
        label="Who"
        value={told.who}
        // As many as are named, until told otherwise: those who dig and carry need no name.
        onChange={(who) => onChange({ ...told, who, people: namesIn(who).length || told.people })}
        limit={TEXTS.who}
        offered={crews}
        hint="Names, with commas."
      />
      <PeopleField value={told.people} onChange={(people) => onChange({ ...told, people })} />
    </>
  );
}
