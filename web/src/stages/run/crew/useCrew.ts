import type { StoredWorkRound } from '@riffle/contract';
import type { CrewPace, Post } from '@riffle/core';
import { useMemo } from 'react';
import { useKeep } from '../../../records/useKeep.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { useGround } from '../../../shell/useGround.ts';
import { useDraft } from '../../../ui/useDraft.ts';
import { useWork } from '../../../workers/useThread.ts';
import type { CrewProblem } from './crew.worker.ts';
import { NO_ROUND, pacedRuns, postsOf, roundsFor, USUAL_PAILS, usualPosts, type RoundDraft } from './readRound.ts';

const open = (): Worker => new Worker(new URL('./crew.worker.ts', import.meta.url), { type: 'module' });

/** How the crew stands, as it is moved about on the screen; null: as it stood when it was timed last. */
interface StandDraft {
  readonly posts: readonly Post[] | null;
  readonly pails: number | null;
}

/** The bucket of the last set-up, where there is one. */
const USUAL_BUCKET = { value_L: 20, entered: { text: '20', unit: 'L' } };

/** The crew of a ground: its timed rounds, how it stands, and what that comes to. */
export function useCrew() {
  const { ground } = useGround();
  const kept = useRecords('work-rounds', ground.id).items;
  const runs = useRecords('runs', ground.id).items;
  const setups = useRecords('setups', ground.id).items;
  const { add, takeOut } = useKeep('work-rounds');
  const [draft, setDraft, clearDraft] = useDraft<RoundDraft>(`round-${ground.id}`, () => NO_ROUND);
  const [stand, setStand] = useDraft<StandDraft>(`stand-${ground.id}`, () => ({ posts: null, pails: null }));

  const rounds = useMemo(() => [...kept].sort((a, b) => b.timedAt.localeCompare(a.timedAt)), [kept]);
  const last = rounds[0];
  const latestRun = [...runs].sort((a, b) => b.startedAt.localeCompare(a.startedAt))[0];
  const setup = [...setups].sort((a, b) => b.setAt.localeCompare(a.setAt))[0];
  const bucket = setup
    ? { value_L: setup.bucket_L, entered: setup.bucketEntered }
    : last
      ? { value_L: last.bucket_L, entered: last.bucketEntered }
      : USUAL_BUCKET;
  const pails = stand.pails ?? last?.pails ?? USUAL_PAILS;
  const people = latestRun?.people ?? 2;
  const whole = useMemo(() => stand.posts ?? last?.posts ?? usualPosts(people), [stand.posts, last?.posts, people]);
  const timed = useMemo(() => roundsFor(rounds, bucket.value_L), [rounds, bucket.value_L]);
  const posts = useMemo(() => postsOf(whole, timed), [whole, timed]);
  const problem = useMemo(
    (): CrewProblem | null =>
      posts.length > 0 ? { rounds: timed, posts, pails, runs: pacedRuns(runs, bucket.value_L) } : null,
    [timed, posts, pails, runs, bucket.value_L],
  );
  const { solved } = useWork<CrewProblem, { done: number }, CrewPace>(open, problem);

  const keep = (times: Pick<StoredWorkRound, 'dig_s' | 'carry_s' | 'screen_s' | 'feed_s'>): void => {
    add({
      groundId: ground.id,
      timedAt: new Date().toISOString(),
      bucket_L: bucket.value_L,
      bucketEntered: bucket.entered,
      ...times,
      posts: whole.map((p) => ({ tasks: [...p.tasks], people: p.people })),
      pails,
      note: '',
    });
    clearDraft();
  };
  return {
    ground,
    rounds,
    runs,
    bucket,
    pails,
    /** With tasks nobody has timed yet. */
    whole,
    draft,
    setDraft,
    clearDraft,
    keep,
    takeOut,
    stand: (posts: readonly Post[]): void => setStand((s) => ({ ...s, posts })),
    setPails: (n: number): void => setStand((s) => ({ ...s, pails: n })),
    /** The last answer and the standing it is of; it may be a moment behind the hand. */
    solved: solved && { crew: solved.result, posts: solved.problem.posts },
  };
}
export type Crew = ReturnType<typeof useCrew>;
