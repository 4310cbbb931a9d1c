import { useState } from 'react';
import { useRecords } from '../records/useRecords.ts';
import { Button } from '../ui/Button.tsx';
import { Block } from '../ui/Judgement.tsx';
import { NewTrialSheet, TrialSheet } from './TrialSheet.tsx';
import { trialWords, type Measure } from './trialWords.ts';

interface TrialsBlockProps {
  readonly groundId: string;
  readonly measures: readonly Measure[];
  /** What A is called until one says otherwise. */
  readonly a: string;
}

/** Comparisons by coin of this ground, of the measures that belong here, and a way to begin one. */
export function TrialsBlock({ groundId, measures, a }: TrialsBlockProps) {
  const trials = useRecords('trials', groundId).items.filter((t) => measures.includes(t.measure));
  const [open, setOpen] = useState<string | null>(null);
  const chosen = trials.find((t) => t.id === open);
  const latestFirst = [...trials].sort((x, y) => (x.id < y.id ? 1 : -1));
  return (
    <Block title="One against the other" aside="by the toss of a coin; memory is no comparison">
      {latestFirst.length > 0 && (
        <ul>
          {latestFirst.map((t) => (
            <li key={t.id} className="border-b border-rule">
              <button
                type="button"
                className="flex min-h-12 w-full flex-wrap items-baseline gap-x-3 py-1 text-left"
                onClick={() => setOpen(t.id)}
              >
                <b>
                  {t.a} or {t.b}
                </b>
                <span className="text-ink-2">
                  {t.measure}, {t.rounds.length} {t.rounds.length === 1 ? 'round' : 'rounds'}
                </span>
                <span className="underline underline-offset-4">{trialWords(t).says}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      <Button className="mt-2" onClick={() => setOpen('new')}>
        Compare two, by coin
      </Button>
      {open === 'new' && (
        <NewTrialSheet
          groundId={groundId}
          a={a}
          measure={measures[0] ?? 'gold in the box'}
          onClose={() => setOpen(null)}
          onKept={setOpen}
        />
      )}
      {chosen && <TrialSheet trial={chosen} onClose={() => setOpen(null)} />}
    </Block>
  );
}
