import type { Measurement, StoredRig, StoredSetup } from '@riffle/contract';
import { UNITS, type PassWorth } from '@riffle/core';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { useBoxBook } from '../../../box/useBoxBook.ts';
import { washerEvidenceOf } from '../../../box/washerEvidence.ts';
import { pitchText } from '../../../box/pitchText.ts';
import { usePreferences } from '../../../preferences/preferences.ts';
import { useReading } from '../../../reading/useReading.ts';
import { useContainers } from '../../../records/useContainers.ts';
import { useKeep } from '../../../records/useKeep.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { useGround, usePicked } from '../../../shell/useGround.ts';
import { toast } from '../../../ui/toast.ts';
import { useDraft } from '../../../ui/useDraft.ts';
import { unitTyped } from '../../../units/readEntered.ts';
import { useWork } from '../../../workers/useThread.ts';
import { TEST_WORDS } from '../testWords.ts';
import { ownedScreens_m } from '../ownedScreens.ts';
import type { RigInHand } from '../useRigInHand.ts';
import {
  newWasherDraft,
  puffsByPulleys,
  readWasher,
  washerFrom,
  washerRecord,
  type WasherDraft,
} from './readWasher.ts';
import type { WasherProblem, WasherResult, WasherStep } from './weighSetting.ts';

const open = (): Worker => new Worker(new URL('./washer.worker.ts', import.meta.url), { type: 'module' });

/** A sheet over the screen. */
export type WasherSheetOpen = 'rig' | 'new rig' | 'new washer' | Measurement['kind'] | null;

