import { MOST, type Layer, type Pit, type StoredGround, type StoredPit } from '@riffle/contract';
import { useMemo } from 'react';
import { useDraft } from '../../../ui/useDraft.ts';
import {
  moveBottom,
  newPit,
  pitAsDraft,
  pitRecord,
  readPit,
  unmeasured,
  withLayer,
  type PitDraft,
  type PitRead,
} from './readPit.ts';

export interface PitInHand extends PitRead {
  readonly draft: PitDraft;
  readonly change: (some: Partial<PitDraft>) => void;
  readonly clear: () => void;
  /** Something stands in the fields that is not in the book. */
  readonly isBegun: boolean;
  /** Drops what was typed since it was kept, or all of a new one; answers the way back. */
  readonly drop: () => () => void;
  setLayer(id: string, some: Partial<Layer>): void;
  /** Puts a layer in below another, or on top of all (`below` null); answers its id. */
  addLayer(material: Layer['material'], below: string | null): string | null;
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
    isBegun: kept
      ? JSON.stringify(draft) !== JSON.stringify(pitAsDraft(kept, US))
      : draft.layers.length > 0 || draft.crevice !== null,
    drop: () => {
      const before = draft;
      clear();
      return () => setDraft(before);
    },
    change: (some) => setDraft((before) => ({ ...before, ...some })),
    setLayer: (id, some) => setLayers((layers) => layers.map((l) => (l.id === id ? { ...l, ...some } : l))),
    addLayer: (material, below) => {
      if (draft.layers.length >= MOST.layers) return null;
      const layer = unmeasured(material, US);
      setLayers((layers) => withLayer(layers, layer, below));
      return layer.id;
    },
    removeLayer: (id) => setLayers((layers) => layers.filter((l) => l.id !== id)),
    moveBottom: (index, bottom_m) => setLayers((layers) => moveBottom(layers, index, bottom_m, US)),
    record: (spotId, old) => pitRecord(draft, ground.id, spotId, old, deepestPan_m),
  };
}
