import type { StoredGround } from '@riffle/contract';
import { nextOpenDay, permissionOn } from '@riffle/core';
import { useMemo, type ReactNode } from 'react';
import { Judgement, SecondWord } from '../ui/Judgement.tsx';
import { plural } from '../ui/plural.ts';
import { dayMonthYear as day } from '../when/localTime.ts';
import { useLocalTime } from '../when/useLocalTime.ts';
import { useNow } from '../ui/useNow.ts';
import { useFirstDay } from '../reading/useFirstWord.ts';
import { useRecords } from '../records/useRecords.ts';

interface ClosedFirstProps {
  readonly ground: StoredGround;
  /** The day that is asked of; today unless told. */
  readonly on?: string;
  /** What the screen says is more pressing still (one stands on another's claim): it comes first, the closure is a line under it. */
  readonly after?: boolean;
  /** What the screen says of itself: its first word where all is open, its second where the ground is closed. */
  readonly children: ReactNode;
}

const OPEN = { closed: [], soon: [], opens: null } as const;

/** What the crew's own notes say of a day, on every screen where ground is worked: closed ground is the first word. */
export function ClosedFirst({ ground, on: asked, after = false, children }: ClosedFirstProps) {
  const local = useLocalTime();
  const now_ms = useNow(60_000);
  const notes = useRecords('permissions', ground.id).items;
  const firstDay = useFirstDay(ground.id);
  // Without a note no day is asked for.
  const today = notes.length > 0 ? (firstDay ?? local.isoDay(now_ms)) : null;
  const on = asked ?? today;
  const { closed, soon, opens } = useMemo(() => {
    if (on === null) return OPEN;
    const standing = permissionOn(notes, on);
    return { ...standing, opens: standing.closed.length > 0 ? nextOpenDay(notes, on) : null };
  }, [notes, on]);
  const isToday = on === today;
  const ends =
    soon.length > 0 ? (
      <p className="border-l-4 border-dashed border-ink pl-3">
        {soon
          .map((s) => `${s.note.name} ${s.what} ${s.days === 0 ? 'today' : `in ${plural(s.days, 'day')}`}`)
          .join('; ')}
        .
      </p>
    ) : null;
  if (closed.length === 0)
    return (
      <>
        {children}
        {ends}
      </>
    );
  const named = closed
    .map(
      (c) =>
        `${c.note.name} (${c.why === 'closed season' ? (c.until ? `until ${day(c.until)}` : 'no end noted') : `${c.why}${c.until ? `, ${day(c.until)}` : ''}`})`,
    )
    .join('; ');
  const says = `▲ Closed ${isToday ? 'today' : 'on that day'} by your notes: ${named}.`;
  if (after)
    return (
      <>
        {children}
        <p className="font-semibold text-danger">{says}</p>
      </>
    );
  return (
    <>
      <div className="border-l-4 border-danger pl-3">
        <Judgement rests={`${opens ? `Open again on ${day(opens)}. ` : ''}Local law decides; ask before you dig.`}>
          <span className="text-danger">{says}</span>
        </Judgement>
      </div>
      {ends}
      <SecondWord value>{children}</SecondWord>
    </>
  );
}
