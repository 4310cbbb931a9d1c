import type { StoredSample } from '@riffle/contract';
import type { GroundColors } from '@riffle/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { call } from '../api/client.ts';
import { CREW_ID } from '../api/opening.ts';
import { hashOf, laterOfEach, listKey } from '../offline/landing.ts';
import { useWaitingFor } from '../offline/outbox.ts';
import { withWaiting } from '../offline/writes.ts';
import { usePreferences } from '../preferences/preferences.ts';
import { useArrived } from './arrived.ts';
import { FIRST_PAGE } from './fetchLists.ts';
import { pannedOf } from './usePans.ts';
import { stateOf, type ListState } from './listStates.ts';
import { listOf, useRecords } from './useRecords.ts';

export interface LatestFirst {
  readonly samples: readonly StoredSample[];
  /** All of them are here. Before that, of a ground of very many, those taken last. */
  readonly isWhole: boolean;
  /** How far the whole list is. */
  readonly state: ListState;
  /** How many there are, and how many of them have come. */
  readonly of: number;
  readonly arrived: number;
  /** What a color weighs there by all of them, where only some are here. */
  readonly colors: GroundColors | null;
  readonly askAgain: () => void;
}

/** The samples of a ground: all of them, or while very many are on their way those taken last. */
export function useLatestSamples(groundId: string): LatestFirst {
  const { colorSchool } = usePreferences().preferences;
  const query = useQuery({ ...listOf('samples', groundId), enabled: false });
  const isHere = stateOf(query) === 'here';
  const panned = useQuery({ ...pannedOf(groundId, colorSchool), enabled: !isHere }).data?.panned;
  const isLong = !isHere && (panned?.samples ?? 0) > FIRST_PAGE;
  const { data: latest, failureCount } = useQuery({
    queryKey: ['latest samples', CREW_ID, groundId],
    queryFn: async () => ({
      ...(await call<{ readonly items: readonly StoredSample[] }>('GET', `/grounds/${groundId}/samples/latest`)),
      of: panned?.samples ?? 0,
      colors: panned?.colors ?? null,
    }),
    enabled: isLong,
    staleTime: Infinity,
    gcTime: 0,
  });
  // All of them would come in the way of the few that are wanted first.
  const list = useRecords('samples', isLong && !latest && failureCount === 0 ? '' : groundId);
  const isWhole = list.state === 'here';
  const waiting = useWaitingFor('samples', groundId);
  const landed = query.data;
  const some = useMemo(
    () =>
      latest && !isWhole
        ? withWaiting('samples', groundId, laterOfEach(latest.items, landed ?? []) as readonly StoredSample[], waiting)
        : null,
    [latest, isWhole, groundId, landed, waiting],
  );
  const arrived = useArrived([hashOf(listKey('samples', groundId))]);
  const { refetch } = query;
  return {
    samples: some ?? list.items,
    isWhole,
    state: stateOf(query),
    of: isWhole ? list.items.length : (latest?.of ?? 0),
    arrived,
    colors: isWhole ? null : (latest?.colors ?? null),
    askAgain: () => void refetch(),
  };
}
