import { grouped } from '@riffle/core';
import { Judgement } from './Judgement.tsx';

/** Says what is on its way, in the shape of what will stand there: what lies below must not move under a finger. */
export const Fetching = ({ what, arrived = 0 }: { what: string; arrived?: number }) => (
  <div role="status">
    <Judgement rests={arrived === 0 ? '\u00a0' : `${grouped(arrived)} records so far`}>Fetching {what} ...</Judgement>
  </div>
);
