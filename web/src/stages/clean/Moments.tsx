import type { StoredCleanup, StoredRun } from '@riffle/contract';
import { bankVolume_L, exactSum_mg } from '@riffle/core';
import type { ReactNode } from 'react';
import { expectedInTubs, expectedWords, standingTubs, type OpenLift } from '../../box/openLifts.ts';
import { plural } from '../../ui/plural.ts';
import { useShow } from '../../units/useShow.ts';

interface MomentsProps {
  readonly inBox: readonly StoredRun[];
  readonly inTubs: readonly OpenLift[];
  readonly cleanups: readonly StoredCleanup[];
  readonly swell_percent: number;
}

/** Where the gold of this ground is: still in the box, in tubs on its way, weighed. */
export function Moments({ inBox, inTubs, cleanups, swell_percent }: MomentsProps) {
  const show = useShow();
  const fed_L = bankVolume_L(
    inBox.reduce((sum, r) => sum + r.tally.volumeLoose_L, 0),
    swell_percent,
  );
  const tubs = standingTubs(inTubs).length;
  const weighed_mg = exactSum_mg(cleanups.flatMap((c) => c.sections.map((s) => s.gold_mg)));
  return (
    <ol
      aria-label="From the box to the scale"
      className="grid grid-cols-3 border-2 border-ink text-center tight:grid-cols-1"
    >
      <Moment name="in the box" what={inBox.length === 0 ? 'nothing' : show.volume(fed_L)}>
        {inBox.length > 0 && plural(inBox.length, 'run')}
      </Moment>
      <Moment name="in tubs" what={tubs === 0 ? 'nothing' : plural(tubs, 'tub')}>
        {tubs > 0 && expectedWords(expectedInTubs(inTubs), show.gold)}
      </Moment>
      <Moment name="weighed" what={weighed_mg === 0 ? 'nothing' : show.gold(weighed_mg)} isGold={weighed_mg > 0}>
        {cleanups.length > 0 && plural(cleanups.length, 'clean-up')}
      </Moment>
    </ol>
  );
}

interface MomentProps {
  readonly name: string;
  readonly what: string;
  readonly isGold?: boolean;
  readonly children: ReactNode;
}
const Moment = ({ name, what, isGold = false, children }: MomentProps) => (
  <li className="px-1 py-1.5 not-first:border-l-2 not-first:border-ink tight:not-first:border-t-2 tight:not-first:border-l-0">
    <span className="block text-[13px] text-ink-2">{name}</span>
    <b className={`block text-[18px] leading-tight ${isGold ? 'text-gold' : ''}`}>{what}</b>
    <span className="block text-[12.5px] leading-tight text-ink-2">{children}</span>
  </li>
);
