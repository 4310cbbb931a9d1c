import { latestFirst } from '../../box/latestFirst.ts';
import { Checkbox } from '../../ui/Checkbox.tsx';
import { FirstFew } from '../../ui/FirstFew.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { plural } from '../../ui/plural.ts';
import { useShow } from '../../units/useShow.ts';
import type { CleanupInHand } from './useCleanup.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';

/** The runs that wait to be weighed; all are in, until one is left out. */
export function RunsBlock({ inHand: { waiting, runs, draft, leaveOut, tried } }: { inHand: CleanupInHand }) {
  const local = useLocalTime();
  const show = useShow();
  return (
    <Block title="Out of these runs">
      <FirstFew of={latestFirst(waiting)} more={(count) => plural(count, 'earlier run')}>
        {(some) =>
          some.map((r) => (
            <Checkbox
              key={r.id}
              className="border-b border-rule"
              checked={!draft.leftOut.includes(r.id)}
              onChange={(checked) => leaveOut(r.id, !checked)}
            >
              {local.dayTime(r.startedAt)}: {plural(r.tally.buckets, 'bucket')}, {show.volume(r.tally.volumeLoose_L)}{' '}
              loose
              {!r.tally.stopped && ', still open'}
            </Checkbox>
          ))
        }
      </FirstFew>
      {tried && runs.length === 0 && <p className="text-[12.5px] text-danger">▲ Say which run this gold came from.</p>}
    </Block>
  );
}
