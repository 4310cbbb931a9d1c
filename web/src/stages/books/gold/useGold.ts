import { exactSum_mg, goldLedger, statements } from '@riffle/core';
import { useMemo } from 'react';
import { useRecords } from '../../../records/useRecords.ts';
import { useRecordsOfAll } from '../../../records/useRecordsOfAll.ts';
import type { LocalTime } from '../../../when/localTime.ts';

/** The crew's gold, of every ground: what clean-ups weighed, what was done with it, and what each partner has coming. */
export function useGold(local: LocalTime) {
  const { items: cleanups, known } = useRecordsOfAll('cleanups');
  const grounds = useRecords('grounds').items;
  const lines = useRecords('gold-entries');
  const agreed = useRecords('agreements');
  return useMemo(() => {
    const came = cleanups.map((c) => ({
      id: c.id,
      at: c.cleanedAt,
      gold_mg: exactSum_mg(c.sections.map((s) => s.gold_mg)),
    }));
    const agreements = [...agreed.items].sort((a, b) => (a.since < b.since ? 1 : -1));
    return {
      came,
      /** Some ground's clean-ups have not been read yet: what is told is at least so much. */
      isPartly: known.size < grounds.length || lines.state !== 'here' || agreed.state !== 'here',
      ledger: goldLedger(came, lines.items),
      lines: [...lines.items].sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : a.id < b.id ? 1 : -1)),
      /** The latest first. */
      agreements,
      statements: statements(came, lines.items, agreements, local.isoDay),
    };
  }, [cleanups, known, grounds.length, lines, agreed, local]);
}
export type Gold = ReturnType<typeof useGold>;
