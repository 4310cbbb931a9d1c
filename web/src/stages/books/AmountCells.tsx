import type { BookAmounts } from '@riffle/core';
import { moneyText } from '../../units/moneyText.ts';
import { useShow } from '../../units/useShow.ts';

/** The person's own price and what they call their money; null when they typed none. */
export type Money = { readonly pricePerGram: number; readonly name: string } | null;

export const hoursText = (running_s: number): string => `${(running_s / 3600).toFixed(1)} h`;
export const valueText = (gold_mg: number, money: Money): string =>
  money ? moneyText((gold_mg / 1000) * money.pricePerGram, money.name) : '';

/** Headings over `AmountCells`. */
export const AmountHeads = ({ money }: { money: Money }) => (
  <>
    {['gold', 'grade', ...(money ? ['value'] : []), 'volume, bank', 'buckets', 'time'].map((h) => (
      <th key={h} scope="col" className="pr-4 text-right font-normal">
        {h}
      </th>
    ))}
  </>
);

/** What some ground gave, as the cells of a row: gold and grade first, where a phone shows them. */
export function AmountCells({ amounts, money }: { amounts: BookAmounts; money: Money }) {
  const show = useShow();
  return (
    <>
      <td className="py-2 pr-4 text-right font-bold text-gold">{show.gold(amounts.gold_mg)}</td>
      <td className="py-2 pr-4 text-right font-bold text-gold">
        {amounts.volumeBank_L > 0 ? show.grade(amounts.gold_mg / amounts.volumeBank_L) : ''}
      </td>
      {money && <td className="py-2 pr-4 text-right">{valueText(amounts.gold_mg, money)}</td>}
      <td className="py-2 pr-4 text-right">{show.volume(amounts.volumeBank_L)}</td>
      <td className="py-2 pr-4 text-right">{amounts.buckets}</td>
      <td className="py-2 pr-4 text-right">{hoursText(amounts.running_s)}</td>
    </>
  );
}
