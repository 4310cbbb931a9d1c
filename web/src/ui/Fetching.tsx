import { Judgement } from './Judgement.tsx';

/** Says what is on its way, in the shape of what will stand there: what lies below must not move under a finger. */
export const Fetching = ({ what }: { what: string }) => (
  <div role="status">
    <Judgement rests={'\u00a0'}>Fetching {what} ...</Judgement>
  </div>
);
