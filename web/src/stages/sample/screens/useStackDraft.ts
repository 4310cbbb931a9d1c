import { MOST, type Screening, type StoredGround, type StoredScreening } from '@riffle/contract';
import { useContainers } from '../../../records/useContainers.ts';
import { useDraft } from '../../../ui/useDraft.ts';
import {
  measuredBy,
  newScreen,
  newStack,
  readStack,
  stackAsDraft,
  stackRecord,
  type ScreenDraft,
  type StackDraft,
  type StackRead,
} from './readStack.ts';

export interface StackInHand extends StackRead {
  readonly draft: StackDraft;
  readonly change: (some: Partial<StackDraft>) => void;
  readonly clear: () => void;
  /** Takes up a stack of the book. */
  readonly take: (screening: StoredScreening) => void;
  readonly setScreen: (key: string, some: Partial<ScreenDraft>) => void;
  readonly addScreen: () => void;
  readonly removeScreen: (key: string) => void;
  record(spotId: string): (Screening & { baseVersion: 0 }) | null;
}

export function useStackDraft(ground: StoredGround, US: boolean): StackInHand {
  const [draft, setDraft, clear] = useDraft<StackDraft>(`screens-${ground.id}`, () => newStack(US));
  const read = readStack(draft, useContainers());
  return {
    ...read,
    draft,
    clear,
    take: (screening) => setDraft(stackAsDraft(screening)),
    change: (some) =>
      setDraft((before) =>
        some.measure && some.measure !== before.measure
          ? measuredBy({ ...before, ...some }, some.measure, US)
          : { ...before, ...some },
      ),
    setScreen: (key, some) =>
      setDraft((before) => ({
        ...before,
        screens: before.screens.map((s) => (s.key === key ? { ...s, ...some } : s)),
      })),
    addScreen: () =>
      setDraft((before) =>
        before.screens.length >= MOST.screens
          ? before
          : { ...before, screens: [...before.screens, newScreen(before.measure, US)] },
      ),
    removeScreen: (key) => setDraft((before) => ({ ...before, screens: before.screens.filter((s) => s.key !== key) })),
    record: (spotId) => stackRecord(draft, read, ground.id, spotId),
  };
}
