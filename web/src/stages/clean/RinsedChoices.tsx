import type { Cleanup } from '@riffle/contract';
import { Choices } from '../../ui/Choices.tsx';

interface RinsedChoicesProps {
  readonly rinsed: Cleanup['rinsedClean'];
  readonly onChange: (rinsed: Cleanup['rinsedClean']) => void;
}

/** Whether the box was left clean: if not, the next ground gets this one's gold. */
export const RinsedChoices = ({ rinsed, onChange }: RinsedChoicesProps) => (
  <Choices
    label="Rinsed clean?"
    value={rinsed}
    onChange={onChange}
    choices={[
      { value: 'yes', label: 'rinsed clean' },
      { value: 'no', label: 'not yet' },
      { value: 'unknown', label: 'not sure' },
    ]}
  />
);
