import { addCounts, countColors, type ColorClass, type PanSays } from '@riffle/core';
import type { Sample, StoredLot } from '@riffle/contract';
import { useCallback, useMemo } from 'react';
import { keepUsualPan, usualPan } from '../../../pan/usualPan.ts';
import { useDraft } from '../../../ui/useDraft.ts';
import { keptSeenWith } from '../../../pan/seenWith.ts';
import { asUsual, newSample, readSample, sampleRecord, type SampleDraft, type SampleRead } from './readSample.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';
import type { PanBook } from './usePanBook.ts';

export interface SampleInHand extends SampleRead {
  readonly draft: SampleDraft;
  readonly change: (some: Partial<SampleDraft>) => void;
  /** So many colors of a size, worked out from how many there are; the same function at every tap. */
  readonly count: CountColors;
  readonly clear: () => void;
  /** Something was typed or counted that is not in the book. */
  readonly isBegun: boolean;
  /** Drops what was typed; answers the way back. */
  readonly drop: () => () => void;
  /** The record to keep; null while something is missing or wrong. */
  record(spotId: string, riffleNow?: PanSays | null): (Sample & { baseVersion: 0 }) | null;
}

export type CountColors = (size: ColorClass, howMany: (now: number) => number) => void;

const LAST_PANNER = 'riffle-last-panner';

export function useSampleDraft(
  { ground, samples, colors, pits, containers }: PanBook,
  lot: StoredLot | undefined,
  US: boolean,
): SampleInHand {
  const local = useLocalTime();
  const usual = useMemo(() => usualPan(samples), [samples]);
  const [typed, setDraft, clearDraft] = useDraft<SampleDraft>(
    lot ? `sample-${ground.id}-${lot.id}` : `sample-${ground.id}`,
    () => newSample(lot, localStorage.getItem(LAST_PANNER) ?? '', US),
  );
  const draft = asUsual(typed, usual);
  // Thousands of pans are not added up anew at each tap.
  const counted = useMemo(() => addCounts(samples.map((s) => s.counts)), [samples]);
  const read = readSample(draft, {
    swell_percent: ground.swell_percent,
    counted,
    colors,
    pits,
    containers,
    US,
    local,
  });
  const count = useCallback<CountColors>(
    (size, howMany) =>
      setDraft((before) => ({
        ...before,
        counts: { ...before.counts, [size]: Math.max(0, howMany(before.counts[size])) },
      })),
    [setDraft],
  );
  return {
    ...read,
    draft,
    count,
    isBegun:
      countColors(typed.counts) > 0 || (!lot && typed.asUsual === false) || typed.note !== '' || typed.gold.text !== '',
    drop: () => {
      const before = typed;
      clearDraft();
      return () => setDraft(before);
    },
    clear: () => {
      localStorage.setItem(LAST_PANNER, draft.panner);
      const { depth, volume, state, way, panner } = draft;
      if (!lot) keepUsualPan({ depth, volume, state, way, panner });
      clearDraft();
    },
    change: (some) =>
      setDraft((before) => {
        const touched = 'depth' in some || 'volume' in some || 'state' in some;
        return touched ? { ...asUsual(before, usual), ...some, asUsual: false } : { ...before, ...some };
      }),
    record: (spotId, riffleNow) =>
      sampleRecord(
        draft,
        read,
        { groundId: ground.id, spotId, lotId: lot?.id ?? null, seenWith: keptSeenWith() },
        riffleNow,
      ),
  };
}
