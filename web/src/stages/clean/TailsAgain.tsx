import type { StoredRun } from '@riffle/contract';
import { tailsAgain, type LossBySize } from '@riffle/core';
import { useShow } from '../../units/useShow.ts';

interface TailsAgainProps {
  readonly bySize: LossBySize;
  readonly runs: readonly StoredRun[];
}

/** Nobody digs so many hours for each hour of running. Stated assumption. */
const NEVER_H_H = 4;

/** Whether the tails are worth running once more: what they give, and how long digging has to take before they pay better than new ground. */
export function TailsAgain({ bySize, runs }: TailsAgainProps) {
  const show = useShow();
  const running_h = runs.reduce((sum, r) => sum + r.tally.running_s / 3600, 0);
  const again = running_h > 0 ? tailsAgain(bySize, running_h) : null;
  if (!again) return null;
  const { low, high } = again.perHour_mg;
  const { low: soonest, middle, high: latest } = again.paysFromDigging_h_h;
  const hours = (h: number): string => (h > 10 ? 'over 10' : h.toFixed(1));
  return (
    <p className="mt-2 border-l-4 border-ink pl-3">
      <b>
        {middle > NEVER_H_H
          ? 'Leave the tails: new ground pays better.'
          : `The tails again? Only where an hour of running costs you over ${hours(middle)} h of digging (${hours(soonest)} to ${hours(latest)}).`}
      </b>{' '}
      <span className="text-ink-2">
        They lie there dug; fed once more they give {show.gold(low)} to {show.gold(high)} an hour of running, new ground
        gave {show.gold(again.freshPerHour_mg)}. With the box as it stood: set better, it takes more.
      </span>
    </p>
  );
}
