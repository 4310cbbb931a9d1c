import type { StoredGround } from '@riffle/contract';
import { permissionOn } from '@riffle/core';
import { plural } from '../ui/plural.ts';
import { dayMonthYear, dayOf, isoDay } from '../units/dayText.ts';
import { useRecords } from '../records/useRecords.ts';

const day = (d: string): string => dayMonthYear(dayOf(d));

/** What the crew's own notes say of a day, today unless told, on every screen where ground is worked. Nothing stands there while all is open. */
export function ClosedToday({ ground, on = isoDay(new Date()) }: { ground: StoredGround; on?: string }) {
  const notes = useRecords('permissions', ground.id).items;
  const { closed, soon } = permissionOn(notes, on);
  const isToday = on === isoDay(new Date());
  if (closed.length === 0 && soon.length === 0) return null;
  return (
    <div className={`border-l-4 border-dashed pl-3 ${closed.length > 0 ? 'border-danger' : 'border-ink'}`}>
      {closed.length > 0 && (
        <p className="font-semibold text-danger">
          Closed {isToday ? 'today' : 'on that day'} by your notes:{' '}
          {closed
            .map(
              (c) =>
                `${c.note.name} (${c.why === 'closed season' ? (c.until ? `until ${day(c.until)}` : 'no end noted') : `${c.why}, ${c.until ? day(c.until) : ''}`})`,
            )
            .join('; ')}
          . Local law decides; ask before you dig.
        </p>
      )}
      {soon.length > 0 && (
        <p>
          {soon
            .map((s) => `${s.note.name} ${s.what} ${s.days === 0 ? 'today' : `in ${plural(s.days, 'day')}`}`)
            .join('; ')}
          .
        </p>
      )}
    </div>
  );
}
