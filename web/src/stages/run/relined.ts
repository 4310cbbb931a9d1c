import { TEXTS, type Rig, type RigSection, type StoredRig } from '@riffle/contract';
import type { LiningId } from '@riffle/core';
import { rigSections } from '../../api/rigSections.ts';
import { liningNames } from '../../box/liningNames.ts';

/** The lining of each section from the head down. */
export type Linings = readonly LiningId[];

/**
 * The box with other linings: one of the crew's that is built so already, else a new one that says in its name what it is
 * lined with. A section whose lining stays keeps the crew's own height of it; a new lining has its usual one.
 */
export function asLined(
  known: readonly StoredRig[],
  rig: StoredRig,
  linings: Linings,
): StoredRig | Omit<Rig, 'id' | 'deleted'> {
  const sections = rigSections(rig).map((s, i): RigSection => {
    const lining = linings[i] ?? s.lining;
    return lining === s.lining ? s : { ...s, lining, own: null };
  });
  const built = JSON.stringify(sections.map(asBuilt));
  const frame = frameOf(rig.name);
  const same = known.find(
    (r) => r.washer === null && frameOf(r.name) === frame && JSON.stringify(rigSections(r).map(asBuilt)) === built,
  );
  if (same) return same;
  const { id: _id, deleted: _deleted, version: _version, updatedAt: _at, ...asNow } = rig;
  return { ...asNow, sections, name: relinedName(frame, sections), note: '' };
}

const asBuilt = ({ lining, own, width_m, length_m, step_m }: RigSection) => [
  lining,
  own?.height_m ?? null,
  width_m,
  length_m,
  step_m,
];

const BY = ', lined with ';
const OTHERWISE = ', lined otherwise';
/** The name of the box itself: two that are built alike are two boxes all the same. */
const frameOf = (name: string): string => name.replace(OTHERWISE, '').split(BY)[0] ?? name;
/** The first that a name has room for. */
function relinedName(frame: string, sections: readonly RigSection[]): string {
  const linings = liningNames(sections).join(' and ');
  return [`${frame}${BY}${linings}`, `${frame}${OTHERWISE}`].find((n) => n.length <= TEXTS.name.longest) ?? frame;
}
