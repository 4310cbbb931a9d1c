import { gradeOf, type GroundColors, type SpotPan } from './groundColors.ts';
import { gradeHole, type Hole } from './hole.ts';
import { payLayers } from './pit.ts';
import type { SampleGrade } from './sampleGrade.ts';

/** A pan taken in a pit, with the layer it is from where that was noted. */
export interface PitPan extends SpotPan {
  readonly pitId: string | null;
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
  /** The pans of the layers marked as pay; of the whole pit where none was taken there, each layer as thick as it is; null without any pan. */
  readonly pay: SampleGrade | null;
  /** The run of layers to be taken at the cut-off (places from 0); null when no panned layer reaches it. */
  readonly take: { readonly first: number; readonly last: number; readonly grade_mg_L: number } | null;
}

/** The layers marked as pay as a hole of their own, each by its own pans and as thick as it is; one that nobody panned says nothing of them. */
export function holeOfPay<Pan extends SpotPan>(
  pit: GradedPit,
  pans: readonly Pan[],
  swell_percent: number,
  colors: GroundColors,
): Hole {
  const layers = pit.layers.filter((l) => l.pay && pans.some((p) => p.layerId === l.id));
  const inLayers = layers.length > 0 ? pans.filter((p) => p.layerId !== null) : pans;
  return gradeHole(
    inLayers,
    layers.length > 0 ? [{ id: pit.id, spotId: pans[0]?.spotId ?? '', layers }] : [],
    swell_percent,
    colors,
    { toTheBottom: true },
  );
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
  return {
    layers,
    pay:
      mine.length === 0
        ? null
        : ofPay.length > 0
          ? holeOfPay(pit, ofPay, swell_percent, colors).grade
          : holeOfPay({ ...pit, layers: pit.layers.map((l) => ({ ...l, pay: true })) }, mine, swell_percent, colors)
              .grade,
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
