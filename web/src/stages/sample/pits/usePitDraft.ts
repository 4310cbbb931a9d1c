import { MOST, type Layer, type Pit, type StoredGround, type StoredPit } from '@riffle/contract';
import { useMemo } from 'react';
import { useDraft } from '../../../ui/useDraft.ts';
import {
  moveBottom,
  newLayer,
  newPit,
  pitAsDraft,
  pitRecord,
  readPit,
  type PitDraft,
  type PitRead,
} from './readPit.ts';

export interface PitInHand extends PitRead {
  readonly draft: PitDraft;
  readonly change: (some: Partial<PitDraft>) => void;
  readonly clear: () => void;
  setLayer(id: string, some: Partial<Layer>): void;
  readonly addLayer: () => void;
  removeLayer(id: string): void;
  readonly moveBottom: (index: number, bottom_m: number) => void;
  record(spotId: string, kept: StoredPit | null): (Pit & { baseVersion: number }) | null;
}

export function usePitDraft(
  ground: StoredGround,
  kept: StoredPit | null,
  deepestPan_m: number,
  name: string,
  US: boolean,
): PitInHand {
  const [draft, setDraft, clear] = useDraft<PitDraft>(
    `pit-${ground.id}-${kept?.id ?? 'new'}-${kept?.version ?? 0}`,
    () => (kept ? pitAsDraft(kept, US) : newPit(name, US)),
  );
  const setLayers = (to: (layers: readonly Layer[]) => readonly Layer[]): void =>
    setDraft((before) => ({ ...before, layers: [...to(before.layers)] }));
  const read = useMemo(() => readPit(draft, deepestPan_m), [draft, deepestPan_m]);
  return {
    ...read,
    draft,
    clear,
    change: (some) => setDraft((before) => ({ ...before, ...some })),
    setLayer: (id, some) => setLayers((layers) => layers.map((l) => (l.id === id ? { ...l, ...some } : l))),
    addLayer: () => setLayers((layers) => (layers.length >= MOST.layers ? layers : [...layers, newLayer(0.2, US)])),
    removeLayer: (id) => setLayers((layers) => layers.filter((l) => l.id !== id)),
    moveBottom: (index, bottom_m) => setLayers((layers) => moveBottom(layers, index, bottom_m, US)),
    record: (spotId, old) => pitRecord(draft, ground.id, spotId, old, deepestPan_m),
  };
}
