import { Block, Gold } from '../../../ui/Judgement.tsx';
import { Button } from '../../../ui/Button.tsx';
import { plural } from '../../../ui/plural.ts';
import { TextButton } from '../../../ui/TextButton.tsx';
import { useShow } from '../../../units/useShow.ts';
import type { Screens } from './useScreens.ts';

/** Nobody looks through more than this to save a finer screen. */
const MOST_BUCKETS = 200;

/** Before stones are thrown: how many buckets of oversize, looked through clean, would allow the next finer screen. Each look is a tap. */
export function OversizeBet({ screens: { which, looks } }: { screens: Screens }) {
  const show = useShow();
  const finer = which?.finer;
  if (!finer) return null;
  const { looks: buckets, pieces } = looks.at(finer.aperture_mm);
  const size = show.grainSize(finer.aperture_mm / 1000);
  const left = Math.ceil(finer.lookFirst_L / looks.bucketBank_L);
  return (
    <Block title="Before you throw the stones" aside={`screened at ${size}`}>
      <p className="text-[18px]">
        {left > MOST_BUCKETS ? (
          <>What is coarse here is not for throwing: no number of looks would allow {size}.</>
        ) : left <= 0 ? (
          <>
            <b>{size} may be used:</b> what was looked through allows it.
          </>
        ) : (
          <>
            <b>{plural(left, buckets > 0 ? 'more bucket' : 'bucket')}</b>, the oversize looked through and nothing
            found, would allow {size}.
          </>
        )}
      </p>
      <p>
        Of each {show.volume(100)} of ground at most <Gold>{show.gold(100 * (finer.goldOverAtMost_mg_L ?? 0))}</Gold>{' '}
        would go with those stones, by{' '}
        {buckets === 0 ? 'the pans alone' : `the pans and ${plural(buckets, 'bucket')} looked through`}
        {pieces > 0 && `, ${plural(pieces, 'piece')} found`}.
      </p>
      {looks.look ? (
        <div className="mt-2 flex flex-wrap items-center gap-3">
          <Button onClick={() => looks.look?.(finer.aperture_mm, 0)}>One bucket, nothing in it</Button>
          <Button onClick={() => looks.look?.(finer.aperture_mm, 1)}>One bucket, a piece in it</Button>
          {looks.takeBack && <TextButton onClick={looks.takeBack}>Take the last look back</TextButton>}
        </div>
      ) : (
        <p className="mt-2">Say above which spot it is from; then each look is a tap.</p>
      )}
      <p className="mt-1 text-[13px] text-ink-2">A bucket is one of ground before screening. With 95 %.</p>
    </Block>
  );
}
