import type { Bank } from '../ground/centreLine.ts';
import { acrossOf } from '../sample/layOut.ts';
import type { GuessedSign } from './guessSigns.ts';
import { isNoDig, type NoDigKind } from './noDig.ts';
import { signKind, type AnyKind } from './signKinds.ts';

/** A marked spot, as far as reading goes. */
export interface SpotSeen {
  readonly id: string;
  readonly name: string;
  readonly kind: AnyKind | NoDigKind;
  readonly distance_m: number;
  readonly bank: Bank;
  readonly offset_m: number;
}

/** A sign where it was seen. `own word` carries a weight in log odds. */
export interface SignSeen {
  readonly id: string;
  readonly kind: AnyKind | 'own word';
  readonly distance_m: number;
  readonly bank: Bank;
  readonly offset_m: number;
  readonly cover_m: number | null;
  readonly traits?: Readonly<Record<string, string>>;
  readonly weight: number | null;
  readonly note: string;
  /** What it is called, where it has a name of its own. */
  readonly name?: string;
}

/** A spot with the signs about it, or a group of signs no spot was marked for. */
export interface GatheredPlace {
  readonly id: string;
  /** Null for a group of signs without a spot. */
  readonly spotId: string | null;
  readonly name: string;
  readonly distance_m: number;
  readonly bank: Bank;
  /** Across the ground, positive to the left. */
  readonly across_m: number;
  readonly kinds: readonly AnyKind[];
  /** What a closer look found, by trait; the last look counts. */
  readonly traits: Readonly<Record<string, string>>;
  readonly signIds: readonly string[];
  readonly cover_m: number;
  readonly own: { readonly logOdds: number; readonly note: string } | null;
  /** What the line hints at there, guessed and not seen. */
  readonly guessed?: readonly Pick<GuessedSign, 'kind' | 'sure'>[];
}

/** A sign this near a spot, on its bank or in midstream, is about that spot; signs this near each other are one place. Common practice, no source. */
export const NEAR_M = 20;

/**
 * Puts signs with the spots they are about. What is left is gathered into places of its own, each as long as its signs lie
 * within `NEAR_M` of the one before, walking up. The kind of a spot is a sign too ("other" says nothing).
 * The deepest cover named counts; the last own word counts.
 */
export function gatherPlaces(spots: readonly SpotSeen[], signs: readonly SignSeen[]): GatheredPlace[] {
  const sameSide = (a: Bank, b: Bank): boolean => a === b || a === 'mid' || b === 'mid';
  const about = new Map<string, SignSeen[]>();
  const loose: SignSeen[] = [];
  for (const sign of signs) {
    const near = spots
      .filter((s) => Math.abs(s.distance_m - sign.distance_m) <= NEAR_M && sameSide(s.bank, sign.bank))
      .sort((a, b) => Math.abs(a.distance_m - sign.distance_m) - Math.abs(b.distance_m - sign.distance_m))[0];
    if (near) about.set(near.id, [...(about.get(near.id) ?? []), sign]);
    else loose.push(sign);
  }
  const ofSpots = spots.map((s) =>
    place(
      s.id,
      s.id,
      s.name,
      s.distance_m,
      s,
      s.kind === 'other' || isNoDig(s.kind) ? [] : [s.kind],
      about.get(s.id) ?? [],
    ),
  );

  const groups: SignSeen[][] = [];
  // Walking up, a group whose last sign lies behind by more than `NEAR_M` takes no more: only the open ones are looked at.
  let open: SignSeen[][] = [];
  for (const sign of [...loose].sort((a, b) => a.distance_m - b.distance_m)) {
    open = open.filter((g) => sign.distance_m - (g.at(-1) as SignSeen).distance_m <= NEAR_M);
    const joined = open.find((g) =>
      g.some((other) => sameSide(other.bank, sign.bank) && sign.distance_m - other.distance_m <= NEAR_M),
    );
    if (joined) joined.push(sign);
    else {
      const group = [sign];
      groups.push(group);
      open.push(group);
    }
  }
  const ofSigns = groups.map((g) => {
    const first = g[0] as SignSeen;
    const middle_m = g.reduce((sum, s) => sum + s.distance_m, 0) / g.length;
    const named = g.map((s) => s.kind).filter((k): k is AnyKind => k !== 'own word');
    const aside = g.find((s) => s.bank !== 'mid') ?? first;
    return place(
      `signs-${first.id}`,
      null,
      g.find((s) => s.name !== undefined)?.name ??
        capital(named.length > 0 ? signKind(named[0] as AnyKind).says : 'a place of your own'),
      middle_m,
      aside,
      [],
      g,
    );
  });
  return [...ofSpots, ...ofSigns];
}

function place(
  id: string,
  spotId: string | null,
  name: string,
  distance_m: number,
  { bank, offset_m }: { readonly bank: Bank; readonly offset_m: number },
  kinds: readonly AnyKind[],
  signs: readonly SignSeen[],
): GatheredPlace {
  const word = signs.filter((s) => s.kind === 'own word').at(-1);
  return {
    id,
    spotId,
    name,
    distance_m,
    bank,
    across_m: acrossOf(bank, offset_m),
    kinds: [...new Set([...kinds, ...signs.flatMap((s) => (s.kind === 'own word' ? [] : [s.kind]))])],
    traits: Object.assign({}, ...signs.map((s) => s.traits ?? {})) as Record<string, string>,
    signIds: signs.map((s) => s.id),
    cover_m: Math.max(0, ...signs.map((s) => s.cover_m ?? 0)),
    own: word ? { logOdds: word.weight ?? 0, note: word.note } : null,
  };
}

/** Puts guesses with the places they are near; one with no place near it is a place of its own, where nothing was seen. */
export function withGuesses(places: readonly GatheredPlace[], guesses: readonly GuessedSign[]): GatheredPlace[] {
  const about = new Map<string, GuessedSign[]>();
  const alone: GatheredPlace[] = [];
  for (const g of guesses) {
    const near = places
      .filter(
        (p) =>
          Math.abs(p.distance_m - g.distance_m) <= NEAR_M &&
          (p.bank === g.bank || p.bank === 'mid' || g.bank === 'mid') &&
          !p.kinds.includes(g.kind),
      )
      .sort((a, b) => Math.abs(a.distance_m - g.distance_m) - Math.abs(b.distance_m - g.distance_m))[0];
    if (near) about.set(near.id, [...(about.get(near.id) ?? []), g]);
    else
      alone.push({
        ...place(g.id, null, `${capital(signKind(g.kind).says)}, guessed`, g.distance_m, g, [], []),
        guessed: [g],
      });
  }
  return [...places.map((p) => ({ ...p, guessed: about.get(p.id) ?? [] })), ...alone];
}

const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);
