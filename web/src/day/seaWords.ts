import type { StoredGround } from '@riffle/contract';
import type { Shore, TideDay } from '../shore/shoreOf.ts';
import { tideDay } from '../shore/shoreOf.ts';
import type { Show } from '../units/useShow.ts';
import { sayDay, type LocalTime } from '../when/localTime.ts';
import { clock, lasting } from './dayWords.ts';
import { daySky, inDaylight } from './daySky.ts';

/** A stretch of bare sand shorter than this is not worth the walk, min. Common practice, no source. */
const WORTH_GOING_MIN = 60;
const LOOK_AHEAD_DAYS = 30;
const DAY_MS = 86_400_000;
/** Less than this the swell is as usual, m. */
const HARDLY_M = 0.05;

/** "8:50 to 12:40, and 21:15 to 23:10". */
export const hoursWords = (hours: TideDay['work']): string =>
  hours.map((w) => `${clock(w.from_min)} to ${clock(w.to_min)}`).join(', and ');

/** What the sea says of a day: how far its hours are to be trusted, and what to look at before one goes down. */
export function seaWords(tide: TideDay, shore: Shore | null, isToday: boolean, show: Show, local: LocalTime): string {
  const by = `By the tide table, ${lasting(tide.margin_min)} left over for the water`;
  const { last, isFresh, usual } = shore ?? { last: null, isFresh: false, usual: null };
  if (!isToday || !last || !isFresh)
    return `${by}. ${last ? `The sea was last read ${local.day(last.readAt)}: look` : 'Look'} at the swell before you go down; it runs higher than the table.`;
  const sea = `swell ${show.length(last.height_m)} every ${Math.round(last.period_s)} s`;
  if (!usual) return `${by}; ${sea}, and it is not known what is usual here.`;
  return tide.swellAdds_m > HARDLY_M
    ? `${by}, and ${show.length(Math.round(tide.swellAdds_m * 10) / 10)} for today’s ${sea}.`
    : `${by}; ${sea}, no higher than usual.`;
}

/** The next day whose sand lies bare for an hour of daylight, after one on which it does not; null within a month. */
export function nextBare(ground: StoredGround, date: string, local: LocalTime): string | null {
  for (let i = 1; i <= LOOK_AHEAD_DAYS; i++) {
    const day = new Date(Date.parse(date) + i * DAY_MS).toISOString().slice(0, 10);
    const tide = tideDay(ground, day, local, 0);
    const open = tide && inDaylight(daySky(ground, day, local), tide.work);
    const long = open?.filter((w) => w.to_min - w.from_min >= WORTH_GOING_MIN);
    if (long && long.length > 0) return `${sayDay(day, date, 'long')}, ${hoursWords(long)}`;
  }
  return null;
}
