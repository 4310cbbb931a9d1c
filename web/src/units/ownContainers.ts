import type { StoredContainer } from '@riffle/contract';

/** The crew's own containers, litres level full by name. One set for the whole page: a pan is the same pan on every screen. */
let own: Readonly<Record<string, number>> = {};

export const ownContainers = (): Readonly<Record<string, number>> => own;
/** Called by the frame of the page whenever the list is read. */
export function takeContainers(containers: readonly StoredContainer[]): void {
  own = Object.fromEntries(containers.map((c) => [c.name, c.volume_L]));
}
