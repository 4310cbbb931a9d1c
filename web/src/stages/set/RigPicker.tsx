import type { StoredRig } from '@riffle/contract';
import { Button } from '../../ui/Button.tsx';
import { SelectField } from '../../ui/Field.tsx';
import type { RigInHand } from './useRigInHand.ts';

interface RigPickerProps {
  readonly rigInHand: Pick<RigInHand, 'rigs' | 'rig' | 'choose'>;
  readonly onChange: () => void;
  readonly onNew: (kind: 'box' | 'washer') => void;
  /** Where there is no water, a washer is offered first. */
  readonly isDry: boolean;
}

/** Which box or dry washer is set; to change it, or to add another. */
export function RigPicker({ rigInHand: { rigs, rig, choose }, onChange, onNew, isDry }: RigPickerProps) {
  if (rigs.length === 0) {
    const kinds = isDry ? (['washer', 'box'] as const) : (['box', 'washer'] as const);
    return (
      <div className="mb-2 flex flex-wrap gap-2">
        {kinds.map((kind, i) => (
          <Button key={kind} look={i === 0 ? 'main' : 'quiet'} onClick={() => onNew(kind)}>
            {kind === 'box' ? 'Add your box' : 'Add your dry washer'}
          </Button>
        ))}
      </div>
    );
  }
  return (
    <div className="flex items-center gap-3">
      <div className="min-w-0 grow">
        <SelectField
          label={rig?.washer ? 'Dry washer' : 'Box'}
          value={rig?.id ?? ''}
          // What is chosen has its kind above it, and little room.
          choices={rigs.map((r) => ({ value: r.id, label: r === rig ? r.name : labelOf(r) }))}
          onChange={choose}
        />
      </div>
      <span className="flex gap-3">
        <Button look="quiet" onClick={onChange}>
          Change
        </Button>
        <Button look="quiet" onClick={() => onNew(isDry ? 'washer' : 'box')}>
          Another
        </Button>
      </span>
    </div>
  );
}
const labelOf = ({ name, washer }: StoredRig): string => (washer ? `${name}, dry washer` : name);
