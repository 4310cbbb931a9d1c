import { gradeOf, type GroundColors, type SpotPan } from './groundColors.ts';
import { payLayers } from './pit.ts';
import type { SampleGrade } from './sampleGrade.ts';

/** A pan taken in a pit, with the layer it is from where that was noted. */
export interface PitPan extends SpotPan {
  readonly pitId: string | null;
  readonly layerId: string | null;
}
/** A pit with its layers from the top down. */
export interface GradedPit {
  readonly id: string;
  readonly layers: readonly { readonly id: string; readonly thickness_m: number; readonly pay: boolean }[];
}
/** What the pans of a pit say. */
export interface PitGrades {
  /** By layer id; a layer without pans is not in it. */
  readonly layers: ReadonlyMap<string, SampleGrade>;
  /** The pans of the layers marked as pay; of the whole pit where none was taken there; null without any pan. */
  readonly pay: SampleGrade | null;
  /** The run of layers to be taken at the cut-off (places from 0); null when no panned layer reaches it. */
  readonly take: { readonly first: number; readonly last: number; readonly grade_mg_L: number } | null;
}

/** Grades a pit by its own pans, layer by layer. A layer nobody panned counts as barren in the run to be taken. */
export function pitGrades(
  pit: GradedPit,
  samples: readonly PitPan[],
  swell_percent: number,
  colors: GroundColors,
  cutoff_mg_L: number,
): PitGrades {
  const mine = samples.filter((s) => s.pitId === pit.id);
  const layers = new Map(
    pit.layers.flatMap((l) => {
      const pans = mine.filter((s) => s.layerId === l.id);
      return pans.length === 0 ? [] : [[l.id, gradeOf(pans, swell_percent, colors)] as const];
    }),
  );
  const ofPay = mine.filter((s) => pit.layers.some((l) => l.pay && l.id === s.layerId));
  const from = ofPay.length > 0 ? ofPay : mine;
  return {
    layers,
    pay: from.length === 0 ? null : gradeOf(from, swell_percent, colors),
    take:
      layers.size === 0
        ? null
        : payLayers(
            pit.layers.map((l) => {
              const grade = layers.get(l.id);
              return { thickness_m: l.thickness_m, grade_mg_L: grade?.kind === 'band' ? grade.grade_mg_L : 0 };
            }),
            cutoff_mg_L,
          ),
  };
}
