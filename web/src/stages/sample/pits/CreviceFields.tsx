import { CREVICE_ROCKS, CREVICE_STATES, CREVICE_STRIKES } from '@riffle/contract';
import { Caution } from '../../../ui/Caution.tsx';
import { readEntered } from '../../../units/readEntered.ts';
import { SelectField } from '../../../ui/Field.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import type { PitInHand } from './usePitDraft.ts';

/** Crevicing as a job of its own: the crack, and how far it is cleaned. Common practice, no source. */
const STEPS = [
  'Choose the crack: across the flow before along it; rotten rock before hard.',
  'Probe how deep it is.',
  'Pry the slabs; brush every face into the pan.',
  'Keep the fines of the seam; break and scrape the clay at the very bottom, it holds the best.',
  'Wash stones before you throw them. Each crack into a pan of its own.',
];

export function CreviceFields({ inHand }: { inHand: PitInHand }) {
  const { draft, change, problem } = inHand;
  const c = draft.crevice;
  if (!c) return null;
  const set = (some: Partial<typeof c>): void => change({ crevice: { ...c, ...some } });
  const list = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, label: value }));
  const size = (label: string, field: 'width' | 'length' | 'depth', units: readonly string[]) => (
    <QuantityField
      key={field}
      label={label}
      entered={c[field]}
      reading={readEntered('length', c[field])}
      units={units}
      onChange={(e) => set({ [field]: e })}
    />
  );
  return (
    <div>
      <div className="grid grid-cols-2 gap-x-4">
        {size('Width of the crack', 'width', ['mm', 'cm', 'in'])}
        {size('Length of the crack', 'length', ['m', 'ft'])}
        {size('Depth probed', 'depth', ['m', 'cm', 'ft', 'in'])}
        <SelectField
          label="It runs"
          value={c.strike}
          choices={list(CREVICE_STRIKES)}
          onChange={(strike) => set({ strike })}
        />
        <SelectField
          label="The rock"
          value={c.rock ?? ''}
          choices={[{ value: '', label: 'nobody knocked' }, ...list(CREVICE_ROCKS)]}
          onChange={(rock) => set({ rock: rock === '' ? null : rock })}
        />
        <SelectField
          label="Now it is"
          value={c.state}
          choices={list(CREVICE_STATES)}
          onChange={(state) => set({ state })}
        />
      </div>
      {problem?.field === 'crevice' && <p className="text-danger">▲ {problem.says}</p>}
      <ol className="list-decimal pl-5">
        {STEPS.map((s) => (
          <li key={s}>{s}</li>
        ))}
      </ol>
      <Caution className="mt-1">
        Glasses on when you chip rock. Tip slabs away from you: snakes and spiders live under them.
      </Caution>
    </div>
  );
}
