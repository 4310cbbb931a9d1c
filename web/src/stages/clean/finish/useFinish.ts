import type { FLOOR_SEEN, Jar, StoredJar } from '@riffle/contract';
import {
  flakeDisc,
  goOn,
  magnetics,
  USUAL_CSF,
  weighSluice,
  type GoOn,
  type Magnetics,
  type WeighedFinish,
  type WeighedSluice,
} from '@riffle/core';
import { useMemo, useState } from 'react';
import { usePreferences } from '../../../preferences/preferences.ts';
import { useContainers } from '../../../records/useContainers.ts';
import { useKeep } from '../../../records/useKeep.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { useGround } from '../../../shell/useGround.ts';
import { toast } from '../../../ui/toast.ts';
import { useDraft } from '../../../ui/useDraft.ts';
import { useWork } from '../../../workers/useThread.ts';
import { PAN_FINEST_MM } from './ladder.ts';
import { sluiceRecord, sluiceSetting, timesTaken } from './readSluice.ts';
import type { FinishProblem } from './finish.worker.ts';
import {
  depthText,
  draftOf,
  finishFrom,
  jarRecord,
  markBefore,
  newJarDraft,
  readJar,
  seenAt,
  spoonOf,
  type JarDraft,
} from './readJar.ts';

const open = (): Worker => new Worker(new URL('./finish.worker.ts', import.meta.url), { type: 'module' });
const middleOf_m = ({ coarsest_mm, finest_mm }: Pick<JarDraft, 'coarsest_mm' | 'finest_mm'>): number =>
  Math.sqrt(coarsest_mm * Math.max(finest_mm, PAN_FINEST_MM)) / 1000;
/** Water at the kitchen table. */
const ROOM_C = 18;
/** Hands at a wash of part of the magnetics keep about so much. Stated assumption. */
const HANDS_KEEP = 0.9;
/** Washing all of a jar's magnetics. Stated assumption. */
const WASH_H = 0.5;

/** The jar in hand, the jars kept, and what is said of the floor it is washed over. */
export function useFinish() {
  const { ground } = useGround();
  const { preferences } = usePreferences();
  const US = preferences.display.system === 'US';
  const containers = useContainers();
  const kept = useRecords('jars', ground.id).items;
  const jars = useMemo(() => [...kept].sort((a, b) => b.madeAt.localeCompare(a.madeAt)), [kept]);
  const { put, takeOut } = useKeep('jars');
  const [stored, setDraft] = useDraft<JarDraft>(`jar-${ground.id}`, () => newJarDraft(US, jars[0]));
  const draft = useMemo(() => ({ ...newJarDraft(US), ...stored }), [stored, US]);
  const [tried, setTried] = useState(false);
  const readings = useMemo(() => readJar(draft, containers), [draft, containers]);
  const setting = useMemo(
    () => (draft.way === 'recirculating box' ? finishFrom(draft, readings, ROOM_C) : null),
    [draft, readings],
  );
  const problem = useMemo(
    (): FinishProblem | null => setting && { setting, seen: seenAt(draft, setting, jars) },
    [setting, draft, jars],
  );
  const sluice = useMemo((): WeighedSluice | null => {
    const record = draft.way === 'finishing sluice' ? sluiceRecord(draft.sluice) : null;
    if (!record || !readings.volume.ok || readings.volume.value === 0 || draft.finest_mm >= draft.coarsest_mm)
      return null;
    return weighSluice(sluiceSetting(record, draft, readings.volume.value), timesTaken(jars, draft.jarId));
  }, [draft, readings, jars]);
  const work = useWork<FinishProblem, { done: number }, WeighedFinish>(open, problem);
  // A flake of middling flatness, in the middle of the jar's screens.
  const color_mg = flakeDisc(middleOf_m(draft), USUAL_CSF).mass_mg;
  const { pricePerGram, hourMustBring } = preferences;
  const magnet = useMemo((): { found: Magnetics; goOn: GoOn | null } | null => {
    const { magnetShare: share, magnetFound: found, magnetElsewhere: elsewhere } = readings;
    if (!share.ok || !found.ok || !elsewhere.ok || share.value === 0) return null;
    return {
      found: magnetics(Math.max(1, elsewhere.value), share.value, HANDS_KEEP, found.value, color_mg),
      goOn:
        pricePerGram === null || hourMustBring === null || share.value >= 1
          ? null
          : goOn({
              washedShare: share.value,
              found: found.value,
              meanColor_mg: color_mg,
              hours: WASH_H * (1 - share.value),
              price_per_mg: pricePerGram / 1000,
              hourValue: hourMustBring,
            }),
    };
  }, [readings, color_mg, pricePerGram, hourMustBring]);
  const change = (some: Partial<JarDraft>): void => setDraft((before) => ({ ...before, ...some }));
  const spoon = (saw: (typeof FLOOR_SEEN)[number]): void => {
    const one = spoonOf(draft, readings, saw);
    if (!one) {
      setTried(true);
      return;
    }
    change({
      spoons: [...draft.spoons, one],
      took: '',
      state: draft.state === 'waiting' || draft.state === 'looked through' ? 'washed' : draft.state,
    });
    toast(`Spoon ${draft.spoons.length + 1}: ${saw}.`);
  };
  return {
    ground,
    jars,
    draft,
    change,
    readings,
    tried,
    setting,
    /** What the finishing sluice does with the jar; null where it is brought down otherwise, or a field cannot be read. */
    sluice,
    depth_m: readings.depth.ok && readings.depth.value > 0 ? readings.depth.value : null,
    found: work.solved?.result ?? null,
    settled: work.solved?.problem === problem,
    mark: setting ? markBefore(draft, setting, jars) : null,
    magnet,
    spoon,
    dropSpoon: (i: number): void => change({ spoons: draft.spoons.filter((_, k) => k !== i) }),
    /** The water dragged, or set to the mark. */
    setDepth: (depth_m: number): void => change({ depth: depthText(depth_m, draft.depth.unit) }),
    take: (jar: StoredJar): void => setDraft(draftOf(jar, US)),
    another: (): void => setDraft(newJarDraft(US, jars[0])),
    keep: (): void => {
      setTried(true);
      const record = jarRecord(draft, readings, ground.id);
      if (!record) return;
      const before = jars.find((j) => j.id === draft.jarId) ?? null;
      put(before, { ...record, madeAt: before?.madeAt ?? new Date().toISOString() } satisfies Omit<
        Jar,
        'id' | 'deleted'
      >);
      setTried(false);
      setDraft(newJarDraft(US, before ?? undefined));
      toast(`${record.name}: ${record.state}.`);
    },
    takeOut: (jar: StoredJar): void => {
      takeOut(jar, `${jar.name} is taken off the table.`);
      if (draft.jarId === jar.id) setDraft(newJarDraft(US));
    },
  };
}
export type Finish = ReturnType<typeof useFinish>;
