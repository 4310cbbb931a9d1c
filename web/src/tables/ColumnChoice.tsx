import { SelectField } from '../ui/Field.tsx';
import type { TableRows } from './rowsOf.ts';

interface ColumnChoiceProps {
  /** What the column holds. */
  readonly label: string;
  readonly columns: TableRows['columns'];
  readonly first: TableRows['rows'];
  readonly value: string;
  readonly onChange: (column: string) => void;
  /** Units offered, and the one taken; left out where it has none. */
  readonly units?: readonly string[] | undefined;
  readonly unit?: string | undefined;
  readonly onUnit: (unit: string) => void;
  readonly problem?: string | null;
}

/** Which column of a person's table holds something, and in which unit; what stands in it is shown. */
export function ColumnChoice({
  label,
  columns,
  first,
  value,
  onChange,
  units,
  unit,
  onUnit,
  problem = null,
}: ColumnChoiceProps) {
  const values = first.map((r) => r[value]).filter(Boolean);
  return (
    <div className={units ? 'grid grid-cols-[minmax(0,1fr)_8rem] gap-x-2' : ''}>
      <SelectField
        label={label}
        value={value}
        choices={[{ value: '', label: '(not in it)' }, ...columns.map((c) => ({ value: c, label: c }))]}
        onChange={onChange}
        hint={value !== '' && values.length > 0 ? `such as ${values.slice(0, 3).join(', ')}` : undefined}
        problem={problem}
      />
      {units && (
        <SelectField
          label={`${label}: unit`}
          value={unit ?? units[0] ?? ''}
          choices={units.map((u) => ({ value: u, label: u }))}
          onChange={onUnit}
        />
      )}
    </div>
  );
}
