import type { StoredGround, StoredOutline, StoredPermission } from '@riffle/contract';
import { centreLine, claimStretches, liesInStretch, type Bank, type ClaimStretch } from '@riffle/core';

/** Drawn claims and protected ground of a ground along its line, with what the crew's notes say of each on a day (YYYY-MM-DD). */
export function claimsOf(
  { line }: StoredGround,
  outlines: readonly StoredOutline[],
  notes: readonly StoredPermission[],
  day: string,
): readonly ClaimStretch[] {
  const claims = outlines
    .filter((o) => o.kind === 'claim' || o.kind === 'protected')
    .map((o) => ({ ...o, isProtected: o.kind === 'protected' }));
  return line && claims.length > 0 ? claimStretches(centreLine(line), claims, notes, day) : [];
}

/** The claim that shuts a place, if one does. */
export const shutClaim = (
  claims: readonly ClaimStretch[],
  place: { readonly distance_m: number; readonly bank: Bank },
): ClaimStretch | undefined => claims.find((c) => c.shut !== null && liesInStretch(place, c));

const WHY = {
  protected: 'protected',
  'not ours': 'not ours',
  'closed season': 'closed season',
  'run out': 'has run out',
  'not begun': 'has not begun',
} as const;
/** "Halloway 4, not ours". */
export const claimWords = ({ name, shut, holder }: ClaimStretch): string =>
  `${name}${shut ? `, ${WHY[shut]}` : holder === 'ours' ? ', ours' : holder === 'by leave' ? ', by leave' : ''}`;
