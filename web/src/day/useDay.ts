import type { StoredDaySheet, StoredGround, StoredSpot } from '@riffle/contract';
import {
  CONTAINERS,
  dayCandidates,
  dayProblem,
  pacePerPan,
  timeDay,
  walkedLine,
  walkingMinutes,
  type Candidate,
  type DayPlan,
  type DayProblem,
  type Pace,
  type PlaceRanking,
  type RiverNow,
} from '@riffle/core';
import { useMemo } from 'react';
import { usePreferences } from '../preferences/preferences.ts';
import { rankReading } from '../reading/rankReading.ts';
import { useReading } from '../reading/useReading.ts';
import { useDraft } from '../ui/useDraft.ts';
import { firstDraft, type DayDraft } from './dayDraft.ts';
import { daySky, dayTide, type DaySky, type DayTide } from './daySky.ts';
import { usePlanner, type Planner } from './usePlanner.ts';

/** The planner chooses among so many places at most, best first. */
const MOST_PLACES = 40;

export interface Day {
  readonly draft: DayDraft;
  readonly change: (some: Partial<DayDraft>) => void;
  readonly forget: () => void;
  readonly candidates: readonly Candidate[];
  readonly closed: readonly Candidate[];
  readonly ranking: PlaceRanking;
  readonly pace: Pace;
  readonly river: RiverNow | null;
  readonly sky: DaySky;
  readonly tide: DayTide | null;
  readonly planner: Planner;
  /** The day as it stands: the person's order, else Riffle's. */
  readonly plan: DayPlan | null;
  /** There is something to plan, and its first order is still being looked for. */
  readonly findingOrder: boolean;
  /** What is left when things go wrong; null when nothing is. */
  readonly planB: DayPlan | null;
  readonly places: ReadonlyMap<string, Candidate>;
}

/** One day on one ground: what could be worked, in which order, and what stands against it. */
export function useDay(
  ground: StoredGround,
  spots: readonly StoredSpot[],
  date: string,
  kept: StoredDaySheet | undefined,
  now: Date,
): Day {
  const reading = useReading(ground, spots);
  const { samples, river } = reading;
  const { pays_mg_L, reach_m, priors } = usePreferences().preferences;
  const ranking = useMemo(
    () => rankReading(reading, spots, { pays_mg_L, reach_m, priors }),
    [reading, spots, pays_mg_L, reach_m, priors],
  );
  const [draft, setDraft, forget] = useDraft<DayDraft>(
    `day-${ground.id}-${date}${kept ? `-${kept.id}-${kept.version}` : ''}`,
    () => firstDraft(ground, kept),
  );
  const line = useMemo(() => walkedLine(ground), [ground]);
  const pace = useMemo(() => {
    const at = new Map(spots.map((s) => [s.id, Math.min(line.length_m, s.distance_m)]));
    return pacePerPan(
      samples.map((s) => ({ at_ms: Date.parse(s.takenAt), spotId: s.spotId, pans: s.volume_L / CONTAINERS.pan })),
      (a, b) => walkingMinutes(line, at.get(a) ?? 0, at.get(b) ?? 0),
    );
  }, [samples, spots, line]);

  // The hour is enough: a plan must not be made anew each minute because a reading grows old.
  const hour = Math.floor(now.getTime() / 3_600_000);
  const all = useMemo(
    () =>
      dayCandidates(
        ground.kind,
        spots,
        ranking.ranked.slice(0, MOST_PLACES),
        draft,
        pace,
        river,
        line,
        hour * 3_600_000,
      ),
    [ground, spots, ranking, draft, pace, river, line, hour],
  );
  const candidates = useMemo(() => all.filter((c) => c.closed === null), [all]);
  const tide = useMemo(() => dayTide(ground, date), [ground, date]);
  const problem = useMemo<DayProblem | null>(
    () =>
      draft.back_min > draft.start_min && candidates.length > 0
        ? dayProblem(candidates, draft, line, tide?.open ?? null)
        : null,
    [candidates, draft, line, tide],
  );
  const planner = usePlanner(problem);
  const plan = useMemo(() => {
    if (!problem) return null;
    const ids = draft.order ?? planner.plan?.stops.map((s) => s.id) ?? null;
    if (!ids) return null;
    return timeDay(
      problem,
      ids.map((id) => problem.stops.findIndex((s) => s.id === id)).filter((i) => i >= 0),
    );
  }, [problem, draft.order, planner.plan]);
  // Plan B is the same day without what goes wrong first: places the water takes.
  const dry = useMemo(() => candidates.filter((c) => !c.byWater), [candidates]);
  const problemB = useMemo(
    () =>
      problem && dry.length > 0 && dry.length < candidates.length
        ? dayProblem(dry, draft, line, tide?.open ?? null)
        : null,
    [problem, dry, candidates, draft, line, tide],
  );
  const plannerB = usePlanner(problemB);
  return {
    draft,
    change: (some) => setDraft((before) => ({ ...before, ...some })),
    forget,
    candidates,
    closed: all.filter((c) => c.closed !== null),
    ranking,
    pace,
    river,
    sky: useMemo(() => daySky(ground, date), [ground, date]),
    tide,
    planner,
    plan,
    findingOrder: problem !== null && plan === null,
    planB: problemB ? plannerB.plan : null,
    places: useMemo(() => new Map(all.map((c) => [c.id, c])), [all]),
  };
}
