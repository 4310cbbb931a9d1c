import type { Measurement, StoredBoxTest, StoredRun, StoredSetup } from '@riffle/contract';
import { boxLength_m, UNITS } from '@riffle/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { outOfTheBox } from '../../box/outOfTheBox.ts';
import { evidenceOf, fedSince_m3, speaking, type BoxBook } from '../../box/boxEvidence.ts';
import { chosenSource, holdRun } from '../../box/heldRun.ts';
import { useGoOn } from '../../box/useGoOn.ts';
import { useBoxBook } from '../../box/useBoxBook.ts';
import { useReading } from '../../reading/useReading.ts';
import { useKeep } from '../../records/useKeep.ts';
import { useRecords } from '../../records/useRecords.ts';
import { useGround, usePicked } from '../../shell/useGround.ts';
import { useKeys } from '../../shell/useKeys.ts';
import { toast } from '../../ui/toast.ts';
import { undoToast } from '../../ui/undoToast.ts';
import { unitTyped } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { feedMedian_m } from './feedMedian.ts';
import { sectionsOf, setupRecord, type SetupDraft } from './readSetup.ts';
import { ownedScreens_m } from './ownedScreens.ts';
import { pitchText } from '../../box/pitchText.ts';
import { settingFrom, settingSearch, withoutSetting } from './setLink.ts';
import { TEST_WORDS } from './testWords.ts';
import type { RigInHand } from './useRigInHand.ts';
import { useSetup } from './useSetup.ts';

const LINK_UNDO_MS = 30_000;

/** A sheet over the screen; the tests of a box by their kind. */
export type SetSheet =
  'new rig' | 'new washer' | 'rig' | 'flow' | 'link' | 'level' | Measurement['kind'] | { readonly test: string };

