import type { Bank } from '../ground/centreLine.ts';
import { poissonLimits } from '../sample/poissonLimits.ts';
import { chanceRicher } from '../sample/richer.ts';
import type { GradeBelief } from '../sample/gradeBelief.ts';
import { mustCarry } from './mixing.ts';
import type { TracePoint } from './trace.ts';

/** A place where a draw comes in, however it got into the book: a spot, a sign, or a ground of its own that runs in there. */
export interface Mouth {
  readonly name: string;
  readonly distance_m: number;
  readonly bank: Bank;
  /** Its own ground in the book. */
  readonly groundId: string | null;
  /** What was panned in the mouth itself, all pans together. */
  readonly own: { readonly colors: number; readonly volumeBank_L: number } | null;
}

/** Mouths nearer than this are one. Common practice, no source. */
const ONE_MOUTH_M = 25;

interface Placed {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly distance_m: number;
  readonly bank: Bank;
}
/** A ground that runs into this one. */
export interface JoiningGround {
  readonly id: string;
  readonly name: string;
  readonly distance_m: number;
  readonly bank: 'left' | 'right';
}

/** Every mouth on a creek once, by its distance: draws of the book first, for they have names, then spots, then signs. */
export function mouthsOf(
  spots: readonly Placed[],
  signs: readonly { readonly kind: string; readonly distance_m: number; readonly bank: Bank }[],
  draws: readonly JoiningGround[],
  tried: readonly TracePoint[],
): Mouth[] {
  const all: (Omit<Mouth, 'own'> & { readonly spotId: string | null })[] = [
    ...draws.map((d) => ({ name: d.name, distance_m: d.distance_m, bank: d.bank, groundId: d.id, spotId: null })),
    ...spots
      .filter((s) => s.kind === 'draw mouth')
      .map((s) => ({ name: s.name, distance_m: s.distance_m, bank: s.bank, groundId: null, spotId: s.id })),
    ...signs
      .filter((s) => s.kind === 'draw mouth')
      .map((s) => ({ name: 'the draw', distance_m: s.distance_m, bank: s.bank, groundId: null, spotId: null })),
  ];
  const merged: { first: (typeof all)[number]; spotIds: string[] }[] = [];
  for (const m of all) {
    const same = merged.find(
      ({ first }) =>
        Math.abs(first.distance_m - m.distance_m) < ONE_MOUTH_M &&
        (first.bank === m.bank || first.bank === 'mid' || m.bank === 'mid'),
    );
    const spotIds = m.spotId === null ? [] : [m.spotId];
    if (same) same.spotIds.push(...spotIds);
    else merged.push({ first: m, spotIds });
  }
  return merged
    .map(({ first: { spotId: _spot, ...mouth }, spotIds }) => {
      const pans = tried.filter((t) => spotIds.includes(t.id));
      return {
        ...mouth,
        own:
          pans.length === 0
            ? null
            : {
                colors: pans.reduce((sum, p) => sum + p.colors, 0),
                volumeBank_L: pans.reduce((sum, p) => sum + p.volumeBank_L, 0),
              },
      };
    })
    .sort((a, b) => a.distance_m - b.distance_m);
}

/** Mouths that join within a stretch, or a few steps from its ends. */
export const mouthsWithin = (mouths: readonly Mouth[], from_m: number, to_m: number): Mouth[] =>
  mouths.filter((m) => m.distance_m >= from_m - ONE_MOUTH_M && m.distance_m <= to_m + ONE_MOUTH_M);

/** What the pans about a mouth say of its draw, colors per litre. */
export interface MouthNeeds {
  readonly mouth: Mouth;
  readonly below: number;
  readonly above: number;
  /** What the draw has to carry so that the creek is what it is below, with the 90 % band of the two counts. */
  readonly needs: { readonly low: number; readonly middle: number; readonly high: number };
  /** Chance that the creek is richer below than above. */
  readonly certainty: number;
  /** Do the mouth's own pans bear it out? Null where there are none. */
  readonly own: 'carries it' | 'too poor for it' | 'may carry it' | null;
}

/** Places taken on either side, and how far from the mouth they must lie to be of one side. */
const PLACES = 3;
const BESIDE_M = 10;
/** Places of one reach differ by this share of their mean. Common practice, no source (see `trace.ts`). */
const PLACE_CV = 0.75;
/** Said from this chance on. */
const SURE = 0.95;

/**
 * Mouths of draws that must bring gold, for the creek is richer below than above: said only where the counts exclude that nothing differs. The mouths' own
 * pans are held against it, and are on neither side.
 * Source: mixing of two streams (`mustCarry`), gamma beliefs of both sides with the scatter of places.
 * @param flowShare the part of water and gravel that the draw brings, 0.01 to 0.9
 */
export function mouthsThatFeed(
  mouths: readonly Mouth[],
  tried: readonly TracePoint[],
  flowShare: number,
): MouthNeeds[] {
  return mouths.flatMap((mouth): MouthNeeds[] => {
    const side = (upstream: boolean): GradeBelief | null => {
      const places = tried
        .filter((p) =>
          upstream ? p.distance_m > mouth.distance_m + BESIDE_M : p.distance_m < mouth.distance_m - BESIDE_M,
        )
        .sort((a, b) => Math.abs(a.distance_m - mouth.distance_m) - Math.abs(b.distance_m - mouth.distance_m))
        .slice(0, PLACES);
      if (places.length === 0) return null;
      const colors = places.reduce((sum, p) => sum + p.colors, 0) + 0.5;
      const volume_L = places.reduce((sum, p) => sum + p.volumeBank_L, 0);
      const shape = 1 / (1 / colors + PLACE_CV ** 2 / places.length);
      return { shape, rate_L_mg: (shape * volume_L) / colors };
    };
    const [below, above] = [side(false), side(true)];
    if (!below || !above) return [];
    const certainty = chanceRicher(below, above);
    if (certainty < SURE) return [];
    const mean = (b: GradeBelief): number => b.shape / b.rate_L_mg;
    const needs = (b: number, a: number): number =>
      Math.max(0, mustCarry({ flow: 1 - flowShare, concentration: a }, flowShare, b));
    const middle = needs(mean(below), mean(above));
    // Both counts scatter; the draw's need scatters by the square sum of both parts over its share.
    const sd =
      Math.hypot(mean(below) / Math.sqrt(below.shape), ((1 - flowShare) * mean(above)) / Math.sqrt(above.shape)) /
      flowShare;
    const band = { low: Math.max(0, middle - 1.645 * sd), middle, high: middle + 1.645 * sd };
    return [{ mouth, below: mean(below), above: mean(above), needs: band, certainty, own: ownWord(mouth, band) }];
  });
}

function ownWord({ own }: Mouth, needs: { low: number; middle: number }): MouthNeeds['own'] {
  if (!own) return null;
  const limits = poissonLimits(own.colors);
  const [low, high] = [limits.low / own.volumeBank_L, limits.high / own.volumeBank_L];
  if (high < Math.max(needs.low, needs.middle / 4)) return 'too poor for it';
  return low >= needs.low && own.colors > 0 ? 'carries it' : 'may carry it';
}
