import { bankVolume_L } from '@riffle/core';
import { useMemo, useState } from 'react';
import { useSealedForecast } from '../../box/useSealedForecast.ts';
import { useColors } from '../../reading/useColors.ts';
import { useKeep } from '../../records/useKeep.ts';
import { useRecords } from '../../records/useRecords.ts';
import { useGround } from '../../shell/useGround.ts';
import { toast } from '../../ui/toast.ts';
import { useDraft } from '../../ui/useDraft.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { useShow } from '../../units/useShow.ts';
import { expectedGold, oddGold } from './expectedGold.ts';
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

/** The clean-up in hand: the runs that wait for one, its sections as weighed, and what their split tells. */
export function useCleanup() {
  const { ground, spots } = useGround();
  const show = useShow();
  const US = show.display.system === 'US';
  const allRuns = useRecords('runs', ground.id).items;
  const cleanups = useRecords('cleanups', ground.id).items;
  const setups = useRecords('setups', ground.id).items;
  const rigs = useRecords('rigs').items;
  const samples = useRecords('samples', ground.id).items;
  const book = useKeep('cleanups');
  const [draft, setDraft, clear] = useDraft<CleanupDraft>(`cleanup-${ground.id}`, () => newCleanup(US));
  const [tried, setTried] = useState(false);
  const change = (some: Partial<CleanupDraft>): void => setDraft((before) => ({ ...before, ...some }));

  const waiting = useMemo(() => {
    const weighed = new Set(cleanups.flatMap((c) => c.runIds));
    return allRuns.filter((r) => !weighed.has(r.id));
  }, [allRuns, cleanups]);
  const { leftOut } = draft;
  const runs = useMemo(() => waiting.filter((r) => !leftOut.includes(r.id)), [waiting, leftOut]);
  const rig = rigs.find((r) => r.id === setups.find((s) => s.id === runs[0]?.setupId)?.rigId);
  const sections = draft.sections ?? usualSections(rig, US);
  const color_mg = useColors(ground, samples).luckColor_mg;
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
  const record = cleanupRecord(draft, sections, read, ground, runs, useLocalTime());

  return {
    ground,
    cleanups,
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
    },
    takeOut: (one: (typeof cleanups)[number]): void => book.takeOut(one, 'Taken out of the book; its runs wait again.'),
  };
}
export type CleanupInHand = ReturnType<typeof useCleanup>;
