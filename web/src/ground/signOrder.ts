import type { StoredGround } from '@riffle/contract';
import { SIGN_KIND_NAMES, type AnyKind, type SignKindName } from '@riffle/core';

type Kind = StoredGround['kind'];

/** What one looks for first on a kind of ground; the rest follows as in the table of signs. Common practice, no source. */
const FIRST: Readonly<Partial<Record<Kind, readonly SignKindName[]>>> = {
  beach: ['berm toe', 'black sand', 'clay seam', 'draw mouth', 'lead or iron', 'bedrock', 'hollow', 'flood mark'],
  wash: ['bedrock', 'hardpan', 'crevice', 'step', 'boulder lee', 'inside bend', 'narrows', 'cut bank', 'water hole'],
  bench: ['bedrock', 'clay seam', 'hardpan', 'cut bank', 'old workings', 'virgin ground', 'rock change', 'float'],
  hillside: ['stained float', 'float', 'rock change', 'hollow', 'bedrock', 'hardpan', 'old workings'],
};

/** Signs in the order in which a kind of ground shows them. */
export function signsInOrder(kind: Kind): readonly SignKindName[] {
  const first = FIRST[kind] ?? [];
  return [...first, ...SIGN_KIND_NAMES.filter((k) => k !== 'other' && !first.includes(k))];
}

/** Where a ground has its own word for a sign. */
const OWN_WORDS: Readonly<Partial<Record<Kind, Readonly<Partial<Record<SignKindName, string>>>>>> = {
  beach: { 'draw mouth': 'creek mouth', 'clay seam': 'false bottom', 'flood mark': 'storm mark', bar: 'sand bar' },
  wash: { 'draw mouth': 'side wash', 'flood mark': 'flood line', bar: 'gravel bar' },
  bench: { 'inside bend': 'old bend', bar: 'old bar', 'draw mouth': 'gully' },
  hillside: { 'draw mouth': 'gully', bench: 'terrace' },
};

/** A sign as people on that ground call it; one of the crew's own by its own name. */
export const signName = (kind: AnyKind | 'own word', on: Kind): string =>
  OWN_WORDS[on]?.[kind as SignKindName] ?? kind.replace(/^own: /, '');
