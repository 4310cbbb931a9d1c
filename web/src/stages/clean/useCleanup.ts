import { bankVolume_L } from '@riffle/core';
import { useMemo, useState } from 'react';
import { outOfTheBox } from '../../box/outOfTheBox.ts';
import { useOpenLifts } from '../../box/useOpenLifts.ts';
import { useSealedForecast } from '../../box/useSealedForecast.ts';
import { usePanned } from '../../reading/usePanned.ts';
import { useKeep } from '../../records/useKeep.ts';
import { useRecords } from '../../records/useRecords.ts';
import { useGround } from '../../shell/useGround.ts';
import { toast } from '../../ui/toast.ts';
import { useDraft } from '../../ui/useDraft.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { useShow } from '../../units/useShow.ts';
import { expectedGold, oddGold } from './expectedGold.ts';
import { sectionsFromTubs } from './readLift.ts';
import {
  cleanupRecord,
  isWeighed,
  newCleanup,
  readCleanup,
  sectionBelow,
  usualSections,
  type CleanupDraft,
  type SectionDraft,
} from './readCleanup.ts';

/**
 * The clean-up in hand: the runs that wait for one, its sections as weighed, and what their split tells.
 * @param liftId the lift whose tubs are weighed; null: what lies in the box
 * @param onKept called once it is in the book
 */
export function useCleanup(liftId: string | null, onKept: () => void) {
  const { ground, spots } = useGround();
  const show = useShow();
  const US = show.display.system === 'US';
  const allRuns = useRecords('runs', ground.id).items;
  const cleanups = useRecords('cleanups', ground.id).items;
  const setups = useRecords('setups', ground.id).items;
  const rigs = useRecords('rigs').items;
  const book = useKeep('cleanups');
  const [draft, setDraft, clear] = useDraft<CleanupDraft>(
    liftId === null ? `cleanup-${ground.id}` : `cleanup-of-lift-${liftId}`,
    () => newCleanup(US),
  );
  const [tried, setTried] = useState(false);
  const change = (some: Partial<CleanupDraft>): void => setDraft((before) => ({ ...before, ...some }));

  const inTubs = useOpenLifts(ground);
  const inBox = useMemo(() => {
    const emptied = outOfTheBox(
      cleanups,
      inTubs.map((l) => l.lift),
    );
    return allRuns.filter((r) => !emptied.has(r.id));
  }, [allRuns, cleanups, inTubs]);
  const { leftOut } = draft;
  const tubs = useMemo(() => inTubs.find((l) => l.lift.id === liftId) ?? null, [inTubs, liftId]);
  const waiting = useMemo(() => tubs?.runs ?? inBox, [tubs, inBox]);
  const runs = useMemo(() => waiting.filter((r) => !leftOut.includes(r.id)), [waiting, leftOut]);
  const rig = rigs.find((r) => r.id === setups.find((s) => s.id === runs[0]?.setupId)?.rigId);
  const sections = draft.sections ?? (tubs ? sectionsFromTubs(tubs.lift, US ? 'grain' : 'mg') : usualSections(rig, US));
  const color_mg = usePanned(ground).panned.colors.luckColor_mg;
  const read = readCleanup(draft, sections, color_mg);
  // Nothing is foretold once a weight stands there.
  const { forecast, why } = useSealedForecast(ground, runs, !sections.some(isWeighed));
  const volumeBank_L = bankVolume_L(
    runs.reduce((sum, r) => sum + r.tally.volumeLoose_L, 0),
    ground.swell_percent,
  );
  const before = useMemo(
    () =>
      cleanups.map((c) => ({
        gold_mg: c.sections.reduce((sum, s) => sum + s.gold_mg, 0),
        volumeBank_L: bankVolume_L(
          allRuns.filter((r) => c.runIds.includes(r.id)).reduce((sum, r) => sum + r.tally.volumeLoose_L, 0),
          ground.swell_percent,
        ),
      })),
    [cleanups, allRuns, ground.swell_percent],
  );
  const odd =
    runs.length === 0
      ? null
      : oddGold({ sections, readings: read.readings, draft }, expectedGold(forecast, before, volumeBank_L));
  const record = cleanupRecord(draft, sections, read, ground, runs, useLocalTime(), tubs?.lift);

  return {
    ground,
    cleanups,
    rig,
    /** Runs that lie in the box, not in tubs. */
    inBox,
    inTubs,
    /** The tubs being weighed; null: what lies in the box. */
    tubs,
    waiting,
    runs,
    draft,
    change,
    sections,
    ...read,
    tried,
    /** What it should hold, said before anything was weighed; null where nothing was. */
    forecast,
    /** Why nothing can be said, while nothing is weighed. */
    notForetold: why,
    ready: record !== null,
    /** Of all the runs in it, in the bank. */
    volumeBank_L,
    /** Gold worth a question before it is written. */
    odd,
    /** The spots its gravel came from, by name. */
    sources: [...new Set(runs.flatMap((r) => Object.keys(r.tally.bySpot_L)))].map(
      (id) => spots.find((s) => s.id === id)?.name ?? 'no spot named',
    ),
    leaveOut: (runId: string, out: boolean): void =>
      change({ leftOut: out ? [...leftOut, runId] : leftOut.filter((id) => id !== runId) }),
    setSection: (key: string, some: Partial<SectionDraft>): void =>
      change({ sections: sections.map((s) => (s.key === key ? { ...s, ...some } : s)) }),
    setSections: (all: readonly SectionDraft[]): void => change({ sections: all }),
    dropSection: (key: string): void => change({ sections: sections.filter((s) => s.key !== key) }),
    addSection: (): void => change({ sections: sectionBelow(sections) }),
    keep: (): void => {
      setTried(true);
      if (!record) return;
      book.add(record);
      clear();
      setTried(false);
      toast('Written to the book.');
      onKept();
    },
  };
}
export type CleanupInHand = ReturnType<typeof useCleanup>;
