import { crewPace, type CrewPace, type PacedRun, type Post, type TimedRound } from '@riffle/core';
import { exposeWork } from '../../../workers/steps.ts';

export interface CrewProblem {
  readonly rounds: readonly TimedRound[];
  readonly posts: readonly Post[];
  readonly pails: number;
  readonly runs: readonly PacedRun[];
}

function* sayCrew({ rounds, posts, pails, runs }: CrewProblem): Generator<{ done: number }, CrewPace> {
  yield { done: 0 };
  return crewPace(rounds, posts, pails, runs);
}
exposeWork(sayCrew);