/** The dry washer in hand on this ground: as it is typed or dragged, what is said of it, and what was measured at it. */
export function useWasherScreen(rigInHand: RigInHand, rig: StoredRig) {
  const { ground, spots } = useGround();
  const { picked } = usePicked();
  const { preferences } = usePreferences();
  const US = preferences.display.system === 'US';
  const setups = useKeep('setups');
  const tests = useKeep('box-tests');
  const navigate = useNavigate();
  const containers = useContainers();
  const screenings = useRecords('screenings', ground.id).items;
  const book = useBoxBook(ground, useReading(ground));
  const [kept, setDraft] = useDraft<WasherDraft>(`washer-${ground.id}-${rig.id}`, () => newWasherDraft(US));
  const draft = useMemo(() => ({ ...newWasherDraft(US), ...kept }), [kept, US]);
  const [sheet, openSheet] = useState<WasherSheetOpen>(null);
  const [tried, setTried] = useState(false);

  const readings = useMemo(() => readWasher(draft, rig, containers), [draft, rig, containers]);
  const { solved, problem: unread } = useMemo(
    () => washerFrom(draft, readings, rig, book.gold),
    [draft, readings, rig, book.gold],
  );
  const measured = useMemo(() => washerEvidenceOf(book, rig.id), [book, rig.id]);
  const { latestFirst } = rigInHand;
  const screens_m = useMemo(() => ownedScreens_m(screenings, latestFirst, HOPPER_M), [screenings, latestFirst]);
  const { pricePerGram, hourMustBring } = preferences;
  const worth = useMemo((): PassWorth | null => {
    const grades_mg_L = book.gradesOf(picked);
    return pricePerGram === null || hourMustBring === null || grades_mg_L.length === 0
      ? null
      : {
          grades_mg_L,
          price_per_mg: pricePerGram / 1000,
          hourValue: hourMustBring,
          bankOfLoose: 1 / (1 + ground.swell_percent / 100),
        };
  }, [book, picked, pricePerGram, hourMustBring, ground.swell_percent]);
  const problem = useMemo(
    (): WasherProblem | null =>
      solved && {
        setting: solved.setting,
        screens_m,
        seen: draft.seen,
        evidence: measured.flatMap((m) => (m.evidence ? [m.evidence] : [])),
        worth,
      },
    [solved, screens_m, draft.seen, measured, worth],
  );
  const work = useWork<WasherProblem, WasherStep, WasherResult>(open, problem);
  const spot = spots.find((s) => s.id === picked);

  // What was seen was seen at the washer as it stood.
  const change = (some: Partial<WasherDraft>): void =>
    setDraft((before) => ({ ...before, ...('note' in some ? {} : { seen: {} }), ...some }));
  const record = () => washerRecord(draft, readings, solved, rig, ground, spot?.id ?? null);
  const pitched = (slope: number): Partial<WasherDraft> => {
    const unit = unitTyped('pitch', draft.pitch);
    return { pitch: { text: pitchText(slope, unit, solved?.setting.length_m ?? 1), unit } };
  };
  const blown = (times: number): Partial<WasherDraft> => {
    const now = readings.air.ok ? readings.air.value : 0;
    const to = rig.washer?.drive.kind === 'blower' ? 100 * now * times : now * times;
    return { air: to.toFixed(0) };
  };
  const here = rigInHand.latestFirst.filter((s) => s.rigId === rig.id && s.air);
  return {
    ground,
    spot,
    rig,
    rigInHand,
    draft,
    change,
    readings,
    solved,
    unread,
    verdict: work.said?.verdict ?? work.solved?.result.verdict ?? null,
    window: work.said?.window ?? work.solved?.result.window ?? null,
    settled: work.solved?.problem === problem,
    failed: work.failed,
    book,
    measured,
    worth,
    tried,
    sheet,
    open: openSheet,
    close: () => openSheet(null),
    puffsByPulleys: puffsByPulleys(rig),
    dragSlope: (slope: number): void => change(pitched(slope)),
    /** Both, in the window: the drive's speed as times what is set. */
    dragPoint: (times: number, slope: number): void => change({ ...pitched(slope), ...blown(times) }),
    keep: (): void => {
      setTried(true);
      const now = record();
      if (!now) return;
      setups.add(now);
      setTried(false);
      toast('Kept: this setting.', {
        action: {
          label: 'Start a run',
          onClick: () => void navigate(`/g/${ground.id}/run${picked ? `?spot=${picked}` : ''}`),
        },
      });
    },
    /** A test is of a washer as it stands: as it was kept, or it is kept now. False: it cannot be read yet. */
    test: (tested: Measurement): boolean => {
      const now = record();
      if (!now) return false;
      const kept = here.find((s) => s.slope === now.slope && s.stone_m === now.stone_m && sameAir(s, now));
      tests.add({
        groundId: ground.id,
        setupId: kept ? kept.id : setups.add(now),
        testedAt: new Date().toISOString(),
        tested,
        note: '',
      });
      toast(`Kept: ${TEST_WORDS[tested.kind]}. The washer is weighed by it from now on.`);
      return true;
    },
    /** Takes a test out again; it can be brought back. */
    takeOutTest: (id: string): void => {
      const kept = book.tests.find((t) => t.id === id);
      if (kept && kept.tested.kind !== 'event') tests.takeOut(kept, `Taken out: ${TEST_WORDS[kept.tested.kind]}.`);
    },
    /** Takes a kept setting up again. */
    load: (s: StoredSetup): void => {
      if (!s.air) return;
      change({
        pitch: s.pitchEntered,
        air:
          s.air.drive.kind === 'bellows'
            ? String(Math.round(s.air.drive.puffs_min))
            : String(Math.round(100 * s.air.drive.speed)),
        screen: s.stoneEntered,
        squeeze: s.air.squeeze,
        isClayey: s.air.isClayey,
        pass: s.air.pass >= 3 ? '3' : s.air.pass === 2 ? '2' : '1',
        altitude: s.air.altitudeEntered,
        temperature: { text: String(Math.round(s.temperature_C)), unit: '°C' },
        scoop: s.scoopEntered,
        bucket: s.bucketEntered,
        note: s.note,
      });
    },
  };
}
export type WasherOnPage = ReturnType<typeof useWasherScreen>;

/** Screens a washer's hopper may have, m: between the finest that does not blind and the coarsest that keeps stones out. Common practice, no source. */
const HOPPER_M = [2 * UNITS.length.mm, 0.75 * UNITS.length.in] as const;

const sameAir = (a: Pick<StoredSetup, 'air'>, b: Pick<StoredSetup, 'air'>): boolean =>
  JSON.stringify(a.air?.drive) === JSON.stringify(b.air?.drive) &&
  a.air?.squeeze === b.air?.squeeze &&
  a.air?.isClayey === b.air?.isClayey &&
  a.air?.pass === b.air?.pass;
