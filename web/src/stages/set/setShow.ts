import { pitchLike } from '../../box/pitchText.ts';
import { showLike } from '../../units/showLike.ts';
import type { Show } from '../../units/useShow.ts';
import type { SetupDraft } from './readSetup.ts';

/** Figures of a set box, each in the units it was typed in: head and drop as the pitch, water, stones. */
export interface SetShow {
  readonly head: Pick<Show, 'smallLength'>;
  readonly water: Pick<Show, 'smallLength'>;
  readonly stone: Pick<Show, 'smallLength'>;
  readonly pitch: (slope: number, boxLength_m: number) => string;
}

export const setShow = (
  show: Show,
  draft: Pick<SetupDraft, 'pitch' | 'known' | 'depth' | 'flow' | 'stone'>,
): SetShow => ({
  head: showLike(show, 'pitch', draft.pitch),
  water: draft.known === 'depth' ? showLike(show, 'length', draft.depth) : showLike(show, 'flow', draft.flow),
  stone: showLike(show, 'length', draft.stone),
  pitch: (slope, boxLength_m) => pitchLike(draft.pitch, slope, boxLength_m),
});
