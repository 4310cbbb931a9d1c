import type { StoredSpot } from '@riffle/contract';
import { SelectField } from '../ui/Field.tsx';

interface SpotSelectProps {
  readonly spots: readonly StoredSpot[];
  readonly value: string | null | undefined;
  readonly onPick: (spotId: string | null) => void;
  readonly label?: string;
  /** What stands where no spot is named. */
  readonly none?: string;
  readonly problem?: string | null;
  readonly hint?: string;
  /** How a spot is called here; its name alone where left out. */
  readonly say?: (spot: StoredSpot) => string;
}

/** The ground's spots in a list, from the foot up. */
export function SpotSelect({
  spots,
  value,
  onPick,
  label = 'Spot',
  none = 'Pick one',
  say = (spot) => spot.name,
  ...rest
}: SpotSelectProps) {
  return (
    <SelectField
      label={label}
      value={value ?? ''}
      choices={[{ value: '', label: none }, ...fromTheFootUp(spots).map((s) => ({ value: s.id, label: say(s) }))]}
      onChange={(id) => onPick(id || null)}
      {...rest}
    />
  );
}

export const fromTheFootUp = (spots: readonly StoredSpot[]): StoredSpot[] =>
  [...spots].sort((a, b) => a.distance_m - b.distance_m);
