import type { StoredGround, StoredSpot } from '@riffle/contract';
import {
  aheadOf,
  BEHIND_M,
  bellsAt,
  PLACE_BELL_M,
  riverIsFresh,
  shutsFirst,
  turnBack,
  walkedLine,
  walkingWay,
  type Ahead,
  type Bell,
  type ClaimStretch,
  type TurnBack,
  type WalkWay,
} from '@riffle/core';
import { useEffect, useMemo, useRef } from 'react';
import { firstDraft } from '../../../day/dayDraft.ts';
import { daySky } from '../../../day/daySky.ts';
import { useClaims } from '../../../ground/useClaims.ts';
import { shoreOf, tideDay, type Shore } from '../../../shore/shoreOf.ts';
import { useReading, type Reading } from '../../../reading/useReading.ts';
import { useOpenRanking } from '../../../reading/useOpenRanking.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { useDraft } from '../../../ui/useDraft.ts';
import { useNow } from '../../../ui/useNow.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';
import { useBells } from './useBells.ts';
import { FIX_OLD_MS, useWhere, type NoFix, type Where } from './useWhere.ts';
import { walkPlaces, type WalkMark } from './walkPlaces.ts';

/** A walk as it is kept on the device: a reload or a dead battery ends none. */
interface WalkDraft {
  /** The day it is of; another day begins another walk. */
  readonly day: string;
  readonly began_ms: number;
  /** Where it began, along the line; null before the first place. */
  readonly began_m: number | null;
  readonly way: WalkWay;
  readonly turn_m: number;
  readonly where: Where | null;
  readonly byHand: boolean;
  /** Places passed by or tried on this walk. */
  readonly done: readonly string[];
  readonly rung: readonly string[];
  readonly said: { readonly bells: readonly Bell[]; readonly at_ms: number } | null;
}

const newWalk = (day: string): WalkDraft => ({
  day,
  began_ms: Date.now(),
  began_m: null,
  way: 'up',
  turn_m: 0,
  where: null,
  byHand: false,
  done: [],
  rung: [],
  said: null,
});

/** So long what rang stands in words. */
const NEWS_MS = 30_000;

export interface Walk {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  readonly reading: Reading;
  readonly way: WalkWay;
  readonly where: Where | null;
  /** Why the receiver does not say it; null while it does, or by hand. */
  readonly noFix: NoFix | null;
  /** The last place is too old to be where one is now. */
  readonly isOld: boolean;
  readonly byHand: boolean;
  readonly marks: readonly WalkMark[];
  /** What is still ahead, nearest first. */
  readonly ahead: readonly Ahead<WalkMark>[];
  /** How many places of this walk are left, ahead and behind. */
  readonly left: number;
  readonly next: Ahead<WalkMark> | null;
  /** One stands at the next place, as nearly as can be told. */
  readonly isThere: boolean;
  /** Claims that may not be dug, in the order of the line. */
  readonly shut: readonly ClaimStretch[];
  /** The one one stands in. */
  readonly inShut: ClaimStretch | null;
  /** The next edge of one ahead. */
  readonly edge: (ClaimStretch & { readonly ahead_m: number }) | null;
  /** When to turn, and what one has to be back before. */
  readonly back: (TurnBack & { readonly back_min: number; readonly before: 'the hour' | 'dark' | 'the sea' }) | null;
  readonly river: {
    readonly level_m: number;
    readonly isFresh: boolean;
    readonly readAt: string;
    readonly ford: { readonly name: string; readonly worksBelow_m: number } | null;
  } | null;
  /** The water that lies over the way back now. */
  readonly wayShut: 'river' | 'sea' | null;
  /** The sea off a beach; null on other grounds. */
  readonly shore: Shore | null;
  /** When the way off opens again today, minutes after midnight; null where that is not known. */
  readonly seaOpens_min: number | null;
  readonly said: WalkDraft['said'];
  /** What rang last rang just now. */
  readonly isNews: boolean;
  readonly isReady: boolean;
  readonly sayWhere: (distance_m: number) => void;
  readonly setByHand: (byHand: boolean) => void;
  readonly done: (placeId: string) => void;
  readonly undone: (placeId: string) => void;
}

