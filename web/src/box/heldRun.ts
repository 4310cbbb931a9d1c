/** Where this device keeps which run it has in hand, and where its next bucket comes from. */
const HELD = 'riffle-run';
const SOURCE = 'riffle-source';

export const heldRun = (): string | null => sessionStorage.getItem(HELD);
export const holdRun = (runId: string): void => sessionStorage.setItem(HELD, runId);

/** Where the next bucket of a run comes from as it was chosen last; null where nothing was chosen in this run. */
export function chosenSource(runId: string): string | null {
  const [of, spotId] = (localStorage.getItem(SOURCE) ?? '').split(' ');
  return of === runId && spotId ? spotId : null;
}
export const chooseSource = (runId: string, spotId: string): void => localStorage.setItem(SOURCE, `${runId} ${spotId}`);
