import type { WhichScreen } from '@riffle/core';
import { Block } from '../../../ui/Judgement.tsx';
import { atMost } from './atMost.ts';
import { useShow } from '../../../units/useShow.ts';

/** Each screen of the stack: the gravel it takes off, and the gold above it, counted and seen. */
export function WhatItTakesOff({ which: { choices, best } }: { which: WhichScreen }) {
  const show = useShow();
  return (
    <Block title="What a screen takes off">
      <table className="w-full">
        <thead>
          <tr className="border-b border-ink text-left text-[13px] text-ink-2">
            <th className="py-1 font-normal">screen at</th>
            <th className="text-right font-normal">takes off</th>
            <th className="text-right font-normal">gold above it, by weight</th>
            <th className="text-right font-normal">seen on it or above</th>
          </tr>
        </thead>
        <tbody>
          {choices.map((c) => (
            <tr key={c.aperture_mm} className={`border-b border-rule ${c === best ? 'bg-picked font-bold' : ''}`}>
              <td className="py-1.5">{show.grainSize(c.aperture_mm / 1000)}</td>
              <td className="text-right">{c.removes_percent === null ? '?' : `${c.removes_percent.toFixed(0)} %`}</td>
              <td className="text-right text-gold">
                {c.goldOver_percent === null || c.goldOverAtMost_percent === null
                  ? 'none counted'
                  : `${c.goldOver_percent.toFixed(1)} %, at most ${atMost(c.goldOverAtMost_percent)}`}
              </td>
              <td className={`text-right ${c.foundOver ? 'text-gold' : 'text-ink-2'}`}>
                {c.foundOver ?? 'not looked'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-ink-2">
        Gold lies over size as the counts of this place have it, its coarse end by the coarse colors counted and looked
        for. What sticks to stones and clay comes on top.
      </p>
    </Block>
  );
}
