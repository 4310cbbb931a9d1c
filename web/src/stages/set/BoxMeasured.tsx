import { MEASURED_INPUTS, type MeasuredInput, type Spread } from '@riffle/core';
import { Needs } from '../../shell/Needs.tsx';
import { Button } from '../../ui/Button.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { TextButton } from '../../ui/TextButton.tsx';
import { foundWords, measureWords } from './testWords.ts';
import type { SetOnPage } from './useSetScreen.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';

const NAMES: Readonly<Record<MeasuredInput, string>> = { catchScale: 'catch', boxFactor: 'feed', roughness: 'floor' };
const TESTS = [
  { kind: 'timed bucket', label: 'Time a bucket' },
  { kind: 'tail pan', label: 'Tail pan' },
  { kind: 'tracers', label: 'Feed flakes' },
  { kind: 'water', label: 'Flow and depth' },
] as const;

/** What says anything of a box. */
export const MEASURED_BY = ['runs', 'lifts', 'cleanups', 'box-tests'] as const;

/** So few draws in effect: what was measured fits hardly any box as entered. Stated assumption. */
const FEW_DRAWS = 25;

/** What this box is by its own measure: its catch, its feed and its floor beside boxes of its kind, what was measured, and ways to measure more. */
export function BoxMeasured({ page }: { page: SetOnPage }) {
  const local = useLocalTime();
  const { measured, inHand, open } = page;
  const found = inHand.verdict?.measured ?? null;
  const spoke = measured.filter((m) => m.evidence);
  return (
    <Block title="Measured on this box" aside="beside boxes of its kind; bar: 9 in 10">
      {found && spoke.length > 0 ? (
        <ul>
          {MEASURED_INPUTS.map((input) => (
            <MeasureLine
              key={input}
              name={NAMES[input]}
              input={input}
              before={found.before[input]}
              after={found.after[input]}
            />
          ))}
        </ul>
      ) : (
        <Needs kinds={MEASURED_BY} without="quiet">
          <p className="mb-2 text-ink-2">
            Nothing yet: it is weighed as boxes of its kind are. A clean-up in stretches says most; a timed bucket takes
            five minutes.
          </p>
        </Needs>
      )}
      {found && found.effective < FEW_DRAWS && (
        <p className="mt-1 font-bold">
          Hardly a box of its kind shows that: measure pitch and water again, or put in what the lining is now.
        </p>
      )}
      {measured.length > 0 && (
        <ul className="mt-1 text-[13.5px]">
          {measured.map((m) => (
            <li key={m.id} className="flex items-baseline gap-3 border-b border-rule py-0.5">
              <span className="w-14 shrink-0 text-ink-2">{local.day(m.at)}</span>
              <span className="min-w-0 grow">
                {foundWords(m)}
                {!m.evidence && <b> – says nothing before its ground is panned</b>}
                {found?.fits[spoke.indexOf(m)] === false && <b> – fits no such box: left out</b>}
              </span>
              {m.what !== 'clean-up' && (
                <TextButton aria-label={`Put right: ${foundWords(m)}`} onClick={() => open({ test: m.id })}>
                  put right
                </TextButton>
              )}
            </li>
          ))}
        </ul>
      )}
      {inHand.solved && (
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

/** On a scale of ratios from a third to three times what most of its kind are: hollow what was believed, full what is known now. */
function MeasureLine({
  name,
  input,
  before,
  after,
}: {
  readonly name: string;
  readonly input: MeasuredInput;
  readonly before: Spread;
  readonly after: Spread;
}) {
  const x = (value: number): number =>
    100 + Math.max(-1, Math.min(1, Math.log(value / before.middle) / Math.log(3.2))) * 96;
  const says = measureWords(input, after, before);
  return (
    <li className="grid grid-cols-[3rem_minmax(0,1fr)] items-center gap-x-3 border-b border-rule py-1 sm:grid-cols-[3rem_minmax(0,200px)_minmax(0,1fr)]">
      <b>{name}</b>
      <svg viewBox="0 0 200 26" className="block h-[26px] w-full" role="img" aria-label={`${name}: ${says}`}>
        <path d="M4 13H196" stroke="var(--rule)" />
        <path d="M100 1V25" stroke="var(--ink-2)" strokeDasharray="2 3" />
        <rect
          x={x(before.low)}
          y="5"
          width={x(before.high) - x(before.low)}
          height="16"
          fill="none"
          stroke="var(--ink-2)"
          strokeWidth="1.5"
        />
        <rect x={x(after.low)} y="8.5" width={x(after.high) - x(after.low)} height="9" fill="var(--ink)" />
        <path d={`M${x(after.middle)} 3V23`} stroke="var(--ink)" strokeWidth="3" />
      </svg>
      <span className="col-start-2 text-[13.5px] sm:col-start-3">{says}</span>
    </li>
  );
}
