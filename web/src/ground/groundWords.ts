import type { StoredGround } from '@riffle/contract';
import type { Bank } from '@riffle/core';

type Kind = StoredGround['kind'];

interface Words {
  /** Which way along the line: "522 m up", "380 m along". */
  readonly along: string;
  /** Under the axis, after the unit. */
  readonly axis: string;
  readonly banks: Readonly<Record<Bank, string>>;
  /** Beside the drawing, above and below; two short lines each. */
  readonly edges: readonly [above: readonly [string, string], below: readonly [string, string]];
}

const CREEK: Words = {
  along: 'up',
  axis: 'upstream of the foot',
  banks: { left: 'left bank', right: 'right bank', mid: 'in the stream' },
  edges: [
    ['left', 'bank'],
    ['right', 'bank'],
  ],
};

/** How places are named on each kind of ground. A beach's line runs along the shore with the sea below it, where a creek has its right bank. */
export const GROUND_WORDS: Readonly<Record<Kind, Words>> = {
  creek: CREEK,
  wash: { ...CREEK, banks: { ...CREEK.banks, mid: 'in the bed' } },
  bench: {
    along: 'up',
    axis: 'from the foot',
    banks: { left: 'left side', right: 'right side', mid: 'in the middle' },
    edges: [
      ['left', 'side'],
      ['right', 'side'],
    ],
  },
  hillside: {
    along: 'up',
    axis: 'up the slope',
    banks: { left: 'left of the line', right: 'right of the line', mid: 'on the line' },
    edges: [
      ['left', ''],
      ['right', ''],
    ],
  },
  beach: {
    along: 'along',
    axis: 'along the shore',
    banks: { left: 'landward', right: 'seaward', mid: 'on the line' },
    edges: [
      ['land', ''],
      ['sea', ''],
    ],
  },
};

/** Kinds of ground to choose from. */
export const GROUND_KIND_CHOICES = [
  { value: 'creek', label: 'Creek' },
  { value: 'wash', label: 'Dry wash' },
  { value: 'beach', label: 'Beach' },
  { value: 'bench', label: 'Bench' },
  { value: 'hillside', label: 'Hillside, on a grid' },
] as const;
