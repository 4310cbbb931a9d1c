import type { StoredPit, StoredSample, StoredSpot } from '@riffle/contract';
import { countColors } from '@riffle/core';
import { memo, Suspense, useMemo, useState } from 'react';
import { useKeep } from '../../../records/useKeep.ts';
import { asTyped } from '../../../units/readEntered.ts';
import { CLASS_NAMES } from './SizePan.tsx';
import { TextButton } from '../../../ui/TextButton.tsx';
import { useLocalTime } from '../../../when/useLocalTime.ts';
import { late } from '../../../ui/late.ts';

const SampleSheet = late(async () => (await import('./SampleSheet.tsx')).SampleSheet);

interface SampleListProps {
  readonly samples: readonly StoredSample[];
  readonly spots: readonly StoredSpot[];
  readonly pits: readonly StoredPit[];
}

/** So many stand on the page until one asks for all. */
const SHOWN = 20;

/** What was panned at a spot before, as it was typed; each can be put right. */
export const SampleList = memo(function SampleList({ samples, spots, pits }: SampleListProps) {
  const local = useLocalTime();
  const { takeOut } = useKeep('samples');
  const [open, setOpen] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const latestFirst = useMemo(() => [...samples].sort((a, b) => (a.takenAt < b.takenAt ? 1 : -1)), [samples]);
  const inHand = samples.find((s) => s.id === open);
  if (samples.length === 0) return <p className="text-ink-2">Nothing panned here yet.</p>;
  return (
    <>
      <ul>
        {latestFirst.slice(0, all ? undefined : SHOWN).map((s) => (
          <li key={s.id} className="flex items-start gap-3 border-b border-rule py-1.5">
            <span className="w-14 shrink-0 text-ink-2">{local.day(s.takenAt)}</span>
            <span className="min-w-0 grow">
              <span className="block">
                {asTyped(s.volumeEntered)} at {asTyped(s.depthEntered)}:{' '}
                {countColors(s.counts) === 0
                  ? 'blank'
                  : Object.entries(s.counts)
                      .filter(([, n]) => n > 0)
                      .map(([c, n]) => `${n} × ${CLASS_NAMES[c as keyof typeof CLASS_NAMES].name}`)
                      .join(', ')}
                {s.goldEntered && <span className="text-gold">, weighed {asTyped(s.goldEntered)}</span>}
              </span>
              {s.note && <span className="block text-[13px] text-ink-2">{s.note}</span>}
            </span>
            <TextButton aria-label={`Put right the sample of ${local.day(s.takenAt)}`} onClick={() => setOpen(s.id)}>
              put right
            </TextButton>
            <TextButton
              aria-label={`Take out the sample of ${local.day(s.takenAt)}`}
              onClick={() => takeOut(s, 'The sample is out of the book.')}
            >
              take out
            </TextButton>
          </li>
        ))}
      </ul>
      {!all && latestFirst.length > SHOWN && (
        <TextButton onClick={() => setAll(true)}>{latestFirst.length - SHOWN} earlier</TextButton>
      )}
      {inHand && (
        <Suspense>
          <SampleSheet sample={inHand} spots={spots} pits={pits} onClose={() => setOpen(null)} />
        </Suspense>
      )}
    </>
  );
});
