import { Suspense, useEffect, useMemo } from 'react';
import { Outlet, useParams } from 'react-router';
import { useRecords } from '../records/useRecords.ts';
import { localTime } from '../when/localTime.ts';
import { LocalTimeContext } from '../when/useLocalTime.ts';
import { rememberGround, type GroundInHand } from './useGround.ts';
import { late } from '../ui/late.ts';

const NoGround = late(async () => (await import('./NoGround.tsx')).default);

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
  return (
    <Suspense>
      <NoGround isAway={grounds.state === 'away'} />
    </Suspense>
  );
}
