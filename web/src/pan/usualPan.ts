import { PLAIN_PAN, type Sample, type StoredSample } from '@riffle/contract';
import { NO_COLORS, type Entered } from '@riffle/core';
import { keepDraft, keptDraft } from '../ui/useDraft.ts';
import { asTyped, readEntered, readVolume } from '../units/readEntered.ts';

/** How deep and how much one pans as a rule: as the last time. */
export interface UsualPan {
  readonly depth: Entered;
  readonly volume: Entered;
  readonly state: Sample['volumeState'];
  readonly way: Sample['way'];
  readonly panner: string;
}

const NAME = 'usual-pan';

/** Kept on this device beside the book, for the first pan of another ground. */
export const keepUsualPan = (usual: UsualPan): void => keepDraft(NAME, usual);

/** As the last pan of this ground was taken (bags apart, which are filled at home); where there is none, as this device's last; null where nobody panned yet. */
export function usualPan(
  samples: readonly StoredSample[],
  kept: UsualPan | null = keptDraft<UsualPan>(NAME),
): UsualPan | null {
  let last: StoredSample | null = null;
  for (const s of samples) if (s.lotId === null && (!last || s.takenAt > last.takenAt)) last = s;
  return last
    ? {
        depth: last.depthEntered,
        volume: last.volumeEntered,
        state: last.volumeState,
        way: last.way,
        panner: last.panner,
      }
    : kept;
}

const plain = (entered: Entered): string => asTyped(entered).replaceAll(/[“”]/g, '');
/** In a few words, as it stands on a button. */
export const usualPanWords = ({ depth, volume, state }: UsualPan): string =>
  `${plain(volume)} ${state === 'bank' ? 'in the bank ' : ''}from ${plain(depth)}`;

/** A blank, panned as usual; null where what was usual cannot be read any more (a container renamed, say). */
export function blankPan(
  usual: UsualPan,
  containers: Readonly<Record<string, number>>,
  about: Pick<Sample, 'groundId' | 'spotId' | 'seenWith'>,
  now = new Date().toISOString(),
): Omit<Sample, 'id' | 'deleted'> | null {
  const depth = readEntered('length', usual.depth);
  const volume = readVolume(usual.volume, containers);
  if (!depth.ok || !volume.ok || volume.value <= 0) return null;
  return {
    ...PLAIN_PAN,
    ...about,
    takenAt: now,
    depth_m: depth.value,
    depthEntered: usual.depth,
    volume_L: volume.value,
    volumeEntered: usual.volume,
    volumeState: usual.state,
    counts: NO_COLORS,
    blackSand: 0,
    gold_mg: null,
    goldEntered: null,
    way: usual.way,
    panner: usual.panner,
    note: '',
  };
}
