import type { Fault, FaultId, SymptomId } from '@riffle/core';
import type { SetShow } from './setShow.ts';

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

/** A fault as it is said: what it is, what to do, and what to look for after it. Common practice, no source. */
interface FaultWords {
  readonly is: string;
  readonly do: (fault: Fault, show: SetShow) => string;
  readonly then: string;
}
/** By so much at least a hand changes anything, m. */
const HAND_M = 0.002;
const by = (m: number | null, show: SetShow['head']): string =>
  show.smallLength(Math.max(HAND_M, Math.round(Math.abs(m ?? 0) * 1000) / 1000));
export const FAULT_WORDS: Readonly<Record<FaultId, FaultWords>> = {
  'too slow': {
    is: 'it runs slower than entered',
    do: ({ head_m, water_m }, show) =>
      `lift the head ${by(head_m, show.head)}, or let in ${by(water_m, show.water)} of water`,
    then: 'stones roll through from head to tail',
  },
  'too fast': {
    is: 'it runs faster than entered',
    do: ({ head_m, water_m }, show) =>
      `lower the head ${by(head_m, show.head)}, or take ${by(water_m, show.water)} of water away`,
    then: 'black sand stays behind the riffles',
  },
  overfed: {
    is: 'it is fed more than it takes',
    do: () => 'wait until each scoop has cleared',
    then: 'a finger goes into the sand behind a riffle',
  },
  'out of level': { is: 'one side lies lower', do: () => 'level it across', then: 'sand lies even from wall to wall' },
  full: { is: 'it is full of black sand', do: () => 'clean it up', then: 'the lining shows, and fills from the head' },
  coarse: {
    is: 'larger stones get in than are entered',
    do: () => 'pick them out, or screen finer',
    then: 'none lie on the riffles and wait',
  },
  none: { is: 'nothing: a box set so shows that now and then', do: () => 'look again later', then: 'it is gone' },
};
