import type { SeenWith } from '@riffle/core';
import { keptDraft, useDraft } from '../ui/useDraft.ts';

const NAME = 'seen-with';

/** What this person's colors are seen with, chosen once; it goes with every sample. */
export const useSeenWith = () =>
  useDraft<SeenWith>(NAME, () => ({ pan: 'black or dark', light: 'shade', eyes: 'sharp or with glasses' }));
/** Null until it was chosen. */
export const keptSeenWith = (): SeenWith | null => keptDraft<SeenWith>(NAME);
