import { NUMBERS, numberProblem, textProblem, TEXTS, type StoredContainer } from '@riffle/contract';
import { CONTAINERS, type Entered } from '@riffle/core';
import { useState } from 'react';
import { useContainers } from '../../../records/useContainers.ts';
import { useKeep } from '../../../records/useKeep.ts';
import { readEntered, readVolume } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { TextField } from '../../../ui/Field.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { FormSheet } from '../../../ui/Sheet.tsx';

interface ContainerSheetProps {
  /** Empty: the person names it. */
  readonly name: string;
  readonly kept: StoredContainer | null;
  readonly taken: readonly string[];
  readonly onClose: () => void;
  readonly onKept: (name: string) => void;
}

/** A container measured once, by the weight of the water it holds or by litres poured in. A kilogram of water is a litre near enough. */
export function ContainerSheet({ name: given, kept: now, taken, onClose, onKept }: ContainerSheetProps) {
  // As it was when the sheet opened: what another changes meanwhile is told apart, not written over.
  const [kept] = useState(now);
  const { put, takeOut } = useKeep('containers');
  const containers = useContainers();
  const show = useShow();
  const US = show.display.system === 'US';
  const [name, setName] = useState(given);
  const [way, setWay] = useState<StoredContainer['way']>(kept?.way ?? 'weight of water');
  const [size, setSize] = useState<Entered>(kept?.volumeEntered ?? { text: '', unit: US ? 'lb' : 'kg' });
  const [tried, setTried] = useState(false);
  const byWeight = way === 'weight of water';
  const units = byWeight ? ['kg', 'g', 'lb'] : ['L', 'mL', 'gal', 'qt'];
  const entered = units.includes(size.unit) ? size : { ...size, unit: units[US && !byWeight ? 2 : 0] ?? 'L' };
  const reading = byWeight ? readEntered('mass', entered) : readVolume(entered, containers);
  // Milligrams of water: a million of them are a litre (at 4 degrees; at 20 it is 0.2 % more).
  const volume_L = reading.ok ? (byWeight ? reading.value / 1e6 : reading.value) : null;
  const nameProblem =
    name.trim() === ''
      ? 'Name it.'
      : /[\d,;]/.test(name)
        ? 'Leave figures out of the name: they would be read as an amount.'
        : given === '' && taken.includes(name.trim())
          ? 'You have one of that name; measure that one again.'
          : textProblem(TEXTS.container, name);
  const problem = volume_L === null ? null : numberProblem(NUMBERS.containerVolume_L, volume_L);
  const usual = (CONTAINERS as Readonly<Record<string, number>>)[name.trim()];
  const keep = (): void => {
    setTried(true);
    if (nameProblem || problem || volume_L === null) return;
    put(kept, {
      name: name.trim().toLowerCase(),
      volume_L,
      volumeEntered: entered,
      way,
      note: kept?.note ?? '',
    });
    onKept(name.trim());
    onClose();
  };
  return (
    <FormSheet title={given === '' ? 'A container of yours' : `Measure the ${given}`} onClose={onClose} onSave={keep}>
      {given === '' && (
        <TextField
          label="What you call it"
          value={name}
          onChange={setName}
          limit={TEXTS.container}
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
            takeOut(kept);
            onClose();
          }}
        >
          Forget this measure
        </Button>
      )}
    </FormSheet>
  );
}
