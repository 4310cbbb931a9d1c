import { SPOT_KINDS, TEXTS } from '@riffle/contract';
import { centreLine, isNoDig, type Bank } from '@riffle/core';
import { useMemo, useState } from 'react';
import { blankPan, usualPan, usualPanWords } from '../../../pan/usualPan.ts';
import { keptSeenWith } from '../../../pan/seenWith.ts';
import { useContainers } from '../../../records/useContainers.ts';
import { justKept, useKeep } from '../../../records/useKeep.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { useShow } from '../../../units/useShow.ts';
import type { Walk } from './useWalk.ts';

/** What was kept last on this walk, with the way back. */
export interface LastKept {
  readonly says: string;
  readonly at_ms: number;
  readonly undo: () => void;
}

/** Nearer than this to a marked spot one stands at it. Common practice, no source: a hole's width and an arm's. */
const AT_SPOT_M = 10;

/** Keeping from a walk: a blank, a place to count at, a place passed by. Nothing is kept where no place is known. */
export function useWalkKeep(walk: Walk) {
  const { ground, spots, where, next, isThere, isOld } = walk;
  const show = useShow();
  const samples = useRecords('samples', ground.id).items;
  const signs = useRecords('signs', ground.id).items;
  const containers = useContainers();
  const keepSpot = useKeep('spots');
  const keepSample = useKeep('samples');
  const keepSign = useKeep('signs');
  const [last, setLast] = useState<LastKept | null>(null);
  const usual = useMemo(() => usualPan(samples), [samples]);
  const mark = isThere ? next : null;
  const near =
    where &&
    spots
      .filter((s) => sameBank(s.bank, where.bank))
      .map((s) => ({ ...s, away_m: Math.abs(s.distance_m - where.distance_m) }))
      .filter((s) => s.away_m <= Math.max(AT_SPOT_M, where.accuracy_m ?? 0))
      .sort((a, b) => a.away_m - b.away_m)[0];
  const at =
    !where || isOld
      ? null
      : mark
        ? { name: mark.name, spotId: mark.spotId }
        : near
          ? { name: near.name, spotId: near.id }
          : { name: null, spotId: null };

  /** The spot one stands at, made where there is none; what takes it back if it was made. */
  const spotHere = (): { id: string; name: string; undo: () => void } | null => {
    if (!where || !at) return null;
    if (at.spotId !== null) return { id: at.spotId, name: at.name ?? '', undo: () => undefined };
    const { distance_m, bank, offset_m } = mark
      ? { distance_m: mark.distance_m, bank: mark.bank, offset_m: mark.bank === 'mid' ? 0 : 6 }
      : where;
    const name = (at.name ?? `At ${show.distance(distance_m)}`).slice(0, TEXTS.name.longest);
    const record = {
      groundId: ground.id,
      name,
      kind: SPOT_KINDS.find((k) => !isNoDig(k) && mark?.kinds.includes(k)) ?? 'other',
      distance_m,
      bank,
      offset_m,
      position: ground.line ? centreLine(ground.line).positionAt(distance_m, offset_m, bank) : null,
      worksBelow_m: null,
      worksBelowEntered: null,
      samplePlanId: null,
      note: '',
    };
    const id = keepSpot.add(record);
    return {
      id,
      name,
      undo: () => keepSpot.takeOut(justKept(record, id)),
    };
  };

  const tell = (says: string, undo: () => void): void => {
    if (mark) walk.done(mark.id);
    setLast({
      says,
      at_ms: Date.now(),
      undo: () => {
        undo();
        if (mark) walk.undone(mark.id);
        setLast(null);
      },
    });
  };
  return {
    /** Where what is kept now would stand; null while no place is known. */
    at,
    last,
    usualSays: usual && usualPanWords(usual),
    blank: (): void => {
      const spot = usual && spotHere();
      if (!spot) return;
      const record = blankPan(usual, containers, { groundId: ground.id, spotId: spot.id, seenWith: keptSeenWith() });
      if (!record) {
        spot.undo();
        return;
      }
      const id = keepSample.add(record);
      tell(`${spot.name}, a blank`, () => {
        keepSample.takeOut(justKept(record, id));
        spot.undo();
      });
    },
    /** The spot to count colors at. */
    countHere: (): string | null => {
      const spot = spotHere();
      if (spot && mark) walk.done(mark.id);
      return spot?.id ?? null;
    },
    /** Leaves the next place for another time: it stands on the return list with what it needs. */
    pass: (needs: string): void => {
      if (!next) return;
      const sign = signs.filter((s) => next.signIds.includes(s.id)).at(-1);
      walk.done(next.id);
      const says = `${next.name} passed: ${needs}`;
      const undone = (undo: () => void) => () => {
        undo();
        walk.undone(next.id);
        setLast(null);
      };
      if (sign) {
        keepSign.change(sign, { comeBackWith: needs });
        const { version, updatedAt: _at, ...before } = sign;
        setLast({
          says,
          at_ms: Date.now(),
          undo: undone(() => keepSign.change({ ...sign, version: version + 1 }, before)),
        });
        return;
      }
      const record = {
        groundId: ground.id,
        kind: 'own word' as const,
        distance_m: next.distance_m,
        bank: next.bank,
        offset_m: next.bank === 'mid' ? 0 : 6,
        position: null,
        seenAt: new Date().toISOString(),
        size_mm: null,
        sizeEntered: null,
        height_m: null,
        heightEntered: null,
        cover_m: null,
        coverEntered: null,
        // It says nothing for or against the place.
        weight: 0,
        traits: {},
        comeBackWith: needs,
        note: `Passed by: ${next.name}`,
      };
      const id = keepSign.add(record);
      setLast({
        says,
        at_ms: Date.now(),
        undo: undone(() => keepSign.takeOut(justKept(record, id))),
      });
    },
  };
}
export type WalkKeep = ReturnType<typeof useWalkKeep>;

const sameBank = (a: Bank, b: Bank): boolean => a === b || a === 'mid' || b === 'mid';
