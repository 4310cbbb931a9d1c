import type { Listed } from './landing.ts';
import { recordShape } from './recordShape.ts';

/**
 * A long list lies on the device in pieces, so that one record changed in a hundred thousand is one piece written, not
 * all of them. A piece never changes: what it holds lies under a mark of its own, and a list names the marks of its pieces.
 */
export interface Piece {
  /** The list it is of, as `KeptList` names it. */
  readonly hash: string;
  readonly mark: number;
  readonly items: readonly Listed[];
}

/** A list as it lies: its first records, and the marks of the pieces that follow, in their order. */
export interface LyingList {
  readonly hash: string;
  readonly items: readonly Listed[];
  readonly readAt_ms: number;
  /** What its records look like, see `recordShape`. */
  readonly shape?: string;
  /** Missing where `items` are all of them. */
  readonly more?: readonly number[];
}

/** Records in a piece: some milliseconds to write. */
export const IN_PIECE = 500;
/** Pieces read at a time, so that a page goes on in between. */
const PIECES_AT_ONCE = 10;

/** The pieces of one list, whatever their marks. */
export const piecesOf = (hash: string): IDBKeyRange => IDBKeyRange.bound([hash], [hash, []]);

/** A list of this page beside the pieces it is known to lie in. */
interface Known {
  readonly items: readonly Listed[];
  readonly marks: readonly number[];
}
const known = new Map<string, Known>();

/** Remembers in which pieces a list lies, so that those which stay as they are need not be written again. */
export const rememberPieces = (hash: string, items: readonly Listed[], marks: readonly number[]): void =>
  void known.set(hash, { items, marks });

/** Lists in hand that were kept by another build and not read as a whole since. */
const ofOtherShape = new Set<string>();

/** Whether the records of a list look as this build has them, each of them. */
export const isOfThisShape = (hash: string): boolean => !ofOtherShape.has(hash);
/** The list is being read anew, as a whole. */
export const readAsWhole = (hash: string): void => void ofOtherShape.delete(hash);
/** The name its records' shape is kept under. */
export const shapeOf = (hash: string): string => (isOfThisShape(hash) ? recordShape : '');

export interface InPieces {
  readonly first: readonly Listed[];
  readonly pieces: readonly Piece[];
  /** Those of them that this page has neither read nor written as yet. */
  readonly fresh: readonly Piece[];
}

/**
 * A list cut into its first records and pieces. A piece that holds the very records it held when this page read or wrote
 * it last keeps its mark; any other has a new one, drawn by lot: no two pages may ever mean two things by one mark.
 */
export function cut(hash: string, items: readonly Listed[]): InPieces {
  const before = known.get(hash);
  const [pieces, fresh]: [Piece[], Piece[]] = [[], []];
  for (let from = IN_PIECE; from < items.length; from += IN_PIECE) {
    const mark = before && holdsStill(before.items, items, from) ? before.marks[pieces.length] : undefined;
    const piece = { hash, mark: mark ?? Math.random(), items: items.slice(from, from + IN_PIECE) };
    pieces.push(piece);
    if (mark === undefined) fresh.push(piece);
  }
  return { first: items.slice(0, IN_PIECE), pieces, fresh };
}

function holdsStill(before: readonly Listed[], now: readonly Listed[], from: number): boolean {
  const to = Math.min(from + IN_PIECE, Math.max(before.length, now.length));
  for (let i = from; i < to; i++) if (before[i] !== now[i]) return false;
  return true;
}

/** All records of a list as it lies, given the way to its pieces; undefined where one of them is gone. */
export async function gather(
  { hash, items, shape, more = [] }: LyingList,
  pieceOf: (mark: number) => Promise<Piece | undefined>,
): Promise<readonly Listed[] | undefined> {
  const all = [...items];
  for (let from = 0; from < more.length; from += PIECES_AT_ONCE)
    for (const piece of await Promise.all(more.slice(from, from + PIECES_AT_ONCE).map(pieceOf))) {
      if (!piece) return undefined;
      for (const record of piece.items) all.push(record);
    }
  rememberPieces(hash, all, more);
  if (shape !== recordShape) ofOtherShape.add(hash);
  return all;
}
