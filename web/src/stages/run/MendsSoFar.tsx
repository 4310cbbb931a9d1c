import { TextButton } from '../../ui/TextButton.tsx';
import { useLocalTime } from '../../when/useLocalTime.ts';
import type { Mend } from '../../box/mendsOfRun.ts';
import type { useMends } from './useMends.ts';

interface MendsSoFarProps {
  readonly mends: ReturnType<typeof useMends>;
  readonly nameOf: (spotId: string | null) => string;
}

/** What was put right of a run, when, and the way back: nothing that was tapped or told is hidden for good. */
export function MendsSoFar({ mends, nameOf }: MendsSoFarProps) {
  const local = useLocalTime();
  if (mends.mended.length === 0) return null;
  const says = ({ what, at, was, now }: Mend): string => {
    const bucket = `the bucket of ${local.clock(at)}`;
    const as = now ? `${local.clock(now.at)}, ${now.fullness ?? 'full'}, ${nameOf(now.spotId)}` : '';
    if (what === 'told anew') return `${bucket} is now ${as}`;
    if (what === 'added') return `added: ${as}`;
    if (what === 'taken out') return was ? `${bucket} taken out` : 'a bucket taken out';
    return what === 'stopped' ? `stopped at ${local.clock(at)}` : `went on at ${local.clock(at)}`;
  };
  return (
    <>
      <h3 className="mt-4 border-b border-ink">Put right so far</h3>
      <ol aria-label="What was put right, the latest first">
        {mends.mended.map((mend) => {
          const back = mends.takeMendBack(mend);
          return (
            <li key={mend.id} className="flex min-h-11 items-center gap-3 border-b border-rule text-[14px]">
              <span className="w-24 shrink-0 text-ink-2">
                {mend.toldAt_ms === null ? '' : local.dayTime(mend.toldAt_ms)}
              </span>
              <span className="grow">
                {says(mend)}
                {mend.by !== null && <span className="text-ink-2">, by {mend.by}</span>}
              </span>
              {back && (
                <TextButton aria-label={`Take back: ${says(mend)}`} onClick={back}>
                  take back
                </TextButton>
              )}
            </li>
          );
        })}
      </ol>
    </>
  );
}
