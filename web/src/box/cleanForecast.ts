import type { Forecast, StoredCleanup, StoredForecast, StoredRun } from '@riffle/contract';
import {
  bankVolume_L,
  beliefBand_mg_L,
  beliefMean_mg_L,
  forecastClean,
  measureBox,
  type BoxEvidence,
  type BoxSetting,
  type CleanForecast,
  type FedGround,
  type SpotGrade,
} from '@riffle/core';
import { rigSections } from '../records/rigSections.ts';
import {
  earlierCleans,
  evidenceOf,
  feedOf_m3_s,
  oneSetupOf,
  settingAsSet,
  speaking,
  type BoxBook,
} from './boxEvidence.ts';
import { usualCuts_m } from './usualCuts.ts';

/** What there is to foretell, and what it rests on. */
export interface ForecastProblem {
  readonly setting: BoxSetting;
  readonly evidence: readonly BoxEvidence[];
  readonly stretches: readonly { readonly from_m: number; readonly to_m: number }[];
  readonly fed: readonly FedGround[];
  readonly luck_mg: number;
  /** Of the record: all but what is said. */
  readonly about: Pick<Forecast, 'groundId' | 'setupId' | 'runIds' | 'volumeBank_L' | 'pans' | 'measuredBy'>;
}

/** What a clean-up of these runs rests on; null where one of their spots was never panned, or their box is not one. */
export function forecastProblem(
  groundId: string,
  runs: readonly StoredRun[],
  grades: ReadonlyMap<string, SpotGrade>,
  book: BoxBook,
): ForecastProblem | null {
  const one = oneSetupOf(runs, book);
  const setting = one && settingAsSet(one.setup, one.rig, book.gold, feedOf_m3_s(runs));
  if (!one || !setting) return null;
  const bySpot = new Map<string, number>();
  for (const r of runs)
    for (const [id, loose_L] of Object.entries(r.tally.bySpot_L)) bySpot.set(id, (bySpot.get(id) ?? 0) + loose_L);
  const [fed, pans]: [FedGround[], number[]] = [[], []];
  for (const [spotId, loose_L] of bySpot) {
    if (loose_L <= 0) continue;
    const spot = grades.get(spotId);
    if (!spot) return null;
    const band = beliefBand_mg_L(spot.pooled);
    const grade = beliefMean_mg_L(spot.pooled);
    if (!(grade > 0) || !(band.high > 0)) return null;
    pans.push(spot.samples);
    fed.push({
      bank_L: bankVolume_L(loose_L, book.swell_percent),
      grade_mg_L: grade,
      band_mg_L: band,
      earlier: earlierCleans(book, spotId),
    });
  }
  if (fed.length === 0) return null;
  const evidence = speaking(evidenceOf(book, one.rig.id));
  const cuts_m = usualCuts_m(rigSections(one.rig));
  return {
    setting,
    evidence,
    stretches: cuts_m.map((to_m, i) => ({ from_m: cuts_m[i - 1] ?? 0, to_m })),
    fed,
    luck_mg: book.luck_mg,
    about: {
      groundId,
      setupId: one.setup.id,
      runIds: runs.map((r) => r.id).sort(),
      volumeBank_L: fed.reduce((sum, f) => sum + f.bank_L, 0),
      pans: pans.reduce((a, b) => a + b, 0),
      measuredBy: evidence.length,
    },
  };
}

/** Measures the box, then says what its clean-up should hold. */
export function* sayForecast({
  setting,
  evidence,
  stretches,
  fed,
  luck_mg,
}: ForecastProblem): Generator<{ done: number }, CleanForecast> {
  const { boxes } = measureBox(evidence);
  yield { done: 0.8 };
  return forecastClean(setting, boxes, stretches, fed, luck_mg);
}

/** Milligrams as they are sealed: three figures, as no scale reads finer what lies ahead. */
const sealed_mg = (mg: number): number => Number(mg.toPrecision(3));
const ends = ({ low, middle, high }: CleanForecast['all_mg']) => ({
  low_mg: sealed_mg(low),
  middle_mg: sealed_mg(middle),
  high_mg: sealed_mg(high),
});

/** The forecast as it goes into the book. */
export const forecastRecord = (
  { about, stretches }: ForecastProblem,
  said: CleanForecast,
  sealedAt: string,
): Omit<Forecast, 'id' | 'deleted'> => ({
  ...about,
  sealedAt,
  sections: stretches.map((s, i) => ({ ...s, ...ends(said.stretches[i] ?? said.all_mg) })),
  all: ends(said.all_mg),
});

/** The forecast that is of just these runs as they stand: the last one sealed, unless more was fed since. */
export function sealedFor(
  forecasts: readonly StoredForecast[],
  runs: readonly Pick<StoredRun, 'id'>[],
  volumeBank_L: number | null,
  before = '9',
): StoredForecast | null {
  const ids = runs.map((r) => r.id).sort();
  return (
    forecasts
      .filter(
        (f) =>
          f.sealedAt < before &&
          f.runIds.length === ids.length &&
          f.runIds.every((id, i) => id === ids[i]) &&
          (volumeBank_L === null || Math.abs(f.volumeBank_L - volumeBank_L) < 0.01 * volumeBank_L),
      )
      .sort((a, b) => b.sealedAt.localeCompare(a.sealedAt))[0] ?? null
  );
}

/** One stretch of an opened forecast; `null` for the whole box. */
export interface OpenedStretch {
  readonly from_m: number | null;
  readonly to_m: number;
  readonly low_mg: number;
  readonly middle_mg: number;
  readonly high_mg: number;
  readonly came_mg: number;
  readonly held: boolean;
}
export interface OpenedClean {
  readonly all: OpenedStretch;
  /** Stretch by stretch, where the box was cut where it was said. */
  readonly stretches: readonly OpenedStretch[];
}

/** Cuts a finger apart are one cut. */
const ONE_CUT_M = 0.011;

/** A forecast beside what was weighed. */
export function openForecast(
  { sections, all }: Pick<Forecast, 'sections' | 'all'>,
  weighed: readonly Pick<StoredCleanup['sections'][number], 'from_m' | 'to_m' | 'gold_mg'>[],
): OpenedClean {
  const beside = (said: Forecast['all'], came_mg: number, from_m: number | null, to_m: number): OpenedStretch => ({
    from_m,
    to_m,
    low_mg: said.low_mg,
    middle_mg: said.middle_mg,
    high_mg: said.high_mg,
    came_mg,
    held: said.low_mg <= came_mg && came_mg <= said.high_mg,
  });
  const same =
    weighed.length === sections.length &&
    sections.every(
      (s, i) =>
        Math.abs(s.from_m - (weighed[i]?.from_m ?? NaN)) < ONE_CUT_M &&
        Math.abs(s.to_m - (weighed[i]?.to_m ?? NaN)) < ONE_CUT_M,
    );
  return {
    all: beside(
      all,
      weighed.reduce((sum, w) => sum + w.gold_mg, 0),
      null,
      Math.max(...sections.map((s) => s.to_m)),
    ),
    stretches: same ? sections.map((s, i) => beside(s, weighed[i]?.gold_mg ?? 0, s.from_m, s.to_m)) : [],
  };
}
