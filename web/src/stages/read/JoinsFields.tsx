import type { StoredGround } from '@riffle/contract';
import { Choices } from '../../ui/Choices.tsx';
import { SelectField } from '../../ui/Field.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import type { GroundDraft, readGround } from './readGround.ts';

interface JoinsFieldsProps {
  readonly draft: GroundDraft;
  readonly set: (some: Partial<GroundDraft>) => void;
  readonly read: ReturnType<typeof readGround>;
  readonly others: readonly StoredGround[];
  readonly tried: boolean;
}

/** The creek a draw runs into, and where. */
export function JoinsFields({ draft, set, read: { mouth, joinsAt, problems }, others, tried }: JoinsFieldsProps) {
  return (
    <details open={tried && problems.joins !== null} className="border-y border-rule">
      <summary className="min-h-11 content-center font-semibold">
        {mouth ? `Runs into ${mouth.name}` : 'A draw of another creek?'}
      </summary>
      <SelectField
        label="It runs into"
        value={draft.joinsId}
        choices={[{ value: '', label: 'nothing in this book' }, ...others.map((g) => ({ value: g.id, label: g.name }))]}
        onChange={(joinsId) => set({ joinsId })}
      />
      {mouth && (
        <>
          <QuantityField
            label={`At, upstream of the foot of ${mouth.name}`}
            entered={draft.joinsAt}
            reading={joinsAt}
            units={['m', 'ft', 'km']}
            showProblem={tried}
            problem={joinsAt.ok ? problems.joins : null}
            onChange={(at) => set({ joinsAt: at })}
          />
          <Choices
            label="On its"
            value={draft.joinsBank}
            onChange={(joinsBank) => set({ joinsBank })}
            choices={[
              { value: 'left', label: 'left bank' },
              { value: 'right', label: 'right bank' },
            ]}
          />
        </>
      )}
    </details>
  );
}
