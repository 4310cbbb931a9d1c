import {
  cameOf,
  countColors,
  eyeRecord,
  gatherPlaces,
  gradeOf,
  ownRecord,
  replayBest,
  replayChances,
  type EyeRecord,
  type OpenedForecast,
  type ReplayedBest,
  type ReplayedChance,
} from '@riffle/core';
import type { StoredCleanup, StoredForecast, StoredSample } from '@riffle/contract';
import { useDeferredValue, useMemo } from 'react';
import { measuredRuns } from '../box/measuredRuns.ts';
import { openForecast, sealedFor, type OpenedClean } from '../box/cleanForecast.ts';
import { usePreferences } from '../preferences/preferences.ts';
import { useColors } from '../reading/useColors.ts';
import { useReading } from '../reading/useReading.ts';
import { useBook } from '../records/useBook.ts';
import { useRecords } from '../records/useRecords.ts';
import { useGround } from '../shell/useGround.ts';
import calibrated from './calibrated.json';
import { ownFifths } from './ownFifths.ts';

/** A judgement held against simulated truth, as `npm run calibrate` wrote it down. */
export interface Simulated {
  readonly says: string;
  readonly heldTo: string;
  readonly truth: string;
  readonly holds: boolean;
  readonly wide?: boolean;
  readonly came: number;
  readonly claim: readonly number[];
  readonly group: string;
  readonly times: number;
  readonly silent: number;
  readonly byForm?: string;
  readonly bins?: readonly { readonly said: number; readonly came: number; readonly times: number }[];
}

const NO_SAMPLES: readonly StoredSample[] = [];

/** How often Riffle is right: in simulation, and on this ground by its own clean-ups. */
export function useSure() {
  const { ground, spots } = useGround();
  const { colorSchool, pays_mg_L, reach_m, priors } = usePreferences().preferences;
  const signs = useRecords('signs', ground.id).items;
  const samples = useRecords('samples', ground.id).items;
  const pits = useRecords('pits', ground.id).items;
  const runs = useRecords('runs', ground.id).items;
  const setups = useRecords('setups', ground.id).items;
  const cleanups = useRecords('cleanups', ground.id).items;
  const lifts = useRecords('lifts', ground.id).items;
  const forecasts = useRecords('forecasts', ground.id).items;
  const book = useBook(ground.id);
  const { swell_percent } = ground;
  const opened = useMemo((): OpenedForecast[] => {
    const measured = measuredRuns({ cleanups, lifts, runs, setups, weighed: book?.weighed ?? [] }, swell_percent);
    return ownRecord(measured.runs, samples, swell_percent, pits, colorSchool);
  }, [cleanups, lifts, runs, setups, book, samples, pits, swell_percent, colorSchool]);
  const colors = useColors(ground, samples);
  // By the weights as they are known now: what came is what the pan is believed to have held.
  const eye = useMemo((): EyeRecord => {
    const kindsAt = new Map(gatherPlaces(spots, signs).map((p) => [p.spotId, p.kinds]));
    return eyeRecord(
      samples.flatMap((s) => {
        if (!s.saidBefore) return [];
        const grade = gradeOf([s], swell_percent, colors);
        const came = cameOf(countColors(s.counts), grade.kind === 'band' ? grade.grade_mg_L : null, pays_mg_L);
        return [{ kinds: kindsAt.get(s.spotId) ?? [], said: s.saidBefore, riffleSaid: s.riffleSaid, came }];
      }),
    );
  }, [samples, signs, spots, swell_percent, colors, pays_mg_L]);
  const draws = useReading(ground).draws;
  // After the first sight: it goes through the whole book.
  const late = useDeferredValue(samples, NO_SAMPLES);
  const replayed = useMemo(
    () =>
      replayChances(
        { spots, signs, draws, samples: late, pits, swell_percent, school: colorSchool },
        { pays_mg_L, reach_m, priors },
      ),
    [spots, signs, draws, late, pits, swell_percent, colorSchool, pays_mg_L, reach_m, priors],
  );
  const named = useMemo(
    () => replayBest({ samples: late, pits, swell_percent, school: colorSchool }),
    [late, pits, swell_percent, colorSchool],
  );
  const weighed = useMemo((): WeighedForecast[] => {
    return cleanups.flatMap((c) => {
      const sealed = sealedFor(
        forecasts,
        c.runIds.map((id) => ({ id })),
        null,
        c.cleanedAt,
      );
      return sealed ? [{ cleanup: c, sealed, opened: openForecast(sealed, c.sections) }] : [];
    });
  }, [cleanups, forecasts]);
  const fifths = ownFifths(replayed);
  return {
    ground,
    opened,
    weighed,
    eye,
    replayed,
    named,
    fifths,
    yours: yoursOf(opened, named, replayed, weighed),
    nameOf: (id: string): string => spots.find((s) => s.id === id)?.name ?? 'a spot since removed',
    judgements: calibrated as readonly Simulated[],
  };
}
export type Sure = ReturnType<typeof useSure>;

/** A forecast sealed when its runs stopped, and the clean-up that opened it. */
export interface WeighedForecast {
  readonly cleanup: StoredCleanup;
  readonly sealed: StoredForecast;
  readonly opened: OpenedClean;
}
const stretchesOf = (weighed: readonly WeighedForecast[], measured: (by: number) => boolean): boolean[] =>
  weighed.filter((w) => measured(w.sealed.measuredBy)).flatMap((w) => w.opened.stretches.map((s) => s.held));

/** The own count beside the simulated judgement it is one of: bands that held, chances that came on the side they were said. */
function yoursOf(
  opened: readonly OpenedForecast[],
  named: readonly ReplayedBest[],
  replayed: readonly ReplayedChance[],
  weighed: readonly WeighedForecast[],
): ReadonlyMap<string, string> {
  const of = (all: readonly boolean[]): string => `${all.filter(Boolean).length} of ${all.length}`;
  const counts: [string, readonly boolean[]][] = [
    ['Grade of a spot, counted, several pans', opened.map((o) => o.held)],
    ['What each stretch of a box nobody measured should weigh', stretchesOf(weighed, (n) => n === 0)],
    ['What each stretch should weigh after two clean-ups and a timed bucket', stretchesOf(weighed, (n) => n > 0)],
    ['Grade of the place named best', named.map((n) => n.held)],
    ['Chance that a place pays, with signs, pans and neighbors', replayed.map((r) => r.said >= 0.5 === r.paid)],
  ];
  return new Map(counts.filter(([, all]) => all.length > 0).map(([says, all]) => [says, of(all)]));
}
