import { weighFinish, type FinishSetting, type SeenAtFloor, type WeighedFinish } from '@riffle/core';
import { exposeWork } from '../../../workers/steps.ts';

export interface FinishProblem {
  readonly setting: FinishSetting;
  readonly seen: readonly SeenAtFloor[];
}

function* weigh({ setting, seen }: FinishProblem): Generator<{ done: number }, WeighedFinish> {
  yield { done: 0 };
  return weighFinish(setting, seen);
}
exposeWork(weigh);
