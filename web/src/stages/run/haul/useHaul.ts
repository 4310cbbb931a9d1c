import {
  beliefMean_mg_L,
  CONTAINERS,
  measureWasher,
  weighPasses,
  type Spread,
  type UnsureDry,
  type WeighedWays,
} from '@riffle/core';
import { useMemo } from 'react';
import { useBoxBook } from '../../../box/useBoxBook.ts';
import { washerEvidenceOf } from '../../../box/washerEvidence.ts';
import { washerAsSet } from '../../../box/washerSetting.ts';
import { usePreferences } from '../../../preferences/preferences.ts';
import { useReading } from '../../../reading/useReading.ts';
import { useContainers } from '../../../records/useContainers.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { useRecordsOfAll } from '../../../records/useRecordsOfAll.ts';
import { useGround, usePicked } from '../../../shell/useGround.ts';
import { useDraft } from '../../../ui/useDraft.ts';
import { useWork } from '../../../workers/useThread.ts';
import type { HaulProblem } from './haul.worker.ts';
import {
  asPace,
  haulWay,
  looseGrade_mg_m3,
  newHaul,
  ownPace_m3_h,
  panWay,
  readHaul,
  type HaulDraft,
} from './readHaul.ts';

const open = (): Worker => new Worker(new URL('./haul.worker.ts', import.meta.url), { type: 'module' });
const SET_UP_H = 0.5;

/** Gravel where no water is, and the ways to its gold: as typed, with the crew's own washer, paces and prices. */
export function useHaul() {
  const { ground, spots } = useGround();
  const { picked } = usePicked();
  const { preferences } = usePreferences();
  const containers = useContainers();
  const reading = useReading(ground);
  const book = useBoxBook(ground, reading);
  const allRuns = useRecordsOfAll('runs').items;
  const allSetups = useRecordsOfAll('setups').items;
  const rigs = useRecords('rigs').items;
  const [kept, setDraft] = useDraft<HaulDraft>(`haul-${ground.id}`, () => newHaul(preferences.display.system === 'US'));
  const draft = useMemo(() => ({ ...newHaul(preferences.display.system === 'US'), ...kept }), [kept, preferences]);
  const readings = useMemo(() => readHaul(draft, containers), [draft, containers]);

  const washer = useMemo((): { name: string; way: UnsureDry } | null => {
    const set = [...book.setups].filter((s) => s.air).sort((a, b) => b.setAt.localeCompare(a.setAt))[0];
    const rig = book.rigs.find((r) => r.id === set?.rigId);
    const setting = set && rig && washerAsSet(set, rig, book.gold);
    if (!setting) return null;
    const evidence = washerEvidenceOf(book, rig.id).flatMap((m) => (m.evidence ? [m.evidence] : []));
    const passes = Number(draft.passes);
    const weighed = weighPasses(setting, measureWasher(evidence).washers, passes);
    const held = weighed.at(-1)?.heldSoFar;
    if (!held) return null;
    const own = ownPace_m3_h(book.runs, book.setups, book.rigs, true);
    return {
      name: rig.name,
      way: {
        pace_m3_h: asPace(own, setting.crew_m3_s * 3600),
        lost: asLost(held),
        passes,
        setUp_h: SET_UP_H,
        running_per_h: 0,
      },
    };
  }, [book, draft.passes]);
  const ownWet = useMemo(() => ownPace_m3_h(allRuns, allSetups, rigs, false), [allRuns, allSetups, rigs]);
  const bucket_L = containers.bucket ?? CONTAINERS.bucket;
  const pan_L = containers.pan ?? CONTAINERS.pan;
  const spot = spots.find((s) => s.id === picked);
  const grade = picked === null ? undefined : reading.grades.get(picked);
  const grade_mg_L = grade ? beliefMean_mg_L(grade.pooled) : null;
  const { hourMustBring } = preferences;
  const problem = useMemo((): HaulProblem | null => {
    const haul = haulWay(readings, ownWet, bucket_L);
    if (!haul || !readings.volume.ok) return null;
    return {
      gravel: {
        volume_m3: readings.volume.value / 1000,
        grade_mg_m3: looseGrade_mg_m3(grade_mg_L !== null && grade_mg_L > 0 ? grade_mg_L : null, ground),
        // Nobody said what an hour is worth: then hours are what a gram costs.
        hourValue: hourMustBring ?? 1,
      },
      washer: washer?.way ?? null,
      pan: panWay(pan_L),
      haul: hourMustBring === null ? { ...haul, cost_per_km: 0 } : haul,
    };
  }, [readings, ownWet, bucket_L, pan_L, grade_mg_L, ground, hourMustBring, washer]);
  const work = useWork<HaulProblem, { done: number }, WeighedWays>(open, problem);
  return {
    ground,
    spot,
    draft,
    change: (some: Partial<HaulDraft>): void => setDraft((before) => ({ ...before, ...some })),
    readings,
    washerName: washer?.name ?? null,
    ownWet,
    bucket_L,
    isPanned: grade_mg_L !== null && grade_mg_L > 0,
    inMoney: hourMustBring !== null,
    money: preferences.money,
    problem,
    found: work.solved?.result ?? null,
    settled: work.solved?.problem === problem,
  };
}
export type Haul = ReturnType<typeof useHaul>;

/** What is lost, from what is held with its band: nine in ten between its ends. */
function asLost({ low, middle, high }: Spread): { middle: number; logSd: number } {
  const [most, mid, least] = [1 - low, 1 - middle, 1 - high].map((x) => Math.max(0.005, x)) as [number, number, number];
  return { middle: mid, logSd: Math.log(most / least) / (2 * 1.645) };
}