/** A walk over a ground: where one is, what lies ahead, what stands against going on; and its bells. */
export function useWalk(ground: StoredGround, spots: readonly StoredSpot[]): Walk {
  const local = useLocalTime();
  const now_ms = useNow(5000);
  const today = local.isoDay(now_ms);
  const reading = useReading(ground);
  const ranking = useOpenRanking(reading, spots);
  const claims = useClaims(ground, today);
  const plan = useRecords('day-sheets', ground.id)
    .items.filter((p) => p.day === today)
    .at(-1);
  const [kept, keep] = useDraft<WalkDraft>(`walk-${ground.id}`, () => newWalk(today));
  // The walk as it is now, drawn or not: two bells while a slow phone draws are two, and none waits for the drawing.
  const latest = useRef(kept);
  const walk = kept.day === today ? kept : newWalk(today);
  const ring = useBells();
  const line = useMemo(() => walkedLine(ground), [ground]);
  const sky = useMemo(() => daySky(ground, today, local), [ground, today, local]);
  const usual = useMemo(() => firstDraft(ground, plan, sky), [ground, plan, sky]);
  const dark_min = plan ? null : sky.twilightEnd_min;
  const hour = Math.floor(now_ms / 3_600_000);
  const shore = useMemo(
    () => (ground.kind === 'beach' ? shoreOf(ground, reading.signs, reading.swell, hour * 3_600_000) : null),
    [ground, reading.signs, reading.swell, hour],
  );
  const tide = useMemo(() => tideDay(ground, today, local, shore?.adds_m ?? 0), [ground, today, local, shore]);

  const all = useMemo(() => walkPlaces(ranking?.ranked ?? [], plan?.stops ?? []), [ranking, plan]);
  const marks = useMemo(() => all.filter((m) => !walk.done.includes(m.id)), [all, walk.done]);
  const shut = useMemo(() => claims.filter((c) => c.shut !== null).sort((a, b) => a.from_m - b.from_m), [claims]);
  const start_m = plan ? plan.start_m : walk.began_m;
  const level = reading.river?.last;
  const isFresh = riverIsFresh(level, now_ms);

  const at = (here_m: number, ms: number) => {
    const minute = local.minuteOfDay(ms);
    // Where nobody planned the day one is to be back by dark; who sets out after that knows it.
    const asked_min = dark_min ?? usual.back_min;
    // Past the margin the way is wet already, or will be within it.
    const onBeach = tide?.way?.find((w) => minute >= w.from_min && minute < w.to_min + tide.margin_min);
    const by_min = Math.min(asked_min, onBeach?.to_min ?? Infinity);
    const isMeant = plan !== undefined || minute < asked_min || onBeach !== undefined;
    const turn = start_m === null || !isMeant ? null : turnBack(line, here_m, start_m, by_min, minute);
    const back = turn && {
      ...turn,
      back_min: by_min,
      before: by_min < asked_min ? ('the sea' as const) : dark_min === null ? ('the hour' as const) : ('dark' as const),
    };
    const ford = start_m === null ? null : shutsFirst(spots, here_m, start_m);
    return {
      back,
      ford,
      wayShut:
        tide?.way && !onBeach
          ? ('sea' as const)
          : ford !== null && level !== undefined && isFresh && level.level_m >= ford.worksBelow_m
            ? ('river' as const)
            : null,
    };
  };
  /** The walk with one at a place at a moment; the same object where nothing is new. */
  const reckon = (before: WalkDraft, where: Where, ms: number): WalkDraft => {
    const w = before.day === today ? before : newWalk(today);
    const accuracy_m = where.accuracy_m ?? 0;
    const { way, turn_m } =
      w.began_m === null
        ? { way: w.way, turn_m: where.distance_m }
        : walkingWay({ way: w.way, turn_m: w.turn_m }, where.distance_m, accuracy_m);
    const { back, wayShut } = at(where.distance_m, ms);
    const { ring, rung } = bellsAt(
      { here_m: where.distance_m, accuracy_m, way, turnIn_min: back?.left_min ?? null, isShut: wayShut !== null },
      all.filter((m) => !w.done.includes(m.id)),
      shut,
      w.rung,
    );
    if (w === before && where === w.where && rung === w.rung) return before;
    return {
      ...w,
      began_m: w.began_m ?? where.distance_m,
      way,
      turn_m,
      where,
      rung,
      said: ring.length > 0 ? { bells: ring, at_ms: ms } : w.said,
    };
  };
  const change = (next: (before: WalkDraft) => WalkDraft): void => {
    const before = latest.current;
    const after = next(before);
    if (after === before) return;
    latest.current = after;
    keep(after);
    if (after.said && after.said !== before.said) ring(after.said.bells);
  };
  const arrive = (where: Where): void => change((before) => reckon(before, where, where.at_ms));
  // The hour to turn comes while one stands still, too, and so does the river.
  const tick = useRef<(ms: number) => void>(() => undefined);
  useEffect(() => {
    tick.current = (ms) => change((before) => (before.where ? reckon(before, before.where, ms) : before));
  });
  useEffect(() => tick.current(now_ms), [now_ms]);
  const nearest_m = (here_m: number): number | null => {
    const far = [...marks.map((m) => m.distance_m), ...shut.flatMap((s) => [s.from_m, s.to_m])].map((d) =>
      Math.abs(d - here_m),
    );
    return far.length === 0 ? null : Math.min(...far);
  };
  const noFix = useWhere(ground, walk.byHand, nearest_m, arrive);

  const { where, way } = walk;
  const here_m = where?.distance_m ?? null;
  const ahead = here_m === null ? [] : aheadOf(marks, way, here_m);
  const next = ahead[0] ?? null;
  const edges =
    here_m === null
      ? []
      : aheadOf(
          shut.map((s) => ({ ...s, distance_m: way === 'up' ? s.from_m : s.to_m })),
          way,
          here_m,
        ).filter((e) => e.ahead_m > 0);
  const { back, ford, wayShut } = here_m === null ? { back: null, ford: null, wayShut: null } : at(here_m, now_ms);
  return {
    ground,
    spots,
    reading,
    way,
    where,
    noFix,
    isOld: where !== null && where.accuracy_m !== null && now_ms - where.at_ms > FIX_OLD_MS,
    // Where the position is not allowed there is no other way.
    byHand: walk.byHand || !ground.line || noFix === 'denied',
    marks,
    ahead,
    left: marks.length,
    next,
    isThere:
      next !== null && Math.abs(next.ahead_m) <= Math.max(BEHIND_M, Math.min(PLACE_BELL_M, where?.accuracy_m ?? 0)),
    shut,
    inShut: here_m === null ? null : (shut.find((s) => here_m >= s.from_m && here_m <= s.to_m) ?? null),
    edge: edges[0] ?? null,
    back,
    shore,
    seaOpens_min: tide?.way?.find((w) => w.from_min > local.minuteOfDay(now_ms))?.from_min ?? null,
    river: level ? { level_m: level.level_m, isFresh, readAt: level.readAt, ford } : null,
    wayShut,
    said: walk.said,
    isNews: walk.said !== null && now_ms - walk.said.at_ms < NEWS_MS,
    isReady: ranking !== null,
    sayWhere: (distance_m) => arrive({ distance_m, bank: 'mid', offset_m: 0, accuracy_m: null, at_ms: Date.now() }),
    setByHand: (byHand) => change((w) => ({ ...w, byHand })),
    done: (id) => change((w) => ({ ...w, done: [...w.done, id] })),
    undone: (id) => change((w) => ({ ...w, done: w.done.filter((d) => d !== id) })),
  };
}
