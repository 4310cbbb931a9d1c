import type { StoredRig, StoredSetup } from '@riffle/contract';
import { UNITS } from '@riffle/core';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { useKeep } from '../../records/useKeep.ts';
import { useRecords } from '../../records/useRecords.ts';
import { useGround, usePicked } from '../../shell/useGround.ts';
import { useKeys } from '../../shell/useKeys.ts';
import { toast } from '../../ui/toast.ts';
import { unitTyped } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { pitchText, setupRecord } from './readSetup.ts';
import { useSetup } from './useSetup.ts';

/** The box in hand on this ground, the set-ups kept before, and the sheet that lies open. */
export function useSetScreen() {
  const { ground, spots } = useGround();
  const { picked } = usePicked();
  const rigs = useRecords('rigs').items;
  const setups = useRecords('setups', ground.id).items;
  const show = useShow();
  const { add } = useKeep('setups');
  const navigate = useNavigate();
  const [chosen, choose] = useState<string | null>(null);
  const [sheet, open] = useState<'new rig' | 'rig' | 'flow' | null>(null);
  const [tried, setTried] = useState(false);
  useKeys(useMemo(() => ({ n: () => open('new rig') }), []));

  const latestFirst = useMemo(() => [...setups].sort((a, b) => (a.setAt < b.setAt ? 1 : -1)), [setups]);
  const rig: StoredRig | undefined = rigs.find((r) => r.id === (chosen ?? latestFirst[0]?.rigId)) ?? rigs[0];
  const inHand = useSetup(ground.id, rig, show.display.system === 'US');
  const { draft, change, readings, solved } = inHand;
  const spot = spots.find((s) => s.id === picked);

  const keep = (): void => {
    setTried(true);
    const record = setupRecord(draft, readings, solved, rig, ground, spot?.id ?? null);
    if (!record) return;
    add(record);
    setTried(false);
    toast('Kept: this set-up.', {
      action: {
        label: 'Start a run',
        onClick: () => void navigate(`/g/${ground.id}/run${picked ? `?spot=${picked}` : ''}`),
      },
    });
  };
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
    latestFirst,
    load,
    inHand,
    tried,
    keep,
    sheet,
    open,
    close: () => open(null),
    /** The head dragged: written in the unit its field stands on. */
    dragSlope: (slope: number, boxLength_m: number): void => {
      const unit = unitTyped('pitch', draft.pitch);
      change({ pitch: { text: pitchText(slope, unit, boxLength_m), unit } });
    },
    /** The water dragged: known by its depth from now on. */
    dragDepth: (depth_m: number): void =>
      change({
        known: 'depth',
        depth:
          unitTyped('length', draft.depth) === 'in'
            ? { text: (depth_m / UNITS.length.in).toFixed(2), unit: 'in' }
            : { text: (depth_m * 1000).toFixed(1), unit: 'mm' },
      }),
  };
}
export type SetOnPage = ReturnType<typeof useSetScreen>;
