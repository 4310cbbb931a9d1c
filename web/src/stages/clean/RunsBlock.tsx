import { Block } from '../../ui/Judgement.tsx';
import { useShow } from '../../units/useShow.ts';
import { RunChecks } from './RunChecks.tsx';
import type { CleanupInHand } from './useCleanup.ts';

/** The runs that wait to be weighed. */
export function RunsBlock({ inHand: { waiting, runs, draft, leaveOut, tried } }: { inHand: CleanupInHand }) {
  const show = useShow();
  return (
    <Block title="Out of these runs">
      <RunChecks
        runs={waiting}
        leftOut={draft.leftOut}
        onChange={leaveOut}
        say={(r) => `, ${show.volume(r.tally.volumeLoose_L)} loose`}
      />
      {tried && runs.length === 0 && <p className="text-[12.5px] text-danger">▲ Say which run this gold came from.</p>}
    </Block>
  );
}
