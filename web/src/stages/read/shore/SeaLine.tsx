import type { StoredGround, StoredSign, StoredSwellReading } from '@riffle/contract';
import { shoreOf } from '../../../shore/shoreOf.ts';
import { useNow } from '../../../ui/useNow.ts';
import { useShow } from '../../../units/useShow.ts';
import { daysBetween } from '../../../when/localTime.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';
import { stormWords, swellWords } from './seaWords.ts';

interface SeaLineProps {
  readonly ground: StoredGround;
  readonly signs: readonly StoredSign[];
  readonly swell: readonly StoredSwellReading[];
  readonly onOpen: () => void;
}

/** One line for the head of a beach's page: the swell, the last storm with what it did, and how long ago. */
export function SeaLine({ ground, signs, swell, onOpen }: SeaLineProps) {
  const show = useShow();
  const local = useLocalTime();
  const now_ms = useNow(60_000);
  const { last, isFresh, storms } = shoreOf(ground, signs, swell, now_ms);
  const [storm] = storms;
  const daysAgo = (at: string | number): number => daysBetween(local.isoDay(at), local.isoDay(now_ms));
  if (!last)
    return (
      <button
        type="button"
        className="whitespace-nowrap underline decoration-rule underline-offset-4 max-sm:min-h-11"
        onClick={onOpen}
      >
        read the sea
      </button>
    );
  return (
    <button type="button" className="text-left max-sm:min-h-11" onClick={onOpen}>
      {isFresh ? (
        <>
          <b className="text-water">Swell {swellWords(last, show)}</b>, read {local.day(last.readAt)}.
        </>
      ) : (
        <>
          <b className="text-water">
            Sea not read {daysAgo(last.readAt) < 2 ? 'since yesterday' : `for ${daysAgo(last.readAt)} days`}
          </b>
          ; {swellWords(last, show)} on {local.day(last.readAt)}.
        </>
      )}
      {storm && (
        <>
          {' '}
          Last storm {local.day(storm.at_ms, 'long')}, {daysAgo(storm.at_ms)} days ago: {stormWords(storm, show)}.
        </>
      )}
    </button>
  );
}
