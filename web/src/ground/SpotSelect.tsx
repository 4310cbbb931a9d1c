import type { StoredSpot } from '@riffle/contract';
import { SelectField } from '../ui/Field.tsx';

interface SpotSelectProps {
  readonly spots: readonly StoredSpot[];
  readonly value: string | undefined;
  readonly onPick: (spotId: string | null) => void;
  readonly problem: string | null;
}

/** The ground's spots in a list, from the foot up. */
export function SpotSelect({ spots, value, onPick, problem }: SpotSelectProps) {
  const ordered = [...spots].sort((a, b) => a.distance_m - b.distance_m);
  return (
    <SelectField
      label="Spot"
      value={value ?? ''}
      choices={[{ value: '', label: 'Pick one' }, ...ordered.map((s) => ({ value: s.id, label: s.name }))]}
      onChange={(id) => onPick(id || null)}
      problem={problem}
    />
  );
}
