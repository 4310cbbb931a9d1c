import { createContext, use } from 'react';
import { useNow } from '../ui/useNow.ts';
import { localTime, type LocalTime } from './localTime.ts';

/** The clock of the ground in hand; outside of one, this device's. */
export const LocalTimeContext = createContext<LocalTime>(localTime(null));
export const useLocalTime = (): LocalTime => use(LocalTimeContext);

/** The day it is on the ground in hand, as records write it. */
export function useToday(): string {
  const local = useLocalTime();
  return local.isoDay(useNow(60_000));
}
