import type { StoredRig, StoredSetup } from '@riffle/contract';
import { SelectField } from '../../ui/Field.tsx';
import { asTyped } from '../../units/readEntered.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';

interface SetupSelectProps {
  readonly label: string;
  readonly value: string;
  readonly setups: readonly StoredSetup[];
  readonly rigs: readonly StoredRig[];
  readonly onChange: (setupId: string) => void;
  readonly hint?: string | undefined;
}

/** Which box a run goes through and how it stood: the latest first, each by its day, its box and its pitch. */
export function SetupSelect({ setups, rigs, ...field }: SetupSelectProps) {
  const local = useLocalTime();
  return (
    <SelectField
      {...field}
      choices={[...setups]
        .sort((a, b) => (a.setAt < b.setAt ? 1 : -1))
        .map((s) => ({
          value: s.id,
          label: `${local.day(s.setAt)}: ${rigs.find((r) => r.id === s.rigId)?.name ?? 'box'}, ${asTyped(s.pitchEntered)}`,
        }))}
    />
  );
}
