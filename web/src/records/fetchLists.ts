import { call } from '../api/client.ts';

interface PageOf<T> {
  items: T[];
  next: string | null;
}

/** Hears how many records of a list have come, where there are more to come; null: that is all, or no more come. */
type Tell = (count: number | null) => void;

/** So many come in one answer. The first page soon; a list that goes on is long, and a far phone waits for each of its pages. */
export const FIRST_PAGE = 1000;
const LATER_PAGE = 5000;

/** Every page of a list, or of what follows an id in it. */
export async function fetchAll<T>(
  path: string,
  tell: Tell = () => undefined,
  from: string | null = null,
): Promise<T[]> {
  const all: T[] = [];
  try {
    for (let after = from; ;) {
      const { items, next }: PageOf<T> = await call<PageOf<T>>(
        'GET',
        `${path}${path.includes('?') ? '&' : '?'}limit=${after ? `${LATER_PAGE}&after=${after}` : FIRST_PAGE}`,
      );
      all.push(...items);
      if (!next) return all;
      after = next;
      tell(all.length);
    }
  } finally {
    tell(null);
  }
}

interface Asked {
  readonly groundId: string;
  readonly tell: Tell;
  readonly take: (list: never[]) => void;
  readonly fail: (error: unknown) => void;
}

/** Lists asked for in this instant, by their kind. */
const asked = new Map<string, Asked[]>();
/** As many as the server takes at once, see `GroundsPageQuery`. */
const AT_ONCE = 100;

/** Every page of the list of a kind on a ground. Lists of several grounds asked for in one instant come with one request, not one each: a crew has dozens of grounds, and a browser asks six things at a time. */
export function fetchOfGround<T>(kind: string, groundId: string, tell: Tell): Promise<T[]> {
  return new Promise((take, fail) => {
    const together = asked.get(kind) ?? [];
    if (together.length === 0) {
      asked.set(kind, together);
      queueMicrotask(() => {
        asked.delete(kind);
        for (let i = 0; i < together.length; i += AT_ONCE) void fetchTogether(kind, together.slice(i, i + AT_ONCE));
      });
    }
    together.push({ groundId, tell, take, fail });
  });
}

async function fetchTogether(kind: string, lists: readonly Asked[]): Promise<void> {
  const [first] = lists;
  try {
    if (lists.length === 1 && first)
      return first.take(await fetchAll(`/grounds/${first.groundId}/${kind}`, first.tell));
    const byGround = new Map<string, { groundId: string }[]>(lists.map((l) => [l.groundId, []]));
    const all = await fetchAll<{ groundId: string }>(`/${kind}?grounds=${[...byGround.keys()].join()}`);
    for (const record of all) byGround.get(record.groundId)?.push(record);
    for (const { groundId, take } of lists) take((byGround.get(groundId) ?? []) as never[]);
  } catch (error) {
    for (const { fail } of lists) fail(error);
  }
}
