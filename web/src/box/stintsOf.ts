import type { StoredRun } from '@riffle/contract';
import { rigSections } from '../api/rigSections.ts';
import { isSetAlike, setAlike, type BoxBook } from './boxEvidence.ts';
import { boxLog, type BoxLogEntry } from './boxLog.ts';
import { liningNames } from './liningNames.ts';

/** How a box stood for a while on one day. */
export interface Stint extends BoxLogEntry {
  /** Its first bucket could come from then on. */
  readonly since: string;
  /** What it was lined with from then on, where the lining was changed for it; else null. */
  readonly lined: string | null;
}

/**
 * The stints of a box among runs of one day, the latest first. A box lined otherwise is kept as another, so that what is
 * known of it is its own: where one was stopped the moment this one began, it goes on from there.
 */
export function stintsOf(
  book: Pick<BoxBook, 'rigs' | 'setups' | 'runs' | 'cleanups' | 'tests'>,
  rigId: string,
): Stint[] {
  const { rigs, setups, runs } = book;
  const used = new Set(runs.map((r) => r.setupId));
  const starts = setAlike(runs, { setups });
  const rigOf = new Map(setups.map((s) => [s.id, s.rigId]));
  const stood = (id: string): Stint[] =>
    boxLog(book, id)
      .filter((e) => used.has(e.setup.id))
      .map((e) => ({
        ...e,
        since: begunAt(starts.find((s) => isSetAlike(s.setup, e.setup))?.runs ?? []) ?? e.setup.setAt,
        lined: null,
      }));
  const chain: Stint[] = [];
  const seen = new Set<string>();
  for (let at: string | undefined = rigId; at !== undefined && !seen.has(at);) {
    seen.add(at);
    chain.push(...stood(at));
    const first = chain.at(-1);
    const before =
      first && runs.find((r) => r.tally.lastEventAt === first.since && !seen.has(rigOf.get(r.setupId) ?? ''));
    if (!first || !before) break;
    const rig = rigs.find((r) => r.id === at);
    const lined = rig ? liningNames(rigSections(rig)).join(' and ') : null;
    chain[chain.length - 1] = { ...first, lined };
    at = rigOf.get(before.setupId);
  }
  return chain;
}

const begunAt = (runs: readonly StoredRun[]): string | undefined => runs.map((r) => r.startedAt).sort()[0];
