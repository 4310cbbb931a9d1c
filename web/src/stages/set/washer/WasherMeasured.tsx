import { Needs } from '../../../shell/Needs.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { TextButton } from '../../../ui/TextButton.tsx';
import { useLocalTime } from '../../../when/useLocalTime.ts';
import { MEASURED_BY } from '../BoxMeasured.tsx';
import { TEST_WORDS } from '../testWords.ts';
import type { WasherOnPage } from './useWasherScreen.ts';

const TESTS = [
  { kind: 'tracers', label: 'Feed tracers' },
  { kind: 'tail pan', label: 'Tail pan' },
  { kind: 'timed bucket', label: 'Time a bucket' },
] as const;

/** What was measured at this washer, and ways to measure more. */
export function WasherMeasured({ page: { measured, open, solved, takeOutTest } }: { readonly page: WasherOnPage }) {
  const local = useLocalTime();
  return (
    <Block title="Measured on this washer">
      {measured.length === 0 && (
        <Needs kinds={MEASURED_BY} without="quiet">
          <p className="text-ink-2">
            Nothing yet: it is weighed as washers of its kind are. Run the tailings of a clean-up again and weigh both;
            or feed twenty flakes, or lead shot screened to one size, and count what is found. Lead is lighter than gold
            and rounder: shot of 0.5 mm stays about as a flake of 0.8 mm does.
          </p>
        </Needs>
      )}
      <ul className="text-[13.5px]">
        {measured.map((m) => (
          <li key={m.id} className="flex items-baseline gap-3 border-b border-rule py-0.5">
            <span className="w-14 shrink-0 text-ink-2">{local.day(m.at)}</span>
            <span className="min-w-0 grow">
              {says(m)}
              {!m.evidence && <b> – says nothing before its ground is panned</b>}
            </span>
            {m.tested && (
              <TextButton aria-label={`Take out: ${says(m)}`} onClick={() => takeOutTest(m.id)}>
                take out
              </TextButton>
            )}
          </li>
        ))}
      </ul>
      {solved && (
        <div className="mt-2 grid grid-cols-2 gap-2">
          {TESTS.map(({ kind, label }) => (
            <Button key={kind} onClick={() => open(kind)}>
              {label}
            </Button>
          ))}
        </div>
      )}
    </Block>
  );
}

function says({ what, evidence, tested }: WasherOnPage['measured'][number]): string {
  if (what === 'passes' && evidence?.kind === 'passes') {
    const [first = 0, second = 0] = evidence.gold_mg;
    return `a second pass brought ${Math.round((100 * second) / Math.max(1e-9, first))} % of what the first did`;
  }
  if (what === 'clean-up') return 'a clean-up in stretches';
  if (tested?.kind === 'tracers')
    return `${tested.held} of ${tested.fed} ${tested.of === 'lead' ? 'lead shot' : 'flakes'} of ${tested.size_mm} mm found`;
  return tested ? TEST_WORDS[tested.kind] : '';
}
