import type { GroundFile } from '@riffle/contract';
import { useState } from 'react';
import { Button } from '../ui/Button.tsx';
import { SelectField } from '../ui/Field.tsx';
import { Block } from '../ui/Judgement.tsx';
import type { FileReading } from './useGroundFile.ts';

interface ChooseColumnsProps {
  readonly columns: readonly string[];
  /** As the table was read; left out, nothing could be told of it yet. */
  readonly taken?: Pick<NonNullable<GroundFile['columns']>, 'latitude' | 'longitude' | 'name'>;
  readonly onChoose: (choices: FileReading) => void;
}

/** Which column of a table is which. */
export function ChooseColumns({ columns, taken, onChoose }: ChooseColumnsProps) {
  const [latitude, setLatitude] = useState(taken?.latitude ?? '');
  const [longitude, setLongitude] = useState(taken?.longitude ?? '');
  const [nameColumn, setNameColumn] = useState(taken?.name ?? '');
  const choices = (none: string) => [{ value: '', label: none }, ...columns.map((c) => ({ value: c, label: c }))];
  const isAsTaken = taken?.latitude === latitude && taken.longitude === longitude && (taken.name ?? '') === nameColumn;
  const isWhole = latitude !== '' && longitude !== '' && latitude !== longitude;
  return (
    <Block title="Columns of the table" aside="each row a point of the walk, in its order">
      <form
        className="grid grid-cols-1 items-start gap-x-4 sm:grid-cols-[1fr_1fr_1fr_auto]"
        onSubmit={(e) => {
          e.preventDefault();
          if (isWhole) onChoose({ latitude, longitude, nameColumn });
        }}
      >
        <SelectField label="Latitude" value={latitude} choices={choices('choose')} onChange={setLatitude} />
        <SelectField label="Longitude" value={longitude} choices={choices('choose')} onChange={setLongitude} />
        <SelectField
          label="Name: a row that has one is a spot"
          value={nameColumn}
          choices={choices('none')}
          onChange={setNameColumn}
        />
        <Button type="submit" look={taken ? 'plain' : 'main'} className="mt-5" disabled={isAsTaken || !isWhole}>
          Read it so
        </Button>
      </form>
    </Block>
  );
}
