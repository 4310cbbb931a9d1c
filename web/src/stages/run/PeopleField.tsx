import { SelectField } from '../../ui/Field.tsx';

const NOT_SAID = '';
const MOST_OFFERED = 12;

interface PeopleFieldProps {
  readonly value: number | null;
  readonly onChange: (people: number | null) => void;
}

/** How many are at a run: gold per person-hour rests on it. */
export function PeopleField({ value, onChange }: PeopleFieldProps) {
  const most = Math.max(MOST_OFFERED, value ?? 0);
  return (
    <SelectField
      label="How many of you"
      value={value === null ? NOT_SAID : String(value)}
      choices={[
        { value: NOT_SAID, label: 'not said' },
        ...Array.from({ length: most }, (_, i) => ({ value: String(i + 1), label: String(i + 1) })),
      ]}
      onChange={(text) => onChange(text === NOT_SAID ? null : Number(text))}
      hint="Those who dig and carry too."
    />
  );
}
