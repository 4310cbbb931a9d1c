import type { StoredForecast, StoredGround, StoredRun } from '@riffle/contract';
import { bankVolume_L, type CleanForecast } from '@riffle/core';
import { useEffect, useMemo } from 'react';
import { useReading } from '../reading/useReading.ts';
import { useKeep } from '../records/useKeep.ts';
import { useListStates } from '../records/useListStates.ts';
import { useRecords } from '../records/useRecords.ts';
import { keptDraft } from '../ui/useDraft.ts';
import { useWork } from '../workers/useThread.ts';
import { forecastProblem, forecastRecord, sealedFor, type ForecastProblem } from './cleanForecast.ts';
import { useBoxBook } from './useBoxBook.ts';

const open = (): Worker => new Worker(new URL('./clean.worker.ts', import.meta.url), { type: 'module' });
/** Kinds a forecast rests on: none is sealed on half of them. */
const RESTS_ON = ['forecasts', 'runs', 'lifts', 'cleanups', 'setups', 'rigs', 'box-tests', 'pits'] as const;

/**
 * The forecast of these runs' clean-up. Where none is sealed yet and `maySeal` says that nothing was weighed, it is worked out and put in the book now,
 * once; it is not changed afterwards. `why`: what keeps anything from being said. `runs` is to be the same list for as long as it holds the same.
 */
export function useSealedForecast(
  ground: StoredGround,
  runs: readonly StoredRun[],
  maySeal: boolean,
): { readonly forecast: StoredForecast | null; readonly why: string | null } {
  const reading = useReading(ground);
  const book = useBoxBook(ground, reading);
  const forecasts = useRecords('forecasts', ground.id).items;
  const { add } = useKeep('forecasts');
  const here = useListStates(RESTS_ON, ground.id).states.every((s) => s === 'here');
  const stopped = runs.length > 0 && runs.every((r) => r.tally.stopped);
  const { swell_percent } = ground;
  const forecast = useMemo(
    () =>
      sealedFor(
        forecasts,
        runs,
        bankVolume_L(
          runs.reduce((sum, r) => sum + r.tally.volumeLoose_L, 0),
          swell_percent,
        ),
      ),
    [forecasts, runs, swell_percent],
  );
  const needed = maySeal && here && stopped && forecast === null;
  const spots = useRecords('spots', ground.id).items;
  const posed = useMemo(
    () =>
      needed
        ? forecastProblem(
            ground.id,
            runs,
            reading.grades,
            book,
            (id) => spots.find((s) => s.id === id)?.name ?? 'a spot put away',
          )
        : null,
    [needed, ground.id, runs, reading.grades, book, spots],
  );
  const why = posed && 'why' in posed ? posed.why : null;
  const problem = posed && 'why' in posed ? null : posed;
  const { solved } = useWork<ForecastProblem, { done: number }, CleanForecast>(open, problem);
  useEffect(() => {
    if (needed && solved && solved.problem === problem)
      add(forecastRecord(solved.problem, solved.result, new Date().toISOString()));
  }, [needed, solved, problem, add]);
  return { forecast, why };
}

/** Whether some weight of a clean-up stands typed on this device. */
export const weighingBegun = (groundId: string): boolean =>
  keptDraft<CleanupWeights>(`cleanup-${groundId}`)?.sections?.some(
    ({ gold, bySize = [] }) => gold.text.trim() !== '' || bySize.some((text) => text.trim() !== ''),
  ) ?? false;
interface CleanupWeights {
  readonly sections:
    readonly { readonly gold: { readonly text: string }; readonly bySize?: readonly string[] }[] | null;
}
