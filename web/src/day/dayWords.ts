/** "8:05", as a wall clock says it. */
export const clock = (minute: number): string => {
  const m = Math.round(minute);
  return `${Math.floor(m / 60) % 24}:${String(((m % 60) + 60) % 60).padStart(2, '0')}`;
};
/** "1 h 20" or "25 min". */
export const lasting = (minutes: number): string => {
  const m = Math.round(minutes);
  return m < 60 ? `${m} min` : `${Math.floor(m / 60)} h${m % 60 === 0 ? '' : ` ${String(m % 60).padStart(2, '0')}`}`;
};
