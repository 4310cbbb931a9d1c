import type { StoredCleanup, StoredRun, StoredSetup } from '@riffle/contract';

/** Gold that a later rinse brought out of a carpet. A list kept on a device from before there were any has no such field. */
export const isRinseOut = (c: { readonly rinseOutOf?: readonly string[] }): boolean => (c.rinseOutOf ?? []).length > 0;

/** A box whose carpet may still hold gold: its clean-ups since it was last rinsed clean, on whatever ground. */
export interface Carpet {
  readonly rigId: string;
  readonly cleanups: readonly StoredCleanup[];
}

/** Each box with the clean-ups whose gold may still sit in its carpet; of one that was rinsed clean each time the last one: no rinse gets all of it. */
export function carpets(
  cleanups: readonly StoredCleanup[],
  runs: readonly Pick<StoredRun, 'id' | 'setupId'>[],
  setups: readonly Pick<StoredSetup, 'id' | 'rigId'>[],
): Carpet[] {
  const rigOfSetup = new Map(setups.map((s) => [s.id, s.rigId]));
  const rigOfRun = new Map(runs.map((r) => [r.id, rigOfSetup.get(r.setupId) ?? '']));
  const byId = new Map(cleanups.map((c) => [c.id, c]));
  const rigsOf = (c: StoredCleanup): string[] => {
    const fed = isRinseOut(c) ? c.rinseOutOf.flatMap((id) => byId.get(id)?.runIds ?? []) : c.runIds;
    return [...new Set(fed.flatMap((id) => rigOfRun.get(id) || []))];
  };
  const unrinsed = new Map<string, StoredCleanup[]>();
  const last = new Map<string, StoredCleanup>();
  for (const c of [...cleanups].sort((a, b) => a.cleanedAt.localeCompare(b.cleanedAt)))
    for (const rig of rigsOf(c)) {
      const isClean = c.rinsedClean === 'yes';
      if (!isRinseOut(c)) last.set(rig, c);
      unrinsed.set(rig, isClean ? [] : [...(unrinsed.get(rig) ?? []), ...(isRinseOut(c) ? [] : [c])]);
    }
  return [...last].map(([rigId, latest]) => {
    const since = unrinsed.get(rigId) ?? [];
    return { rigId, cleanups: since.length > 0 ? since : [latest] };
  });
}
