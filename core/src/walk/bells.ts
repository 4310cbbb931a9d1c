import { aheadBy, type WalkPlace, type WalkWay } from './aheadOf.ts';

/** A stretch of the line with an edge one may not cross unasked: another's claim, closed ground. */
export interface WalkStretch {
  readonly id: string;
  readonly name: string;
  readonly from_m: number;
  readonly to_m: number;
}

/** One moment of a walk. */
export interface WalkMoment {
  readonly here_m: number;
  readonly accuracy_m: number;
  readonly way: WalkWay;
  /** Minutes until one has to turn back; null where no time was set. */
  readonly turnIn_min: number | null;
  /** The river shuts the way back at the last fresh reading. */
  readonly isShut: boolean;
}

/** What rings: a place comes up, an edge is near or was crossed, it is time to turn (soon, now), the way back is shut. */
export type Bell =
  | { readonly kind: 'place'; readonly id: string }
  | { readonly kind: 'edge near' | 'edge crossed'; readonly id: string }
  | { readonly kind: 'turn soon' | 'turn now' | 'way shut' };

/** How near a place rings; a wider circle rings earlier. Common practice, no source. */
export const PLACE_BELL_M = 15;
/** How near an edge rings. Common practice, no source: time to stop before one is over it. */
export const EDGE_BELL_M = 40;
/** How long before the turn it rings first, min. Common practice, no source. */
export const TURN_SOON_MIN = 10;

/** What a bell is known by, so that each rings once. */
export const bellKey = (bell: Bell): string => ('id' in bell ? `${bell.kind} ${bell.id}` : bell.kind);

/**
 * What rings now and has not rung before. A place rings once a walk; an edge that was left well behind rings anew when one
 * comes back to it, and so does the turn when walking back has won time. `rung` is what stands as rung; the answer has the
 * bells to ring and what stands as rung after them.
 */
export function bellsAt(
  moment: WalkMoment,
  places: readonly WalkPlace[],
  stretches: readonly WalkStretch[],
  rung: readonly string[],
): { readonly ring: readonly Bell[]; readonly rung: readonly string[] } {
  const { here_m, accuracy_m, way, turnIn_min, isShut } = moment;
  const holds: Bell[] = [];
  const gone = new Set<string>();
  for (const p of places)
    if (Math.abs(aheadBy(way, here_m, p.distance_m)) <= Math.max(PLACE_BELL_M, accuracy_m))
      holds.push({ kind: 'place', id: p.id });
  for (const s of stretches) {
    const outside_m = Math.max(s.from_m - here_m, here_m - s.to_m);
    if (outside_m <= 0) holds.push({ kind: 'edge crossed', id: s.id });
    else if (outside_m <= EDGE_BELL_M + accuracy_m) {
      // Only what one walks towards: leaving it is no news.
      if (aheadBy(way, here_m, way === 'up' ? s.from_m : s.to_m) >= 0) holds.push({ kind: 'edge near', id: s.id });
    } else gone.add(`edge near ${s.id}`).add(`edge crossed ${s.id}`);
  }
  if (turnIn_min !== null) {
    if (turnIn_min <= 0) holds.push({ kind: 'turn now' });
    else if (turnIn_min <= TURN_SOON_MIN) holds.push({ kind: 'turn soon' });
    if (turnIn_min > TURN_SOON_MIN) gone.add('turn soon').add('turn now');
  }
  if (isShut) holds.push({ kind: 'way shut' });
  else gone.add('way shut');
  const left = rung.filter((key) => !gone.has(key));
  const known = new Set(left);
  const ring = holds.filter((bell) => !known.has(bellKey(bell)));
  return ring.length === 0 && left.length === rung.length
    ? { ring, rung }
    : { ring, rung: [...left, ...ring.map(bellKey)] };
}
