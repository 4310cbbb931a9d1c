import type { StoredGround, StoredSpot } from '@riffle/contract';
import type { StormReach } from '@riffle/core';
import { useMemo } from 'react';
import { useRecords } from '../../../records/useRecords.ts';
import { shoreOf } from '../../../shore/shoreOf.ts';
import { Block } from '../../../ui/Judgement.tsx';
import { useNow } from '../../../ui/useNow.ts';
import { useShow } from '../../../units/useShow.ts';
import { useLocalTime } from '../../../when/useLocalTime.ts';
import type { ReadInHand } from '../useReadScreen.ts';
import { roughly, stormWords } from './seaWords.ts';
import { seamsOf, ShoreDrawing } from './ShoreDrawing.tsx';

/** Nine tenths of a normal lie within so many deviations. */
const NINETY = 1.645;

/** A beach in height: its berm, mouths and seams against the tide and the storms, and what the last of them laid anew. */
export function ShoreBlock({
  ground,
  spots,
  inHand,
}: {
  ground: StoredGround;
  spots: readonly StoredSpot[];
  inHand: ReadInHand;
}) {
  const show = useShow();
  const local = useLocalTime();
  const now_ms = useNow(60_000);
  const { signs, swell, picked, pickSpot } = inHand;
  const pits = useRecords('pits', ground.id).items;
  const shore = useMemo(() => shoreOf(ground, signs, swell, now_ms), [ground, signs, swell, now_ms]);
  const seams = useMemo(() => seamsOf(spots, pits), [spots, pits]);
  const [storm] = shore.storms;
  return (
    <Block title="The shore in height" aside="above the tide table’s zero; seams as they lay when dug">
      <p className="mb-2">
        {storm ? (
          <>
            <b>
              The storm of {local.day(storm.at_ms, 'long')}: {stormWords(storm, show)}.
            </b>{' '}
            {storm.reach && <RanUp reach={storm.reach} />}
          </>
        ) : (
          'Log the storms: what one laid anew is worth a pan again, whatever it showed before.'
        )}
        {shore.toe.length === 0 && ' Mark the toe of the berm with its height: it tells which storms came to it.'}
      </p>
      {ground.tide ? (
        <ShoreDrawing ground={ground} shore={shore} signs={signs} seams={seams} picked={picked} onPick={pickSpot} />
      ) : (
        <p className="text-ink-2">Heights are drawn once the tide is given under “about it”.</p>
      )}
    </Block>
  );
}

/** How high a storm ran up, with its band. */
function RanUp({ reach: { middle_m, sd_m } }: { reach: StormReach }) {
  const show = useShow();
  return (
    <>
      It ran up to about {show.length(roughly(middle_m))} (
      {show.range('length', roughly(middle_m - NINETY * sd_m), roughly(middle_m + NINETY * sd_m))}).
    </>
  );
}
