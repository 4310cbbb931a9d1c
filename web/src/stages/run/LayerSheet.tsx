import { textProblem, TEXTS, type StoredRun } from '@riffle/contract';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { FormSheet } from '../../ui/Sheet.tsx';
import { LayerField } from './LayerField.tsx';

interface LayerSheetProps {
  readonly run: StoredRun;
  /** Where the next bucket comes from. */
  readonly source: string;
  readonly onClose: () => void;
  readonly onKeep: (layer: string) => void;
}

/** Another layer is fed from now on. */
export function LayerSheet({ run, source, onClose, onKeep }: LayerSheetProps) {
  const [layer, setLayer] = useState('');
  const [tried, setTried] = useState(false);
  const said = layer.trim();
  return (
    <FormSheet
      title="Another layer"
      onClose={onClose}
      onSave={() => {
        setTried(true);
        if (said === run.layer || textProblem(TEXTS.layer, said)) return;
        onKeep(said);
        onClose();
      }}
    >
      <p>Clean up between two layers, or their gold stays theirs together: nobody knows which bucket held it.</p>
      <LayerField
        groundId={run.groundId}
        spotId={source}
        value={layer}
        onChange={setLayer}
        problem={tried && said === run.layer ? (said === '' ? 'Say which.' : 'That is what is fed already.') : null}
      />
      <Button look="main" type="submit" className="min-h-14">
        Fed from now on
      </Button>
    </FormSheet>
  );
}
