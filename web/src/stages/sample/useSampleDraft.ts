import type { Sample, StoredGround } from '@riffle/contract';
import { countColors, NO_COLORS, sampleGrade, type ColorCounts, type Entered, type SampleGrade } from '@riffle/core';
import { v7 as uuidv7 } from 'uuid';
import { groundColors, measureOf } from '../../ribbon/spotGrades.ts';
import type { StoredSample } from '@riffle/contract';
import { readEntered, type Reading } from '../../units/readEntered.ts';
import { useDraft } from '../../ui/useDraft.ts';

/** A sample as it is being written down; kept on the device until it is in the book. */
export interface SampleDraft {
  readonly depth: Entered;
  readonly volume: Entered;
  readonly state: 'loose' | 'bank';
  readonly counts: ColorCounts;
  readonly blackSand: number;
  readonly gold: Entered;
  readonly note: string;
}

export interface SampleInHand {
  readonly draft: SampleDraft;
  readonly change: (some: Partial<SampleDraft>) => void;
  readonly clear: () => void;
  readonly depth: Reading;
  readonly volume: Reading;
  /** Weighed gold in mg; null when none was typed. */
  readonly gold: Reading | null;
  readonly volumeProblem: string | null;
  readonly goldProblem: string | null;
  readonly colors: number;
  /** The answer, as soon as there is a volume; null before. */
  readonly grade: SampleGrade | null;
  readonly volumeBank_L: number | null;
  /** The record to keep; null while something is missing or wrong. */
  record(spotId: string): (Sample & { baseVersion: 0 }) | null;
}

export function useSampleDraft(ground: StoredGround, samples: readonly StoredSample[], US: boolean): SampleInHand {
  const [draft, setDraft, clear] = useDraft<SampleDraft>(`sample-${ground.id}`, () => ({
    depth: { text: '', unit: US ? 'ft' : 'm' }, volume: { text: '', unit: 'pan' }, state: 'loose', counts: NO_COLORS, blackSand: 0, gold: { text: '', unit: US ? 'grain' : 'mg' }, note: '',
  }));
  const depth = readEntered('length', draft.depth);
  const volume = readEntered('volume', draft.volume);
  const gold = draft.gold.text.trim() === '' ? null : readEntered('mass', draft.gold);
  const volumeProblem = volume.ok && !(volume.value > 0 && volume.value <= 10_000) ? (volume.value > 0 ? 'More than 10 000 L is a run, not a sample.' : 'A count needs the volume it came from.') : null;
  const goldProblem = gold?.ok && !(gold.value >= 0.0001) ? 'Leave it empty if nothing was weighed.' : gold && !gold.ok ? gold.problem : null;
  const usable = volume.ok && volumeProblem === null;
  const measured = usable ? measureOf({ volume_L: volume.value, volumeState: draft.state, counts: draft.counts, gold_mg: gold?.ok && !goldProblem ? gold.value : null }, ground.swell_percent) : null;
  const here = { counts: draft.counts } as StoredSample;

  return {
    draft, clear, depth, volume, gold, volumeProblem, goldProblem,
    change: (some) => setDraft((before) => ({ ...before, ...some })),
    colors: countColors(draft.counts),
    grade: measured && sampleGrade(measured, groundColors([...samples, here])),
    volumeBank_L: measured?.volumeBank_L ?? null,
    record: (spotId) => {
      if (!depth.ok || depth.value > 30 || !usable || goldProblem) return null;
      return {
        id: uuidv7(), deleted: false, groundId: ground.id, spotId, takenAt: new Date().toISOString(),
        depth_m: depth.value, depthEntered: draft.depth, volume_L: volume.value, volumeEntered: draft.volume, volumeState: draft.state,
        counts: draft.counts, blackSand: draft.blackSand, gold_mg: gold?.ok ? gold.value : null, goldEntered: gold ? draft.gold : null, note: draft.note, baseVersion: 0,
      };
    },
  };
}
