import { OutOfRange } from '../outOfRange.ts';

/** Day as YYYY-MM-DD. */
export type Day = string;

/** What a crew wrote down about being allowed on a ground. Never a legal opinion. */
export interface PermissionNote {
  readonly id: string;
  readonly name: string;
  /** A claim or permit allows from its first to its last day; a closed season forbids. */
  readonly kind: 'claim' | 'permit' | 'closed season';
  readonly from: Day | null;
  readonly to: Day | null;
  /** The same days every year (spawning, nesting): only month and day of `from` and `to` count. */
  readonly everyYear: boolean;
}

export interface Standing {
  readonly note: PermissionNote;
  /** The last day of what holds now; null when it has none. */
  readonly until: Day | null;
}

export interface PermissionToday {
  /** Closed seasons that hold today, and claims or permits that have run out or not begun. */
  readonly closed: readonly (Standing & { readonly why: 'closed season' | 'run out' | 'not begun' })[];
  /** Claims and permits that run out, and closed seasons that begin, within `SOON_DAYS`. */
  readonly soon: readonly (Standing & { readonly days: number; readonly what: 'runs out' | 'closes' })[];
}

/** How far ahead an end is told. Common practice, no source. */
export const SOON_DAYS = 30;

/**
 * What the notes say of one day: what is closed and why, and what ends or begins soon. Calendar arithmetic only.
 * A yearly season may run over the new year (20 November to 1 March).
 * @throws OutOfRange for a day that is none
 */
export function permissionOn(notes: readonly PermissionNote[], today: Day): PermissionToday {
  const now = dayNumber(today);
  const closed: (Standing & { why: 'closed season' | 'run out' | 'not begun' })[] = [];
  const soon: (Standing & { days: number; what: 'runs out' | 'closes' })[] = [];
  for (const note of notes) {
    if (note.kind === 'closed season') {
      const { holds, until, inDays } = season(note, today);
      if (holds) closed.push({ note, until, why: 'closed season' });
      else if (inDays !== null && inDays <= SOON_DAYS) soon.push({ note, until, days: inDays, what: 'closes' });
    } else if (note.to !== null && dayNumber(note.to) < now) closed.push({ note, until: note.to, why: 'run out' });
    else if (note.from !== null && dayNumber(note.from) > now)
      closed.push({ note, until: note.from, why: 'not begun' });
    else if (note.to !== null && dayNumber(note.to) - now <= SOON_DAYS)
      soon.push({ note, until: note.to, days: dayNumber(note.to) - now, what: 'runs out' });
  }
  return { closed, soon };
}

/** So far ahead an open day is looked for: a year, and some. */
const LOOK_AHEAD_DAYS = 400;
const DAY_MS = 86_400_000;

/**
 * The first day from today on which nothing of the notes forbids; null when none comes within 400 days.
 * @throws OutOfRange for a day that is none
 */
export function nextOpenDay(notes: readonly PermissionNote[], today: Day): Day | null {
  const first = dayNumber(today);
  for (let ahead = 0; ahead <= LOOK_AHEAD_DAYS; ahead++) {
    const day = new Date((first + ahead) * DAY_MS).toISOString().slice(0, 10);
    if (permissionOn(notes, day).closed.length === 0) return day;
  }
  return null;
}

function season(
  { from, to, everyYear }: PermissionNote,
  today: Day,
): { holds: boolean; until: Day | null; inDays: number | null } {
  const now = dayNumber(today);
  if (!everyYear || from === null || to === null) {
    const begun = from === null || dayNumber(from) <= now;
    const over = to !== null && dayNumber(to) < now;
    return { holds: begun && !over, until: to, inDays: begun ? null : dayNumber(from) - now };
  }
  const year = Number(today.slice(0, 4));
  const overNewYear = from.slice(5) > to.slice(5);
  // Last year's season may still run; next year's may be the next to come.
  for (const y of [year - 1, year, year + 1]) {
    const [first, last] = [`${y}-${from.slice(5)}`, `${overNewYear ? y + 1 : y}-${to.slice(5)}`];
    if (dayNumber(first) <= now && now <= dayNumber(last)) return { holds: true, until: last, inDays: null };
    if (dayNumber(first) > now) return { holds: false, until: last, inDays: dayNumber(first) - now };
  }
  return { holds: false, until: null, inDays: null };
}

/** Days since 1970. 29 February of a year that has none counts as 1 March. */
function dayNumber(day: Day): number {
  const parts = /^(\d{4})-(\d{2})-(\d{2})$/.exec(day);
  const [year, month, date] = [Number(parts?.[1]), Number(parts?.[2]), Number(parts?.[3])];
  if (!parts || month < 1 || month > 12 || date < 1 || date > 31)
    throw new OutOfRange('day', day, 'a day written YYYY-MM-DD');
  return Date.UTC(year, month - 1, date) / DAY_MS;
}
