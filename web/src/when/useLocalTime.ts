import { createContext, use } from 'react';
import { localTime, type LocalTime } from './localTime.ts';

/** The clock of the ground in hand; outside of one, this device's. */
export const LocalTimeContext = createContext<LocalTime>(localTime(null));
export const useLocalTime = (): LocalTime => use(LocalTimeContext);
