import { useEffect, useMemo } from 'react';
import { Link, Outlet, useParams } from 'react-router';
import { useRecords } from '../records/useRecords.ts';
import { localTime } from '../when/localTime.ts';
import { LocalTimeContext } from '../when/useLocalTime.ts';
import { Judgement } from '../ui/Judgement.tsx';
import { rememberGround, type GroundInHand } from './useGround.ts';

/** Hands the ground in the address to its stages, or says why it cannot. */
export function GroundGate() {
  const { groundId = '' } = useParams();
  const grounds = useRecords('grounds');
  const spots = useRecords('spots', groundId);
  const ground = grounds.items.find((g) => g.id === groundId);
  const local = useMemo(() => localTime(ground?.timeZone ?? null), [ground?.timeZone]);
  useEffect(() => {
    if (ground) rememberGround(ground.id);
  }, [ground]);

  if (ground && spots.state === 'arriving') return <p className="pt-6 text-ink-2">Opening {ground.name} ...</p>;
  if (ground)
    return (
      <LocalTimeContext value={local}>
        <Outlet context={{ ground, spots: spots.items } satisfies GroundInHand} />
      </LocalTimeContext>
    );
  if (grounds.state === 'arriving') return <p className="pt-6 text-ink-2">Opening the book ...</p>;
  if (!navigator.onLine)
    return (
      <Judgement rests="Open it once with a signal; from then on it is kept here. What you logged waits and is sent by itself.">
        This ground is not on this device yet.
      </Judgement>
    );
  if (grounds.state === 'away')
    return (
      <Judgement rests="What you logged is kept on this device. Riffle tries again by itself.">
        The server cannot be reached.
      </Judgement>
    );
  return (
    <Judgement
      rests={
        <Link className="underline" to="/grounds/new">
          Bring in a ground
        </Link>
      }
    >
      That ground is not in this book.
    </Judgement>
  );
}
