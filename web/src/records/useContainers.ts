import { useMemo } from 'react';
import { useRecords } from './useRecords.ts';

/** The crew's own containers: litres level full by name. A pan is the same pan on every screen. */
export function useContainers(): Readonly<Record<string, number>> {
  const { items } = useRecords('containers');
  return useMemo(() => Object.fromEntries(items.map((c) => [c.name, c.volume_L])), [items]);
}
