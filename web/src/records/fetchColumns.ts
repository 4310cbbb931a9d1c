import { asPans, type Pan, type Pans } from '@riffle/contract';
import { call } from '../api/client.ts';

/** The pans of a ground, which come in columns, and as of when they are. */
export async function fetchColumns(
  groundId: string,
): Promise<{ readonly asOf: string; readonly pans: readonly Pan[] }> {
  const columns = await call<Pans>('GET', `/grounds/${groundId}/pans`);
  return { asOf: columns.asOf, pans: asPans(columns) };
}
