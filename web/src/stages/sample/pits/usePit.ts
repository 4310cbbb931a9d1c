import type { StoredPit } from '@riffle/contract';
import { holeByHour, hourAtDepth, levelHole, pitGrades, spotGrades, type SampleGrade } from '@riffle/core';
import { useMemo, useState } from 'react';
import { usePreferences } from '../../../preferences/preferences.ts';
import { useColors } from '../../../reading/useColors.ts';
import { usePace } from '../../../reading/usePace.ts';
import { useKeep } from '../../../records/useKeep.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { useGround, usePicked } from '../../../shell/useGround.ts';
import { toast } from '../../../ui/toast.ts';
import { useShow } from '../../../units/useShow.ts';
import { usePitDraft } from './usePitDraft.ts';

/**
 * The pit in hand, kept or new: its draft, its spot, and what the pans say of it and of the others.
 * @param onPick asked to show another pit, a new one ('new'), or whichever comes next (null)
 */
export function usePit(pit: StoredPit | null, pits: readonly StoredPit[], onPick: (id: string | null) => void) {
  const { ground, spots } = useGround();
  const { picked, pick } = usePicked();
  const show = useShow();
  const book = useKeep('pits');
  const { pays_mg_L } = usePreferences().preferences;
  const samples = useRecords('samples', ground.id).items;
  const deepestPan_m = pit ? Math.max(0, ...samples.filter((s) => s.pitId === pit.id).map((s) => s.depth_m)) : 0;
  const inHand = usePitDraft(ground, pit, deepestPan_m, `Pit ${pits.length + 1}`, show.display.system === 'US');
  const { draft } = inHand;

  const swell = ground.swell_percent;
  const colors = useColors(ground, samples);
  const grades = useMemo(() => spotGrades(samples, swell, colors, pits), [samples, swell, colors, pits]);
  const pays = useMemo(
    () =>
      new Map(
        pits.flatMap((p): [string, SampleGrade][] => {
          const { pay } = pitGrades(p, samples, swell, colors, pays_mg_L);
          return pay ? [[p.id, pay]] : [];
        }),
      ),
    [pits, samples, swell, colors, pays_mg_L],
  );
  // By the layers as they stand in the draft: one moved or marked as pay counts at once.
  const mine = pit ? pitGrades({ id: pit.id, layers: draft.layers }, samples, swell, colors, pays_mg_L) : null;

  const [layerId, pickLayer] = useState<string | null>(null);
  const layer = draft.layers.find((l) => l.id === layerId) ?? draft.layers.at(-1);
  const [tried, setTried] = useState(false);
  const spot = spots.find((s) => s.id === (pit?.spotId ?? picked));
  const pace = usePace(ground, spot);
  const pitId = pit?.id;
  const { layers } = draft;
  // What an hour brings by how deep one goes, by the layers as they stand in the draft.
  const leveled = useMemo(() => {
    const pans = samples.filter((s) => s.pitId === pitId);
    if (pitId === undefined || pans.length === 0 || layers.length === 0) return null;
    return levelHole(pans, [{ id: pitId, spotId: pans[0]?.spotId ?? '', layers }], swell, colors);
  }, [samples, pitId, layers, swell, colors]);
  const byHour = useMemo(() => leveled && holeByHour(leveled, pace), [leveled, pace]);
  const [stop_m, setStop] = useState<number | null>(null);
  const deepest_m = byHour?.curve.at(-1)?.depth_m ?? 0;
  const stop =
    leveled && byHour && stop_m !== null && Math.abs(stop_m - byHour.best.depth_m) > 0.005
      ? (hourAtDepth(leveled, Math.min(stop_m, deepest_m), pace) ?? byHour.best)
      : (byHour?.best ?? null);
  const keep = (): void => {
    setTried(true);
    const record = spot && inHand.record(spot.id, pit);
    if (!record) return;
    const id = book.put(pit, record);
    inHand.clear();
    toast(`${record.name} is in the book.`);
    onPick(id);
  };
  const takeOut = (): void => {
    if (!pit) return;
    book.takeOut(pit, `${pit.name} is out of the book.`);
    onPick(null);
  };
  return {
    ground,
    spots,
    pit,
    spot,
    pick,
    picked: spot?.id ?? picked,
    pays_mg_L,
    inHand,
    grades,
    /** The pay of each pit, by its pans. */
    pays,
    /** What the pans of this pit say; null while it is new. */
    said: mine,
    pace,
    byHour,
    /** The depth that is looked at: where stopping pays best until another is dragged to. */
    stop,
    setStop,
    layer,
    nth: draft.layers.findIndex((l) => l.id === layer?.id),
    pickLayer,
    tried,
    keep,
    takeOut,
  };
}
export type PitOnPage = ReturnType<typeof usePit>;
