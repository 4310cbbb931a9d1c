import type { Sample, StoredGround, StoredLot, StoredPit, StoredSample } from '@riffle/contract';
import { countColors, liesInPit, NO_COLORS, pitDepth_m, sampleGrade, type ColorCounts, type Entered, type SampleGrade } from '@riffle/core';
import { useMemo } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { gradeOptions, groundColors, measureOf, withCounts } from '../../../ribbon/spotGrades.ts';
import { readEntered, type Reading } from '../../../units/readEntered.ts';
import { useDraft } from '../../../ui/useDraft.ts';
import { keptSeenWith } from '../hands/seenWith.ts';

/** A sample as it is being written down; kept on the device until it is in the book. */
export interface SampleDraft {
  readonly depth: Entered;
  readonly volume: Entered;
  readonly state: 'loose' | 'bank';
  readonly counts: ColorCounts;
  readonly blackSand: number;
  readonly gold: Entered;
  readonly pitId: string;
  readonly layer: string;
  readonly way: Sample['way'];
  readonly panner: string;
  readonly took: string;
  readonly nth: string;
  readonly of: string;
  readonly grownIn: string;
  readonly fromSafetyPan: string;
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
  readonly depthProblem: string | null;
  readonly volumeProblem: string | null;
  readonly goldProblem: string | null;
  /** What is wrong with the pan's further facts, by field. */
  readonly factProblems: Readonly<Partial<Record<'took' | 'bucket' | 'grownIn' | 'fromSafetyPan', string>>>;
  readonly colors: number;
  /** The answer, as soon as there is a volume; null before. */
  readonly grade: SampleGrade | null;
  readonly volumeBank_L: number | null;
  /** The record to keep; null while something is missing or wrong. */
  record(spotId: string): (Sample & { baseVersion: 0 }) | null;
}

const LAST_PANNER = 'riffle-last-panner';

const count = (text: string): number | null => (text.trim() === '' ? 0 : /^\d{1,6}$/.test(text.trim()) ? Number(text) : null);

export function useSampleDraft(ground: StoredGround, samples: readonly StoredSample[], pits: readonly StoredPit[], lot: StoredLot | undefined, US: boolean): SampleInHand {
  const [draft, setDraft, clearDraft] = useDraft<SampleDraft>(lot ? `sample-${ground.id}-${lot.id}` : `sample-${ground.id}`, () => ({
    depth: { text: lot?.toDepth_m === null || lot?.toDepth_m === undefined ? '' : String(Math.round((lot.toDepth_m / (US ? 0.3048 : 1)) * 100) / 100), unit: US ? 'ft' : 'm' },
    volume: lot?.volumeEntered ?? { text: '', unit: 'pan' }, state: 'loose', counts: NO_COLORS, blackSand: 0, gold: { text: '', unit: US ? 'grain' : 'mg' },
    pitId: '', layer: lot?.layer ?? '', way: 'quick test', panner: localStorage.getItem(LAST_PANNER) ?? '', took: '', nth: '', of: '', grownIn: '', fromSafetyPan: '', note: '',
  }));
  const depth = readEntered('length', draft.depth);
  const volume = readEntered('volume', draft.volume);
  const gold = draft.gold.text.trim() === '' ? null : readEntered('mass', draft.gold);
  const pit = pits.find((p) => p.id === draft.pitId);
  const depthProblem = !depth.ok ? null : depth.value > 30 ? 'Deeper than 30 m is not a hand-dug hole.' : pit && !liesInPit(depth.value, pit) ? `${pit.name} ends at ${US ? `${(pitDepth_m(pit) / 0.3048).toFixed(1)} ft` : `${pitDepth_m(pit).toFixed(2)} m`}: nothing of it comes from below.` : null;
  const volumeProblem = volume.ok && !(volume.value > 0 && volume.value <= 10_000) ? (volume.value > 0 ? 'More than 10 000 L is a run, not a sample.' : 'A count needs the volume it came from.') : null;
  const goldProblem = gold?.ok && !(gold.value >= 0.0001) ? 'Leave it empty if nothing was weighed.' : gold && !gold.ok ? gold.problem : null;
  const usable = volume.ok && volumeProblem === null;
  const volume_L = usable ? volume.value : null;
  const gold_mg = gold?.ok && !goldProblem ? gold.value : null;
  const { counts, state } = draft;
  const measured = volume_L === null ? null : measureOf({ volume_L, volumeState: state, counts, gold_mg }, ground.swell_percent);
  // The pan in hand counts among the ground's colors; what it may weigh is not learned from before it is kept.
  const kept = useMemo(() => groundColors(samples, ground.swell_percent), [samples, ground.swell_percent]);
  const known = withCounts(kept, [...samples.map((s) => s.counts), counts]);
  const colors = countColors(draft.counts);
  const [took, nth, of, grownIn, fromSafetyPan] = [draft.took, draft.nth, draft.of, draft.grownIn, draft.fromSafetyPan].map(count) as [number | null, number | null, number | null, number | null, number | null];
  const numbered = draft.nth.trim() !== '' || draft.of.trim() !== '';
  const factProblems = {
    ...((took === null || took > 1440) && { took: 'Whole minutes, at most a day.' }),
    ...(numbered && (nth === null || of === null || nth < 1 || of > 60 || nth > of) && { bucket: 'Which pan of how many, the top one being 1.' }),
    ...((grownIn === null || grownIn > colors) && { grownIn: 'At most as many as were counted.' }),
    ...((fromSafetyPan === null || fromSafetyPan > colors) && { fromSafetyPan: 'At most as many as were counted; add them to the count first.' }),
  };

  return {
    draft, depth, volume, gold, depthProblem, volumeProblem, goldProblem, factProblems, colors,
    clear: () => {
      localStorage.setItem(LAST_PANNER, draft.panner);
      clearDraft();
    },
    change: (some) => setDraft((before) => ({ ...before, ...some })),
    grade: measured && sampleGrade(measured, gradeOptions(known, [measured.volumeBank_L])),
    volumeBank_L: measured?.volumeBank_L ?? null,
    record: (spotId) => {
      if (!depth.ok || depthProblem || volume_L === null || goldProblem || Object.keys(factProblems).length > 0) return null;
      return {
        id: uuidv7(), deleted: false, groundId: ground.id, spotId, takenAt: new Date().toISOString(),
        depth_m: depth.value, depthEntered: draft.depth, volume_L, volumeEntered: draft.volume, volumeState: draft.state,
        counts: draft.counts, blackSand: draft.blackSand, gold_mg: gold?.ok ? gold.value : null, goldEntered: gold ? draft.gold : null,
        pitId: draft.pitId || null, layer: draft.layer.slice(0, 80), lotId: lot?.id ?? null, bucket: numbered && nth !== null && of !== null ? { nth, of } : null, way: draft.way, panner: draft.panner.trim().slice(0, 80),
        took_min: draft.took.trim() === '' ? null : took, grownIn: grownIn ?? 0, fromSafetyPan: fromSafetyPan ?? 0, seenWith: keptSeenWith(), note: draft.note, baseVersion: 0,
      };
    },
  };
}
