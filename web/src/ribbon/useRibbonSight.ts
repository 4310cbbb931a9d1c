import type { StoredGround, StoredSign, StoredSpot } from '@riffle/contract';
import type { GuessedSign, SpotGrade } from '@riffle/core';
import { useMemo } from 'react';
import { isFloat, placeAcross } from './across.ts';
import { creekShape, reachOf } from './creekShape.ts';
import type { Strip } from './outlineStrips.ts';
import type { RibbonPlace } from './placeAt.ts';
import { placeLabels } from './placeLabels.ts';
import { ribbonFrame } from './ribbonFrame.ts';
import type { Layer } from './RibbonHead.tsx';
import { ribbonScale } from './ribbonScale.ts';
import type { RibbonView } from './useRibbonView.ts';

/** A draw that joins here and has a ribbon of its own. */
export interface Draw {
  readonly id: string;
  readonly name: string;
  readonly distance_m: number;
  readonly bank: 'left' | 'right';
}

/** What a ribbon shows of a ground. */
export interface RibbonGround {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  readonly grades: ReadonlyMap<string, SpotGrade>;
  readonly signs: readonly StoredSign[];
  /** Bars and benches drawn on the map. */
  readonly strips: readonly Strip[];
  readonly draws: readonly Draw[];
  /** Signs guessed from the line, drawn apart. */
  readonly guesses: readonly GuessedSign[];
  /** The stretch where colors stop, shaded through the grade lane. */
  readonly stops: { readonly from_m: number; readonly to_m: number } | null;
  readonly picked: string | null;
  /** The thin ribbon: the creek and its discs, no lanes below. */
  readonly thin: boolean;
}

/** Signs are drawn from this scale on; seen from farther they would lie on each other. */
const SIGNS_FROM_PX_PER_M = 0.4;

export type RibbonSight = ReturnType<typeof useRibbonSight>;

/** What of it lies in sight, and where that stands on the drawing. */
export function useRibbonSight(shown: RibbonGround, view: RibbonView, width: number, hidden: ReadonlySet<Layer>) {
  const { ground, spots, grades, signs, strips, draws, guesses, picked, thin } = shown;
  const straight = useMemo(() => creekShape(ground), [ground]);
  // How far out the grid of broad ground reaches.
  const reach = useMemo(() => reachOf(ground.kind, [...spots, ...signs]), [ground.kind, spots, signs]);
  const shape = useMemo(() => ({ ...straight, reach }), [straight, reach]);
  const frame = useMemo(
    () => ribbonFrame(width, thin, ground.kind, shape.heights_m !== null, strips),
    [width, thin, ground.kind, shape, strips],
  );
  const { left, right, bandTop, bandHeight } = frame;
  const { from_m, to_m } = view;
  const scale = useMemo(() => ribbonScale(from_m, to_m, left, right), [from_m, to_m, left, right]);
  const { x } = scale;

  const crowded = scale.px_per_m < SIGNS_FROM_PX_PER_M;
  const layered = useMemo(
    () =>
      signs
        // Float keeps its lane below the banks at any scale.
        .filter((s) => !(crowded && !isFloat(s)) && !hidden.has(isFloat(s) ? 'float' : 'signs'))
        .sort((a, b) => a.distance_m - b.distance_m),
    [signs, crowded, hidden],
  );
  const ordered = useMemo(() => [...spots].sort((a, b) => a.distance_m - b.distance_m), [spots]);
  const inSight = ordered.filter(scale.inSight);
  const drawsInSight = draws.filter((d) => d.distance_m >= from_m && d.distance_m <= to_m);
  const labels = placeLabels(
    [
      ...drawsInSight.map((d) => nameWish(d, d.name, x, 1e6)),
      // On broad ground a name stands beside its disc.
      ...(reach
        ? []
        : inSight.map((s) => nameWish(s, s.name, x, s.id === picked ? Infinity : labelWeight(grades.get(s.id))))),
    ],
    left,
    right,
  );
  return {
    shape,
    reach,
    frame,
    scale,
    from_m,
    to_m,
    ordered,
    inSight,
    drawsInSight,
    signs: layered,
    guesses: hidden.has('signs') ? [] : guesses.filter((g) => g.distance_m >= from_m && g.distance_m <= to_m),
    labels,
    across: (place: RibbonPlace): number => placeAcross(shape, bandTop, bandHeight, place),
    hasLanes: !thin && !reach && !hidden.has('grades'),
    /** Discs stand at the spots themselves. */
    hasDiscs: thin || (reach !== null && !hidden.has('grades')),
    // On broad ground discs are as large as their grade beside the richest.
    most_mg_L: reach ? Math.max(0.02, ...[...grades.values()].map(midOf)) : null,
  };
}

/** A name that would stand above or below the band at its place. */
const nameWish = (
  { id, distance_m, bank }: { id: string; distance_m: number; bank: RibbonPlace['bank'] },
  text: string,
  x: (distance_m: number) => number,
  weight: number,
) => ({ id, x: x(distance_m), text, below: bank === 'right', weight });

const midOf = (g: SpotGrade): number => (g.grade.kind === 'band' ? g.grade.grade_mg_L : 0);

/** The richer the pans, the more a spot's name matters; a tried one before an untried. */
export const labelWeight = (g: SpotGrade | undefined): number =>
  g?.grade.kind === 'band' ? 1 + g.grade.low_mg_L : g ? 0.5 : 0;
