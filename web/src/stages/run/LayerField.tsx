import { TEXTS } from '@riffle/contract';
import { useMemo } from 'react';
import { useRecords } from '../../records/useRecords.ts';
import { layerWords } from '../../ground/layerWords.ts';
import { TextField } from '../../ui/Field.tsx';

interface LayerFieldProps {
  readonly groundId: string;
  readonly spotId: string | undefined;
  readonly value: string;
  readonly onChange: (layer: string) => void;
  readonly problem?: string | null;
}

/** Which layer of its spot is fed: those of its pits and of runs before are offered. */
export function LayerField({ groundId, spotId, value, onChange, problem = null }: LayerFieldProps) {
  const pits = useRecords('pits', groundId).items;
  const runs = useRecords('runs', groundId).items;
  const offered = useMemo(() => {
    const dug = pits.filter((p) => p.spotId === spotId).flatMap((p) => p.layers.map(layerWords));
    const fed = runs.filter((r) => r.spotId === spotId).map((r) => r.layer ?? '');
    return [...new Set([...dug, ...fed])].filter(Boolean);
  }, [pits, runs, spotId]);
  return (
    <TextField
      label="Layer"
      value={value}
      onChange={onChange}
      problem={problem}
      limit={TEXTS.layer}
      offered={offered}
      hint={offered.length > 0 ? `Here: ${offered.slice(0, 3).join(', ')}.` : 'As you call it; empty where all is fed.'}
    />
  );
}
