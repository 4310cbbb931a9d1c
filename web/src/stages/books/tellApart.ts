import type { StoredCleanup, StoredRig, StoredRun, StoredSetup } from '@riffle/contract';
import type { WeighedCleanup } from '@riffle/core';
import { liningNames } from '../../box/liningNames.ts';
import { namesIn } from '../../box/namesIn.ts';
import { rigSections } from '../../api/rigSections.ts';
import { asTyped } from '../../units/readEntered.ts';
import type { LocalTime } from '../../when/localTime.ts';

/** What clean-ups are told apart by. */
export const TOLD_BY = ['box', 'lining', 'pitch', 'layer', 'who', 'people', 'month', 'year'] as const;
const NOT_SAID = 'not said';
export type ToldBy = (typeof TOLD_BY)[number];

interface Behind {
  readonly cleanups: readonly Pick<StoredCleanup, 'id' | 'cleanedAt' | 'runIds' | 'rinseOutOf'>[];
  readonly runs: readonly Pick<StoredRun, 'id' | 'setupId' | 'people' | 'who' | 'layer'>[];
  readonly setups: readonly StoredSetup[];
  readonly rigs: readonly StoredRig[];
}

/** A clean-up's word for it: of several runs that differ all of them, since their gold lies together. */
export function tellApart(by: ToldBy, { cleanups, runs, setups, rigs }: Behind, local: LocalTime) {
  const runById = new Map(runs.map((r) => [r.id, r]));
  const wordsOf = (run: Behind['runs'][number]): readonly string[] => {
    if (by !== 'who') return [wordOf(run)];
    // One who is named in lower case once is the same person.
    const names = namesIn(run.who ?? '').map((n) => n.charAt(0).toUpperCase() + n.slice(1));
    return names.length > 0 ? names : [NOT_SAID];
  };
  const wordOf = (run: Behind['runs'][number]): string => {
    const setup = setups.find((s) => s.id === run.setupId);
    const rig = rigs.find((r) => r.id === setup?.rigId);
    if (by === 'people') return run.people ? String(run.people) : NOT_SAID;
    if (by === 'layer') return run.layer || NOT_SAID;
    if (by === 'pitch') return setup ? asTyped(setup.pitchEntered) : 'not known';
    if (by === 'box') return rig?.name ?? 'not known';
    if (rig?.washer) return 'dry washer';
    return rig ? liningNames(rigSections(rig)).join(', ') : 'not known';
  };
  return ({ id }: Pick<WeighedCleanup, 'id'>): string => {
    const cleanup = cleanups.find((c) => c.id === id);
    if (!cleanup) return 'not known';
    const day = local.isoDay(cleanup.cleanedAt);
    if (by === 'year') return day.slice(0, 4);
    if (by === 'month') return day.slice(0, 7);
    const before = cleanups.filter((c) => cleanup.rinseOutOf.includes(c.id));
    const words = [cleanup, ...before]
      .flatMap((c) => c.runIds)
      .flatMap((runId) => {
        const run = runById.get(runId);
        return run ? wordsOf(run) : [];
      });
    return [...new Set(words)].sort().join(' + ') || 'not known';
  };
}
