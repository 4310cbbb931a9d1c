import type { Measurement } from '@riffle/contract';
import type { MeasuredInput, Spread } from '@riffle/core';
import { asTyped } from '../../units/readEntered.ts';
import type { NamedEvidence } from '../../box/boxEvidence.ts';

/** Tests of a box, as one speaks of them in the middle of a sentence. */
export const TEST_WORDS: Readonly<Record<Measurement['kind'], string>> = {
  'timed bucket': 'a timed bucket',
  'tail pan': 'a tail pan',
  tracers: 'flakes fed on purpose',
  water: 'flow and depth together',
};

/** What was found, in a few words. */
export function foundWords({ evidence, tested: t }: NamedEvidence): string {
  if (!t) return evidence?.kind === 'clean-up' ? `clean-up in ${evidence.stretches.length} stretches` : 'clean-up';
  switch (t.kind) {
    case 'timed bucket':
      return `${asTyped(t.volumeEntered)} cleared in ${minutes(t.took_s)}`;
    case 'tail pan':
      return `tail pan of ${asTyped(t.volumeEntered)}: ${COLORS[t.colors]}`;
    case 'tracers':
      return `${t.held} of ${t.fed} flakes fed were found`;
    case 'water':
      return `${asTyped(t.flowEntered)} at ${asTyped(t.depthEntered)} of water`;
  }
}
const COLORS = { '0': 'no color', '1-2': '1 or 2 colors', '3+': '3 colors or more' } as const;
const minutes = (s: number): string =>
  s < 90 ? `${Math.round(s)} s` : `${(s / 60).toFixed(1).replace(/\.0$/, '')} min`;

/** What a measured number says of the box beside most of its kind. */
export function measureWords(input: MeasuredInput, after: Spread, before: Spread): string {
  const [low, middle, high] = [after.low, after.middle, after.high].map((v) => v / before.middle) as [
    number,
    number,
    number,
  ];
  const { less, more } = SAYS[input];
  const times = (x: number): string => (x >= 0.995 ? x.toFixed(1) : x.toFixed(2).replace(/0$/, ''));
  const band = `${times(low)}–${times(high)}`;
  if (high < 1) return `${less}: ${times(middle)} times (${band})`;
  if (low > 1) return `${more}: ${times(middle)} times (${band})`;
  return `like most: ${band} times`;
}
const SAYS: Readonly<Record<MeasuredInput, { readonly less: string; readonly more: string }>> = {
  catchScale: { less: 'holds less than most', more: 'holds more than most' },
  boxFactor: {
    less: 'takes less gravel than most',
    more: 'takes more gravel than most',
  },
  roughness: { less: 'smoother than most', more: 'rougher than most' },
};
