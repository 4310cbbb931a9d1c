import { Checkbox } from '../ui/Checkbox.tsx';
import { Choices } from '../ui/Choices.tsx';
import { useShow } from '../units/useShow.ts';
import { givenFor, saysGiven, SIZES_M, WAYS, type Given } from './place.ts';

interface PlaceChoiceProps {
  readonly given: Given;
  readonly onChange: (given: Given) => void;
  /** Whether this kind of file holds positions: where it does not, only the names are asked about. */
  readonly hasPositions: boolean;
}

/** What leaves the house of the place: asked for every file, page and picture. */
export function PlaceChoice({ given, onChange, hasPositions }: PlaceChoiceProps) {
  const show = useShow();
  const gives = givenFor(given, hasPositions);
  return (
    <div className="flex flex-col gap-1">
      <p className="text-[13px] text-ink-2">Of the place it gives</p>
      {hasPositions ? (
        <Choices
          label="Of the place it gives"
          value={given.way}
          onChange={(way) => onChange({ ...given, way })}
          choices={WAYS.map(({ way, label }) => ({ value: way, label }))}
        />
      ) : (
        <Choices
          label="Of the place it gives"
          value={given.names ? 'names' : 'none'}
          onChange={(what) => onChange({ ...given, names: what === 'names' })}
          choices={[
            { value: 'names', label: 'names' },
            { value: 'none', label: 'nothing' },
          ]}
        />
      )}
      {hasPositions && given.way === 'blurred' && (
        <Choices
          label="To a square of"
          value={String(given.size_m)}
          onChange={(size) => onChange({ ...given, size_m: Number(size) })}
          choices={SIZES_M.map((m) => ({ value: String(m), label: `to ${show.distance(m)}` }))}
        />
      )}
      {hasPositions && given.way !== 'none' && (
        <Checkbox checked={given.names} onChange={(names) => onChange({ ...given, names })}>
          with the names of the ground and its spots
        </Checkbox>
      )}
      <p
        role="status"
        className={`border-l-4 pl-3 ${gives.way === 'exact' ? 'border-danger text-danger' : 'border-ink'}`}
      >
        {saysGiven(gives)}
      </p>
    </div>
  );
}
