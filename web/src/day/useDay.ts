import type { StoredDaySheet, StoredGround, StoredSpot } from '@riffle/contract';
import {
  CONTAINERS,
  dayCandidates,
  dayProblem,
  dayVisits,
  panningPace,
  leftToDig,
  onAndOff,
  timeDay,
  walkedLine,
  withSlack,
  type Candidate,
  type DayPlan,
  type DayProblem,
  type Pace,
  type RiverNow,
} from '@riffle/core';
import { useMemo } from 'react';
import { claimWords, shutClaim } from '../ground/claims.ts';
import { useClaims } from '../ground/useClaims.ts';
import { useContainers } from '../records/useContainers.ts';
import { usePreferences } from '../preferences/preferences.ts';
import { rankReading, type RankedReading } from '../reading/rankReading.ts';
import { useReading } from '../reading/useReading.ts';
import { useDraft } from '../ui/useDraft.ts';
import { firstDraft, type DayDraft } from './dayDraft.ts';
import { daySky, inDaylight, type DaySky } from './daySky.ts';
import { shoreOf, tideDay, type Shore, type TideDay } from '../shore/shoreOf.ts';
import { usePlanner, type Planner } from './usePlanner.ts';
import { useLocalTime } from '../when/useLocalTime.ts';

/** The planner chooses among so many places at most, best first. */
const MOST_PLACES = 40;

export interface Day {
  readonly draft: DayDraft;
  readonly change: (some: Partial<DayDraft> | ((before: DayDraft) => Partial<DayDraft>)) => void;
  readonly forget: () => void;
  readonly candidates: readonly Candidate[];
  readonly closed: readonly Candidate[];
  readonly ranking: RankedReading;
  readonly pace: Pace;
  readonly river: RiverNow | null;
  readonly sky: DaySky;
  readonly tide: TideDay | null;
  /** The sea off a beach; null on other grounds. */
  readonly shore: Shore | null;
  /** By when one has to be back, and whether it is the sea that says so. */
  readonly backBy: { readonly min: number; readonly bySea: boolean };
  /** The way on and off is under water as long as the day is to last. */
  readonly wayShut: boolean;
  readonly planner: Planner;
  /** The day as it stands: the person's order, else Riffle's. */
  readonly plan: DayPlan | null;
  /** There is something to plan, and its first order is still being looked for. */
  readonly findingOrder: boolean;
  /** Where what is left of the day is for digging; null where nothing is, or nowhere pays. */
  readonly digsAt: string | null;
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
  const local = useLocalTime();
  const reading = useReading(ground);
  const { samples, pace: told, river } = reading;
  const { pays_mg_L, reach_m, priors } = usePreferences().preferences;
  const claims = useClaims(ground, date);
  const pan_L = useContainers().pan ?? CONTAINERS.pan;
  const ranking = useMemo(
    () => rankReading(reading, spots, { pays_mg_L, reach_m, priors, pan_L }, claims),
    [reading, spots, pays_mg_L, reach_m, priors, pan_L, claims],
  );
  const [draft, setDraft, forget] = useDraft<DayDraft>(
    `day-${ground.id}-${date}${kept ? `-${kept.id}-${kept.version}` : ''}`,
    () => firstDraft(ground, kept, daySky(ground, date, local), tideDay(ground, date, local, 0)),
  );
  const line = useMemo(() => walkedLine(ground), [ground]);
  const pace = useMemo(() => told ?? panningPace(ground, spots, samples), [told, ground, spots, samples]);

