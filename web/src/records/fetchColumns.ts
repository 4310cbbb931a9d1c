import { asPans, type Pan, type Pans } from '@riffle/contract';
import { call } from '../api/client.ts';

/** The pans of a ground, which come in columns, and which of what was written of late they hold. */
export interface Columns {
  readonly pans: readonly Pan[];
  /** Whether a sample, as this device has it, is among them. */
  readonly holds: (sample: { readonly id: string; readonly version: number; readonly updatedAt: string }) => boolean;
}

export async function fetchColumns(groundId: string): Promise<Columns> {
  const columns = await call<Pans>('GET', `/grounds/${groundId}/pans`);
  const later = new Set(columns.later);
  return {
    pans: asPans(columns),
    // One that waits has no time yet, and one that was changed was there before.
    holds: ({ id, version, updatedAt }) =>
      version !== 1 || later.has(id) || (Date.parse(updatedAt) !== 0 && updatedAt <= columns.asOf),
  };
}
