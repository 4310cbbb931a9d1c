import { Link } from '../ui/Link.tsx';
import type { RankedReading } from './rankReading.ts';

/** The one line on what to find out next, with the way to the pan it speaks of; nothing until the ground is ranked. */
export function NextLine({ groundId, ranking }: { groundId: string; ranking: RankedReading | null }) {
  if (!ranking || ranking.ranked.length === 0) return null;
  const spotId = ranking.next?.does === 'pan' ? ranking.next.at.place.spotId : null;
  return (
    <span className="block">
      {ranking.nextSays}
      {spotId !== null && (
        <>
          {' '}
          <Link
            className="inline-block min-h-11 content-center underline underline-offset-4"
            to={`/g/${groundId}/sample?spot=${spotId}`}
          >
            Sample there
          </Link>
        </>
      )}
    </span>
  );
}
