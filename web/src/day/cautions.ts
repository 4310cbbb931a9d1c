import type { StoredGround } from '@riffle/contract';
import { type Candidate } from '@riffle/core';
import { type DayDraft } from './dayDraft.ts';

/** A caution with the places it is about; empty for the whole day. */
export interface Caution {
  readonly says: string;
  readonly at: readonly string[];
}

/** The usual cautions of the trade that apply to what is planned. They defer to local rules and licensed practice. */
export function cautionsOf(
  ground: StoredGround,
  planned: readonly Candidate[],
  draft: DayDraft,
  length: (m: number) => string,
): Caution[] {
  const has =
    (...kinds: string[]) =>
    (c: Candidate): boolean =>
      c.kinds.some((k) => kinds.includes(k));
  /** Said only when a place it is about is planned. */
  const where = (test: (c: Candidate) => boolean, says: string): Caution[] => {
    const at = planned.filter(test).map((c) => c.name);
    return at.length > 0 ? [{ says, at }] : [];
  };
  const always = (says: string): Caution[] => [{ says, at: [] }];
  const when = (so: boolean, says: string): Caution[] => (so ? always(says) : []);
  return [
    ...when(
      ground.kind === 'creek',
      'Cold fast water: cross where you can see the bottom, and leave while you still can cross. A rise comes from rain or a dam upstream.',
    ),
    ...when(
      ground.kind === 'creek',
      'A hole under water is not seen: mark it, fill it before you leave, keep clear of a partner’s. Tie down box and buckets, and wade after nothing that drifts off.',
    ),
    ...when(
      ground.kind === 'wash',
      'A wash floods from rain you do not see. Look up the valley and at the sky; leave the bed at the first trickle.',
    ),
    ...when(
      ground.kind === 'beach',
      'Know where you leave the beach before the water does: swell runs higher than the tide table.',
    ),
    ...when(
      ground.kind === 'wash' || ground.kind === 'hillside' || ground.kind === 'beach',
      'Heat and sun: water for every hour, a hat, shade at noon.',
    ),
    ...when(
      ground.kind === 'creek' || ground.kind === 'bench',
      'Long sleeves against insects; look for ticks in the evening.',
    ),
    ...where(
      has('water hole', 'slack'),
      'Standing water makes ill: keep it from mouth, eyes and cuts, wash hands before you eat.',
    ),
    ...where(
      has('undercut', 'cut bank', 'bench'),
      `Banks, overhangs and pits come down. Stay out of any unshored hole deeper than local rules allow; many say from ${length(1.2)} on.`,
    ),
    ...where(
      has('boulder lee', 'crevice'),
      'Boulders roll and hide snakes, spiders, scorpions: gloves, and tip a stone away from you.',
    ),
    ...where(has('bedrock', 'crevice'), 'Eye cover when rock is chipped or pried.'),
    ...where((c) => c.load_kg > 15, 'Knees and back: kneel on something, lift halves.'),
    ...when(draft.frozen, 'Frozen banks let go when the sun reaches them.'),
    ...where(
      has('lead or iron', 'old workings'),
      'Lead and bullets go in a vial, not a mouth. Mercury or amalgam is for licensed hands.',
    ),
    ...where(
      has('old workings'),
      'Old workings may be protected, and some finds have to be reported: leave them, take a picture, ask.',
    ),
    ...always('Tell someone where you are and when you are back. Alone and without signal, turn round early.'),
    ...always('Leave it as it was: fill holes, turf on top, no bank cutting, gear rinsed before the next creek.'),
  ];
}
