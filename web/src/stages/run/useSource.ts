import { useState } from 'react';
import { chooseSource, chosenSource } from '../../box/heldRun.ts';

/** Where the next bucket of a run comes from, as it was chosen last: it outlives a reload. `usual` where nothing was chosen in this run. */
export function useSource(runId: string, usual: string): [string, (spotId: string) => void] {
  const [source, setSource] = useState(() => chosenSource(runId) ?? usual);
  return [
    source,
    (spotId) => {
      chooseSource(runId, spotId);
      setSource(spotId);
    },
  ];
}
