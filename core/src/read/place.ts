import type { Bank } from '../ground/centreLine.ts';
import type { Panned } from './chanceToPay.ts';
import type { Renewal } from './renewal.ts';
import type { AnyKind } from './signKinds.ts';

/** A place that may be worth a pan. */
export interface Place {
  readonly id: string;
  readonly distance_m: number;
  readonly bank: Bank;
  /** Across the ground, positive to the left. */
  readonly across_m: number;
  /** Kinds of sign seen there, each once. */
  readonly kinds: readonly AnyKind[];
  /** What a closer look at its signs found, by trait. */
  readonly traits?: Readonly<Record<string, string>>;
  /** What the line hints at there, with the chance that it is there. */
  readonly guessed?: readonly { readonly kind: AnyKind; readonly sure: number }[];
  readonly panned: Panned | null;
  /** Chance that a flood or a storm lately left a skin or a seam there that nobody has panned. */
  readonly fresh?: number;
  /** Overburden down to what one wants to pan, m. */
  readonly cover_m: number;
  /** The person's own word on it, in log odds (-2 to 2), with the note that says why. */
  readonly own: { readonly logOdds: number; readonly note: string } | null;
}

/** One reason in the score, in log odds; positive speaks for the place. */
export interface Reason {
  /** What it rests on: a sign, a closer look at it, what fed the district, overlap or combination of signs, the trail of colors or float, pans here, pans beside it, the person's own word. */
  readonly from:
    | 'sign'
    | 'guess'
    | 'trait'
    | 'source'
    | 'overlap'
    | 'combination'
    | 'trail'
    | 'float'
    | Renewal['by']
    | 'pans'
    | 'neighbors'
    | 'own word';
  readonly logOdds: number;
  readonly says: string;
  /** How the same sign has paid here so far; null where that is not what the reason rests on. */
  readonly tally: { readonly paid: number; readonly tried: number } | null;
  /** Of a guess: how likely it is right, and what it would say were it seen, log odds. */
  readonly guess?: { readonly kind: AnyKind; readonly sure: number; readonly ifThere: number };
}
