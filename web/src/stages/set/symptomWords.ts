import type { Cause, SymptomId } from '@riffle/core';

/** What one sees at the box, in the trade's words, and where to look for it. Common practice, no source. */
export const SYMPTOM_WORDS: Readonly<Record<SymptomId, { readonly name: string; readonly look: string }>> = {
  'stones stall': { name: 'Stones stall', look: 'they lie on the riffles and wait' },
  clears: { name: 'Stones roll through', look: 'at the head and at the tail' },
  packs: { name: 'Sand packs hard', look: 'a finger does not go in behind a riffle' },
  scoured: { name: 'Scoured clean', look: 'no black sand behind the riffles' },
  'fines low': { name: 'Fine gold at the tail', look: 'low in the box, or in a tail pan' },
  'one side': { name: 'One side heavy', look: 'sand lies along one wall' },
  'mat black': { name: 'Mat covered black', look: 'black sand stands to the rim' },
  'no V': { name: 'No V at the mouth', look: 'the water jumps inside the box' },
};

type Sides = Readonly<Record<Cause['side'], string>>;
const CAUSE_WORDS: Readonly<Record<Cause['input'], Sides>> = {
  depthError_m: { more: 'the water is deeper than measured', less: 'the water is thinner than measured' },
  headError_m: { more: 'the head lies higher than measured', less: 'the head lies lower than measured' },
  roughness: {
    more: 'the floor is rougher than most of its kind',
    less: 'the floor is smoother than most of its kind',
  },
  medianOfScreen: { more: 'the feed is coarser than its screen says', less: 'the feed is finer than its screen says' },
  spread: { more: 'the feed is of very mixed sizes', less: 'the feed is all of one size' },
  referenceShields: { more: 'the gravel is locked together', less: 'the gravel is loose and sandy' },
  rolling: { more: 'the stones are flat or rough and do not roll', less: 'the stones are round and roll easily' },
  boxFactor: { more: 'this box carries more than most', less: 'this box carries less than most' },
  catchScale: { more: 'this lining holds more than most', less: 'this lining holds less than most' },
  tilt: { more: 'coarse gold stays better than fine', less: 'fine gold stays better than most' },
  csf: { more: 'the gold is chunky', less: 'the gold is flat as paper' },
  settlingMix: { more: 'its flakes sink fast', less: 'its flakes sink slowly' },
  blackSand: { more: 'there is much black sand', less: 'there is little black sand' },
  levelError_m: { more: 'one side lies lower than it looks', less: 'it lies level' },
  mixTilt: { more: 'the gold is coarser than counted', less: 'the gold is finer than counted' },
};
export const causeWords = ({ input, side }: Cause): string => CAUSE_WORDS[input][side];
