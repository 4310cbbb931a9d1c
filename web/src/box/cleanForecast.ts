import type { Forecast, StoredCleanup, StoredForecast, StoredRun } from '@riffle/contract';
import {
  bankVolume_L,
  beliefBand_mg_L,
  beliefMean_mg_L,
  forecastClean,
  measureBox,
  type BoxEvidence,
  type CleanForecast,
  type FedGround,
  type FedThrough,
  type SpotGrade,
} from '@riffle/core';
import { rigSections } from '../api/rigSections.ts';
import {
  earlierCleans,
  evidenceOf,
  feedOf_m3_s,
  setAlike,
  settingAsSet,
  speaking,
  type BoxBook,
} from './boxEvidence.ts';
import { usualCuts_m } from './usualCuts.ts';

/** What there is to foretell, and what it rests on. */
export interface ForecastProblem {
  readonly evidence: readonly BoxEvidence[];
  readonly stretches: readonly { readonly from_m: number; readonly to_m: number }[];
  readonly fed: readonly FedGround[];
  readonly luck_mg: number;
  /** Of the record: all but what is said. */
  readonly about: Pick<Forecast, 'groundId' | 'setupId' | 'runIds' | 'volumeBank_L' | 'pans' | 'measuredBy'>;
}

/** Why nothing is foretold of some runs, in words. */
export interface NotForetold {
  readonly why: string;
}

/** What a clean-up of these runs rests on, or why nothing can be said of it: the box may have been set otherwise meanwhile, but is one. */
export function forecastProblem(
  groundId: string,
  runs: readonly StoredRun[],
  grades: ReadonlyMap<string, SpotGrade>,
  book: BoxBook,
  nameOf: (spotId: string) => string,
): ForecastProblem | NotForetold {
  const setups = runs.map((r) => book.setups.find((s) => s.id === r.setupId));
  const rigs = new Set(setups.map((s) => s?.rigId));
  const rig = book.rigs.find((r) => r.id === setups[0]?.rigId);
  const last = setups.at(-1);
  if (rigs.size > 1) return { why: 'These runs went through different boxes: weigh each box by itself.' };
  if (!rig || !last) return { why: 'The box of these runs was put away.' };
  if (rig.washer)
    return { why: 'What a dry washer should hold is not sealed: its passes say what one of its kind holds.' };
  const through = new Map<string, FedThrough[]>();
  for (const group of setAlike(runs, book)) {
    const setting = settingAsSet(group.setup, rig, book.gold, feedOf_m3_s(group.runs));
    if (!setting) return { why: 'How much water the box ran in was not kept with its set-up.' };
    for (const [spotId, loose_L] of bySpotOf(group.runs))
      through.set(spotId, [
        ...(through.get(spotId) ?? []),
        { setting, bank_L: bankVolume_L(loose_L, book.swell_percent) },
      ]);
  }
  if (through.size === 0) return { why: 'Nothing was fed in these runs.' };
  const [fed, pans]: [FedGround[], number[]] = [[], []];
  for (const [spotId, parts] of through) {
    const spot = grades.get(spotId);
    const band = spot && beliefBand_mg_L(spot.pooled);
    const grade = spot ? beliefMean_mg_L(spot.pooled) : 0;
    if (!spot || !band || !(grade > 0) || !(band.high > 0))
      return { why: `No pan of ${nameOf(spotId)} says what went in: a pan of the feed would.` };
    pans.push(spot.samples);
    fed.push({ through: parts, grade_mg_L: grade, band_mg_L: band, earlier: earlierCleans(book, spotId) });
  }
  const evidence = speaking(evidenceOf(book, rig.id));
  const cuts_m = usualCuts_m(rigSections(rig));
  return {
    evidence,
    stretches: cuts_m.map((to_m, i) => ({ from_m: cuts_m[i - 1] ?? 0, to_m })),
    fed,
    luck_mg: book.luck_mg,
    about: {
      groundId,
      setupId: last.id,
      runIds: runs.map((r) => r.id).sort(),
      volumeBank_L: fed.reduce((sum, f) => sum + f.through.reduce((all, t) => all + t.bank_L, 0), 0),
      pans: pans.reduce((a, b) => a + b, 0),
      measuredBy: evidence.length,
    },
  };
}

/** Loose gravel of each spot that some runs fed, L. */
function bySpotOf(runs: readonly StoredRun[]): ReadonlyMap<string, number> {
  const bySpot = new Map<string, number>();
  for (const r of runs)
    for (const [id, loose_L] of Object.entries(r.tally.bySpot_L))
      if (loose_L > 0) bySpot.set(id, (bySpot.get(id) ?? 0) + loose_L);
  return bySpot;
}

/** Measures the box, then says what its clean-up should hold. */
export function* sayForecast({
  evidence,
  stretches,
  fed,
  luck_mg,
}: ForecastProblem): Generator<{ done: number }, CleanForecast> {
  const { boxes } = measureBox(evidence);
  yield { done: 0.8 };
  return forecastClean(boxes, stretches, fed, luck_mg);
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
