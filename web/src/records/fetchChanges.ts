import { call } from '../api/client.ts';
import { laterOfEach, type Listed } from '../offline/landing.ts';
import { isOfThisShape } from '../offline/listPieces.ts';
import { FIRST_PAGE } from './fetchLists.ts';

interface Changes {
  readonly items: readonly Listed[];
  readonly whole: { readonly records: number; readonly edits: number };
}
interface Dated extends Listed {
  readonly updatedAt: string;
  readonly tally?: { readonly taps: number };
}

/** Up to when lists were read as the server had them: what this device wrote since has moments of its own. */
const readUpTo = new Map<string, string>();
export const noteRead = (hash: string, items: readonly Dated[]): void => void readUpTo.set(hash, latestOf(items));

const latestOf = (items: readonly Dated[]): string =>
  items.reduce((latest, { updatedAt }) => (updatedAt > latest ? updatedAt : latest), '0001-01-01T00:00:00.000Z');

/**
 * A list of a ground in hand that fills more than a page, brought up to date by what changed since it was read: of a
 * hundred thousand records one. Null where it is shorter, or where what it comes to is not what the server's comes to:
 * it is read as a whole then, whatever the reason (two changes in one instant, a backup restored, a clock put back).
 */
export async function fetchChanges<T extends Dated>(
  kind: string,
  groundId: string,
  hash: string,
  inHand: readonly T[],
): Promise<readonly T[] | null> {
  if (inHand.length < FIRST_PAGE || !isOfThisShape(hash)) return null;
  const since = readUpTo.get(hash) ?? latestOf(inHand);
  const { items, whole } = await call<Changes>(
    'GET',
    `/grounds/${groundId}/${kind}/changes?since=${encodeURIComponent(since)}`,
  );
  const list = laterOfEach(inHand, items) as readonly T[];
  const edits = list.reduce((sum, { version = 0, tally }) => sum + version + (tally?.taps ?? 0), 0);
  if (list.length !== whole.records || edits !== whole.edits) return null;
  noteRead(hash, [...(items as readonly T[]), { updatedAt: since } as T]);
  return list;
}
