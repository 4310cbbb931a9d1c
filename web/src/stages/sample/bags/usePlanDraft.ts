import { NUMBERS, numberProblem, textProblem, TEXTS, type LaidOut, type StoredGround } from '@riffle/contract';
import { useMemo } from 'react';
import { useContainers } from '../../../records/useContainers.ts';
import { enterLength } from '../../../units/enterLength.ts';
import { readEntered, readVolume, type Reading } from '../../../units/readEntered.ts';
import { useDraft } from '../../../ui/useDraft.ts';
import { laidOut, readPlan, type LengthField, type Mouth, type PlanDraft, type PlanRead } from './readPlan.ts';

export interface PlanInHand extends PlanRead {
  readonly draft: PlanDraft;
  readonly change: (some: Partial<PlanDraft>) => void;
  readonly clear: () => void;
  readonly lengths: Readonly<Record<LengthField, Reading>>;
  readonly bag: Reading;
  readonly bagProblem: string | null;
  readonly nameProblem: string | null;
  whole(ground: StoredGround): LaidOut | null;
}

export function usePlanDraft(
  ground: StoredGround,
  mouths: readonly Mouth[],
  code: string,
  at_m: number | null,
  US: boolean,
): PlanInHand {
  const unit = US ? 'ft' : 'm';
  const wide = ground.kind === 'hillside' || ground.kind === 'bench';
  const [draft, setDraft, clear] = useDraft<PlanDraft>(`plan-${ground.id}`, () => ({
    pattern: wide ? 'grid' : 'traverse',
    name: '',
    code,
    from: enterLength(at_m, unit, 0),
    to: { text: '', unit },
    fromBank: 'right',
    toBank: 'left',
    fromOut: { text: US ? '20' : '6', unit },
    toOut: { text: US ? '20' : '6', unit },
    spacing: { text: US ? '6' : '2', unit },
    rows: { text: US ? '30' : '10', unit },
    depth: { text: US ? '1' : '0.3', unit },
    step: { text: US ? '1' : '0.3', unit },
    cracks: '6',
    bag: { text: '2', unit: 'pan' },
  }));
  const lengths = Object.fromEntries(
    (['from', 'to', 'fromOut', 'toOut', 'spacing', 'rows', 'depth', 'step'] as const).map((f) => [
      f,
      readEntered('length', draft[f]),
    ]),
  ) as Record<LengthField, Reading>;
  const bag = readVolume(draft.bag, useContainers());
  const bagProblem = bag.ok ? numberProblem(NUMBERS.planBag_L, bag.value) : null;
  // Left empty, the plan is named by its pattern and code.
  const nameProblem = draft.name.trim() === '' ? null : textProblem(TEXTS.name, draft.name);
  const key = JSON.stringify([draft, mouths]);
  const { points, problem } = useMemo(() => {
    const [typed, joins] = JSON.parse(key) as [PlanDraft, Mouth[]];
    return readPlan(typed, joins, ground.length_m);
  }, [key, ground.length_m]);
  return {
    draft,
    clear,
    lengths,
    bag,
    bagProblem,
    nameProblem,
    points,
    problem,
    change: (some) => setDraft((before) => ({ ...before, ...some })),
    whole: (g) =>
      points && bag.ok && !bagProblem && !nameProblem && draft.code.trim() !== ''
        ? laidOut(g, draft, points, bag.value)
        : null,
  };
}
