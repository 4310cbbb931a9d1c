import { handOf, type Bell, type ClaimStretch, type WalkWay } from '@riffle/core';
import { claimWords } from '../../../ground/claims.ts';
import { inTen } from '../../../reading/inTen.ts';
import type { Show } from '../../../units/useShow.ts';
import type { WalkMark } from './walkPlaces.ts';

/** "ahead, on your left". */
export const sideWords = (mark: Pick<WalkMark, 'bank'>, way: WalkWay): string => {
  const hand = handOf(mark.bank, way);
  return hand ? `ahead, on your ${hand}` : 'ahead, in the stream';
};

/** "pays 4 in 10, untried". */
export const markWords = ({ chance, isTried, isPlanned }: WalkMark): string =>
  [
    chance === null ? '' : `pays ${inTen(chance)}`,
    isTried ? 'panned before' : 'untried',
    isPlanned ? 'on the plan' : '',
  ]
    .filter(Boolean)
    .join(', ');

/** What a bell says, so that one who looks knows why the pocket buzzed. */
export function bellWords(bell: Bell, marks: readonly WalkMark[], shut: readonly ClaimStretch[], show: Show): string {
  const stretch = 'id' in bell ? shut.find((s) => s.id === bell.id) : undefined;
  switch (bell.kind) {
    case 'place':
      return `You are at ${marks.find((m) => m.id === bell.id)?.name ?? 'a place of the walk'}.`;
    case 'edge near':
      return stretch ? `Ahead: the edge of ${claimWords(stretch)}.` : 'An edge is near.';
    case 'edge crossed':
      return stretch
        ? `You are on ${claimWords(stretch)}, ${show.distance(stretch.from_m)} to ${show.distance(stretch.to_m)}.`
        : 'You crossed an edge.';
    case 'turn soon':
      return 'Ten minutes until you have to turn back.';
    case 'turn now':
      return 'Turn back now.';
    case 'way shut':
      return 'The water shuts the way back.';
  }
}
