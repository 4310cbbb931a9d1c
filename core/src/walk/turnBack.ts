import { walkingMinutes, type WalkedLine } from '../day/walking.ts';

/** So much longer than reckoned the way back may take before one is late: wet stones, a heavy pack. Common practice, no source. */
export const BACK_SLACK = 1.25;

export interface TurnBack {
  /** Minutes to walk back from here, slack and all. */
  readonly walk_min: number;
  /** Minutes into the day at which one turns from here at the latest. */
  readonly turn_min: number;
  /** Minutes until then; negative when it is past. */
  readonly left_min: number;
}

/**
 * When one has to turn back from where one stands, to be at the start at a set time: Tobler's walking time off the path, a
 * quarter over. Places outside the line count as its ends.
 * @throws OutOfRange when the line has no length
 */
export function turnBack(
  line: WalkedLine,
  here_m: number,
  start_m: number,
  back_min: number,
  now_min: number,
): TurnBack {
  const onLine = (m: number): number => Math.min(line.length_m, Math.max(0, m));
  const walk_min = walkingMinutes(line, onLine(here_m), onLine(start_m)) * BACK_SLACK;
  const turn_min = back_min - walk_min;
  return { walk_min, turn_min, left_min: turn_min - now_min };
}

/** A crossing or a place that the river shuts at a level. */
export interface ShutBy {
  readonly id: string;
  readonly name: string;
  readonly distance_m: number;
  readonly worksBelow_m: number | null;
}

/** What the river shuts first on the way back: the lowest of what lies between here and the start. Null where nothing does. */
export const shutsFirst = <S extends ShutBy>(
  places: readonly S[],
  here_m: number,
  start_m: number,
): (S & { worksBelow_m: number }) | null =>
  places
    .filter((p): p is S & { worksBelow_m: number } => p.worksBelow_m !== null)
    .filter((p) => p.distance_m >= Math.min(here_m, start_m) && p.distance_m <= Math.max(here_m, start_m))
    .sort((a, b) => a.worksBelow_m - b.worksBelow_m)[0] ?? null;
