import type { StoredContainer } from '@riffle/contract';
import { CONTAINERS, type Entered } from '@riffle/core';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { useWrite } from '../../../offline/writes.ts';
import { readEntered } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { TextField } from '../../../ui/Field.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { Sheet } from '../../../ui/Sheet.tsx';

interface ContainerSheetProps {
  /** Empty: the person names it. */
  readonly name: string;
  readonly kept: StoredContainer | null;
  readonly taken: readonly string[];
  readonly onClose: () => void;
  readonly onKept: (name: string) => void;
}

/** A container measured once, by the weight of the water it holds or by litres poured in. A kilogram of water is a litre near enough. */
export function ContainerSheet({ name: given, kept, taken, onClose, onKept }: ContainerSheetProps) {
  const write = useWrite();
  const show = useShow();
  const US = show.display.system === 'US';
  const [name, setName] = useState(given);
  const [way, setWay] = useState<StoredContainer['way']>(kept?.way ?? 'weight of water');
  const [size, setSize] = useState<Entered>(kept?.volumeEntered ?? { text: '', unit: US ? 'lb' : 'kg' });
  const [tried, setTried] = useState(false);
  const byWeight = way === 'weight of water';
  const units = byWeight ? ['kg', 'g', 'lb'] : ['L', 'mL', 'gal', 'qt'];
  const entered = units.includes(size.unit) ? size : { ...size, unit: units[US && !byWeight ? 2 : 0] ?? 'L' };
  const reading = byWeight ? readEntered('mass', entered) : readEntered('volume', entered);
  // Milligrams of water: a million of them are a litre (at 4 degrees; at 20 it is 0.2 % more).
  const volume_L = reading.ok ? (byWeight ? reading.value / 1e6 : reading.value) : null;
  const nameProblem =
    name.trim() === ''
      ? 'Name it.'
      : /[\d,;]/.test(name)
        ? 'Leave figures out of the name: they would be read as an amount.'
        : given === '' && taken.includes(name.trim())
          ? 'You have one of that name; measure that one again.'
          : null;
  const problem =
    volume_L !== null && !(volume_L > 0 && volume_L <= 1000) ? 'More than nothing, and at most 1 m³.' : null;
  const usual = (CONTAINERS as Readonly<Record<string, number>>)[name.trim()];
  const keep = (): void => {
    setTried(true);
    if (nameProblem || problem || volume_L === null) return;
    write({
      what: 'record',
      kind: 'containers',
      record: {
        id: kept?.id ?? uuidv7(),
        deleted: false,
        name: name.trim().toLowerCase().slice(0, 40),
        volume_L,
        volumeEntered: entered,
        way,
        note: kept?.note ?? '',
        baseVersion: kept?.version ?? 0,
      },
    });
    onKept(name.trim());
    onClose();
  };
  return (
    <Sheet
      open
      onOpenChange={(o) => {
        if (!o) onClose();
      }}
      title={given === '' ? 'A container of yours' : `Measure the ${given}`}
    >
      <form
        className="flex flex-col gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          keep();
        }}
      >
        {given === '' && (
          <TextField
            label="What you call it"
            value={name}
            onChange={setName}
            problem={tried ? nameProblem : null}
            hint="You type it as a unit: “2 coffee cans”."
          />
        )}
        <Choices
          label="How you measure it"
          value={way}
          onChange={setWay}
          choices={[
            { value: 'weight of water', label: 'weigh the water' },
            { value: 'litres poured', label: 'pour it in' },
            { value: 'said', label: 'as printed' },
          ]}
        />
        <p className="text-ink-2">
          {byWeight
            ? 'Fill it level with water and weigh it, less the empty container.'
            : way === 'said'
              ? 'What it says on the container is often to the brim: mark the level you fill it to.'
              : 'Pour water in by the litre until it stands level.'}
        </p>
        <QuantityField
          label={byWeight ? 'Weight of the water' : 'Volume, level full'}
          entered={entered}
          reading={reading}
          units={units}
          showProblem={tried}
          problem={problem}
          comesTo={
            volume_L !== null &&
            `${show.volume(volume_L)} level${usual ? `; common practice says ${show.volume(usual)}` : ''}`
          }
          onChange={setSize}
        />
        <Button look="main" type="submit">
          Keep it
        </Button>
        {kept && (
          <Button
            look="danger"
            onClick={() => {
              const { version, updatedAt, ...record } = kept;
              write({ what: 'record', kind: 'containers', record: { ...record, deleted: true, baseVersion: version } });
              onClose();
            }}
          >
            Forget this measure
          </Button>
        )}
      </form>
    </Sheet>
  );
}
