import type { BOX_EVENTS, WASHER_EVENTS, TAIL_COLORS, StoredRun, StoredSetup, WasherAir } from '@riffle/contract';
import { boxLength_m, sectionSplit } from '@riffle/core';
import { rigSections } from '../api/rigSections.ts';
import { isSetAlike, type BoxBook } from './boxEvidence.ts';

export type BoxEvent = (typeof BOX_EVENTS | typeof WASHER_EVENTS)[number];

/** What was changed against the setting before: from and to, in SI. */
export type BoxChange =
  | { readonly what: 'head'; readonly by_m: number }
  | { readonly what: 'water' | 'stones'; readonly from_m: number; readonly to_m: number }
  | { readonly what: 'flow'; readonly from_m3_s: number; readonly to_m3_s: number }
  /** A dry washer's: puffs a minute, or a blower's speed; and what was fed to it. */
  | { readonly what: 'puffs' | 'blower'; readonly from: number; readonly to: number }
  | { readonly what: 'feed'; readonly now: string }
  /** Its water was known by its depth and is by its flow now, or the other way. */
  | { readonly what: 'water told otherwise' };

/** The box as it stood for a while: what was changed for it, and what followed. */
export interface BoxLogEntry {
  readonly setup: StoredSetup;
  /** Null: the first one kept of this box here. */
  readonly changes: readonly BoxChange[] | null;
  readonly buckets: number;
  /** Running minutes a bucket; null where too little was fed. */
  readonly bucket_min: number | null;
  /** How often each thing happened that was tapped. */
  readonly events: Readonly<Partial<Record<BoxEvent, number>>>;
  readonly tailPans: Readonly<Record<(typeof TAIL_COLORS)[number], number>>;
  /** Clean-ups of gravel fed so alone: their gold, and its share in the head of the box where it was cut there. */
  readonly cleaned: { readonly gold_mg: number; readonly headShare: number | null } | null;
}

/** From so many buckets on their pace says something. */
const PACED_BUCKETS = 3;

/** Every way a box stood on this ground, the latest first, with what was changed each time and what followed. Set-ups kept twice alike are one. */
export function boxLog(
  book: Pick<BoxBook, 'rigs' | 'setups' | 'runs' | 'cleanups' | 'tests'>,
  rigId: string,
): BoxLogEntry[] {
  const rig = book.rigs.find((r) => r.id === rigId);
  const length_m = rig ? boxLength_m(rigSections(rig)) : 1;
  const stands: StoredSetup[][] = [];
  for (const setup of book.setups.filter((s) => s.rigId === rigId).sort((a, b) => a.setAt.localeCompare(b.setAt))) {
    const last = stands.at(-1);
    if (last?.[0] && isSetAlike(last[0], setup)) last.push(setup);
    else stands.push([setup]);
  }
  return stands
    .map((alike, i): BoxLogEntry => {
      const setup = alike.at(-1) as StoredSetup;
      const before = stands[i - 1]?.at(-1);
      const ids = new Set(alike.map((s) => s.id));
      return { setup, changes: before ? changesOf(before, setup, length_m) : null, ...followed(ids, book) };
    })
    .reverse();
}

function changesOf(before: StoredSetup, now: StoredSetup, length_m: number): BoxChange[] {
  const changes: BoxChange[] = [];
  if (now.slope !== before.slope) changes.push({ what: 'head', by_m: (now.slope - before.slope) * length_m });
  if (now.air && before.air) changes.push(...airChanges(before.air, now.air));
  else if (now.depth_m !== null && before.depth_m !== null) {
    if (now.depth_m !== before.depth_m) changes.push({ what: 'water', from_m: before.depth_m, to_m: now.depth_m });
  } else if (now.flow_m3_s !== null && before.flow_m3_s !== null) {
    if (now.flow_m3_s !== before.flow_m3_s)
      changes.push({ what: 'flow', from_m3_s: before.flow_m3_s, to_m3_s: now.flow_m3_s });
  } else changes.push({ what: 'water told otherwise' });
  if (now.stone_m !== before.stone_m) changes.push({ what: 'stones', from_m: before.stone_m, to_m: now.stone_m });
  return changes;
}

function airChanges(before: WasherAir, now: WasherAir): BoxChange[] {
  const changes: BoxChange[] = [];
  const [a, b] = [before.drive, now.drive];
  if (a.kind === 'bellows' && b.kind === 'bellows' && a.puffs_min !== b.puffs_min)
    changes.push({ what: 'puffs', from: a.puffs_min, to: b.puffs_min });
  if (a.kind === 'blower' && b.kind === 'blower' && a.speed !== b.speed)
    changes.push({ what: 'blower', from: a.speed, to: b.speed });
  if (before.pass !== now.pass) changes.push({ what: 'feed', now: now.pass === 1 ? 'gravel' : 'tailings again' });
  if (before.squeeze !== now.squeeze) changes.push({ what: 'feed', now: `feed that ${FEED_SAYS[now.squeeze]}` });
  return changes;
}
const FEED_SAYS: Readonly<Record<WasherAir['squeeze'], string>> = {
  dusts: 'dusts',
  cool: 'feels cool',
  'falls apart': 'balls and falls apart',
  holds: 'holds a ball',
};

function followed(setupIds: ReadonlySet<string>, book: Pick<BoxBook, 'runs' | 'cleanups' | 'tests'>) {
  const runs = book.runs.filter((r) => setupIds.has(r.setupId));
  const sum = (of: (r: StoredRun) => number): number => runs.reduce((all, r) => all + of(r), 0);
  const buckets = sum((r) => r.tally.buckets);
  const running_s = sum((r) => r.tally.running_s);
  const tailPans = { '0': 0, '1-2': 0, '3+': 0 };
  const events: Partial<Record<BoxEvent, number>> = {};
  for (const { setupId, tested } of book.tests) {
    if (!setupIds.has(setupId)) continue;
    if (tested.kind === 'tail pan') tailPans[tested.colors]++;
    if (tested.kind === 'event') events[tested.what] = (events[tested.what] ?? 0) + 1;
  }
  const ids = new Set(runs.map((r) => r.id));
  const cleanups = book.cleanups.filter((c) => c.runIds.every((id) => ids.has(id)));
  const splits = cleanups.map((c) => sectionSplit(c.sections, 1));
  const gold_mg = splits.reduce((all, s) => all + s.total_mg, 0);
  const cut = splits.filter((s) => s.headShare !== null);
  const cut_mg = cut.reduce((all, s) => all + s.total_mg, 0);
  return {
    buckets,
    bucket_min: buckets >= PACED_BUCKETS && running_s > 0 ? running_s / 60 / buckets : null,
    tailPans,
    events,
    cleaned:
      cleanups.length > 0
        ? {
            gold_mg,
            headShare: cut_mg > 0 ? cut.reduce((all, s) => all + (s.headShare ?? 0) * s.total_mg, 0) / cut_mg : null,
          }
        : null,
  };
}
