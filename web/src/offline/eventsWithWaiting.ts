import type { LoggedEvent } from '@riffle/contract';
import { tapsByRun } from './waitingTaps.ts';
import type { Write } from './write.ts';

/** Events of a run with the waiting ones laid over. */
export function eventsWithWaiting(
  runId: string,
  events: readonly LoggedEvent[],
  waiting: readonly Write[],
): LoggedEvent[] {
  const byId = new Map(events.map((e) => [e.id, e]));
  for (const e of tapsByRun(waiting).get(runId) ?? []) byId.set(e.id, e);
  return [...byId.values()];
}