  // The hour is enough: a plan must not be made anew each minute because a reading grows old.
  const hour = Math.floor(now.getTime() / 3_600_000);
  const { aim, way: digs } = draft;
  const best = useMemo(() => ranking.ranked.slice(0, MOST_PLACES), [ranking]);
  // What a place is worth does not hang on the hours: it is not weighed again at each ten minutes more.
  const visits = useMemo(
    () => dayVisits(best, ranking.panRules, pace.pan_min, { aim, way: digs }),
    [best, ranking, pace, aim, digs],
  );
  const all = useMemo(
    () =>
      dayCandidates(ground.kind, spots, best, visits, draft, pace, river, line, hour * 3_600_000, (place) => {
        const claim = shutClaim(claims, place);
        return claim ? claimWords(claim) : null;
      }),
    [ground, spots, best, visits, draft, pace, river, line, hour, claims],
  );
  const tried = useMemo(() => all.filter((c) => c.closed === null), [all]);
  const shore = useMemo(
    () => (ground.kind === 'beach' ? shoreOf(ground, reading.signs, reading.swell, hour * 3_600_000) : null),
    [ground, reading.signs, reading.swell, hour],
  );
  // What today's swell adds says nothing of another day.
  const adds_m = shore && date === local.isoDay(now) ? shore.adds_m : 0;
  const tide = useMemo(() => tideDay(ground, date, local, adds_m), [ground, date, local, adds_m]);
  const sky = useMemo(() => daySky(ground, date, local), [ground, date, local]);
  // Nobody sees a color in the dark: work begins with the sun and ends with it.
  const open = useMemo(() => {
    const all = inDaylight(sky, tide?.work ?? null);
    return ({ worksBelow_m }: Candidate) =>
      tide && worksBelow_m !== null ? inDaylight(sky, tide.workAt(worksBelow_m)) : all;
  }, [sky, tide]);
  const way = useMemo(() => tide && onAndOff(tide, draft.start_min, draft.back_min), [tide, draft]);
  const wayShut = tide !== null && tide.way !== null && way === null && draft.back_min > draft.start_min;
  const hours = useMemo(
    () => ({
      ...draft,
      start_min: way?.from_min ?? draft.start_min,
      back_min: way?.to_min ?? draft.back_min,
    }),
    [draft, way],
  );
  const asked = useMemo<DayProblem | null>(
    () =>
      draft.back_min > draft.start_min && tried.length > 0 && !wayShut ? dayProblem(tried, hours, line, open) : null,
    [tried, draft, hours, wayShut, line, open],
  );
  // Riffle's own order leaves something for what goes wrong; a person's may use it up.
  const planner = usePlanner(useMemo(() => asked && withSlack(asked), [asked]));
  const order = useMemo(() => draft.order ?? planner.plan?.stops.map((s) => s.id) ?? null, [draft.order, planner.plan]);
  // Once it is known what there is to know, what is left of the day is for digging.
  const digging = useMemo(() => {
    const id = draft.way === 'quick pans' && draft.aim === 'best traps' ? (ranking.next?.digs ?? null) : null;
    if (!asked || !order || id === null || draft.minutes[id] !== undefined) return null;
    if (draft.order && draft.order.at(-1) !== id) return null;
    const places = order.map((o) => asked.stops.findIndex((s) => s.id === o)).filter((i) => i >= 0);
    const left_min = leftToDig(
      withSlack(asked),
      places,
      asked.stops.findIndex((s) => s.id === id),
    );
    return left_min === null ? null : { id, left_min };
  }, [asked, order, ranking, draft]);
  const candidates = useMemo(
    () =>
      digging ? tried.map((c) => (c.id === digging.id ? { ...c, work_min: digging.left_min, pans: 0 } : c)) : tried,
    [tried, digging],
  );
  const problem = useMemo<DayProblem | null>(
    () => asked && (candidates === tried ? asked : dayProblem(candidates, hours, line, open)),
    [asked, candidates, tried, hours, line, open],
  );
  const plan = useMemo(() => {
    if (!problem || !order) return null;
    const ids = digging ? [...order.filter((id) => id !== digging.id), digging.id] : order;
    return timeDay(
      problem,
      ids.map((id) => problem.stops.findIndex((s) => s.id === id)).filter((i) => i >= 0),
    );
  }, [problem, order, digging]);
  // Plan B is the same day without what goes wrong first: places the water takes.
  const dry = useMemo(() => tried.filter((c) => !c.byWater), [tried]);
  const problemB = useMemo(
    () => (problem && dry.length > 0 && dry.length < tried.length ? dayProblem(dry, hours, line, open) : null),
    [problem, dry, tried, hours, line, open],
  );
  const plannerB = usePlanner(useMemo(() => problemB && withSlack(problemB), [problemB]));
  return {
    draft,
    change: (some) => setDraft((before) => ({ ...before, ...(typeof some === 'function' ? some(before) : some) })),
    forget,
    candidates,
    closed: all.filter((c) => c.closed !== null),
    ranking,
    pace,
    river,
    sky,
    tide,
    shore,
    backBy: { min: hours.back_min, bySea: hours.back_min < draft.back_min },
    wayShut,
    planner,
    plan,
    // An order made for other hours may hold what these leave no time for: nobody is told so while the right one is on its way.
    findingOrder:
      problem !== null && (plan === null || (!draft.order && planner.isOld && plan.stops.some((s) => s.late))),
    digsAt: digging?.id ?? null,
    planB: problemB ? plannerB.plan : null,
    places: useMemo(() => new Map([...all, ...candidates].map((c) => [c.id, c])), [all, candidates]),
  };
}
