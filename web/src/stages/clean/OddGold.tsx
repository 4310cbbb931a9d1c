import type { ExpectedGold } from '@riffle/core';
import { Button } from '../../ui/Button.tsx';
import { useShow } from '../../units/useShow.ts';
import { inOtherUnit } from './expectedGold.ts';
import type { CleanupInHand } from './useCleanup.ts';

const BY: Readonly<Record<ExpectedGold['by'], string>> = {
  forecast: 'what its pans and its box promised',
  'clean-ups': 'what this ground gave before',
  'any ground': 'what the richest ground gives',
};

/** Asked, never refused: is it another unit? */
export function OddGold({ inHand }: { inHand: CleanupInHand }) {
  const show = useShow();
  const { odd, sections, readings, setSections, change } = inHand;
  if (!odd) return null;
  const { other } = odd;
  const times = odd.times > 1 ? odd.times : 1 / odd.times;
  const how = `${times >= 100 ? Math.round(times / 10) * 10 : Math.round(times)} times ${odd.times > 1 ? 'more' : 'less'} than ${BY[odd.by]}`;
  return (
    <div role="alert" className="my-2 border-2 border-ink p-3">
      <p className="text-[18px] font-bold">
        {show.gold(odd.total_mg)}: is that right? It is {how}.
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        {other && (
          <Button
            look="main"
            className="min-h-12"
            onClick={() =>
              setSections(
                sections.map((s, i) => {
                  const gold = readings[i]?.gold;
                  return gold && odd.sections.includes(i) ? inOtherUnit(s, gold, other.unit) : s;
                }),
              )
            }
          >
            No: {show.gold(other.total_mg)}
          </Button>
        )}
        <Button className="min-h-12" onClick={() => change({ sure_mg: odd.total_mg })}>
          It is so
        </Button>
      </div>
    </div>
  );
}
