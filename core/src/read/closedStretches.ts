import type { Bank, CentreLine } from '../ground/centreLine.ts';
import { inside } from '../ground/inside.ts';
import { localPlane, type Position } from '../ground/localPlane.ts';
import { permissionOn, type Day, type PermissionNote } from './permission.ts';

/** Whose a drawn claim is, as the crew wrote it down. "by leave": another's, who lets the crew in. */
export const CLAIM_HOLDERS = ['ours', 'by leave', 'not ours'] as const;
export type ClaimHolder = (typeof CLAIM_HOLDERS)[number];

/** A claim as it is drawn: corners, whose it is, and the note with its days. */
export interface DrawnClaim {
  readonly id: string;
  readonly name: string;
  readonly points: readonly Position[];
  readonly holder: ClaimHolder | null;
  readonly permissionId: string | null;
  /** Heritage, a spawning bed, a reserve: nobody digs there, whose claim it may be. */
  readonly isProtected?: boolean;
}

/** A drawn claim as it lies along the line. */
export interface ClaimStretch {
  readonly id: string;
  readonly name: string;
  readonly from_m: number;
  readonly to_m: number;
  /** The one bank it lies on; `mid` when it reaches over the line. */
  readonly bank: Bank;
  readonly holder: ClaimHolder | null;
  /** Why one may not dig there on that day, by the crew's own notes; null: nothing written speaks against it. */
  readonly shut: 'protected' | 'not ours' | 'closed season' | 'run out' | 'not begun' | null;
  /** The last day of what shuts it, or the first day that opens it; null where it has none. */
  readonly until: Day | null;
}

/**
 * Drawn claims along a line, with what the notes say of each on one day. What is not the crew's is shut unless they have
 * leave; a claim goes by the days of the note it is tied to. A drawing is no survey and a note no legal opinion.
 * @throws OutOfRange for a day that is none
 */
export function claimStretches(
  line: CentreLine,
  claims: readonly DrawnClaim[],
  notes: readonly PermissionNote[],
  today: Day,
): ClaimStretch[] {
  return claims.map((claim) => {
    const corners = claim.points.map((p) => line.locate(p));
    const crossed = stretchWithin(line, claim.points);
    // A claim beside the line is told by its corners.
    const along = crossed.length > 0 ? crossed : corners.map((c) => c.distance_m);
    const banks = new Set(corners.map((c) => c.bank));
    const note = notes.find((n) => n.id === claim.permissionId);
    const closed = note && permissionOn([note], today).closed[0];
    return {
      id: claim.id,
      name: claim.name,
      from_m: Math.min(...along),
      to_m: Math.max(...along),
      bank: banks.size === 1 ? (corners[0]?.bank ?? 'mid') : 'mid',
      holder: claim.holder,
      shut: claim.isProtected ? 'protected' : claim.holder === 'not ours' ? 'not ours' : (closed?.why ?? null),
      until: claim.isProtected || claim.holder === 'not ours' ? null : (closed?.until ?? null),
    };
  });
}

/** The line is looked at every so many metres, closer than a hand receiver tells; a long one at so many places. */
const [STATION_M, MOST_STATIONS] = [4, 2500];

/** Distances at which the line runs within a shape. */
function stretchWithin(line: CentreLine, points: readonly Position[]): number[] {
  const first = points[0];
  if (!first) return [];
  const plane = localPlane(first);
  const outline = points.map(plane.toPlane);
  const stations = Math.min(MOST_STATIONS, Math.ceil(line.length_m / STATION_M));
  return Array.from({ length: stations + 1 }, (_, i) => (i / stations) * line.length_m).filter((d) => {
    const { x_m, y_m } = plane.toPlane(line.positionAt(d));
    return inside(outline, x_m, y_m);
  });
}

/** Lies a place in a stretch? One in midstream lies in that of either bank. */
export const liesInStretch = (
  place: { readonly distance_m: number; readonly bank: Bank },
  stretch: Pick<ClaimStretch, 'from_m' | 'to_m' | 'bank'>,
): boolean =>
  place.distance_m >= stretch.from_m &&
  place.distance_m <= stretch.to_m &&
  (stretch.bank === 'mid' || place.bank === 'mid' || stretch.bank === place.bank);
