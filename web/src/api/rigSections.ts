import type { Rig, RigSection } from '@riffle/contract';

/** A box as an earlier Riffle kept it on this device: one lining from end to end. */
type OneSectionRig = Pick<RigSection, 'lining' | 'width_m' | 'widthEntered' | 'length_m' | 'lengthEntered'>;

/** The sections of a box, from the head down; of one that an earlier Riffle kept here the single one it has, until the list is read anew. */
export function rigSections(rig: Rig): readonly RigSection[] {
  const { sections } = rig as Partial<Rig>;
  if (sections) return sections;
  const { lining, width_m, widthEntered, length_m, lengthEntered } = rig as unknown as OneSectionRig;
  return [{ lining, own: null, width_m, widthEntered, length_m, lengthEntered, step_m: 0, stepEntered: null }];
}
