import type { StoredRun } from '@riffle/contract';
import { memo, useMemo } from 'react';
import { changeWords, followedWords } from '../../box/boxLogWords.ts';
import { stintsOf } from '../../box/stintsOf.ts';
import { useRecords } from '../../records/useRecords.ts';
import { useShow } from '../../units/useShow.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';

/** How the box of this run stood today, each change and what followed; nothing while it stands as it was set. */
export const Stints = memo(function Stints({
  run,
  runs,
  rigId,
}: {
  readonly run: StoredRun;
  /** All of its ground. */
  readonly runs: readonly StoredRun[];
  readonly rigId: string | undefined;
}) {
  const local = useLocalTime();
  const show = useShow();
  const rigs = useRecords('rigs').items;
  const setups = useRecords('setups', run.groundId).items;
  const cleanups = useRecords('cleanups', run.groundId).items;
  const tests = useRecords('box-tests', run.groundId).items;
  const today = local.isoDay(run.startedAt);
  const stints = useMemo(() => {
    if (rigId === undefined) return [];
    const ofToday = runs.filter((r) => local.isoDay(r.startedAt) === today);
    return stintsOf({ rigs, setups, runs: ofToday, cleanups, tests }, rigId);
  }, [rigs, setups, runs, cleanups, tests, rigId, local, today]);
  if (stints.length < 2) return null;
  return (
    <div className="mt-3 border-t-2 border-ink pt-2">
      <h2>Stints of this box today</h2>
      <ol aria-label="Stints, the latest first">
        {stints.map((stint) => (
          <li
            key={stint.setup.id}
            className="grid grid-cols-[4rem_minmax(0,1fr)] border-b border-rule py-1 text-[15px]"
          >
            <span>{local.clock(stint.since)}</span>
            <span className="min-w-0">
              <b>
                {stint.lined
                  ? `lined with ${stint.lined}`
                  : stint.changes === null
                    ? 'as first set'
                    : stint.changes.map((c) => changeWords(c, show)).join(', ')}
              </b>
              <span className="block">{followedWords(stint, show)}</span>
            </span>
          </li>
        ))}
      </ol>
    </div>
  );
});
