import type { StoredLot } from '@riffle/contract';

export const STATE_WORDS: Readonly<Record<StoredLot['state'], string>> = {
  planned: 'not dug yet',
  waiting: 'dug, waits for water',
  panned: 'panned',
  run: 'run',
  lost: 'lost',
};

/** Tag in two parts, so that tags sort as they are counted. */
const parts = (tag: string): { code: string; number: number } => {
  const m = /^(.*?)[- ]?(\d+)$/.exec(tag);
  return m ? { code: m[1] ?? '', number: Number(m[2]) } : { code: tag, number: 0 };
};
export const byTag = (a: { readonly tag: string }, b: { readonly tag: string }): number => {
  const [x, y] = [parts(a.tag), parts(b.tag)];
  return x.code === y.code ? x.number - y.number : x.code < y.code ? -1 : 1;
};

/** Bags that should be in and are not: lost ones, and undug ones numbered below the last one that came in. */
export function missingBags<L extends Pick<StoredLot, 'tag' | 'state'>>(lots: readonly L[]): L[] {
  const order = [...lots].sort(byTag);
  const lastIn = order.findLastIndex((l) => l.state !== 'planned' && l.state !== 'lost');
  return order.filter((l, i) => l.state === 'lost' || (l.state === 'planned' && i < lastIn));
}

/** The first code of letters no tag begins with yet: A, B ... Z, AA, AB ... */
export function freeCode(tags: readonly string[]): string {
  const used = new Set(tags.map((t) => parts(t).code.toUpperCase()));
  const letter = (i: number): string => String.fromCharCode(65 + i);
  for (let n = 0; ; n++) {
    const code = n < 26 ? letter(n) : letter(Math.floor(n / 26) - 1) + letter(n % 26);
    if (!used.has(code)) return code;
  }
}

/** What a scanner or a thumb gives: the tag itself, or the address in its square code. */
export function readTag(typed: string): { tag: string } | { id: string } {
  const id = /\/bag\/([0-9a-f-]{36})/i.exec(typed)?.[1];
  return id ? { id: id.toLowerCase() } : { tag: typed.trim().toUpperCase() };
}
