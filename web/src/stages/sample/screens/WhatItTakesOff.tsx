import type { WhichScreen } from '@riffle/core';
import { Block } from '../../../ui/Judgement.tsx';
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
            <th className="text-right font-normal">counted gold above it</th>
            <th className="text-right font-normal">seen on it or above</th>
          </tr>
        </thead>
        <tbody>
          {choices.map((c) => (
            <tr key={c.aperture_mm} className={`border-b border-rule ${c === best ? 'bg-picked font-bold' : ''}`}>
              <td className="py-1.5">{show.smallLength(c.aperture_mm / 1000)}</td>
              <td className="text-right">{c.removes_percent === null ? '?' : `${c.removes_percent.toFixed(0)} %`}</td>
              <td className="text-right text-gold">
                {c.goldOver_percent === null ? 'none counted' : `${c.goldOver_percent.toFixed(1)} %`}
              </td>
              <td className={`text-right ${c.foundOver ? 'text-gold' : 'text-ink-2'}`}>
                {c.foundOver ?? 'not looked'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-ink-2">
        Within a class gold is taken as spread evenly over size. What sticks to stones and clay comes on top.
      </p>
    </Block>
  );
}
