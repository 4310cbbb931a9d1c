import type { StoredRun, StoredSpot } from '@riffle/contract';
import { useState } from 'react';
import { FirstFew } from '../../ui/FirstFew.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { Link } from '../../ui/Link.tsx';
import { plural } from '../../ui/plural.ts';
import { TextButton } from '../../ui/TextButton.tsx';
import { useShow } from '../../units/useShow.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { RunSheet } from './RunSheet.tsx';

interface Props {
  readonly groundId: string;
  /** The latest first. */
  readonly runs: readonly StoredRun[];
  readonly spots: readonly StoredSpot[];
}

/** Runs that stand in no clean-up yet, each to be put right. */
export function NotWeighed({ groundId, runs, spots }: Props) {
  const local = useLocalTime();
  const show = useShow();
  const [mendedId, setMended] = useState<string | null>(null);
  const mended = runs.find((r) => r.id === mendedId);
  if (runs.length === 0) return null;
  return (
    <Block
      title="Run, not weighed yet"
      aside={
        <Link className="underline underline-offset-4" to={`/g/${groundId}/clean`}>
          clean up
        </Link>
      }
    >
      <FirstFew of={runs} more={(count) => plural(count, 'earlier run')}>
        {(some) => (
          <ul>
            {some.map((r) => (
              <li key={r.id} className="flex items-baseline gap-x-3 border-b border-rule py-1.5">
                <span className="min-w-0 grow">
                  {local.dayTime(r.startedAt)}: {plural(r.tally.buckets, 'bucket')},{' '}
                  {show.volume(r.tally.volumeLoose_L)} loose
                </span>
                <TextButton
                  aria-label={`Put right the run of ${local.dayTime(r.startedAt)}`}
                  onClick={() => setMended(r.id)}
                >
                  put right
                </TextButton>
              </li>
            ))}
          </ul>
        )}
      </FirstFew>
      {mended && <RunSheet run={mended} spots={spots} onClose={() => setMended(null)} />}
    </Block>
  );
}
