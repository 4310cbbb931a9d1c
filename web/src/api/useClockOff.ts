import { useSyncExternalStore } from 'react';
import { clockStore } from './trueClock.ts';

/** How far this device's clock is behind the server's, ms; 0 where it is right or not known. */
export const useClockOff_ms = (): number => useSyncExternalStore(clockStore.subscribe, clockStore.read);
