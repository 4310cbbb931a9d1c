import type { Pan, StoredGround } from '@riffle/contract';
import { pannedGround, type Pace, type PannedGround } from '@riffle/core';
import { useMemo } from 'react';
import { usePreferences } from '../preferences/preferences.ts';
import { usePans } from '../records/usePans.ts';
import { useRecords } from '../records/useRecords.ts';

export interface Panned {
  /** What they come to. */
  readonly panned: PannedGround;
  /** The pans themselves; none where they are very many: what they come to is here alone. */
  readonly samples: readonly Pan[];
  /** How many there are, graded yet or not. */
  readonly sampleCount: number;
  /** The crew's pace by them, where it was told too. */
  readonly pace: Pace | null;
}

const NO_PANS: readonly Pan[] = [];

/**
 * The pans of a ground with what they come to, by the person's school of weights: as the server told it, or worked out here.
 * @param later they are not graded yet: what they say first came with the document
 */
export function usePanned({ id, swell_percent }: StoredGround, later = false): Panned {
  const { items, told } = usePans(id);
  const pits = useRecords('pits', id).items;
  const { colorSchool } = usePreferences().preferences;
  return useMemo(
    () =>
      told
        ? { panned: told.panned, samples: NO_PANS, sampleCount: told.panned.samples, pace: told.pace }
        : {
            panned: pannedGround(later ? NO_PANS : items, swell_percent, colorSchool, pits),
            samples: items,
            sampleCount: items.length,
            pace: null,
          },
    [told, later, items, swell_percent, colorSchool, pits],
  );
}
