import { textProblem, TEXTS, type StoredDaySheet, type StoredGround, type StoredSpot } from '@riffle/contract';
import { useMemo, useState } from 'react';
import { givenFor, placeGiven, type Given } from '../give/place.ts';
import { saveFile } from '../files/saveFile.ts';
import { useKeep } from '../records/useKeep.ts';
import { toast } from '../ui/toast.ts';
import { useNow } from '../ui/useNow.ts';
import { useLocalTime } from '../when/useLocalTime.ts';
import { asStop } from './dayDraft.ts';
import { useDay } from './useDay.ts';

/** One day on paper: the day worked out, the stop picked on it, its note, and the ways to keep it and to give it away. */
export function useDaySheet(
  ground: StoredGround,
  spots: readonly StoredSpot[],
  date: string,
  kept: StoredDaySheet | undefined,
) {
  const local = useLocalTime();
  const now_ms = useNow(30_000);
  const now = useMemo(() => new Date(now_ms), [now_ms]);
  const day = useDay(ground, spots, date, kept, now);
  const book = useKeep('day-sheets');
  const [picked, pick] = useState<string | null>(null);
  const [note, setNote] = useState(kept?.note ?? '');
  const { draft, plan, places } = day;

  const keep = (): void => {
    if (!plan || textProblem(TEXTS.note, note)) return;
    const { order: _order, minutes: _minutes, ...settled } = draft;
    book.put(kept, {
      ...settled,
      tools: [...settled.tools],
      groundId: ground.id,
      day: date,
      stops: plan.stops.flatMap((s) => places.get(s.id) ?? []).map(asStop),
      note,
    });
    toast('The plan is kept.');
  };
  const saveAs = async (what: 'ics' | 'gpx', given: Given): Promise<void> => {
    if (!plan) return;
    try {
      // Nobody needs these formats before the day is planned, and they are half of this screen's code.
      const { dayAsGpx, dayAsIcs } = await import('./exportDay.ts');
      if (what === 'ics')
        saveFile(
          dayAsIcs(ground, date, plan, places, draft.back_min, givenFor(given, false).names),
          `day-${date}.ics`,
          'text/calendar',
        );
      else
        saveFile(
          dayAsGpx(ground, date, plan, places, spots, placeGiven(given), givenFor(given, true).names),
          `day-${date}.gpx`,
          'application/gpx+xml',
        );
    } catch (error) {
      toast((error as Error).message);
    }
  };
  return {
    ground,
    spots,
    date,
    kept,
    day,
    picked,
    pick,
    note,
    setNote,
    keep,
    saveAs,
    /** Minutes into the day; null on any other day than today. */
    now_min: local.isoDay(now) === date ? Math.floor(local.minuteOfDay(now)) : null,
    /** The places that fit, in their order. */
    planned: plan?.stops.filter((s) => !s.late).flatMap((s) => places.get(s.id) ?? []) ?? [],
    left: day.candidates.filter((c) => !plan?.stops.some((s) => s.id === c.id)),
  };
}
export type DayOnPage = ReturnType<typeof useDaySheet>;