/** The box in hand on this ground, the set-ups kept before, and the sheet that lies open. */
export function useSetScreen({ rigs, rig, choose, latestFirst }: RigInHand) {
  const { ground, spots } = useGround();
  const { picked } = usePicked();
  const setups = useRecords('setups', ground.id).items;
  const screenings = useRecords('screenings', ground.id).items;
  const show = useShow();
  const { add } = useKeep('setups');
  const tests = useKeep('box-tests');
  const navigate = useNavigate();
  const goOn = useGoOn();
  const [sheet, open] = useState<SetSheet | null>(null);
  const [tried, setTried] = useState(false);
  useKeys(useMemo(() => ({ n: () => open('new rig') }), []));

  const book = useBoxBook(ground, useReading(ground));
  const rigId = rig?.id;
  const measured = useMemo(() => (rigId === undefined ? [] : evidenceOf(book, rigId)), [book, rigId]);
  const evidence = useMemo(() => speaking(measured), [measured]);
  const screens_m = useMemo(() => ownedScreens_m(screenings, setups), [screenings, setups]);
  const fed_m3 = useMemo(() => (rigId === undefined ? 0 : fedSince_m3(book, rigId)), [book, rigId]);
  const medianOf_m = useCallback((stone_m: number) => feedMedian_m(screenings, picked, stone_m), [screenings, picked]);
  const inHand = useSetup(
    ground.id,
    rig,
    show.display.system === 'US',
    book.gold,
    screens_m,
    evidence,
    medianOf_m,
    fed_m3,
  );
  const { draft, change, readings, solved } = inHand;
  const spot = spots.find((s) => s.id === picked);
  const [search, setSearch] = useSearchParams();
  const taken = useRef<URLSearchParams | null>(null);
  useEffect(() => {
    const linked = settingFrom(search);
    if (!linked || taken.current === search) return;
    taken.current = search;
    if (linked.rigId !== null) choose(linked.rigId);
    const before = draft;
    change(linked.draft);
    setSearch(withoutSetting, { replace: true });
    // It has put away what was typed here: read what is said of the other setting first, then decide.
    undoToast('Set as the link says.', () => change(before), { lasts_ms: LINK_UNDO_MS });
  }, [search, setSearch, choose, draft, change]);

  const pitched = (slope: number, length_m: number): Partial<SetupDraft> => {
    const unit = unitTyped('pitch', draft.pitch);
    return { pitch: { text: pitchText(slope, unit, length_m), unit } };
  };
  const watered = (depth_m: number): Partial<SetupDraft> => ({
    known: 'depth',
    depth:
      unitTyped('length', draft.depth) === 'in'
        ? { text: (depth_m / UNITS.length.in).toFixed(2), unit: 'in' }
        : { text: (depth_m * 1000).toFixed(1), unit: 'mm' },
  });
  const record = (): ReturnType<typeof setupRecord> =>
    setupRecord(draft, readings, solved, rig, ground, spot?.id ?? null);
  const keep = (): void => {
    setTried(true);
    const kept = record();
    if (!kept) return;
    add(kept);
    setTried(false);
    const toRun = (): void => void navigate(`/g/${ground.id}/run${picked ? `?spot=${picked}` : ''}`);
    const running = runningThrough(book, kept.rigId);
    toast('Kept: this set-up.', {
      action: running
        ? {
            label: 'The run goes on with it',
            onClick: () => {
              holdRun(goOn(running, { setupId: kept.id, spotId: chosenSource(running.id) ?? running.spotId }).stintId);
              toRun();
            },
          }
        : { label: 'Start a run', onClick: toRun },
    });
  };
  /** A test is of a box as it stands: as it was kept, or it is kept now. False: the box cannot be read yet. */
  const test = (tested: Measurement): boolean => {
    const now = record();
    if (!now) return false;
    const kept = latestFirst.find((s) => standsAs(s, now));
    const setupId = kept ? kept.id : add(now);
    tests.add({ groundId: ground.id, setupId, testedAt: new Date().toISOString(), tested, note: '' });
    toast(`Kept: ${TEST_WORDS[tested.kind]}. The box is weighed by it from now on.`);
    return true;
  };
  /** Of a test kept before: what puts it right, and what takes it out. */
  const mend = (one: StoredBoxTest) => ({
    keep: (tested: Measurement, testedAt: string): boolean => {
      tests.change(one, { tested, testedAt }, `Put right: ${TEST_WORDS[tested.kind]}.`);
      return true;
    },
    takeOut: (): void => {
      if (one.tested.kind !== 'event') tests.takeOut(one, `Taken out: ${TEST_WORDS[one.tested.kind]}.`);
      open(null);
    },
  });
  /** Takes a kept set-up up again. */
  const load = (s: StoredSetup): void => {
    choose(s.rigId);
    change({
      pitch: s.pitchEntered,
      known: s.depth_m === null ? 'flow' : 'depth',
      ...(s.depthEntered && { depth: s.depthEntered }),
      ...(s.flowEntered && { flow: s.flowEntered }),
      stone: s.stoneEntered,
      temperature: { text: String(s.temperature_C), unit: '°C' },
      scoop: s.scoopEntered,
      bucket: s.bucketEntered,
      note: s.note,
    });
  };
  return {
    ground,
    spot,
    rigs,
    rig,
    choose,
    /** What the book holds of its boxes. */
    book,
    /** What was measured at this box, the latest first. */
    measured,
    test,
    mend,
    link: rig ? `${location.origin}/g/${ground.id}/set?${settingSearch(draft, rig.id)}` : null,
    load,
    inHand,
    tried,
    keep,
    sheet,
    open,
    close: () => open(null),
    /** The head dragged: written in the unit its field stands on. */
    dragSlope: (slope: number, length_m: number): void => change(pitched(slope, length_m)),
    /** Measured: its pitch, and how it lies across where that was. */
    lie: (slope: number, length_m: number, crossFall_m: number | null): void =>
      change({
        ...pitched(slope, length_m),
        ...(crossFall_m !== null && {
          crossFall:
            crossFall_m < LEVEL_M
              ? { ...draft.crossFall, text: '' }
              : { text: (crossFall_m * 1000).toFixed(0), unit: 'mm' },
        }),
      }),
    /** The water dragged: known by its depth from now on. */
    dragDepth: (depth_m: number): void => change(watered(depth_m)),
    /** Both, in the window. */
    dragPoint: (slope: number, depth_m: number): void =>
      change({ ...pitched(slope, rig ? boxLength_m(sectionsOf(rig)) : 1), ...watered(depth_m) }),
  };
}
/** Nobody levels finer. */
const LEVEL_M = 0.001;
/** The run through this box that is not stopped: the latest, where there are several. */
const runningThrough = ({ runs, setups, lifts, cleanups }: BoxBook, rigId: string): StoredRun | undefined => {
  const ofRig = new Set(setups.filter((s) => s.rigId === rigId).map((s) => s.id));
  const emptied = outOfTheBox(cleanups, lifts);
  return runs
    .filter((r) => ofRig.has(r.setupId) && !r.tally.stopped && !emptied.has(r.id))
    .sort((a, b) => b.startedAt.localeCompare(a.startedAt))[0];
};

const standsAs = (
  a: StoredSetup,
  b: Pick<StoredSetup, 'rigId' | 'slope' | 'depth_m' | 'flow_m3_s' | 'stone_m' | 'temperature_C'>,
): boolean =>
  a.rigId === b.rigId &&
  a.slope === b.slope &&
  a.depth_m === b.depth_m &&
  a.flow_m3_s === b.flow_m3_s &&
  a.stone_m === b.stone_m &&
  a.temperature_C === b.temperature_C;

export type SetOnPage = ReturnType<typeof useSetScreen>;
