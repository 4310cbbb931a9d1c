import type { StoredRun } from '@riffle/contract';
import { latestFirst } from '../../box/latestFirst.ts';
import { Checkbox } from '../../ui/Checkbox.tsx';
import { FirstFew } from '../../ui/FirstFew.tsx';
import { plural } from '../../ui/plural.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';

interface RunChecksProps {
  readonly runs: readonly StoredRun[];
  readonly leftOut: readonly string[];
  readonly onChange: (runId: string, isOut: boolean) => void;
  /** Said of a run beside its buckets. */
  readonly say?: (run: StoredRun) => string;
}

/** Runs to be ticked, the latest first; all are in, until one is left out. */
export function RunChecks({ runs, leftOut, onChange, say = () => '' }: RunChecksProps) {
  const local = useLocalTime();
  return (
    <FirstFew of={latestFirst(runs)} more={(count) => plural(count, 'earlier run')}>
      {(some) =>
        some.map((r) => (
          <Checkbox
            key={r.id}
            className="border-b border-rule"
            checked={!leftOut.includes(r.id)}
            onChange={(checked) => onChange(r.id, !checked)}
          >
            {local.dayTime(r.startedAt)}: {plural(r.tally.buckets, 'bucket')}
            {say(r)}
            {!r.tally.stopped && ', still open'}
          </Checkbox>
        ))
      }
    </FirstFew>
  );
}
