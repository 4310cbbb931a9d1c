import { useEffect } from 'react';

/** While on, the phone's bars make room for the one thing that is being done. */
export function useAlone(on: boolean): void {
  useEffect(() => {
    document.documentElement.toggleAttribute('data-alone', on);
    return () => document.documentElement.removeAttribute('data-alone');
  }, [on]);
}
