import { useState } from 'react';

const KEY = 'riffle-source';

/** Where the next bucket of a run comes from, as it was chosen last: it outlives a reload. `usual` where nothing was chosen in this run. */
export function useSource(runId: string, usual: string): [string, (spotId: string) => void] {
  const [source, setSource] = useState(() => {
    const [of, spotId] = (localStorage.getItem(KEY) ?? '').split(' ');
    return of === runId && spotId ? spotId : usual;
  });
  return [
    source,
    (spotId) => {
      localStorage.setItem(KEY, `${runId} ${spotId}`);
      setSource(spotId);
    },
  ];
}
