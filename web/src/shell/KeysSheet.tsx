import { Sheet } from '../ui/Sheet.tsx';
import { STAGES } from './stages.ts';

const KEYS = [
  ...STAGES.map((s) => [s.key, s.name] as const),
  ['d', 'Day sheet'],
  ['g', 'Pick a ground'],
  ['n', 'New: a spot on Read, a sample on Sample, a box on Set'],
  ['s', 'Add a sign, on Read'],
  ['b', 'Log a full bucket, while a run is open'],
  ['+ −', 'Nearer and farther on the ribbon'],
  ['0', 'The whole ribbon'],
  ['← →', 'On the ribbon: the next spot'],
  ['?', 'These keys'],
] as const;

export function KeysSheet({ onClose }: { onClose: () => void }) {
  return (
    <Sheet title="Keys" onClose={onClose}>
      <dl className="grid grid-cols-[4rem_1fr] gap-y-2">
        {KEYS.map(([key, does]) => (
          <div key={key} className="contents">
            <dt>
              <kbd className="border-2 border-ink px-2 font-sans">{key}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-4 text-ink-2">Keys rest while you type.</p>
    </Sheet>
  );
}
