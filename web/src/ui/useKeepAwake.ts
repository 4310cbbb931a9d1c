import { useEffect } from 'react';

/** The page goes on only while the device is awake: where it can be asked to stay so, it is. */
export function useKeepAwake(on: boolean): void {
  useEffect(() => {
    if (!on) return undefined;
    let lock: { release: () => Promise<void> } | null = null;
    let ended = false;
    const take = async (): Promise<void> => {
      if (document.visibilityState !== 'visible') return;
      const taken = await navigator.wakeLock?.request('screen').catch(() => null);
      if (ended) void taken?.release();
      else lock = taken ?? null;
    };
    const again = (): void => void take();
    void take();
    document.addEventListener('visibilitychange', again);
    return () => {
      ended = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, [on]);
}
